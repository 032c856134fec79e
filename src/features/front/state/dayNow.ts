import { DOOR_SKIES, USUAL_DOOR, type DoorDay, type DoorSky } from '@/core/outing/doorDay';
import type { ForecastHour } from '@/core/outing/forecast';
import type { Pasted } from '@/formats/pasted';
import type { Heard } from '@/store/weather';

/** The sky of an hour in a word. */
const skyOf = (cloud: number): DoorSky =>
  (Object.keys(DOOR_SKIES) as DoorSky[]).reduce((a, b) =>
    Math.abs(DOOR_SKIES[b] - cloud) < Math.abs(DOOR_SKIES[a] - cloud) ? b : a,
  );

const round = (v: number, step: number): number => Math.round(v / step) * step;

/** The weather of an hour as somebody at the door has it: to a whole degree and 2 km/h. */
export const airOf = (h: ForecastHour): Pick<DoorDay, 'airC' | 'windMs' | 'falls' | 'sky'> => ({
  airC: round(h.airC, 1),
  windMs: round(h.wind * 3.6, 1) / 3.6,
  falls: { kind: h.precipitationMmH > 0.05 ? h.kind : 'none', mmH: h.precipitationMmH > 0.05 ? h.precipitationMmH : 0 },
  sky: skyOf(h.cloud),
});

/** Where nothing was ever heard: ordinary winter, and said to be a guess. */
const ORDINARY = { airC: -3, windMs: 10 / 3.6, falls: { kind: 'none', mmH: 0 }, sky: 'some cloud' } as const;

/** The day as it is now, for what a line does not say. @param nowMs local wall clock */
export function dayNow(heard: Heard | null, nowMs: number): DoorDay {
  const air = heard ? airOf(hourAt(heard, nowMs)) : { ...ORDINARY, falls: { ...ORDINARY.falls } };
  return { sport: 'run', ...USUAL_DOOR.run, ...air, stops: [], startMs: round(nowMs, 60_000) };
}

/** What the station says of a moment: what it measures, within the hour; else the nearest hour of its forecast. */
export function hourAt({ weather, ageMs }: Heard, atMs: number): ForecastHour {
  if (ageMs < 3600_000 && Math.abs(atMs - weather.issuedMs) < 1800_000) return weather.now;
  return weather.hours.reduce((a, b) => (Math.abs(b.timeMs - atMs) < Math.abs(a.timeMs - atMs) ? b : a));
}

/** The weather with a pasted report in the place of what the station says: a METAR of now, a TAF or a forecast of the hours to come. */
export function withReport(heard: Heard | null, pasted: Pasted | null, nowMs: number): Heard | null {
  if (!pasted) return heard;
  const now = pasted.now ?? pasted.hours.find((h) => h.timeMs >= nowMs - 3600_000) ?? pasted.hours[0];
  const station = heard?.weather.station ?? NOWHERE;
  const hours = pasted.hours.length > 0 ? pasted.hours : (heard?.weather.hours ?? [{ ...now, timeMs: nowMs }]);
  return {
    weather: {
      station: {
        ...station,
        id: 'pasted',
        name: pasted.kind === 'forecast' ? 'your forecast' : `${pasted.kind} of ${pasted.station}`,
      },
      issuedMs: nowMs,
      now,
      hours,
      spread: heard?.weather.spread ?? [],
    },
    ageMs: 0,
    state: 'heard',
    simulated: false,
  };
}

/** Where nobody knows the place: no sun is reckoned with but that of the middle of the north. */
const NOWHERE = { id: 'pasted', name: 'pasted', latitude: 54.5, longitude: -2.6, eleM: 0, utcOffsetMin: 0 };
