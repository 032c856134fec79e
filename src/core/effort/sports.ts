import { within } from '@/core/quantity/range';
import type { SkiStyle } from './skiing';

/** What a person is doing on a leg. */
export type Sport =
  | 'run'
  | 'walk'
  | 'hike'
  | 'snowshoe'
  | 'classic ski'
  | 'skate ski'
  | 'ski tour'
  | 'downhill ski'
  | 'chairlift'
  | 'cycle'
  | 'stand'
  | 'sit'
  | 'camp'
  | 'hut'
  | 'drive'
  | 'sleep';

/** What footwear, headgear and bar covers are made for. */
export type Purpose = 'run' | 'nordic' | 'tour' | 'ride' | 'hike';
export const PURPOSES: Purpose[] = ['run', 'nordic', 'tour', 'ride', 'hike'];

/**
 * Share of the working muscle's heat released in each zone; rows sum to 1.
 * Columns: head (scalp, face, neck together), chest, back, pelvis, arms, hands, thighs, calves, feet.
 */
export type MuscleRow = readonly [number, number, number, number, number, number, number, number, number];

/**
 * Walking and running: Tanabe 65MN 2002 "Metf" (pelvis .13, thighs .40, calves .20, trunk .17, arms .08, from memory).
 * The rest is our engineering split after which muscles work; poles load arms, chest and back.
 */
const LEGS: MuscleRow = [0, 0.09, 0.08, 0.13, 0.08, 0.01, 0.4, 0.2, 0.01];
const POLES: MuscleRow = [0, 0.13, 0.14, 0.13, 0.16, 0.01, 0.29, 0.13, 0.01];
const TOURING: MuscleRow = [0, 0.1, 0.1, 0.14, 0.11, 0.01, 0.36, 0.17, 0.01];
const CROUCH: MuscleRow = [0, 0.06, 0.08, 0.16, 0.06, 0.01, 0.44, 0.18, 0.01];
const PEDALS: MuscleRow = [0, 0.05, 0.06, 0.18, 0.04, 0.005, 0.5, 0.16, 0.005];
const POSTURE: MuscleRow = [0, 0.13, 0.15, 0.17, 0.1, 0.01, 0.28, 0.14, 0.02];
const CHORES: MuscleRow = [0, 0.12, 0.13, 0.14, 0.17, 0.02, 0.27, 0.14, 0.01];

/** Limb speed from ground speed, both m/s. The standard's correction ends at 1.2 m/s of walking (ISO 9920). */
type Pumping = (speedMs: number) => number;
const MOST_PUMPING_MS = 1.2;
const still: Pumping = () => 0;
const always =
  (ms: number): Pumping =>
  () =>
    ms;
const striding =
  (share: number): Pumping =>
  (speedMs) =>
    Math.min(MOST_PUMPING_MS, share * speedMs);
/** Pedals turn while the bicycle rolls, m/s. */
const pedalling: Pumping = (speedMs) => (speedMs > 0.3 ? 0.5 : 0);

/** How the cost of going is worked out from speed and slope; null: by the Compendium's value alone. */
export type Mechanics =
  { by: 'run' } | { by: 'walk'; ground: 'road' | 'path' | 'snow' } | { by: 'ski'; style: SkiStyle } | { by: 'ride' };

/** Everything that differs from sport to sport. */
export interface SportRow {
  /** as screens say it */
  label: string;
  /** what carries one over the ground; 'none' is a stop */
  going: 'own effort' | 'gravity' | 'carried' | 'none';
  indoors: boolean;
  purpose: Purpose;
  /** METs, where no mechanical relation is used: Compendium of Physical Activities 2011 (codes beside them) and ISO 8996, from memory of the lists */
  met: number;
  muscles: MuscleRow;
  /** limb movement that pumps air through clothing, as walking speed, m/s */
  pumping: Pumping;
  mechanics: Mechanics | null;
  /** exertion 0–10 usually held for hours; null: the METs */
  usualExertion: number | null;
  /** fastest sensible speed, m/s: downhill and on the flat people hold back before physics does */
  topSpeedMs: number;
}

const stop = { going: 'none', purpose: 'hike', mechanics: null, usualExertion: null, topSpeedMs: 0 } as const;
const own = { going: 'own effort', indoors: false } as const;

