import {
  readStations,
  readStationObserved,
  readStationWeather,
  type ForecastSource,
  type Station,
  type StationObserved,
  type StationWeather,
} from '@/formats/stationJson';
import { distance } from '@turf/distance';
import { sql } from './db';
import { log, traceOf } from './log';

/** How long a service may take, ms, and for how long what it said is used without asking again. */
const PATIENCE_MS = 2000;
const FRESH_MS = 10 * 60_000;

/** A service behind an address: the simulated one that ships, or a real one in its place (EMBER_WEATHER). */
export function httpSource(address: string): ForecastSource {
  const get = async (path: string): Promise<unknown> => {
    const answer = await fetch(address + path, { signal: AbortSignal.timeout(PATIENCE_MS), cache: 'no-store' });
    if (!answer.ok) throw new Error(`the weather service answered ${answer.status}`);
    return answer.json();
  };
  return {
    stations: async () => readStations(await get('/stations')),
    weather: async (id, atMs) =>
      readStationWeather(
        await get(`/stations/${encodeURIComponent(id)}/weather?at=${new Date(atMs).toISOString().slice(0, 16)}`),
      ),
    observed: async (id, fromMs, toMs) => {
      const [from, to] = [fromMs, toMs].map((t) => new Date(t).toISOString().slice(0, 16));
      return readStationObserved(await get(`/stations/${encodeURIComponent(id)}/observed?from=${from}&to=${to}`));
    },
  };
}

const source = (): ForecastSource | null =>
  process.env.EMBER_WEATHER ? httpSource(process.env.EMBER_WEATHER.replace(/\/$/, '')) : null;

/** The stations of the service; none while it is silent. */
export async function listStations(): Promise<Station[]> {
  return (
    (await source()
      ?.stations()
      .catch(() => [])) ?? []
  );
}

/** What a station says, or said when it was last heard. */
export interface Heard {
  weather: StationWeather;
  /** ms since it was heard */
  ageMs: number;
  /** 'silent': it does not answer now, this is what it last said */
  state: 'heard' | 'silent';
  /** it is the one that ships, made up */
  simulated: boolean;
}

/**
 * The weather of a station: what was heard within ten minutes, else asked anew and kept; with the service silent the last it said.
 * @param atMs local wall clock @returns null where nothing was ever heard
 */
export async function weatherOf(stationId: string, atMs: number): Promise<Heard | null> {
  const simulated = process.env.EMBER_WEATHER_SIMULATED === '1';
  const [kept] = await sql()<{ heard_at: Date; content: StationWeather }[]>`
    select heard_at, content from weather_heard where station = ${stationId}`;
  const age = kept ? Date.now() - kept.heard_at.getTime() : Infinity;
  // An hour of the past or of another day is another question.
  const same = kept && Math.abs(kept.content.issuedMs - atMs) < FRESH_MS;
  if (kept && same && age < FRESH_MS) return { weather: kept.content, ageMs: age, state: 'heard', simulated };
  try {
    const from = source();
    if (!from) throw new Error('no weather service is configured');
    const weather = await from.weather(stationId, atMs);
    await sql()`
      insert into weather_heard (station, content) values (${stationId}, ${sql().json(weather as never)})
      on conflict (station) do update set content = excluded.content, heard_at = now()`;
    return { weather, ageMs: 0, state: 'heard', simulated };
  } catch (e) {
    log.warn({ station: stationId, ...traceOf(e) }, 'the weather station is silent');
    return kept ? { weather: kept.content, ageMs: age, state: 'silent', simulated } : null;
  }
}

/** What a station measured in some hours; null while the service is silent or knows nothing of them. @param fromMs local wall clock */
export async function observedAt(stationId: string, fromMs: number, toMs: number): Promise<StationObserved | null> {
  try {
    return (await source()?.observed(stationId, fromMs, toMs)) ?? null;
  } catch (e) {
    log.warn({ station: stationId, ...traceOf(e) }, 'the weather station says nothing of the past');
    return null;
  }
}

/** Stations further off than this say nothing of the wind here, km; and no more than so many are asked beside one's own. */
export const NEAR_KM = 40;
export const MOST_NEAR = 6;

/** What a station says, and what those about it say; null where it was never heard. @param atMs local wall clock */
export async function weatherAround(stationId: string, atMs: number): Promise<{ own: Heard; others: Heard[] } | null> {
  const [own, all] = await Promise.all([weatherOf(stationId, atMs), listStations()]);
  if (!own) return null;
  const here = own.weather.station;
  const km = (s: Station) => distance([s.longitude, s.latitude], [here.longitude, here.latitude]);
  const near = all.filter((s) => s.id !== here.id && km(s) <= NEAR_KM).sort((a, b) => km(a) - km(b));
  const others = await Promise.all(near.slice(0, MOST_NEAR).map((s) => weatherOf(s.id, atMs)));
  return { own, others: others.filter((h) => h !== null) };
}
