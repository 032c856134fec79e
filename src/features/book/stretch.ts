/** Days that a dragged stretch must hold before it is looked at by itself: one alone is chosen by a click. */
export const LEAST_STRETCH = 2;
/** Less than this is no drag but a click that slipped, px. */
export const SLIP = 8;

/** Index of the day drawn nearest to a place, px; −1 without days. */
export function nearestDay(xs: readonly number[], x: number): number {
  let best = -1;
  xs.forEach((at, i) => {
    if (best < 0 || Math.abs(at - x) < Math.abs(xs[best] - x)) best = i;
  });
  return best;
}

/** First and last day of a dragged stretch, by index; null where it holds too few. */
export function daysIn(xs: readonly number[], [a, b]: readonly [number, number]): readonly [number, number] | null {
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  const first = xs.findIndex((x) => x >= low);
  const last = xs.findLastIndex((x) => x <= high);
  return first >= 0 && last - first + 1 >= LEAST_STRETCH ? [first, last] : null;
}

/** The stretch moved so that it holds a day, as long as before. @param of how many days there are in all */
export function movedTo([first, last]: readonly [number, number], i: number, of: number): readonly [number, number] {
  if (i >= first && i <= last) return [first, last];
  const long = last - first;
  const from = Math.max(0, Math.min(of - 1 - long, i < first ? i : i - long));
  return [from, from + long];
}

const MONTH_MS = 30 * 86_400_000;
/** The days within two weeks of one, by index. */
export function monthRound(startMs: readonly number[], i: number): readonly [number, number] {
  const near = (ms: number) => Math.abs(ms - startMs[i]) <= MONTH_MS / 2;
  const [first, last] = [startMs.findIndex(near), startMs.findLastIndex(near)];
  // Alone in its month a day is seen with its neighbours.
  return last - first + 1 >= LEAST_STRETCH ? [first, last] : [Math.max(0, i - 1), Math.min(startMs.length - 1, i + 1)];
}