/** The sports, a row each. Pumping, usual exertion and top speeds are engineering values. */
// prettier-ignore
export const SPORT: Record<Sport, SportRow> = {
  // 12050 running 6 mph
  run: { ...own, label: 'Run', purpose: 'run', met: 9.8, muscles: LEGS, pumping: striding(0.35), mechanics: { by: 'run' }, usualExertion: 4.5, topSpeedMs: 5 },
  // 17190 walking 2.8–3.2 mph, level, firm
  walk: { ...own, label: 'Walk', purpose: 'hike', met: 3.5, muscles: LEGS, pumping: striding(1), mechanics: { by: 'walk', ground: 'road' }, usualExertion: 1.6, topSpeedMs: 1.7 },
  // 17080 hiking, cross country; 5.3–7.8 with load
  hike: { ...own, label: 'Hike', purpose: 'hike', met: 6, muscles: LEGS, pumping: striding(1), mechanics: { by: 'walk', ground: 'path' }, usualExertion: 3, topSpeedMs: 1.6 },
  // 19190 snow shoeing, moderate
  snowshoe: { ...own, label: 'Snowshoe', purpose: 'hike', met: 5.3, muscles: LEGS, pumping: striding(1), mechanics: { by: 'walk', ground: 'snow' }, usualExertion: 3.2, topSpeedMs: 1.3 },
  // 19090 cross-country 4.0–4.9 mph, moderate
  'classic ski': { ...own, label: 'Classic ski', purpose: 'nordic', met: 9, muscles: POLES, pumping: always(1.1), mechanics: { by: 'ski', style: 'classic' }, usualExertion: 4.2, topSpeedMs: 6.5 },
  // 19110 5.0–7.9 mph brisk; skate technique higher
  'skate ski': { ...own, label: 'Skate ski', purpose: 'nordic', met: 12.5, muscles: POLES, pumping: always(1.1), mechanics: { by: 'ski', style: 'skate' }, usualExertion: 4.8, topSpeedMs: 8 },
  // 19080–19090 between slow and moderate, with skins uphill
  'ski tour': { ...own, label: 'Ski tour', purpose: 'tour', met: 8, muscles: TOURING, pumping: always(0.8), mechanics: { by: 'ski', style: 'touring' }, usualExertion: 3.8, topSpeedMs: 5 },
  // 19160 downhill, moderate
  'downhill ski': { label: 'Downhill ski', going: 'gravity', indoors: false, purpose: 'tour', met: 5.3, muscles: CROUCH, pumping: always(0.5), mechanics: null, usualExertion: null, topSpeedMs: 9 },
  // sitting, cold
  chairlift: { ...stop, label: 'Chairlift', going: 'carried', indoors: false, purpose: 'tour', met: 1.3, muscles: POSTURE, pumping: still },
  // 01018 10–12 mph leisure
  cycle: { ...own, label: 'Ride', purpose: 'ride', met: 6.8, muscles: PEDALS, pumping: pedalling, mechanics: { by: 'ride' }, usualExertion: 3.8, topSpeedMs: 12 },
  // ISO 8996 standing at rest 70 W/m², fidgeting
  stand: { ...stop, label: 'Standing stop', indoors: false, met: 1.4, muscles: POSTURE, pumping: still },
  // ISO 8996 sitting 55 W/m²
  sit: { ...stop, label: 'Sitting stop', indoors: false, met: 1, muscles: POSTURE, pumping: still },
  // light standing work
  camp: { ...stop, label: 'Camp chores', indoors: false, met: 2.5, muscles: CHORES, pumping: always(0.4) },
  // sitting, eating
  hut: { ...stop, label: 'Hut break', indoors: true, met: 1.2, muscles: POSTURE, pumping: still },
  // driving a car
  drive: { ...stop, label: 'Drive', indoors: true, met: 1.5, muscles: POSTURE, pumping: still },
  // ISO 8996 lying
  sleep: { ...stop, label: 'Sleep', indoors: false, met: 0.9, muscles: POSTURE, pumping: still },
};

export const SPORTS = Object.keys(SPORT) as Sport[];

/** A chairlift's speed, m/s: a usual fixed-grip chair. */
export const LIFT_MS = 2.5;

/** Whether a sport carries the athlete over ground, by muscles or by gravity. */
export const isMoving = (sport: Sport): boolean =>
  SPORT[sport].going === 'own effort' || SPORT[sport].going === 'gravity';

/** Whether it is a stop: nobody goes anywhere. */
export const isStop = (leg: { sport: Sport }): boolean => SPORT[leg.sport].going === 'none';

export const isIndoors = (sport: Sport): boolean => SPORT[sport].indoors;

/** Where one settles down outdoors, for chores or the night. */
export const isCamp = (sport: Sport): boolean => sport === 'camp' || sport === 'sleep';

/**
 * Limb movement that pumps air through clothing, m/s of equivalent walking speed (the w of ISO 9920).
 * @param speedMs ground speed, 0–40 m/s @throws OutOfRange
 */
export function pumpingSpeed(sport: Sport, speedMs: number): number {
  within('speed', speedMs, 0, 40, 'm/s');
  return SPORT[sport].pumping(speedMs);
}
