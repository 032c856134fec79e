import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import Papa from 'papaparse';
import { checkPerson, type Person } from '@/core/body/person';
import type { Learned } from '@/core/calibrate/learned';
import type { Lesson } from '@/core/calibrate/learn';
import { checkGarment, type Garment } from '@/core/clothing/garment';
import { DRYING_PLACE_NAMES } from '@/core/moisture/drying';
import type { Plan } from '@/core/kit/plan';
import { checkForecast, type ForecastHour } from '@/core/outing/forecast';
import type { Outing } from '@/core/outing/outing';
import type { RoutePoint } from '@/core/outing/route';
import { checkWishes, type Wishes } from '@/core/search/wishes';
import { localTimeText } from './dates';
import { fileNameOf } from './fileName';
import { readGpx } from './gpx';
import { gpxOf } from './gpxOut';
import { atDoor, refuse } from './problem';
import { learnedSchema, lessonSchema, readLearned } from './lessonJson';
import { tapSchema } from './tapJson';
import type { Tap } from '@/core/underway/taps';
import { object, orNull, text, uuid } from './schemaParts';
import { garmentSchema, outingSchema, personSchema, planSchema, profileSchema, wishesSchema } from './schemas';
import { parseJson, validated } from './validate';

/** Everything of one athlete. Times in whole ISO 8601, to a microsecond; null: it is not so. */
export interface Archive {
  format: 'lofted-ember archive';
  version: 1;
  athlete: {
    name: string;
    units: 'metric' | 'imperial';
    /** as they give themselves */
    person: Person;
    /** what their outings taught against that; left out where nothing did */
    known?: Learned;
    /** causes that they call chance; left out where there are none */
    calledChance?: string[];
    winterCues?: string[];
    wishes: Wishes;
  };
  garments: {
    id: string;
    catalogueId: string | null;
    dampGm2: number;
    /** where it hangs to dry, and since when it was so damp; left out: nowhere */
    hung?: { place: string; since: string };
    removedAt: string | null;
    createdAt: string;
    garment: Garment;
  }[];
  outings: ArchivedOuting[];
  /** lines that were answered at the door: regulars by name, and the last few; left out by earlier versions */
  lines?: { id: string; line: string; name: string | null; usedAt: string; createdAt: string }[];
}

export interface ArchivedOuting {
  id: string;
  createdAt: string;
  archivedAt: string | null;
  deletedAt: string | null;
  /** when its forecast was heard or brought in; earlier versions left it out */
  forecastHeardAt?: string | null;
  /** the athlete's numbers rest on it since then; it is left out of learning; left out where it is not so */
  learnedAt?: string;
  leftOut?: boolean;
  /** how its plans are wanted; left out: as usual */
  wishes?: Wishes;
  outing: Outing;
  /** the file of every point of its route; null: legs by hand */
  route: string | null;
  plans: { id: string; name: string; createdAt: string; deletedAt: string | null; plan: Plan }[];
  /** how it was, in one word; left out where nobody told */
  told?: { felt: string; toldAt: string };
  /** what was tapped on the way, in the order it came in; left out where nothing was */
  taps?: Tap[];
  /** what it taught when it was kept, and in which order; left out where nothing was kept */
  lesson?: { order: number; keptAt: string; taught: Lesson };
}

/** An archive with the routes that stand in files of their own, by outing. */
export interface Whole {
  archive: Archive;
  routes: Record<string, RoutePoint[]>;
}

const time = { type: 'string', format: 'date-time' };

