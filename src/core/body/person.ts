import { Type, type Static } from '@sinclair/typebox';
import { power } from '@/core/quantity/exact';
import { fieldsOf, numberField, rangesOf, withinRanges } from '@/core/quantity/field';
import { within } from '@/core/quantity/range';
import type { Engine } from '@/core/effort/legEffort';

/**
 * Every property of an athlete, in one place: a new one is a line here, a column in a migration, and its use in the physics.
 * Gains are relative to the population value of 1.
 */
export const PERSON = Type.Object(
  {
    massKg: numberField(35, 160, 'kg', {
      column: 'mass_kg',
      label: 'Body mass',
      how: 'without clothes',
      step: 0.5,
    }),
    heightM: numberField(1.3, 2.2, 'm', {
      column: 'height_m',
      label: 'Height',
      how: 'with mass it gives your skin’s area',
      step: 0.01,
    }),
    fatPercent: numberField(4, 45, '%', {
      column: 'fat_percent',
      label: 'Body fat',
      how: 'insulates; 15 when unknown',
      step: 1,
    }),
    vo2maxMl: numberField(20, 90, 'ml/kg/min', {
      column: 'vo2max_ml_kg_min',
      label: 'Fitness, VO₂max',
      how: 'sets the pace you can hold',
      step: 1,
    }),
    restBpm: numberField(30, 100, 'bpm', { column: 'rest_bpm', label: 'Resting pulse', step: 1 }),
    maxBpm: numberField(120, 220, 'bpm', { column: 'max_bpm', label: 'Highest pulse', step: 1 }),
    /** sweats more (>1) or less (<1) than the model's mean */
    sweatGain: numberField(0.3, 2.5, '×', {
      column: 'sweat_gain',
      label: 'Sweat',
      how: 'against the mean of people',
      step: 0.05,
      ends: ['little', 'much'],
    }),
    /** makes more or less heat for the same work */
    metabolicBias: numberField(0.7, 1.4, '×', {
      column: 'metabolic_bias',
      label: 'Heat for the same pace',
      how: 'against the mean',
      step: 0.02,
      ends: ['economical', 'costly'],
    }),
    /** strength of skin vessel constriction in hands and feet */
    constriction: numberField(0.3, 3, '×', {
      column: 'constriction',
      label: 'Hands and feet',
      how: 'how firmly their vessels close in the cold',
      step: 0.05,
      ends: ['stay warm', 'go first'],
    }),
    /** runs warm (+) or cold (−): shift of the comfortable skin temperature; +1 feels fine one degree cooler */
    warmth: numberField(-4, 4, 'K', {
      column: 'warmth_k',
      label: 'You run',
      how: 'shift of the skin temperature that feels right',
      step: 0.25,
      ends: ['cold', 'hot'],
    }),
    /** hands, feet and face feel warm (+) or cold (−) sooner than most people's, K of skin; left out: as most. Comfort only: what harms skin harms everybody's */
    handsK: Type.Optional(
      numberField(-6, 6, 'K', {
        column: 'hands_k',
        label: 'Hands feel',
        how: 'cold or warm sooner, by so much of skin temperature',
        step: 0.25,
        ends: ['cold sooner', 'warm sooner'],
      }),
    ),
    feetK: Type.Optional(
      numberField(-6, 6, 'K', {
        column: 'feet_k',
        label: 'Feet feel',
        how: 'the same of the feet',
        step: 0.25,
        ends: ['cold sooner', 'warm sooner'],
      }),
    ),
    faceK: Type.Optional(
      numberField(-6, 6, 'K', {
        column: 'face_k',
        label: 'Face feels',
        how: 'the same of the face',
        step: 0.25,
        ends: ['cold sooner', 'warm sooner'],
      }),
    ),
  },
  { additionalProperties: false },
);

/** One athlete: measures plus what is personal. */
export type Person = Static<typeof PERSON>;

export const AVERAGE_PERSON: Person = {
  massKg: 72,
  heightM: 1.76,
  fatPercent: 16,
  vo2maxMl: 50,
  restBpm: 55,
  maxBpm: 185,
  sweatGain: 1,
  metabolicBias: 1,
  constriction: 1,
  warmth: 0,
};

export const PERSON_FIELDS = fieldsOf(PERSON);
export const PERSON_RANGE = rangesOf(PERSON);
const KEYS = Object.keys(PERSON.properties) as (keyof Person)[];
/** What may be left out: as most people. */
export const PERSON_OPTIONAL = ['handsK', 'feetK', 'faceK'] as const satisfies readonly (keyof Person)[];
/** The highest pulse lies at least this far above the resting one, bpm. */
export const PULSE_RANGE = 20;

/** @throws OutOfRange naming the first field outside its range */
export function checkPerson(p: Person): Person {
  withinRanges(p, PERSON_RANGE, (key) => `athlete.${key}`, [...PERSON_OPTIONAL]);
  const [, high] = PERSON_RANGE.maxBpm;
  within('athlete.maxBpm', p.maxBpm, p.restBpm + PULSE_RANGE, high, `bpm (at least ${PULSE_RANGE} above rest)`);
  return p;
}

/**
 * The same person, made in one place: JavaScript engines compile code for the shape of the objects it has seen, and persons
 * come from the database, from files and from spreads.
 */
export function plainPerson(p: Person): Person {
  const out = {} as Person;
  for (const k of KEYS) out[k] = p[k] ?? 0;
  return out;
}

/** Body surface, m². Du Bois & Du Bois 1916: 0.202 m^0.425 h^0.725. */
export function bodyArea(p: Pick<Person, 'massKg' | 'heightM'>): number {
  return 0.202 * power(p.massKg, 0.425) * power(p.heightM, 0.725);
}

export function engineOf(p: Person): Engine {
  return { massKg: p.massKg, bodyAreaM2: bodyArea(p), vo2maxMl: p.vo2maxMl, restBpm: p.restBpm, maxBpm: p.maxBpm };
}

/** Basal metabolic rate, W: about 45 W/m² (ISO 8996 rest lying). */
export function basalW(p: Person): number {
  return 45 * bodyArea(p);
}
