import { createServer, type Server } from 'node:http';
import { readLocalTime } from '@/formats/dates';
import { MOST_OBSERVED_H, stationObservedJson, stationWeatherJson } from '@/formats/stationJson';
import { Refused } from '@/formats/problem';
import { stationObserved, stationWeather } from './simulate';
import { SITES } from './stations';

/** The winter that is simulated where nobody chooses another. */
const SEED = 12;

/**
 * The simulated weather service: `GET /stations`, `GET /stations/ID/weather?at=2027-01-12T07:05`, `GET /stations/ID/observed?from=…&to=…`.
 * JSON as documented in docs/formats.md; 404 for what is not there, 400 for a time that is none.
 */
export function weatherService(seed = SEED): Server {
  return createServer((req, res) => {
    const say = (status: number, body: unknown) =>
      res.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
    const url = new URL(req.url ?? '/', 'http://localhost');
    if (req.method !== 'GET') return say(405, { error: 'only GET' });
    if (url.pathname === '/stations') return say(200, { stations: SITES.map((s) => s.station) });
    const [, id, what] = /^\/stations\/([a-z-]+)\/(weather|observed)$/.exec(url.pathname) ?? [];
    const site = SITES.find((s) => s.station.id === id);
    if (!site) return say(404, { error: 'no such station' });
    const nowMs = Date.now() + site.station.utcOffsetMin * 60_000;
    try {
      if (what === 'observed') {
        const [fromMs, toMs] = ['from', 'to'].map((k) => readLocalTime(url.searchParams.get(k) ?? '', k));
        if (toMs < fromMs || toMs - fromMs > MOST_OBSERVED_H * 3600_000)
          return say(400, { error: `to: at most ${MOST_OBSERVED_H} hours after from` });
        return say(200, stationObservedJson(stationObserved(site.station.id, fromMs, toMs, seed)));
      }
      const at = url.searchParams.get('at');
      const atMs = at === null ? nowMs : readLocalTime(at, 'at');
      return say(200, stationWeatherJson(stationWeather(site.station.id, atMs, seed)));
    } catch (e) {
      if (e instanceof Refused) return say(400, { error: e.message });
      throw e;
    }
  });
}
