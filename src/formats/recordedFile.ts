import Papa from 'papaparse';
import { recordedOf, type Recorded, type RecordedPoint } from '@/core/afterwards/recorded';
import type { Track } from '@/core/outing/track';
import { isValid, parseISO } from 'date-fns';
import { FIRST_TIME_MS, LAST_TIME_MS, localTimeText } from './dates';
import { MAX_GPX_BYTES, readGpx, type Measured } from './gpx';
import { textOf, type TextFile } from './intake';
import { atDoor, refuse } from './problem';

/** What a recording is read against. */
export interface RecordedOn {
  file: TextFile;
  track: Track | null;
  /** length of the outing, m, and its start as planned, ms since 1970 UTC */
  lengthM: number;
  startMs: number;
  /** minutes by which the place's clock is ahead of UTC */
  utcOffsetMin: number;
}

/** A recording that begins farther from the planned start than this is of another outing, h (engineering value). */
const SAME_H = 36;
const MAX_CSV_BYTES = 8 * 1024 * 1024;
const MAX_ROWS = 200_000;

/** Reads how an outing was gone: a GPX track with its times, or a CSV of time and pulse. @throws Refused naming file, line and field */
export function readRecorded({ file, track, lengthM, startMs, utcOffsetMin }: RecordedOn): Recorded {
  const isGpx =
    /\.gpx$/i.test(file.name) || /^\s*(\uFEFF)?\s*</.test(new TextDecoder().decode(file.bytes.slice(0, 200)));
  const points = isGpx
    ? fromGpx(textOf(file, MAX_GPX_BYTES), file.name)
    : fromCsv(textOf(file, MAX_CSV_BYTES), file.name, { startMs, utcOffsetMin });
  const recorded = atDoor(file.name, () => recordedOf(points, track, lengthM));
  if (Math.abs(recorded.startMs - startMs) > SAME_H * 3600_000)
    refuse(
      file.name,
      'first time',
      localTimeText(recorded.startMs + utcOffsetMin * 60_000).replace('T', ' '),
      `within ${SAME_H} hours of this outing’s start, ${localTimeText(startMs + utcOffsetMin * 60_000).replace('T', ' ')}`,
    );
  return recorded;
}

function fromGpx(text: string, file: string): RecordedPoint[] {
  const { points, measured } = readGpx(text, file);
  const timed = points.flatMap((p, i): RecordedPoint[] =>
    p.timeMs === null ? [] : [{ timeMs: p.timeMs, lat: p.lat, lon: p.lon, ...measured[i] }],
  );
  if (timed.length < 2)
    refuse(file, 'times', 'none', 'a recorded track: points with the time at which they were passed');
  return timed;
}

/** Heads by which columns are known, in small letters and without signs. */
const HEADS: Record<string, 'time' | 'lat' | 'lon' | keyof Measured> = {
  time: 'time',
  timestamp: 'time',
  datetime: 'time',
  seconds: 'time',
  elapsed: 'time',
  pulse: 'bpm',
  bpm: 'bpm',
  hr: 'bpm',
  heartrate: 'bpm',
  heartratebpm: 'bpm',
  lat: 'lat',
  latitude: 'lat',
  lon: 'lon',
  lng: 'lon',
  longitude: 'lon',
  temperature: 'airC',
  temperaturec: 'airC',
  temp: 'airC',
  power: 'powerW',
  powerw: 'powerW',
  watts: 'powerW',
  cadence: 'cadence',
  cad: 'cadence',
};
const RANGE: Record<'lat' | 'lon' | keyof Measured, readonly [number, number, string]> = {
  lat: [-90, 90, '°'],
  lon: [-180, 180, '°'],
  bpm: [20, 250, 'bpm'],
  airC: [-60, 60, '°C'],
  powerW: [0, 3000, 'W'],
  cadence: [0, 400, 'a minute'],
};

function fromCsv(text: string, file: string, at: { startMs: number; utcOffsetMin: number }): RecordedPoint[] {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy', preview: MAX_ROWS + 2 });
  const [head, ...rows] = parsed.data;
  if (!head || rows.length === 0)
    refuse(file, 'content', 'empty', 'a header line with time and pulse, and a line a moment');
  if (rows.length > MAX_ROWS) refuse(file, 'lines', `over ${MAX_ROWS}`, `at most ${MAX_ROWS}`);
  const columns = head.map((h) => HEADS[h.toLowerCase().replace(/[^a-z]/g, '')]);
  const time = columns.indexOf('time');
  if (time < 0)
    refuse(file, 'header', head.join(', '), 'a column time, as ISO 8601, as h:mm:ss or as seconds since the start');
  if (!columns.some((c) => c !== undefined && c !== 'time'))
    refuse(
      file,
      'header',
      head.join(', '),
      'beside the time a column pulse, lat and lon, temperature, power or cadence',
    );
  return rows.map((row, i): RecordedPoint => {
    const line = i + 2;
    const point: RecordedPoint = { timeMs: timeOf(row[time] ?? '', { file, line, ...at }), lat: null, lon: null };
    columns.forEach((c, k) => {
      const value = (row[k] ?? '').trim();
      // A moment in which a sensor was silent says nothing of it.
      if (c === undefined || c === 'time' || value === '') return;
      const n = Number(value);
      const [low, high, unit] = RANGE[c];
      if (!Number.isFinite(n) || n < low || n > high) refuse(file, head[k], value, `${low} to ${high} ${unit}`, line);
      point[c] = n;
    });
    return point;
  });
}

/** A time with a date is that moment (without a zone on the place's own clock); one without is since the planned start. */
function timeOf(
  text: string,
  { file, line, startMs, utcOffsetMin }: { file: string; line: number; startMs: number; utcOffsetMin: number },
): number {
  const value = text.trim();
  const parts = /^(\d{1,3}):(\d{2})(?::(\d{2}(?:\.\d+)?))?$/.exec(value);
  const seconds = parts
    ? Number(parts[1]) * 3600 + Number(parts[2]) * 60 + Number(parts[3] ?? 0)
    : /^\d+(\.\d+)?$/.test(value)
      ? Number(value)
      : null;
  if (seconds !== null && seconds <= 400_000) return startMs + seconds * 1000;
  const hasZone = /(Z|[+-]\d{2}:?\d{2})$/i.test(value);
  const moment = parseISO(hasZone ? value : `${value.replace(' ', 'T')}Z`);
  const ms = isValid(moment) ? moment.getTime() - (hasZone ? 0 : utcOffsetMin * 60_000) : NaN;
  if (!(ms >= FIRST_TIME_MS && ms <= LAST_TIME_MS))
    refuse(file, 'time', value, 'ISO 8601, such as 2027-01-16T08:10:00Z, or h:mm:ss since the start', line);
  return ms;
}
