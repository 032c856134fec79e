import Papa from 'papaparse';
import { PRECIPITATION_KINDS, type PrecipitationKind, kindFromWetBulb } from '@/core/atmosphere/precipitation';
import { UNSAID, type ForecastHour } from '@/core/outing/forecast';
import { fahrenheitToC, inchToMm, kmhToMs, knotsToMs, mphToKmh } from '@/core/quantity/units';
import { readLocalTime } from './dates';
import { refuse } from './problem';

export const MAX_CSV_BYTES = 2 * 1024 * 1024;
const MAX_HOURS = 24 * 31;

type Field = 'time' | 'temperature' | 'humidity' | 'wind' | 'gust' | 'direction' | 'precipitation' | 'kind' | 'cloud';

interface Column {
  field: Field;
  convert: (x: number) => number;
  low: number;
  high: number;
  unit: string;
}

const same = (x: number) => x;
const percent = (x: number) => x / 100;

/** Every accepted header, metric and imperial; documented in docs/formats.md. */
export const CSV_COLUMNS: Record<string, Column> = {
  time: { field: 'time', convert: same, low: 0, high: 0, unit: '' },
  temperature_c: { field: 'temperature', convert: same, low: -60, high: 40, unit: '°C' },
  temperature_f: { field: 'temperature', convert: fahrenheitToC, low: -76, high: 104, unit: '°F' },
  humidity_pct: { field: 'humidity', convert: percent, low: 2, high: 100, unit: '%' },
  wind_ms: { field: 'wind', convert: same, low: 0, high: 60, unit: 'm/s' },
  wind_kmh: { field: 'wind', convert: kmhToMs, low: 0, high: 216, unit: 'km/h' },
  wind_mph: { field: 'wind', convert: (x) => kmhToMs(mphToKmh(x)), low: 0, high: 134, unit: 'mph' },
  wind_kn: { field: 'wind', convert: knotsToMs, low: 0, high: 116, unit: 'kn' },
  gust_ms: { field: 'gust', convert: same, low: 0, high: 90, unit: 'm/s' },
  gust_kmh: { field: 'gust', convert: kmhToMs, low: 0, high: 324, unit: 'km/h' },
  gust_mph: { field: 'gust', convert: (x) => kmhToMs(mphToKmh(x)), low: 0, high: 201, unit: 'mph' },
  gust_kn: { field: 'gust', convert: knotsToMs, low: 0, high: 174, unit: 'kn' },
  direction_deg: { field: 'direction', convert: same, low: 0, high: 360, unit: '°' },
  precipitation_mm: { field: 'precipitation', convert: same, low: 0, high: 60, unit: 'mm/h' },
  precipitation_in: { field: 'precipitation', convert: inchToMm, low: 0, high: 2.4, unit: 'in/h' },
  kind: { field: 'kind', convert: same, low: 0, high: 0, unit: '' },
  cloud_pct: { field: 'cloud', convert: percent, low: 0, high: 100, unit: '%' },
};

const NEEDED: Field[] = ['time', 'temperature', 'humidity', 'wind'];

/**
 * Reads an hourly forecast. Needed columns: time, temperature, humidity, wind; the rest has quiet defaults (gust 1.5 ×
 * wind, no precipitation, half cloud). Comma, semicolon or tab; where semicolons part the values, a
 * comma is the decimal sign. Refused whole at the first fault.
 * @throws Refused with file, line, field, value and what is allowed
 */
export function readForecastCsv(text: string, file: string): ForecastHour[] {
  if (text.length > MAX_CSV_BYTES)
    refuse(file, 'size', `${(text.length / 1048576).toFixed(0)} MB`, `at most ${MAX_CSV_BYTES / 1048576} MB`);
  if (text.trim() === '') refuse(file, 'content', 'empty', 'a header line and at least one hour');
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    // The header, all that is taken, and one more to see that there are more.
    preview: MAX_HOURS + 2,
  });
  const rows = parsed.data;
  const header = rows[0].map((h) => h.trim().toLowerCase());
  const columns = header.map((h, i) => {
    const c = CSV_COLUMNS[h];
    if (!c) refuse(file, `column ${i + 1}`, rows[0][i], Object.keys(CSV_COLUMNS).join(', '), 1);
    return c;
  });
  columns.forEach((c, i) => {
    if (columns.findIndex((o) => o.field === c.field) !== i)
      refuse(file, `column "${header[i]}"`, 'given twice', `one column for ${c.field}`, 1);
  });
  for (const need of NEEDED)
    if (!columns.some((c) => c.field === need))
      refuse(
        file,
        `column for ${need}`,
        'missing',
        Object.keys(CSV_COLUMNS)
          .filter((k) => CSV_COLUMNS[k].field === need)
          .join(' or '),
        1,
      );
  if (rows.length < 2) refuse(file, 'hours', 'none', 'at least one hour below the header');
  if (rows.length - 1 > MAX_HOURS) refuse(file, 'hours', `over ${MAX_HOURS}`, `at most ${MAX_HOURS}`);
  const decimal = parsed.meta.delimiter === ';' ? ',' : '.';
  const hours = rows
    .slice(1)
    .map((row, i) =>
      readHour(decimal === ',' ? row.map((v) => v.replace(',', '.')) : row, i + 2, columns, header, file),
    );
  hours.forEach((h, i) => {
    if (i === 0) return;
    const before = hours[i - 1].timeMs;
    const line = i + 2;
    if (h.timeMs === before)
      refuse(file, 'time', rows[i + 1][header.indexOf('time')], 'each hour once; this one is already there', line);
    if (h.timeMs < before)
      refuse(file, 'time', rows[i + 1][header.indexOf('time')], 'times that rise from line to line', line);
  });
  return hours;
}

function readHour(row: string[], line: number, columns: Column[], header: string[], file: string): ForecastHour {
  if (row.length !== columns.length)
    refuse(file, 'number of values', row.length, `${columns.length}, one for each column`, line);
  const got: Partial<Record<Field, number>> = {};
  let kind: PrecipitationKind | null = null;
  row.forEach((cell, i) => {
    const c = columns[i];
    const value = cell.trim();
    if (c.field === 'time') got.time = readLocalTime(value, file, line);
    else if (c.field === 'kind') {
      if (value === '') return;
      if (!PRECIPITATION_KINDS.includes(value as PrecipitationKind))
        refuse(file, 'kind', value, PRECIPITATION_KINDS.join(', '), line);
      kind = value as PrecipitationKind;
    } else if (value === '' && !NEEDED.includes(c.field)) return;
    else {
      const n = value === '' ? NaN : Number(value);
      if (!Number.isFinite(n) || n < c.low || n > c.high)
        refuse(file, header[i], value || 'empty', `${c.low} to ${c.high} ${c.unit}`, line);
      got[c.field] = c.convert(n);
    }
  });
  const wind = got.wind!;
  const gust = got.gust ?? wind * UNSAID.gust;
  if (gust < wind - 1e-9)
    refuse(file, 'gust', gust.toFixed(1) + ' m/s', `at least the wind, ${wind.toFixed(1)} m/s`, line);
  const precipitationMmH = got.precipitation ?? 0;
  const airC = got.temperature!;
  const humidity = got.humidity!;
  return {
    timeMs: got.time!,
    airC,
    humidity,
    wind,
    gust,
    fromDeg: got.direction ?? 0,
    precipitationMmH,
    kind: precipitationMmH > 0 ? (kind ?? kindFromWetBulb(airC, humidity)) : 'none',
    cloud: got.cloud ?? UNSAID.cloud,
  };
}
