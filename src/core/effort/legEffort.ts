import { airDensity } from '@/core/atmosphere/air';
import { OutOfRange, clamp, within } from '@/core/quantity/range';
import { MET } from '@/core/quantity/units';
import { SPORT, type Mechanics, type Sport } from './sports';
import { CYCLING_EFFICIENCY, roadLoadPower, type RidingSurface } from './cycling';
import { metabolicFromExertion, metabolicFromHeartRate } from './fromAthlete';
import { climbPower, gaitSlope, RESTING_W_PER_KG } from './gait';
import { onFootRate, snowTerrainFactor, TERRAIN_FACTOR } from './load';
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

/**
 * External share assumed when only a metabolic rate is known: climbing and pedalling do work, level gait almost none
 * (engineering values).
 */
function externalShare(sport: Sport, slope: number): number {
  const by = SPORT[sport].mechanics;
  switch (by?.by) {
    case 'ride':
      return CYCLING_EFFICIENCY * 0.95;
    case 'run':
    case 'walk':
      return clamp(slope * 1.2, 0, 0.22);
    case 'ski':
      return by.style === 'touring' ? clamp(0.05 + slope * 0.6, 0.05, 0.16) : 0.12;
    default:
      return 0;
  }
}

/** Delta efficiency of pedalling over the gross one: rest is added apart (engineering value, within Coyle 1992). */
const DELTA_OVER_GROSS = 1.12;
/** A bicycle with lights and mudguards, kg. */
export const BICYCLE_KG = 12;
/** Nobody runs faster for long, m/s: the relations of gait end here. */
const FASTEST_ON_FOOT = 8;
/** How deep a snowshoe sinks where nobody says, cm. */
const SNOWSHOE_SINKS_CM = 8;

/** Metabolic rate of pedalling, W: rest and the power at the crank over delta efficiency. */
const pedallingRate = (massKg: number, powerW: number): number =>
  RESTING_W_PER_KG * massKg + powerW / (CYCLING_EFFICIENCY * DELTA_OVER_GROSS);

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
    if (SPORT[leg.sport].mechanics?.by !== 'ride')
      throw new OutOfRange('power', `${p} W on "${leg.sport}"`, 'cycling legs only; give pace, heart rate or exertion');
    return { metabolicW: pedallingRate(engine.massKg, p), externalW: p, from: 'power' };
  }
  if (leg.heartRateBpm !== undefined) {
    const m = metabolicFromHeartRate(leg.heartRateBpm, engine.restBpm, engine.maxBpm, engine.vo2maxMl, engine.massKg);
    return { metabolicW: m, externalW: m * externalShare(leg.sport, slope), from: 'heart rate' };
  }
  if (leg.exertion !== undefined) {
    const m = metabolicFromExertion(leg.exertion, engine.vo2maxMl, engine.massKg);
    return { metabolicW: m, externalW: m * externalShare(leg.sport, slope), from: 'exertion' };
  }
  const { mechanics } = SPORT[leg.sport];
  if (mechanics && leg.speedMs !== undefined && leg.speedMs > 0)
    return byMechanics(mechanics, engine, leg, { speedMs: leg.speedMs, slope });
  const usual = SPORT[leg.sport].met * MET * engine.bodyAreaM2;
  return { metabolicW: usual, externalW: usual * externalShare(leg.sport, slope), from: 'usual for the sport' };
}

/** Ground under the feet, as a factor on the cost of walking. */
function terrainFactor(ground: 'road' | 'path' | 'snow', footprintCm?: number): number {
  if (footprintCm) return snowTerrainFactor(footprintCm);
  return ground === 'snow' ? snowTerrainFactor(SNOWSHOE_SINKS_CM) : TERRAIN_FACTOR[ground];
}

function byMechanics(
  m: Mechanics,
  engine: Engine,
  leg: LegEffort,
  { speedMs, slope }: { speedMs: number; slope: number },
): Work {
  const load = leg.loadKg ?? 0;
  const total = engine.massKg + load;
  const density = airDensity(leg.airC ?? 0);
  switch (m.by) {
    case 'run':
    case 'walk': {
      const s = gaitSlope(slope);
      const v = Math.min(speedMs, FASTEST_ON_FOOT);
      const terrain = m.by === 'run' ? TERRAIN_FACTOR.road : terrainFactor(m.ground, leg.footprintCm);
      return {
        metabolicW: onFootRate({ massKg: engine.massKg, loadKg: load, speedMs: v, slope: s, terrain }),
        externalW: climbPower(total, v, s),
        from: m.by === 'run' ? 'going on foot, on grade' : 'walking with load on grade',
      };
    }
    case 'ski': {
      const going = { massKg: total, speedMs, slope, style: m.style, airDensity: density };
      return {
        metabolicW: skiMetabolicRate(going, engine.massKg),
        externalW: climbPower(total, speedMs, slope) + Math.max(0, skiPower({ ...going, slope: 0 })) * 0.5,
        from: 'skiing on grade',
      };
    }
    case 'ride': {
      const power = roadLoadPower({
        massKg: total + BICYCLE_KG,
        speedMs,
        slope,
        airSpeedMs: speedMs + (leg.headwindMs ?? 0),
        airDensity: density,
        surface: leg.surface ?? 'tarmac',
      });
      return { metabolicW: pedallingRate(engine.massKg, power), externalW: power, from: 'road load' };
    }
  }
}
