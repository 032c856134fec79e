import type { Sport } from '@/core/effort/activity';
import { ACTIVITY_MET } from '@/core/effort/activity';
import { metabolicFromExertion, metabolicFromHeartRate } from '@/core/effort/fromAthlete';
import { legEffort, type Engine } from '@/core/effort/legEffort';
import { speedForPower } from '@/core/effort/cycling';
import { airDensity } from '@/core/atmosphere/air';
import { MET } from '@/core/quantity/units';
import type { Effort } from './leg';

/** Usual share of an athlete's oxygen-uptake reserve held over hours, by sport (exertion 3–4 of 10). */
const USUAL_EXERTION: Partial<Record<Sport, number>> = {
  run: 4.5,
  walk: 1.6,
  hike: 3,
  snowshoe: 3.2,
  'classic ski': 4.2,
  'skate ski': 4.8,
  'ski tour': 3.8,
  cycle: 3.8,
};

/** Metabolic rate the athlete means to hold, W; null where the speed itself is given. */
export function intendedRate(engine: Engine, sport: Sport, effort: Effort): number | null {
  switch (effort.by) {
    case 'metabolic':
      return effort.value;
    case 'heartRate':
      return metabolicFromHeartRate(effort.value, engine.restBpm, engine.maxBpm, engine.vo2maxMl, engine.massKg);
    case 'exertion':
      return metabolicFromExertion(effort.value, engine.vo2maxMl, engine.massKg);
    case 'usual': {
      const e = USUAL_EXERTION[sport];
      return e === undefined
        ? ACTIVITY_MET[sport] * MET * engine.bodyAreaM2
        : metabolicFromExertion(e, engine.vo2maxMl, engine.massKg);
    }
    default:
      return null;
  }
}

/** Steepest slope taken for a leg given by hand. */
const STEEPEST = 0.4;

/**
 * Speed and slope of a leg known only by its minutes and climb: the slope at which the athlete's effort gains that height in
 * that time (bisection; a steeper way is slower but gains more). Downhill mirrors it. Flat without a climb.
 */
export function handPace(
  engine: Engine,
  leg: { sport: Sport; effort: Effort; minutes: number; climbM: number },
  loadKg: number,
): { speedMs: number; slope: number } {
  const rate = leg.climbM / (leg.minutes * 60);
  const way = Math.sign(rate);
  const at = (slope: number) => paceFor(engine, leg.sport, way * slope, leg.effort, loadKg);
  if (way === 0 || at(0) === 0) return { speedMs: at(0), slope: 0 };
  let low = 0;
  let high = STEEPEST;
  for (let k = 0; k < 30; k++) {
    const mid = (low + high) / 2;
    if (at(mid) * mid < Math.abs(rate)) low = mid;
    else high = mid;
  }
  return { speedMs: at(high), slope: way * high };
}

/** Fastest sensible speed by sport, m/s: downhill and on the flat people hold back before physics does. */
const TOP_SPEED: Partial<Record<Sport, number>> = {
  run: 5,
  walk: 1.7,
  hike: 1.6,
  snowshoe: 1.3,
  'classic ski': 6.5,
  'skate ski': 8,
  'ski tour': 5,
  'downhill ski': 9,
  cycle: 12,
};

/**
 * Speed, m/s, at which the sport's mechanics ask for the intended metabolic rate on this slope, by bisection; never above
 * the sensible top speed. This is how a route gets its clock when nobody gave one.
 */
export function paceFor(engine: Engine, sport: Sport, slope: number, effort: Effort, loadKg: number): number {
  const top = TOP_SPEED[sport] ?? 0;
  if (effort.by === 'speed') return Math.min(effort.value, 30);
  if (sport === 'downhill ski') return top * Math.min(1, 0.5 + 2 * Math.abs(Math.min(0, slope)));
  if (effort.by === 'power') {
    const road = { massKg: engine.massKg + loadKg + 12, slope, airDensity: airDensity(0), surface: 'tarmac' as const };
    return Math.min(16, speedForPower(effort.value, road));
  }
  const target = intendedRate(engine, sport, effort);
  if (target === null || top === 0) return 0;
  let low = 0.25;
  let high = top;
  for (let k = 0; k < 40; k++) {
    const mid = (low + high) / 2;
    const rate = legEffort(engine, { sport, speedMs: mid, slope, loadKg }).metabolicW;
    if (rate > target) high = mid;
    else low = mid;
  }
  return low;
}
