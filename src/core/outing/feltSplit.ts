import { chillSplit } from '@/core/atmosphere/chillSplit';
import { SHELTER_FACTOR } from '@/core/atmosphere/windAtBody';
import { isIndoors } from '@/core/effort/sports';
import { coldestFelt, feelsLikeC } from './feelsLike';
import type { Stretch, Timeline } from './timeline';

/** What takes the air down to what it feels like, at the moment that feels coldest. */
export interface FeltSplit {
  worst: Stretch;
  feelsC: number;
  /** K that the wind and one's own speed take off; sun and sky give back where negative */
  windK: number;
  ownK: number;
  sunK: number;
}

/** The index is about the cold: milder air is left out, °C. */
const COLD_C = 12;
/** Less than this is no difference, K. */
const NONE_K = 0.01;

/**
 * Is it cold or is it the wind? One scale: wind and own speed share what the wind chill index takes off the air.
 * @returns null where it is never cold outdoors
 */
export function feltSplit(timeline: Timeline): FeltSplit | null {
  const out = timeline.stretches.filter((s) => s.airC < COLD_C && !isIndoors(s.sport));
  if (out.length === 0) return null;
  const worst = coldestFelt(out);
  const parted = chillSplit({
    airC: worst.airC,
    windMs: worst.wind10 * SHELTER_FACTOR[timeline.legs[worst.leg].shelter],
    relativeMs: worst.relativeWind,
    sunWm2: worst.sunWm2,
  });
  const feelsC = feelsLikeC(worst);
  const moving = parted.windK + parted.ownK;
  const scale = moving > NONE_K ? Math.max(0, worst.airC - feelsC) / moving : 1;
  return { worst, feelsC, windK: parted.windK * scale, ownK: parted.ownK * scale, sunK: parted.sunK * scale };
}
