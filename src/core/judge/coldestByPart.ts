import { ZONE_COUNT, zoneIndex, type Zone } from '@/core/body/zones';
import type { Series } from '@/core/simulate/series';
import type { Extreme } from './extreme';

/** The body in six parts, from the top, as one dresses it. */
export const DRESSED_PARTS = ['head', 'face', 'torso', 'hands', 'legs', 'feet'] as const;
export type DressedPart = (typeof DRESSED_PARTS)[number];

/** What is coldest of each part. */
const ZONES_OF: Record<DressedPart, readonly Zone[]> = {
  head: ['scalp'],
  face: ['face'],
  torso: ['chest', 'back'],
  hands: ['fingers'],
  legs: ['thighs', 'calves'],
  feet: ['toes'],
};

/** The coldest skin of each part of the body on the way, °C, and when; of the face with what is bare of it. */
export function coldestByPart(s: Series): Record<DressedPart, Extreme> {
  const out = {} as Record<DressedPart, Extreme>;
  for (const part of DRESSED_PARTS) {
    const zones = ZONES_OF[part].map(zoneIndex);
    let low: Extreme = { value: Infinity, atS: 0 };
    for (let r = 0; r < s.rows; r++) {
      const skin = Math.min(...zones.map((z) => s.skinC[r * ZONE_COUNT + z]));
      const value = part === 'face' ? Math.min(skin, s.bareFaceC[r]) : skin;
      if (value < low.value) low = { value, atS: s.timeS[r] };
    }
    out[part] = low;
  }
  return out;
}
