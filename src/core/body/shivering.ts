import { exp } from '@/core/quantity/exact';
import { clamp } from '@/core/quantity/range';
import { WATTS_PER_LITRE_MIN } from '@/core/effort/gait';
import type { Person } from './person';

/** Mean skin at which cold skin alone begins to count for shivering, and at which it counts in full, °C. */
const SKIN_BEGINS_C = 28.8;
const SKIN_SETS_IN_C = 22;
/** Fall of the core at which it begins to count, and over which it comes to count in full, K. */
const CORE_BEGINS_K = 0.1;
const CORE_SETS_IN_K = 0.6;
/** A core this far above its set point begins to still shivering, and from how much on none is left, K. */
const WARM_CORE_K = 0.1;
const WARM_CORE_SPAN_K = 0.4;
/** Work above this share of the maximum takes the place of shivering altogether. */
const WORK_REPLACES = 0.4;

/**
 * Shivering heat, W/m²: Tikuisis & Giesbrecht 1999 (from memory),
 * `(155.5 (37 − T_core) + 47 (33 − T_skin) − 1.57 (33 − T_skin)²) / √fat%`, with our neutral core for 37.
 *
 * It was fitted in strong cold. With the core at its set point and a skin of 28 to 32 °C a few W/m² are measured (the two-node
 * model: 19.4 × skin error × core error), so the relation comes in with the skin between 28.8 and 22 °C, or with the first
 * tenths of a kelvin that the core falls. A core above its set point stills it, and work above 40 % of the maximum replaces
 * it (shivering and exercise share the same muscles). The spans are engineering values between those ends.
 * @param peakWm2 the most this person can shiver, W/m²: see `peakShivering`
 */
export function shivering(
  coreError: number,
  meanSkinC: number,
  { fatPercent, peakWm2, exerciseShare }: { fatPercent: number; peakWm2: number; exerciseShare: number },
): number {
  // The relation's parabola turns over at 15 K: skin colder than it was measured at asks for no less.
  const ds = clamp(33 - meanSkinC, 0, 15);
  const drive = (-155.5 * coreError + 47 * ds - 1.57 * ds * ds) / Math.sqrt(Math.max(4, fatPercent));
  const bySkin = (SKIN_BEGINS_C - meanSkinC) / (SKIN_BEGINS_C - SKIN_SETS_IN_C);
  const byCore = (-coreError - CORE_BEGINS_K) / CORE_SETS_IN_K;
  const begun = clamp(Math.max(bySkin, byCore), 0, 1);
  const stilled = 1 - clamp((coreError - WARM_CORE_K) / WARM_CORE_SPAN_K, 0, 1);
  return clamp(drive, 0, peakWm2) * begun * stilled * clamp(1 - exerciseShare / WORK_REPLACES, 0, 1);
}

/** Age where nobody says, years. */
const AGE = 40;

/**
 * The most heat a person can make by shivering, W, on top of rest: Eyolfson et al. 2001 (from memory), peak oxygen uptake
 * `30.5 + 0.348 VO₂max − 0.909 BMI − 0.233 age` ml/kg/min, less what rest takes (3.5). Not below rest once more.
 */
export function peakShivering(person: Pick<Person, 'massKg' | 'heightM' | 'vo2maxMl'>): number {
  const bmi = person.massKg / (person.heightM * person.heightM);
  const uptake = 30.5 + 0.348 * person.vo2maxMl - 0.909 * bmi - 0.233 * AGE - RESTING_UPTAKE;
  return (Math.max(RESTING_UPTAKE, uptake) * person.massKg * WATTS_PER_LITRE_MIN) / 1000;
}

/** ml/kg/min: one MET. */
const RESTING_UPTAKE = 3.5;

/** Shivering at its peak ends after this long, h; at a share of it after this long over the square of the share. */
const ENDURES_AT_PEAK_H = 1.67;
/** Idle muscles are rested again with this time constant, h; below so much of the peak they count as idle. */
const RESTED_H = 4;
const IDLE_SHARE = 0.05;

/**
 * How used up the muscles are by shivering, after a while more of it: 0 rested, 1 where endurance ends. Endurance falls steeply
 * with intensity: about 2.6 h at 80 % of the peak, 4.6 at 60 %, ten at 40 %, a day at 25 % (after Tikuisis' survival model and
 * Tikuisis, Eyolfson et al. 2002, from memory; the square is an engineering value through those).
 * @param share of the peak, 0–1
 */
export function shiverFatigue(before: number, share: number, dtS: number): number {
  const hours = dtS / 3600;
  const used = before + (hours * share * share) / ENDURES_AT_PEAK_H;
  return share < IDLE_SHARE ? used * exp(-hours / RESTED_H) : used;
}

/** Carbohydrate in muscle and liver of somebody who has eaten, J/kg of body: about 8 MJ in 72 kg (handbooks, from memory). */
export const FUEL_J_PER_KG = 0.11e6;
/** Eaten on the way while going, W: about 40 g of carbohydrate an hour (common practice, no published source). */
const EATEN_W = 180;

/** Share of carbohydrate in what is burnt: grows with how hard one works, and with how hard one shivers (Haman, from memory). */
const carbohydrate = (share: number): number => 0.3 + 0.5 * Math.min(1, share);

/** What is burnt in a step. */
export interface Burning {
  /** work above rest, W, and its share of the maximum */
  workW: number;
  workShare: number;
  restW: number;
  shiverW: number;
  shiverShare: number;
}

/** Carbohydrate left after a step, J; never below 0. @param mostJ what somebody who has eaten has */
export function fuelAfter(before: number, b: Burning, dtS: number, mostJ: number): number {
  const burnt = 0.3 * b.restW + carbohydrate(b.workShare) * b.workW + carbohydrate(b.shiverShare) * b.shiverW;
  const eaten = b.workW > b.restW ? EATEN_W : 0;
  return clamp(before + (eaten - burnt) * dtS, 0, mostJ);
}

/** Below this share of what somebody fed has, hard shivering wanes; on fat alone this share of the peak is left. */
const LOW_FUEL = 0.1;
const ON_FAT = 0.5;
/** Past the end of endurance what is left falls by e with each further two thirds of it. */
const FALLS_OFF = 1.5;
/** Shivering fades below the first of these core temperatures and has ended at the second, °C (field guides, from memory). */
const FADES_C = 32;
const ENDS_C = 30;

/** Share of the peak that is left to shivering: muscles tired, fuel low, core cold. */
export function shiverLeft(fatigue: number, fuelShare: number, coreC: number): number {
  const tired = fatigue > 1 ? exp(-FALLS_OFF * (fatigue - 1)) : 1;
  const fed = ON_FAT + (1 - ON_FAT) * Math.min(1, fuelShare / LOW_FUEL);
  return tired * fed * clamp((coreC - ENDS_C) / (FADES_C - ENDS_C), 0, 1);
}
