import type { Stretch } from './timeline';

/** Mean of a number over stretches, each by how long it lasts. @param stretches lasting s; none: 0 */
export function meanOver(stretches: readonly Stretch[], of: (s: Stretch) => number): number {
  const seconds = stretches.reduce((sum, s) => sum + s.endS - s.startS, 0);
  return stretches.reduce((sum, s) => sum + of(s) * (s.endS - s.startS), 0) / Math.max(1, seconds);
}

/** Whether a stretch is under a roof and heated: neither the forecast nor its errors reach there. */
export const isInRoom = (s: Stretch): boolean =>
  s.wind10 === 0 && s.speedMs === 0 && s.precipitation === 'none' && s.airC > 12;