/** `archive.json` in an archive. */
export const archiveSchema = object(
  {
    format: { const: 'lofted-ember archive' },
    version: { const: 1 },
    athlete: object(
      {
        name: text,
        units: { enum: ['metric', 'imperial'] },
        person: personSchema,
        known: learnedSchema,
        calledChance: { type: 'array', maxItems: 100, items: text },
        winterCues: { type: 'array', maxItems: 100, items: text },
        wishes: wishesSchema,
      },
      ['name', 'units', 'person', 'wishes'],
    ),
    garments: {
      type: 'array',
      maxItems: 2000,
      items: object(
        {
          id: uuid,
          catalogueId: orNull(text),
          dampGm2: { type: 'number', minimum: 0, maximum: 2000 },
          hung: object({ place: { enum: [...DRYING_PLACE_NAMES] }, since: time }, ['place', 'since']),
          removedAt: orNull(time),
          createdAt: time,
          garment: garmentSchema,
        },
        ['id', 'catalogueId', 'dampGm2', 'removedAt', 'createdAt', 'garment'],
      ),
    },
    outings: {
      type: 'array',
      maxItems: 5000,
      items: object(
        {
          id: uuid,
          createdAt: time,
          archivedAt: orNull(time),
          deletedAt: orNull(time),
          forecastHeardAt: orNull(time),
          learnedAt: time,
          leftOut: { type: 'boolean' },
          wishes: wishesSchema,
          outing: {
            ...outingSchema,
            properties: { ...outingSchema.properties, profile: orNull(profileSchema) },
            required: [...outingSchema.required, 'profile'],
          },
          route: orNull({ type: 'string', minLength: 1, maxLength: 300 }),
          plans: {
            type: 'array',
            maxItems: 200,
            items: object({ id: uuid, name: text, createdAt: time, deletedAt: orNull(time), plan: planSchema }, [
              'id',
              'name',
              'createdAt',
              'deletedAt',
              'plan',
            ]),
          },
          taps: { type: 'array', maxItems: 100_000, items: tapSchema },
          lesson: object({ order: { type: 'integer', minimum: 0 }, keptAt: time, taught: lessonSchema }, [
            'order',
            'keptAt',
            'taught',
          ]),
          told: object({ felt: { enum: ['right', 'too warm', 'too cold', 'wet'] }, toldAt: time }, ['felt', 'toldAt']),
        },
        ['id', 'createdAt', 'archivedAt', 'deletedAt', 'outing', 'route', 'plans'],
      ),
    },
    lines: {
      type: 'array',
      maxItems: 200,
      items: object(
        {
          id: uuid,
          line: { type: 'string', minLength: 1, maxLength: 300 },
          name: orNull(text),
          usedAt: time,
          createdAt: time,
        },
        ['id', 'line', 'name', 'usedAt', 'createdAt'],
      ),
    },
  },
  ['format', 'version', 'athlete', 'garments', 'outings'],
);

/** The file in which all but the routes stands. */
const MAIN = 'archive.json';
/** Largest archive taken, bytes, packed and unpacked, and the files in it. */
export const MAX_ARCHIVE_BYTES = 20 * 1024 * 1024;
const MAX_UNPACKED = 400 * 1024 * 1024;
const MAX_FILES = 12_000;
/** The most points that a route may have, written out in full, are larger than any file that brought them. */
const MAX_ROUTE_LETTERS = 64 * 1024 * 1024;
/** Every archive of the same things is the same, to the last bit: the files carry no time of their own. */
const NO_TIME = new Date('1980-01-01T00:00:00');

const HOURS: [string, (h: ForecastHour) => string | number][] = [
  ['time', (h) => localTimeText(h.timeMs)],
  ['temperature_c', (h) => h.airC],
  ['humidity_pct', (h) => h.humidity * 100],
  ['wind_ms', (h) => h.wind],
  ['gust_ms', (h) => h.gust],
  ['direction_deg', (h) => h.fromDeg],
  ['precipitation_mm', (h) => h.precipitationMmH],
  ['kind', (h) => h.kind],
  ['cloud_pct', (h) => h.cloud * 100],
];

/** Hours of a forecast as a CSV that the application reads. */
export const forecastCsvOf = (hours: readonly ForecastHour[]): string =>
  Papa.unparse({ fields: HOURS.map(([name]) => name), data: hours.map((h) => HOURS.map(([, of]) => of(h))) });

