import { power } from '@/core/quantity/exact';
import { within } from '@/core/quantity/range';
import type { Engine } from '@/core/effort/legEffort';

/** One athlete: measures plus what is personal. Gains are relative to the population value of 1. */
export interface Person {
  massKg: number;
  heightM: number;
  /** body fat, percent; 15 when unknown */
  fatPercent: number;
  vo2maxMl: number;
  restBpm: number;
  maxBpm: number;
  /** sweats more (>1) or less (<1) than the model's mean */
  sweatGain: number;
  /** makes more or less heat for the same work */
  metabolicBias: number;
  /** strength of skin vessel constriction in hands and feet */
  constriction: number;
  /** runs warm (+) or cold (−): shift of the comfortable skin temperature, K; +1 feels fine one degree cooler */
  warmth: number;
}

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

/** Allowed ranges, by field: also the source of the forms' limits and the JSON schema's. */
export const PERSON_RANGE: Record<keyof Person, [number, number, string]> = {
  massKg: [35, 160, 'kg'],
  heightM: [1.3, 2.2, 'm'],
  fatPercent: [4, 45, '%'],
  vo2maxMl: [20, 90, 'ml/kg/min'],
  restBpm: [30, 100, 'bpm'],
  maxBpm: [120, 220, 'bpm'],
  sweatGain: [0.3, 2.5, '×'],
  metabolicBias: [0.7, 1.4, '×'],
  constriction: [0.3, 3, '×'],
  warmth: [-4, 4, 'K'],
};

/** @throws OutOfRange naming the first field outside its range */
export function checkPerson(p: Person): Person {
  for (const key of Object.keys(PERSON_RANGE) as (keyof Person)[]) {
    const [low, high, unit] = PERSON_RANGE[key];
    within(`athlete.${key}`, p[key], low, high, unit);
  }
  within('athlete.maxBpm', p.maxBpm, p.restBpm + 20, 230, 'bpm (at least 20 above rest)');
  return p;
}

/**
 * The same person, made in one place: JavaScript engines compile code for the shape of the objects it has seen, and persons
 * come from the database, from files and from spreads.
 */
export const plainPerson = (p: Person): Person => ({
  massKg: p.massKg,
  heightM: p.heightM,
  fatPercent: p.fatPercent,
  vo2maxMl: p.vo2maxMl,
  restBpm: p.restBpm,
  maxBpm: p.maxBpm,
  sweatGain: p.sweatGain,
  metabolicBias: p.metabolicBias,
  constriction: p.constriction,
  warmth: p.warmth,
});

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
