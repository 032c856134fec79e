import { airDensity } from '@/core/atmosphere/air';
import { OutOfRange, clamp, within } from '@/core/quantity/range';
import { MET } from '@/core/quantity/units';
import { ACTIVITY_MET, type Sport } from './activity';
import { CYCLING_EFFICIENCY, roadLoadPower, type RidingSurface } from './cycling';
import { metabolicFromExertion, metabolicFromHeartRate } from './fromAthlete';
import { climbPower, gaitSlope, runningMetabolicRate, walksAt } from './gait';
import { pandolf, snowTerrainFactor, TERRAIN_FACTOR } from './load';
import { skiMetabolicRate, skiPower } from './skiing';

/** What the effort relations need to know of the athlete. */
export interface Engine {
  massKg: number;
  bodyAreaM2: number;
  vo2maxMl: number;
  restBpm: number;
  maxBpm: number;
}

export interface LegEffort {
  sport: Sport;
  /** any one of these fixes the effort; the first present in this order is used */
  metabolicW?: number;
  powerW?: number;
  heartRateBpm?: number;
  exertion?: number;
  speedMs?: number;
  slope?: number;
  loadKg?: number;
  footprintCm?: number;
  surface?: RidingSurface;
  headwindMs?: number;
  airC?: number;
}

export interface Work {
  /** metabolic rate M, W */
  metabolicW: number;
  /** external work rate W, W; heat is the difference */
  externalW: number;
  /** which relation gave it */
  from: string;
}

/** External share assumed when only a metabolic rate is known: climbing and pedalling do work, level gait almost none. */
function externalShare(sport: Sport, slope: number): number {
  if (sport === 'cycle') return CYCLING_EFFICIENCY * 0.95;
  if (sport === 'run' || sport === 'walk' || sport === 'hike' || sport === 'snowshoe')
    return clamp(slope * 1.2, 0, 0.22);
  if (sport === 'classic ski' || sport === 'skate ski') return 0.12;
  if (sport === 'ski tour') return clamp(0.05 + slope * 0.6, 0.05, 0.16);
  return 0;
}

/**
 * Metabolic rate and external work on a leg, W.
 * The athlete's own measure wins (watts, power, heart rate, exertion); otherwise the sport's mechanics from speed and
 * slope; otherwise the Compendium value "as usual".
 * @throws OutOfRange for values no athlete reaches.
 */
export function legEffort(engine: Engine, leg: LegEffort): Work {
  const slope = leg.slope ?? 0;
  if (leg.metabolicW !== undefined) {
    const m = within('metabolic rate', leg.metabolicW, 40, 2500, 'W');
    return { metabolicW: m, externalW: m * externalShare(leg.sport, slope), from: 'given metabolic rate' };
  }
  if (leg.powerW !== undefined) {
    const p = within('power', leg.powerW, 0, 700, 'W');
    if (leg.sport !== 'cycle')
      throw new OutOfRange('power', `${p} W on "${leg.sport}"`, 'cycling legs only; give pace, heart rate or exertion');
    return { metabolicW: 1.5 * engine.massKg + p / (CYCLING_EFFICIENCY * 1.12), externalW: p, from: 'power' };
  }
  if (leg.heartRateBpm !== undefined) {
    const m = metabolicFromHeartRate(leg.heartRateBpm, engine.restBpm, engine.maxBpm, engine.vo2maxMl, engine.massKg);
    return { metabolicW: m, externalW: m * externalShare(leg.sport, slope), from: 'heart rate' };
  }
  if (leg.exertion !== undefined) {
    const m = metabolicFromExertion(leg.exertion, engine.vo2maxMl, engine.massKg);
    return { metabolicW: m, externalW: m * externalShare(leg.sport, slope), from: 'exertion' };
  }
  if (leg.speedMs !== undefined && leg.speedMs > 0) {
    const byMechanics = mechanics(engine, leg, leg.speedMs, slope);
    if (byMechanics) return byMechanics;
  }
  const usual = ACTIVITY_MET[leg.sport] * MET * engine.bodyAreaM2;
  return { metabolicW: usual, externalW: usual * externalShare(leg.sport, slope), from: 'usual for the sport' };
}

function mechanics(engine: Engine, leg: LegEffort, speed: number, slope: number): Work | null {
  const load = leg.loadKg ?? 0;
  const total = engine.massKg + load;
  const density = airDensity(leg.airC ?? 0);
  switch (leg.sport) {
    case 'run': {
      if (walksAt(speed, slope)) return mechanics(engine, { ...leg, sport: 'hike' }, Math.min(speed, 2.4), slope);
      const s = gaitSlope(slope);
      return {
        metabolicW: runningMetabolicRate(total, Math.min(speed, 8), s),
        externalW: climbPower(total, speed, s),
        from: 'running cost on grade',
      };
    }
    case 'walk':
    case 'hike':
    case 'snowshoe': {
      const s = gaitSlope(slope);
      const v = Math.min(speed, 2.6);
      const terrain = leg.footprintCm
        ? snowTerrainFactor(leg.footprintCm)
        : leg.sport === 'snowshoe'
          ? snowTerrainFactor(8)
          : leg.sport === 'walk'
            ? TERRAIN_FACTOR.road
            : TERRAIN_FACTOR.path;
      return {
        metabolicW: pandolf(engine.massKg, load, v, s, terrain),
        externalW: climbPower(total, v, s),
        from: 'walking with load on grade',
      };
    }
    case 'classic ski':
    case 'skate ski':
    case 'ski tour': {
      const style = leg.sport === 'classic ski' ? 'classic' : leg.sport === 'skate ski' ? 'skate' : 'touring';
      return {
        metabolicW: skiMetabolicRate(total, engine.massKg, speed, slope, style, density),
        externalW: climbPower(total, speed, slope) + Math.max(0, skiPower(total, speed, 0, style, density)) * 0.5,
        from: 'skiing on grade',
      };
    }
    case 'cycle': {
      const power = roadLoadPower({
        massKg: total + 12,
        speedMs: speed,
        slope,
        airSpeedMs: speed + (leg.headwindMs ?? 0),
        airDensity: density,
        surface: leg.surface ?? 'tarmac',
      });
      return {
        metabolicW: 1.5 * engine.massKg + power / (CYCLING_EFFICIENCY * 1.12),
        externalW: power,
        from: 'road load',
      };
    }
    default:
      return null;
  }
}
