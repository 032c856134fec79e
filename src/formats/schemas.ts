// Longer than a file should be: tables of fields, as they are published in schemas/.
import type { TSchema } from '@sinclair/typebox';
import { PERSON, type Person } from '@/core/body/person';
import { PRECIPITATION_KINDS } from '@/core/atmosphere/precipitation';
import { GARMENT } from '@/core/clothing/garment';
import { SPORTS } from '@/core/effort/sports';
import { FORECAST_RANGE } from '@/core/outing/forecast';
import { WETTINGS } from '@/core/outing/wetting';
import { WEIGHT_RANGE } from '@/core/judge/cost';
import { SCHOOLS } from '@/core/search/schools';
import { WISH_RANGE } from '@/core/search/wishes';
import { PACE_RANGE } from '@/core/kit/plan';
import { LEG_RANGE, MAX_LEGS, SIDES } from '@/core/outing/leg';

import { FIRST_TIME_MS, LAST_TIME_MS } from './dates';
import { id, number, object, ranged, share, text } from './schemaParts';

/**
 * The JSON Schemas of everything that comes in as JSON, made from the core's own ranges so that door and core agree.
 * `scripts/schemas.mjs` writes them to schemas/ for others to read; a test holds the two equal.
 */
/** A schema of the core without what it says of columns and forms. */
const plain = (schema: TSchema): TSchema & { properties: unknown } =>
  JSON.parse(JSON.stringify(schema, (key, value: unknown) => (key === 'x-field' ? undefined : value)));

export const garmentSchema = plain(GARMENT);
const garmentProperties = garmentSchema.properties as Record<string, unknown>;

export const personSchema = plain(PERSON);
const partialPerson = object(personSchema.properties as Record<string, unknown>, []);
export type PartialPerson = Partial<Person>;

export const wishesSchema = object(
  {
    weights: object(
      { caution: number(...WEIGHT_RANGE), fuss: number(...WEIGHT_RANGE), weight: number(...WEIGHT_RANGE) },
      ['caution', 'fuss', 'weight'],
    ),
    maxCues: { type: 'integer', minimum: WISH_RANGE.maxCues[0], maximum: WISH_RANGE.maxCues[1] },
    waiting: { type: 'integer', minimum: WISH_RANGE.waiting[0], maximum: WISH_RANGE.waiting[1] },
    floorC: { anyOf: [number(...WISH_RANGE.floorC), { type: 'null' }] },
    mouthBelowC: { anyOf: [number(...WISH_RANGE.mouthBelowC), { type: 'null' }] },
  },
  ['weights', 'maxCues', 'waiting', 'floorC'],
);

const settings = { type: 'object', additionalProperties: { type: 'object', additionalProperties: share } };

/** What is done at one moment: pieces on and off, frost shaken out, openings set. */
export const actionsSchema = {
  type: 'array',
  maxItems: 60,
  items: {
    oneOf: [
      object({ do: { enum: ['putOn', 'takeOff', 'brush'] }, garment: id }, ['do', 'garment']),
      object({ do: { const: 'set' }, garment: id, opening: id, setting: share }, [
        'do',
        'garment',
        'opening',
        'setting',
      ]),
    ],
  },
};

export const planSchema = object(
  {
    worn: { type: 'array', items: id, maxItems: 60, uniqueItems: true },
    carried: { type: 'array', items: id, maxItems: 60, uniqueItems: true },
    openings: settings,
    cues: {
      type: 'array',
      maxItems: 60,
      items: object(
        {
          atS: number(0, 72 * 3600),
          actions: actionsSchema,
          pace: object({ share: number(...PACE_RANGE), untilS: number(0, 72 * 3600) }, ['share', 'untilS']),
          shelter: object({ untilS: number(0, 72 * 3600) }, ['untilS']),
        },
        ['atS', 'actions'],
      ),
    },
  },
  ['worn', 'carried', 'openings', 'cues'],
);

const effort = {
  oneOf: [
    object({ by: { const: 'usual' } }, ['by']),
    object({ by: { const: 'exertion' }, value: number(0, 10) }, ['by', 'value']),
    object({ by: { const: 'heartRate' }, value: number(30, 230) }, ['by', 'value']),
    object({ by: { const: 'power' }, value: number(0, 700) }, ['by', 'value']),
    object({ by: { const: 'speed' }, value: number(0.1, 30) }, ['by', 'value']),
    object({ by: { const: 'metabolic' }, value: number(40, 2500), externalW: number(0, 700) }, ['by', 'value']),
  ],
};

