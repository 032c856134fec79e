import { decode } from 'he';
import { SaxesParser, type SaxesTagPlain } from 'saxes';
import { NAME_LENGTH } from '@/core/clothing/garment';
import type { RoutePoint } from '@/core/outing/route';
import { FIRST_TIME_MS, LAST_TIME_MS } from './dates';
import { refuse } from './problem';

/** Largest route file, bytes: a day's track at one point a second is about 8 MB. */
export const MAX_GPX_BYTES = 16 * 1024 * 1024;
const MAX_POINTS = 200_000;
/** Deeper, or with more attributes on one element, than any watch or map writes. */
const MAX_DEPTH = 24;
const MAX_ATTRIBUTES = 40;
/** Letters of a text that is kept: a name, a number, a time. */
const MAX_TEXT = 1000;
/** The parser gets the text in pieces of so many letters, so that a limit stops it early. */
const PIECE = 65_536;

/** What a watch measured beside the place: pulse, °C, W, steps or turns a minute. */
export type Measured = Partial<Record<'bpm' | 'airC' | 'powerW' | 'cadence', number>>;

export interface GpxRoute {
  name: string;
  points: RoutePoint[];
  /** one for each point; empty where nothing but places was recorded */
  measured: Measured[];
}

/** Names that watches give what they measure, whatever namespace it stands in, and what may be believed. */
const MEASURED: Record<string, { as: keyof Measured; low: number; high: number }> = {
  hr: { as: 'bpm', low: 20, high: 250 },
  heartrate: { as: 'bpm', low: 20, high: 250 },
  atemp: { as: 'airC', low: -60, high: 60 },
  temp: { as: 'airC', low: -60, high: 60 },
  temperature: { as: 'airC', low: -60, high: 60 },
  power: { as: 'powerW', low: 0, high: 3000 },
  watts: { as: 'powerW', low: 0, high: 3000 },
  powerinwatts: { as: 'powerW', low: 0, high: 3000 },
  cad: { as: 'cadence', low: 0, high: 400 },
  cadence: { as: 'cadence', low: 0, high: 400 },
};

/**
 * Reads a GPX 1.1 (or 1.0) track, or a route when there is no track. Segments are joined in order. Read in one pass, so that what
 * is too much is refused before all of it has been taken in.
 * Document types and entities are refused outright: a GPX file needs none, and they are how XML bombs are built.
 * @param most letters taken @throws Refused naming file, line and field
 */
export function readGpx(text: string, file: string, most = MAX_GPX_BYTES): GpxRoute {
  if (text.length > most)
    refuse(file, 'size', `${(text.length / 1048576).toFixed(0)} MB`, `at most ${most / 1048576} MB`);
  if (text.trim() === '') refuse(file, 'content', 'empty', 'a GPX track or route');
  const declared = /<!\s*(DOCTYPE|ENTITY)/i.exec(text);
  if (declared)
    refuse(
      file,
      'document type',
      declared[0],
      'a plain GPX file without DOCTYPE or entities',
      text.slice(0, declared.index).split('\n').length,
    );
  const reader = new Reader(file);
  const from = text.startsWith('\uFEFF') ? 1 : 0;
  for (let i = from; i < text.length; i += PIECE) reader.parser.write(text.slice(i, i + PIECE));
  reader.parser.close();
  return reader.result();
}

/** A point as its element says it, with the line it stands in. */
interface RawPoint {
  lat?: string;
  lon?: string;
  ele?: string;
  time?: string;
  measured: Measured;
  line: number;
}

/** What may be a point, and what holds it. */
const POINTS: Record<string, 'track' | 'route'> = { 'gpx/trk/trkseg/trkpt': 'track', 'gpx/rte/rtept': 'route' };
const NAMES = ['gpx/trk/name', 'gpx/rte/name', 'gpx/metadata/name'];

class Reader {
  readonly parser = new SaxesParser();
  /** names of the open elements, without their namespaces */
  private readonly path: string[] = [];
  private readonly found: Record<'track' | 'route', RoutePoint[]> = { track: [], route: [] };
  private readonly measured: Record<'track' | 'route', Measured[]> = { track: [], route: [] };
  private readonly names: Record<string, string> = {};
  private point: RawPoint | null = null;
  private text = '';

