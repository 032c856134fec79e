import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import { ZONE_COUNT } from '@/core/body/zones';
import type { Contact } from '@/core/clothing/stack';
import type { Conditions } from '@/core/outing/conditions';
import { touchedC, WETTING_BY_ZONE } from '@/core/outing/wetting';
import * as L from './layout';

/** Share of the fall on level ground that an upright body catches over its skin (engineering value). */
const CATCHES = 0.3;
/** g/s m² in a mm/h of water. */
const PER_MM_H = 1000 / 3600;

/** Writes what falls on each zone, or what it is pressed into, into the integrator's memory. @returns whether anything does */
export function readFall(m: Float64Array, c: Conditions): boolean {
  const fall = CATCHES * c.precipitationMmH * PER_MM_H;
  const liquid = fall * LIQUID_SHARE[c.precipitation];
  m.fill(liquid, L.FALL_LIQUID, L.FALL_LIQUID + ZONE_COUNT);
  m.fill(fall - liquid, L.FALL_SNOW, L.FALL_SNOW + ZONE_COUNT);
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
