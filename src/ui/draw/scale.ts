import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';

/** A straight scale from a domain to pixels. */
export type Scale = ScaleLinear<number, number>;

export const linear = (d0: number, d1: number, p0: number, p1: number): Scale =>
  scaleLinear([d0, d1 === d0 ? d0 + 1 : d1], [p0, p1]);

const range = (n: number): number[] => Array.from({ length: n }, (_, i) => i);

/** Path through points; gaps are not expected. */
export const linePath = (xs: ArrayLike<number>, ys: ArrayLike<number>): string =>
  line<number>()
    .digits(1)
    .x((i) => xs[i])
    .y((i) => ys[i])(range(xs.length)) ?? '';

/** Closed area between two lines over the same xs. */
export const areaPath = (xs: ArrayLike<number>, top: ArrayLike<number>, bottom: ArrayLike<number>): string =>
  area<number>()
    .digits(1)
    .x((i) => xs[i])
    .y1((i) => top[i])
    .y0((i) => bottom[i])(range(xs.length)) ?? '';

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

/** Shortens a name to a width, px; the whole belongs into a title beside it. @param perChar width of a letter, px */
export function fit(text: string, width: number, perChar: number): string {
  const most = Math.floor(width / perChar);
  return text.length <= most ? text : `${text.slice(0, Math.max(1, most - 1))}…`;
}