/** Where the standard atmosphere is taken to hold, m. */
const ALTITUDE_M = [-500, 9000] as const;

const legAir = object(
  {
    airC: number(-60, 45),
    humidity: number(0.02, 1),
    wind: number(0, 60),
    windAtBody: { type: 'boolean' },
    sunWm2: number(0, 800),
    precipitationMmH: number(0, 60),
    precipitation: { enum: PRECIPITATION_KINDS },
    altitudeM: number(...ALTITUDE_M),
  },
  [],
);

const leg = object(
  {
    name: text,
    sport: { enum: SPORTS },
    ...ranged(LEG_RANGE),
    effort,
    shelter: { enum: ['open', 'forest', 'ridge', 'indoor', 'street'] },
    packOn: { type: 'boolean' },
    noStopping: { type: 'boolean' },
    surface: { enum: ['tarmac', 'gravel', 'packed snow', 'soft snow'] },
    footprintCm: number(0, 45),
    packUnder: { type: 'boolean' },
    wetting: { enum: WETTINGS },
    side: { enum: SIDES },
    air: legAir,
    profileFrom: { type: 'integer', minimum: 0, maximum: 100_000 },
    profileTo: { type: 'integer', minimum: 0, maximum: 100_000 },
  },
  ['name', 'sport', 'minutes', 'distanceM', 'climbM', 'effort', 'shelter', 'packOn', 'noStopping'],
);

/** A wall-clock time, whole seconds, ms since 1970: the years that forms and files take. */
const wallClock = { type: 'integer', minimum: FIRST_TIME_MS, maximum: LAST_TIME_MS, multipleOf: 1000 };

const forecastHour = object({ timeMs: wallClock, ...ranged(FORECAST_RANGE), kind: { enum: PRECIPITATION_KINDS } }, [
  'timeMs',
  'kind',
  ...Object.keys(FORECAST_RANGE),
]);

/** An outing as the application sends it back after editing; the route stays in the database. */
export const outingSchema = object(
  {
    name: text,
    sport: { enum: SPORTS },
    startMs: wallClock,
    utcOffsetMin: { type: 'integer', minimum: -720, maximum: 840 },
    loadKg: number(0, 60),
    forecastEleM: number(-430, 8850),
    startEleM: number(-430, 8850),
    albedo: share,
    place: object({ latitude: number(-90, 90), longitude: number(-180, 180) }, ['latitude', 'longitude']),
    legs: { type: 'array', items: leg, minItems: 1, maxItems: MAX_LEGS },
    forecast: { type: 'array', items: forecastHour, minItems: 1, maxItems: 744 },
  },
  ['name', 'sport', 'startMs', 'utcOffsetMin', 'loadKg', 'forecastEleM', 'startEleM', 'albedo', 'legs', 'forecast'],
);

const samples = (items: object) => ({ type: 'array', items, maxItems: 200_000 });

/** A route resampled, as it is stored. */
export const profileSchema = object(
  {
    stepM: number(0.1, 100_000),
    distanceM: samples(number(0, 1e7)),
    eleM: samples(number(-1000, 10_000)),
    bearingDeg: samples(number(-360, 720)),
    latitude: number(-90, 90),
    longitude: number(-180, 180),
    recordedS: { anyOf: [samples({ type: 'number' }), { type: 'null' }] },
    notes: { type: 'array', items: { type: 'string', maxLength: 500 }, maxItems: 50 },
  },
  ['stepM', 'distanceM', 'eleM', 'bearingDeg', 'latitude', 'longitude', 'recordedS', 'notes'],
);

/** What may be changed about a stored outing without sending all of it; each alone. */
export const outingChangeSchema = {
  oneOf: [
    object({ name: text }, ['name']),
    object({ archived: { type: 'boolean' } }, ['archived']),
    object({ deleted: { const: false } }, ['deleted']),
  ],
};

const garmentRef = {
  oneOf: [
    { type: 'string', description: 'a catalogue id' },
    { ...garmentSchema, description: 'a garment with its full physical properties' },
    object(
      {
        catalogue: { type: 'string', description: 'a catalogue id' },
        ...garmentProperties,
        dampGm2: number(0, 2000),
      },
      ['catalogue'],
    ),
  ],
};

