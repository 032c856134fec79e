import { createServer, type Server } from 'node:http';
import { readLocalTime } from '@/formats/dates';
import { stationWeatherJson } from '@/formats/stationJson';
import { Refused } from '@/formats/problem';
import { stationWeather } from './simulate';
import { SITES } from './stations';

/** The winter that is simulated where nobody chooses another. */
const SEED = 12;

/**
 * The simulated weather service: `GET /stations`, `GET /stations/ID/weather?at=2027-01-12T07:05`. JSON as documented in
 * docs/formats.md; 404 for what is not there, 400 for a time that is none.
 */
export function weatherService(seed = SEED): Server {
  return createServer((req, res) => {
    const say = (status: number, body: unknown) =>
      res.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
    const url = new URL(req.url ?? '/', 'http://localhost');
    if (req.method !== 'GET') return say(405, { error: 'only GET' });
    if (url.pathname === '/stations') return say(200, { stations: SITES.map((s) => s.station) });
    const id = /^\/stations\/([a-z-]+)\/weather$/.exec(url.pathname)?.[1];
    const site = SITES.find((s) => s.station.id === id);
    if (!site) return say(404, { error: 'no such station' });
    try {
      const at = url.searchParams.get('at');
      const atMs = at === null ? Date.now() + site.station.utcOffsetMin * 60_000 : readLocalTime(at, 'at');
      return say(200, stationWeatherJson(stationWeather(site.station.id, atMs, seed)));
    } catch (e) {
      if (e instanceof Refused) return say(400, { error: e.message });
      throw e;
    }
  });
}