  constructor(private readonly file: string) {
    const { parser } = this;
    parser.on('error', (e) => {
      const entities = /entity/i.test(e.message);
      refuse(
        file,
        'the file',
        entities ? 'a name for letters (an entity) that it does not explain' : 'broken at this line, or no GPX at all',
        entities ? 'a plain GPX file without DOCTYPE or entities' : 'a whole GPX 1.1 file as a watch or map writes it',
        parser.line,
      );
    });
    let attributes = 0;
    parser.on('opentagstart', () => (attributes = 0));
    parser.on('attribute', ({ name }) => {
      if (++attributes > MAX_ATTRIBUTES)
        refuse(
          file,
          `attribute ${name.slice(0, 20)}`,
          `number ${attributes} of one element`,
          `at most ${MAX_ATTRIBUTES}`,
          parser.line,
        );
    });
    parser.on('opentag', (tag) => this.open(tag as SaxesTagPlain));
    parser.on('text', (t) => this.take(t));
    parser.on('cdata', (t) => this.take(t));
    parser.on('closetag', () => this.close());
  }

  private open(tag: SaxesTagPlain) {
    const name = tag.name.slice(tag.name.indexOf(':') + 1);
    if (this.path.length === 0 && name !== 'gpx') refuse(this.file, 'root element', name, '<gpx>', this.parser.line);
    this.path.push(name);
    if (this.path.length > MAX_DEPTH)
      refuse(this.file, `element ${name}`, `${this.path.length} levels deep`, `at most ${MAX_DEPTH}`, this.parser.line);
    this.text = '';
    if (POINTS[this.path.join('/')])
      this.point = { lat: tag.attributes.lat, lon: tag.attributes.lon, measured: {}, line: this.parser.line };
  }

  private take(t: string) {
    if (this.text.length < MAX_TEXT) this.text += t.slice(0, MAX_TEXT);
  }

  private close() {
    const path = this.path.join('/');
    const kind = POINTS[path];
    if (kind && this.point) {
      const list = this.found[kind];
      if (list.length >= MAX_POINTS)
        refuse(this.file, 'points', `over ${MAX_POINTS}`, `at most ${MAX_POINTS}`, this.point.line);
      list.push(readPoint(this.point, list.length, this.file));
      this.measured[kind].push(this.point.measured);
      this.point = null;
    }
    const parent = this.path.slice(0, -1).join('/');
    const name = this.path[this.path.length - 1];
    const reads = this.point && MEASURED[name.toLowerCase().replace(/[_-]/g, '')];
    // A sensor that slips is no fault of the file: what cannot be is left out.
    const n = reads && this.text.trim() !== '' ? Number(this.text) : NaN;
    if (reads && n >= reads.low && n <= reads.high) this.point!.measured[reads.as] = n;
    if (this.point && POINTS[parent]) {
      if (path.endsWith('/ele')) this.point.ele = this.text;
      if (path.endsWith('/time')) this.point.time = this.text;
    }
    if (NAMES.includes(path) && this.text.trim() !== '') this.names[path] ??= this.text;
    this.path.pop();
    this.text = '';
  }

  result(): GpxRoute {
    const { track, route } = this.found;
    const points = track.length > 0 ? track : route;
    if (points.length < 2) refuse(this.file, 'points', points.length, 'at least 2 track or route points');
    const name = NAMES.map((n) => this.names[n]).find((n) => n !== undefined);
    const measured = track.length > 0 ? this.measured.track : this.measured.route;
    return { name: nameOf(name), points, measured: measured.some((m) => Object.keys(m).length > 0) ? measured : [] };
  }
}

/** A name as it can be stored and shown: whole letters, no line ends, not too long. */
function nameOf(text: string | undefined): string {
  // Some devices write their own references into the text: they are read as well.
  const name = decode(text ?? '')
    .replace(/[\p{Cc}\p{Surrogate}]+/gu, ' ')
    .trim();
  return [...name].slice(0, NAME_LENGTH).join('') || 'Route';
}

function readPoint(p: RawPoint, i: number, file: string): RoutePoint {
  const number = (field: string, value: string | undefined, low: number, high: number, unit: string): number => {
    const n = value === undefined || value.trim() === '' ? NaN : Number(value);
    if (!Number.isFinite(n) || n < low || n > high)
      refuse(file, `${field} of point ${i + 1}`, value ?? 'missing', `${low} to ${high} ${unit}`, p.line);
    return n;
  };
  const lat = number('latitude', p.lat, -90, 90, '°');
  const lon = number('longitude', p.lon, -180, 180, '°');
  const eleM = p.ele === undefined || p.ele.trim() === '' ? null : number('elevation', p.ele, -430, 8850, 'm');
  let timeMs: number | null = null;
  if (p.time !== undefined && p.time.trim() !== '') {
    timeMs = Date.parse(p.time.trim());
    if (!Number.isFinite(timeMs) || timeMs < FIRST_TIME_MS || timeMs > LAST_TIME_MS)
      refuse(file, `time of point ${i + 1}`, p.time, 'ISO 8601, such as 2027-01-16T08:10:00Z, in 1970 to 2096', p.line);
  }
  return { lat, lon, eleM, timeMs };
}
