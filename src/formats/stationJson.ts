import { PRECIPITATION_KINDS } from '@/core/atmosphere/precipitation';
import { checkForecast, FORECAST_RANGE, type ForecastHour } from '@/core/outing/forecast';
import { localTimeText, readLocalTime } from './dates';
import { atDoor } from './problem';
import { number, object, ranged } from './schemaParts';
import { validated } from './validate';

/** A place where weather is measured and forecast. */
export interface Station {
  id: string;
  name: string;
  latitude: number;
  longitude: number;
  /** m above the sea */
  eleM: number;
  /** minutes its clock is ahead of UTC */
  utcOffsetMin: number;
}

/** What a source of weather says of one station: now, and for the hours to come, each with how unsure it is. */
export interface StationWeather {
  station: Station;
  /** local wall clock, ms: when it was issued */
  issuedMs: number;
  now: ForecastHour;
  hours: ForecastHour[];
  /** one standard deviation of each hour: air K, wind as a share, what falls as a share */
  spread: { airK: number; windShare: number; fallShare: number }[];
}

/** What a station measured, hour by hour; local wall clock. */
export interface StationObserved {
  station: Station;
  hours: ForecastHour[];
}
/** Hours that are asked of a station at once. */
export const MOST_OBSERVED_H = 96;

/** Where weather comes from: what ships is simulated; a real service can be put in its place by its address. */
export interface ForecastSource {
  stations: () => Promise<Station[]>;
  /** @param atMs local wall clock of the station, ms */
  weather: (stationId: string, atMs: number) => Promise<StationWeather>;
  /** @param fromMs and @param toMs local wall clock of the station, ms */
  observed: (stationId: string, fromMs: number, toMs: number) => Promise<StationObserved>;
}

const text = { type: 'string', minLength: 1, maxLength: 120 };
const station = object(
  {
    id: text,
    name: text,
    latitude: number(-90, 90),
    longitude: number(-180, 180),
    eleM: number(-430, 8850),
    utcOffsetMin: { type: 'integer', minimum: -720, maximum: 840 },
  },
  ['id', 'name', 'latitude', 'longitude', 'eleM', 'utcOffsetMin'],
);
export const stationsSchema = object({ stations: { type: 'array', items: station, maxItems: 1000 } }, ['stations']);

const { airC, humidity, wind, gust, fromDeg, precipitationMmH, cloud } = ranged(FORECAST_RANGE);
const hourProperties = {
  time: { type: 'string', maxLength: 40, description: 'local wall clock of the station, 2027-01-12T07:00' },
  airC,
  humidity,
  windMs: wind,
  gustMs: gust,
  fromDeg,
  precipitationMmH,
  kind: { enum: PRECIPITATION_KINDS },
  cloud,
};
const HOUR = Object.keys(hourProperties);
const spread = object({ airK: number(0, 20), windShare: number(0, 2), fallShare: number(0, 3) }, [
  'airK',
  'windShare',
  'fallShare',
]);

/** What a source answers for one station; documented in docs/formats.md. */
export const stationWeatherSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'Lofted Ember: weather of a station',
  ...object(
    {
      station,
      issued: hourProperties.time,
      now: object(hourProperties, HOUR),
      hours: {
        type: 'array',
        minItems: 1,
        maxItems: 400,
        items: object({ ...hourProperties, spread }, [...HOUR, 'spread']),
      },
    },
    ['station', 'issued', 'now', 'hours'],
  ),
};

/** What a source answers for what a station measured; documented in docs/formats.md. */
export const stationObservedSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'Lofted Ember: what a station measured',
  ...object({ station, hours: { type: 'array', minItems: 1, maxItems: 400, items: object(hourProperties, HOUR) } }, [
    'station',
    'hours',
  ]),
};

interface SaidHour {
  time: string;
  airC: number;
  humidity: number;
  windMs: number;
  gustMs: number;
  fromDeg: number;
  precipitationMmH: number;
  kind: ForecastHour['kind'];
  cloud: number;
}
interface Said {
  station: Station;
  issued: string;
  now: SaidHour;
  hours: (SaidHour & { spread: StationWeather['spread'][number] })[];
}

const WHERE = 'The weather station';
const toHour = ({ time, windMs, gustMs, ...h }: SaidHour): ForecastHour => ({
  timeMs: readLocalTime(time, WHERE),
  airC: h.airC,
  humidity: h.humidity,
  wind: windMs,
  gust: Math.max(windMs, gustMs),
  fromDeg: h.fromDeg,
  precipitationMmH: h.precipitationMmH,
  kind: h.kind,
  cloud: h.cloud,
});
const fromHour = (h: ForecastHour): SaidHour => ({
  time: localTimeText(h.timeMs),
  airC: h.airC,
  humidity: h.humidity,
  windMs: h.wind,
  gustMs: h.gust,
  fromDeg: h.fromDeg,
  precipitationMmH: h.precipitationMmH,
  kind: h.kind,
  cloud: h.cloud,
});

/** Reads what a source says. @throws Refused whole, with the field, its value and what is allowed */
export function readStationWeather(value: unknown): StationWeather {
  const w = validated<Said>(stationWeatherSchema, value, WHERE);
  return {
    station: w.station,
    issuedMs: readLocalTime(w.issued, WHERE),
    now: toHour(w.now),
    hours: atDoor(WHERE, () => checkForecast(w.hours.map(toHour))),
    spread: w.hours.map((h) => h.spread),
  };
}

/** Reads what a source measured. @throws Refused whole */
export function readStationObserved(value: unknown): StationObserved {
  const o = validated<{ station: Station; hours: SaidHour[] }>(stationObservedSchema, value, WHERE);
  return { station: o.station, hours: atDoor(WHERE, () => checkForecast(o.hours.map(toHour))) };
}

/** @throws Refused */
export const readStations = (value: unknown): Station[] =>
  validated<{ stations: Station[] }>(stationsSchema, value, WHERE).stations;

/** The same as a source says it. */
export const stationWeatherJson = (w: StationWeather): Said => ({
  station: w.station,
  issued: localTimeText(w.issuedMs),
  now: fromHour(w.now),
  hours: w.hours.map((h, i) => ({ ...fromHour(h), spread: w.spread[i] })),
});

/** The same as a source says it. */
export const stationObservedJson = ({ station, hours }: StationObserved) => ({ station, hours: hours.map(fromHour) });
