import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { decode } from 'he';
import { NAME_LENGTH } from '@/core/clothing/garment';
import type { RoutePoint } from '@/core/outing/route';
import { refuse } from './problem';

/** Largest route file, bytes: a day's track at one point a second is about 8 MB. */
export const MAX_GPX_BYTES = 16 * 1024 * 1024;
const MAX_POINTS = 200_000;

export interface GpxRoute {
  name: string;
  points: RoutePoint[];
}

const asList = <T>(x: T | T[] | undefined): T[] => (x === undefined ? [] : Array.isArray(x) ? x : [x]);

interface RawPoint {
  '@lat'?: string;
  '@lon'?: string;
  ele?: string;
  time?: string;
}

/**
 * Reads a GPX 1.1 (or 1.0) track, or a route when there is no track. Segments are joined in order.
 * Document types and entities are refused outright: a GPX file needs none, and they are how XML bombs are built.
 * @throws Refused naming file, line and field
 */
export function readGpx(text: string, file: string): GpxRoute {
  if (text.length > MAX_GPX_BYTES)
    refuse(file, 'size', `${(text.length / 1048576).toFixed(0)} MB`, `at most ${MAX_GPX_BYTES / 1048576} MB`);
  if (text.trim() === '') refuse(file, 'content', 'empty', 'a GPX track or route');
  const doctype = /<!\s*(DOCTYPE|ENTITY)/i.exec(text);
  if (doctype)
    refuse(
      file,
      'document type',
      doctype[0],
      'a plain GPX file without DOCTYPE or entities',
      lineAt(text, doctype.index),
    );
  const valid = XMLValidator.validate(text);
  if (valid !== true)
    refuse(
      file,
      'the file',
      'broken at this line, or no GPX at all',
      'a whole GPX 1.1 file as a watch or map writes it',
      valid.err.line,
    );
  const parsed = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    parseTagValue: false,
    parseAttributeValue: false,
    processEntities: false,
    removeNSPrefix: true,
    isArray: (name) => name === 'trk' || name === 'trkseg' || name === 'trkpt' || name === 'rte' || name === 'rtept',
  }).parse(text) as { gpx?: Record<string, unknown> };
  if (parsed.gpx === undefined) refuse(file, 'root element', Object.keys(parsed).join(', ') || 'none', '<gpx>');
  const gpx = (typeof parsed.gpx === 'object' ? parsed.gpx : {}) as {
    metadata?: { name?: unknown };
    trk?: { name?: unknown; trkseg?: { trkpt?: RawPoint[] }[] }[];
    rte?: { name?: unknown; rtept?: RawPoint[] }[];
  };
  const track = asList(gpx.trk).flatMap((t) => asList(t.trkseg).flatMap((s) => asList(s?.trkpt)));
  const route = asList(gpx.rte).flatMap((r) => asList(r.rtept));
  const raw = track.length > 0 ? track : route;
  const tag = track.length > 0 ? 'trkpt' : 'rtept';
  if (raw.length < 2) refuse(file, 'points', raw.length, 'at least 2 track or route points');
  if (raw.length > MAX_POINTS) refuse(file, 'points', raw.length, `at most ${MAX_POINTS}`);
  const points = raw.map((p, i) => readPoint(p, i, tag, text, file));
  const name = [gpx.trk?.[0]?.name, gpx.rte?.[0]?.name, gpx.metadata?.name].find(
    (n) => typeof n === 'string' && n.trim() !== '',
  );
  return { name: typeof name === 'string' ? decode(name).trim().slice(0, NAME_LENGTH) : 'Route', points };
}

function readPoint(p: RawPoint, i: number, tag: string, text: string, file: string): RoutePoint {
  const line = () => lineOfPoint(text, tag, i);
  const number = (field: string, value: string | undefined, low: number, high: number, unit: string): number => {
    const n = value === undefined || String(value).trim() === '' ? NaN : Number(value);
    if (!Number.isFinite(n) || n < low || n > high)
      refuse(file, `${field} of point ${i + 1}`, value ?? 'missing', `${low} to ${high} ${unit}`, line());
    return n;
  };
  const lat = number('latitude', p['@lat'], -90, 90, '°');
  const lon = number('longitude', p['@lon'], -180, 180, '°');
  const eleM = p.ele === undefined || String(p.ele).trim() === '' ? null : number('elevation', p.ele, -430, 8850, 'm');
  let timeMs: number | null = null;
  if (typeof p.time === 'string' && p.time.trim() !== '') {
    timeMs = Date.parse(p.time.trim());
    if (!Number.isFinite(timeMs))
      refuse(file, `time of point ${i + 1}`, p.time, 'ISO 8601, such as 2027-01-16T08:10:00Z', line());
  }
  return { lat, lon, eleM, timeMs };
}

function lineAt(text: string, index: number): number {
  let line = 1;
  for (let i = 0; i < index; i++) if (text.charCodeAt(i) === 10) line++;
  return line;
}

function lineOfPoint(text: string, tag: string, nth: number): number {
  const finder = new RegExp(`<(\\w+:)?${tag}[\\s>]`, 'g');
  let match: RegExpExecArray | null = null;
  for (let k = 0; k <= nth; k++) match = finder.exec(text);
  return match ? lineAt(text, match.index) : 1;
}
