import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import { ZONES, ZONE_COUNT, type Zone } from '@/core/body/zones';
import { packShare, type Contact } from '@/core/clothing/stack';
import { isMoving, SPORT } from '@/core/effort/sports';
import type { Conditions } from '@/core/outing/conditions';
import { touchedC, WETTING_BY_ZONE } from '@/core/outing/wetting';
import * as L from './layout';

/** g/s m² in a mm/h of water. */
const PER_MM_H = 1000 / 3600;

/**
 * How much of a zone's skin area lies level under what falls, seen from above: what it catches in still air per mm of fall. The
 * whole body comes to about 0.15 m² (shoulders and head of a standing person; engineering values by zone).
 */
const LEVEL: Record<Zone, number> = {
  scalp: 0.4,
  face: 0.1,
  neck: 0.15,
  chest: 0.08,
  back: 0.08,
  underPack: 0.08,
  pelvis: 0.03,
  arms: 0.1,
  hands: 0.08,
  fingers: 0.05,
  thighs: 0.06,
  calves: 0.03,
  feet: 0.3,
  toes: 0.35,
};
/** An upright cylinder shows this share of its skin to what comes from the side. */
const SIDE = 1 / Math.PI;
/** Fall speeds, m/s: rain of a few mm/h, and flakes, of which half are carried round the body (handbooks of meteorology, from memory). */
const DROPS_MS = 6;
const FLAKES_MS = 1.2;
const FLAKES_CARRIED = 0.5;
/** No more than this share of a zone's own area, drops and flakes (engineering values). */
const MOST_DROPS = 0.6;
const MOST_FLAKES = 0.35;
/** Wet ground thrown up by feet: times the rain on feet and toes, and on the calves, where one goes on foot (engineering values). */
const SPLASH: Partial<Record<Zone, number>> = { feet: 2.5, toes: 2.5, calves: 0.6 };
/** Below this the ground is frozen and dry, °C. */
const FROZEN_C = -1;

/** Share of a mm of fall that a zone catches per m² of its skin, in this relative wind, m/s. */
export function catches(zone: Zone, windMs: number, what: 'drops' | 'flakes'): number {
  return what === 'drops'
    ? Math.min(MOST_DROPS, LEVEL[zone] + (SIDE * windMs) / DROPS_MS)
    : Math.min(MOST_FLAKES, LEVEL[zone] + (FLAKES_CARRIED * SIDE * windMs) / FLAKES_MS);
}

/** Writes what falls on each zone, or what it is pressed into, into the integrator's memory. @returns whether anything does */
export function readFall(m: Float64Array, c: Conditions): boolean {
  const fall = c.precipitationMmH * PER_MM_H;
  const liquid = fall * LIQUID_SHARE[c.precipitation];
  const splashes = fall > 0 && SPORT[c.sport].mechanics?.by !== 'ride' && isMoving(c.sport) && c.airC > FROZEN_C;
  for (let z = 0; z < ZONE_COUNT; z++) {
    const zone = ZONES[z];
    // The pack keeps off what falls on its share of the back and straps.
    const open = 1 - (c.packOn ? packShare(z) : 0);
    m[L.FALL_LIQUID + z] =
      liquid * open * catches(zone, c.relativeWind, 'drops') + (splashes ? liquid * (SPLASH[zone] ?? 0) : 0);
    m[L.FALL_SNOW + z] = (fall - liquid) * open * catches(zone, c.relativeWind, 'flakes');
  }
  m.fill(0, L.PRESSED, L.MELTS + ZONE_COUNT);
  if (c.wetting === null) return fall > 0;
  const { touch } = WETTING_BY_ZONE[c.wetting];
  for (let z = 0; z < ZONE_COUNT; z++) {
    const { share, liquidMmH, snowMmH, pressed, melts } = touch[z];
    m[L.FALL_LIQUID + z] += share * liquidMmH * PER_MM_H;
    m[L.FALL_SNOW + z] += share * snowMmH * PER_MM_H;
    m[L.PRESSED + z] = pressed;
    m[L.MELTS + z] = share * melts;
  }
  return true;
}

/** Contact with nothing, to be filled in. Fractions first, so that the engine keeps its fields as doubles. */
export const noContact = (): Contact => ({
  share: new Float64Array(ZONE_COUNT),
  conductance: 0.5,
  surfaceC: 0.5,
  squeeze: 0.5,
});

/** What zones touch instead of the air under these conditions; undefined where nothing is touched. */
export function readTouch(c: Conditions, into: Contact): Contact | undefined {
  if (c.wetting === null) return undefined;
  const { touch, touches, squeeze } = WETTING_BY_ZONE[c.wetting];
  const conductance = Math.max(...touch.map((t) => t.conductance));
  if (conductance === 0) return undefined;
  for (let z = 0; z < ZONE_COUNT; z++) into.share[z] = touch[z].share;
  into.conductance = conductance;
  into.squeeze = squeeze;
  into.surfaceC = touchedC(touches, c.airC);
  return into;
}
