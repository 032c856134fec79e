import type { Timeline } from './timeline';

/** The outing ended after some seconds; null when nothing is left. */
export function truncate(t: Timeline, endS: number): Timeline | null {
  const stretches = t.stretches.filter((s) => s.startS < endS).map((s) => ({ ...s, endS: Math.min(s.endS, endS) }));
  if (stretches.length === 0) return null;
  const legs = t.legs.filter((_, i) => t.legStartS[i] < endS);
  const slowed = t.slowed.filter((x) => x.leg < legs.length);
  const beyond = t.beyond && t.beyond.atS < endS ? t.beyond : null;
  return { stretches, legs, slowed, beyond, legStartS: [...t.legStartS.slice(0, legs.length), endS], endS };
}
