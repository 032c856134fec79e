import { clamp } from '@/core/quantity/range';
import { SENSATION_WORDS } from './thresholds';

/**
 * Whole-body thermal sensation, −3 very cold to +3 very hot, from mean torso skin and core temperature.
 * Slopes after the usual linear fits on skin temperature (about 0.45 votes per K below neutral, 0.7 above) with core heat
 * adding warmth; engineering values, shifted by the athlete's own `warmth`.
 */
export function sensation(torsoSkinC: number, coreC: number, wettedness: number, warmth: number): number {
  const d = torsoSkinC - 33.2 + warmth;
  const skin = d < 0 ? 0.42 * d : 0.8 * d;
  const core = clamp((coreC - 37.3) * 1.1, -2, 2.2);
  return clamp(skin + core + Math.max(0, wettedness - 0.4) * 0.8 * (d > -1 ? 1 : -0.6), -3, 3);
}

export function sensationWord(vote: number): string {
  return SENSATION_WORDS[Math.round(clamp(vote, -3, 3)) + 3];
}
