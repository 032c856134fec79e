/** A straight scale from a domain to pixels. */
export interface Scale {
  (v: number): number;
  invert: (px: number) => number;
}

export function linear(d0: number, d1: number, p0: number, p1: number): Scale {
  const k = d1 === d0 ? 0 : (p1 - p0) / (d1 - d0);
  const f = ((v: number) => p0 + (v - d0) * k) as Scale;
  f.invert = (px) => (k === 0 ? d0 : d0 + (px - p0) / k);
  return f;
}

/** Path through points; gaps are not expected. */
export function linePath(xs: ArrayLike<number>, ys: ArrayLike<number>): string {
  let d = '';
  for (let i = 0; i < xs.length; i++) d += `${i === 0 ? 'M' : 'L'}${xs[i].toFixed(1)} ${ys[i].toFixed(1)}`;
  return d;
}

/** Closed area between two lines over the same xs. */
export function areaPath(xs: ArrayLike<number>, top: ArrayLike<number>, bottom: ArrayLike<number>): string {
  let d = linePath(xs, top);
  for (let i = xs.length - 1; i >= 0; i--) d += `L${xs[i].toFixed(1)} ${bottom[i].toFixed(1)}`;
  return `${d}Z`;
}

/** Runs of equal level in a list, as [from, to) index pairs with the level. */
export function runsOf<T>(n: number, level: (i: number) => T): { from: number; to: number; level: T }[] {
  const out: { from: number; to: number; level: T }[] = [];
  for (let i = 0; i < n; i++) {
    const l = level(i);
    const last = out[out.length - 1];
    if (last && last.level === l) last.to = i + 1;
    else out.push({ from: i, to: i + 1, level: l });
  }
  return out;
}

/**
 * How far bars of costs are drawn: to three times the least, or to one's own where that is dearer. What lies beyond is cut off,
 * and must look it: one hopeless case would flatten all others.
 * @param own the cost that must be seen whole @returns above 0
 */
export const barTop = (costs: readonly number[], own = 0): number =>
  Math.max(0.1, Math.min(Math.max(...costs), Math.max(own, 3 * Math.min(...costs))));