/** Everything as one zip: `archive.json`, each route as GPX, and for other programs each forecast as CSV. */
export function packArchive({ archive, routes }: Whole): Uint8Array {
  const files: Record<string, Uint8Array> = { [MAIN]: strToU8(JSON.stringify(archive, null, 1)) };
  for (const { id, outing, route } of archive.outings) {
    if (route) files[route] = strToU8(gpxOf(outing.name, routes[id] ?? []));
    files[`forecasts/${id}/${fileNameOf(outing.name, 'csv')}`] = strToU8(forecastCsvOf(outing.forecast));
  }
  return zipSync(files, { mtime: NO_TIME });
}

/** The name of an outing's route in an archive. */
export const routeFile = (id: string, name: string): string => `routes/${id}/${fileNameOf(name, 'gpx')}`;

/** Reads an archive. @throws Refused with the file and field of the fault */
export function unpackArchive(bytes: Uint8Array, file: string): Whole {
  if (bytes.byteLength > MAX_ARCHIVE_BYTES)
    refuse(file, 'size', `${(bytes.byteLength / 1048576).toFixed(0)} MB`, `at most ${MAX_ARCHIVE_BYTES / 1048576} MB`);
  const files = unzipped(bytes, file);
  const main = files[MAIN] ?? refuse(file, MAIN, 'missing', 'an archive that this application made');
  const archive = validated<Archive>(archiveSchema, parseJson(strFromU8(main), MAIN), MAIN);
  checkIds(archive, file);
  checkContent(archive);
  const routes: Whole['routes'] = {};
  for (const { id, route } of archive.outings) {
    if (!route) continue;
    const points = files[route] ?? refuse(file, 'route', route, 'a file that is in the archive');
    routes[id] = readGpx(strFromU8(points), route, MAX_ROUTE_LETTERS).points;
  }
  return { archive, routes };
}

function unzipped(bytes: Uint8Array, file: string): Record<string, Uint8Array> {
  let size = 0;
  let count = 0;
  try {
    return unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        size += originalSize;
        count++;
        // What is packed small and is large unpacked is refused before it is unpacked.
        if (size > MAX_UNPACKED) refuse(file, 'size unpacked', 'too large', `at most ${MAX_UNPACKED / 1048576} MB`);
        if (count > MAX_FILES) refuse(file, 'files in it', `over ${MAX_FILES}`, `at most ${MAX_FILES}`);
        return name === MAIN || name.endsWith('.gpx');
      },
    });
  } catch (e) {
    if (e instanceof Error && e.name === 'Refused') throw e;
    return refuse(file, 'the file', 'no zip, or a broken one', 'an archive that this application made');
  }
}

/** What no schema says of one value beside another: the core's own rules, as at every other door. @throws Refused */
function checkContent({ athlete, garments, outings }: Archive): void {
  atDoor(MAIN, () => checkPerson(athlete.person));
  if (athlete.known) readLearned(athlete.known, `${MAIN}, athlete.known`);
  atDoor(MAIN, () => checkWishes(athlete.wishes));
  for (const { garment } of garments) atDoor(garment.name, () => checkGarment(garment));
  for (const { outing, wishes } of outings) {
    atDoor(outing.name, () => checkForecast(outing.forecast));
    if (wishes) atDoor(outing.name, () => checkWishes(wishes));
  }
}

/** Plans may name what the archive has, and nothing has one id twice. @throws Refused */
function checkIds(archive: Archive, file: string): void {
  const seen = new Set<string>();
  const once = (id: string, what: string) => {
    if (seen.has(id)) refuse(file, `id of ${what}`, id, 'each id once');
    seen.add(id);
  };
  archive.garments.forEach((g) => once(g.id, g.garment.name));
  archive.lines?.forEach((l) => once(l.id, l.name ?? l.line));
  const garments = new Set(archive.garments.map((g) => g.id));
  for (const o of archive.outings) {
    once(o.id, o.outing.name);
    for (const { id, name, plan } of o.plans) {
      once(id, name);
      const named = plan.cues.flatMap((c) => c.actions.map((a) => a.garment));
      for (const g of [...plan.worn, ...plan.carried, ...Object.keys(plan.openings), ...named])
        if (!garments.has(g)) refuse(file, `garment of ${name}`, g, 'a garment that is in the archive');
    }
  }
}
