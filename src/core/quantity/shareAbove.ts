/**
 * Share of an interval that a value spends above a limit when it runs straight from `before` to `now`, 0–1. Counting whole
 * steps instead would make minutes depend on the step, and jump.
 */
export function shareAbove(before: number, now: number, limit: number): number {
  if (before > limit && now > limit) return 1;
  if (before <= limit && now <= limit) return 0;
  const at = (limit - before) / (now - before);
  return now > limit ? 1 - at : at;
}
