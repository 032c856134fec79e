import { SPORT, type Sport } from '@/core/effort/sports';
import { metabolicFromExertion, metabolicFromHeartRate } from '@/core/effort/fromAthlete';
import { BICYCLE_KG, legEffort, type Engine } from '@/core/effort/legEffort';
import { speedForPower } from '@/core/effort/cycling';
import { airDensity } from '@/core/atmosphere/air';
import { MET } from '@/core/quantity/units';
import type { Effort } from './leg';

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
      const e = SPORT[sport].usualExertion;
      return e === null
        ? SPORT[sport].met * MET * engine.bodyAreaM2
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

/**
 * Speed, m/s, at which the sport's mechanics ask for the intended metabolic rate on this slope, by bisection; never above
 * the sensible top speed. This is how a route gets its clock when nobody gave one.
 */
export function paceFor(engine: Engine, sport: Sport, slope: number, effort: Effort, loadKg: number): number {
  const { topSpeedMs: top, going } = SPORT[sport];
  if (effort.by === 'speed') return Math.min(effort.value, 30);
  if (going === 'gravity') return top * Math.min(1, 0.5 + 2 * Math.abs(Math.min(0, slope)));
  if (effort.by === 'power') {
    const road = {
      massKg: engine.massKg + loadKg + BICYCLE_KG,
      slope,
      airDensity: airDensity(0),
      surface: 'tarmac' as const,
    };
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