const caseLegProperties = {
  name: text,
  minutes: number(0.5, 1440),
  sport: { enum: SPORTS },
  metabolicW: number(40, 2500),
  externalW: number(0, 700),
  speedMs: number(0, 30),
  grade: number(-0.6, 0.6),
  powerW: number(0, 700),
  heartRateBpm: number(30, 230),
  exertion: number(0, 10),
  airC: number(-60, 45),
  humidity: number(0.02, 1),
  wind: object({ ms: number(0, 60), at: { enum: ['10m', 'body'] }, fromDeg: number(0, 360) }, ['ms', 'at']),
  shelter: { enum: ['open', 'forest', 'ridge', 'indoor', 'street'] },
  precipitation: object({ mmH: number(0, 60), kind: { enum: PRECIPITATION_KINDS } }, ['mmH', 'kind']),
  sunWm2: {
    ...number(0, 800),
    description: 'W/m² of the body’s own surface, not of level ground: 250 to 400 on snow in full sun',
  },
  altitudeM: { ...number(...ALTITUDE_M), description: 'm above the sea: thin air carries less heat' },
  pack: { type: 'boolean' },
  loadKg: number(0, 60),
  noStopping: { type: 'boolean' },
  surface: { enum: ['tarmac', 'gravel', 'packed snow', 'soft snow'] },
  footprintCm: number(0, 45),
  packUnder: { type: 'boolean', description: 'outer layers are worn over the pack' },
  wetting: { enum: WETTINGS, description: 'what wets or chills by touch, beside the weather' },
  worn: { type: 'array', items: id, maxItems: 40, uniqueItems: true },
  openings: settings,
};
/** What a leg says of its air; all of it, or with a forecast none. */
export const CASE_AIR = ['airC', 'humidity', 'wind'] as const;

const caseBase = (legNeeds: readonly string[]) => ({
  title: text,
  athlete: partialPerson,
  garments: { type: 'array', items: garmentRef, minItems: 1, maxItems: 120 },
  legs: {
    type: 'array',
    items: object(caseLegProperties, ['minutes', 'sport', ...legNeeds]),
    minItems: 1,
    maxItems: MAX_LEGS,
  },
  stepS: number(1, 60),
});

const { airC, humidity, gust, fromDeg, cloud } = ranged(FORECAST_RANGE);
const caseHour = object(
  {
    hour: number(-240, 240),
    airC,
    humidity,
    windMs: ranged(FORECAST_RANGE).wind,
    gustMs: gust,
    fromDeg,
    precipitation: object({ mmH: number(0, 60), kind: { enum: PRECIPITATION_KINDS } }, ['mmH', 'kind']),
    cloud,
  },
  ['hour', 'airC', 'humidity', 'windMs'],
);

/** Input of `bin/ember simulate`. */
export const simulateSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'Lofted Ember: simulate',
  ...object({ ...caseBase(CASE_AIR), sampleS: number(10, 3600) }, ['garments', 'legs']),
};

/** Input of `bin/ember plan`: `garments` is the closet. */
export const planCaseSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'Lofted Ember: plan',
  ...object(
    {
      ...caseBase([]),
      forecast: {
        type: 'array',
        items: caseHour,
        minItems: 1,
        maxItems: 481,
        description: 'hours from the planned start, rising; wind at 10 m',
      },
      sport: { enum: SPORTS },
      maxCues: { type: 'integer', minimum: 0, maximum: 12 },
      weights: object(
        { caution: number(...WEIGHT_RANGE), fuss: number(...WEIGHT_RANGE), weight: number(...WEIGHT_RANGE) },
        [],
      ),
      leadDays: number(0, 10),
      waiting: { type: 'integer', minimum: WISH_RANGE.waiting[0], maximum: WISH_RANGE.waiting[1] },
      floorC: number(...WISH_RANGE.floorC),
      members: { type: 'integer', minimum: 1, maximum: 512 },
      schools: {
        type: 'array',
        items: { enum: SCHOOLS.map((s) => s.id) },
        minItems: 2,
        maxItems: 4,
        uniqueItems: true,
      },
    },
    ['garments', 'legs'],
  ),
};

/** Who asks and from which closet, for `bin/ember answer` and `ladder`; all of it may be left out. */
export const mineSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  title: 'Lofted Ember: athlete and closet',
  ...object(
    {
      athlete: partialPerson,
      garments: { type: 'array', items: garmentRef, minItems: 1, maxItems: 120 },
      wishes: object(wishesSchema.properties, []),
    },
    [],
  ),
};
