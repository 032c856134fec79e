import { relativeWind, SHELTER_FACTOR, STILL_AIR } from '@/core/atmosphere/windAtBody';
import { clamp } from '@/core/quantity/range';
import type { Leg } from './leg';
import type { Stretch } from './timeline';

/**
 * Relative wind of a stretch, m/s, when the true wind is `windFactor` and the own speed `speedFactor` times what they are,
 * from the same quarter. The quarter is read back from the relative wind itself.
 */
export function windWhen(s: Stretch, leg: Pick<Leg, 'shelter'>, windFactor: number, speedFactor: number): number {
  const w = s.wind10 * SHELTER_FACTOR[leg.shelter];
  const v = s.speedMs;
  if (w < 0.05) return Math.max(STILL_AIR, s.relativeWind * (v > 0.05 ? speedFactor : 1));
  const cos = v < 0.05 ? 1 : clamp((s.relativeWind * s.relativeWind - w * w - v * v) / (2 * w * v), -1, 1);
  const before = relativeWind(w, 'ridge', v, cos);
  const after = relativeWind(Math.min(75, w * windFactor), 'ridge', v * speedFactor, cos);
  return Math.max(STILL_AIR, s.relativeWind + after - before);
}

/**
 * A stretch gone at a share of its planned effort, 0.4–1.3: what lies above standing still is scaled, and speed with it.
 * The clock of the outing is kept: a slower pace covers less ground in the same minutes.
 */
export function atPace(s: Stretch, leg: Pick<Leg, 'shelter'>, share: number): Stretch {
  const rest = Math.min(s.restW ?? s.metabolicW, s.metabolicW);
  return {
    ...s,
    metabolicW: rest + (s.metabolicW - rest) * share,
    externalW: s.externalW * share,
    speedMs: s.speedMs * share,
    pumping: s.pumping * share,
    relativeWind: windWhen(s, leg, 1, share),
  };
}

/** Share of the sky seen from the lee of trees or rocks (engineering value). */
const SHELTERED_SKY = 0.3;

/** A stop held in the lee of trees or rocks nearby instead of in the open, out of the sun. */
export function inShelter(s: Stretch, leg: Pick<Leg, 'shelter'>): Stretch {
  const factor = Math.min(1, SHELTER_FACTOR.forest / Math.max(0.01, SHELTER_FACTOR[leg.shelter]));
  const relative = Math.max(STILL_AIR, s.relativeWind * factor);
  return { ...s, relativeWind: relative, stillWind: relative, sunWm2: 0, skyWm2: s.skyWm2 * SHELTERED_SKY };
}
