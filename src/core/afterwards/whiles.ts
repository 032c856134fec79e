import type { Timeline } from '@/core/outing/timeline';

/** A while of an outing that one remembers as one: a leg, or where there are many, a few of them together. */
export interface OneWhile {
  name: string;
  fromS: number;
  toS: number;
}

/** Of more whiles than this nobody remembers each. */
const MOST = 5;
/** A shorter one is remembered with what comes after it, s. */
const LEAST_S = 180;

/** The whiles of an outing as it was gone: its legs, those too short or too many joined to the next. */
export function whilesOf({ legs, legStartS }: Pick<Timeline, 'legs' | 'legStartS'>): OneWhile[] {
  const list: OneWhile[] = legs.map((l, i) => ({ name: l.name, fromS: legStartS[i], toS: legStartS[i + 1] }));
  const long = (w: OneWhile) => w.toS - w.fromS;
  while (list.length > 1) {
    const shortest = list.reduce((a, b) => (long(b) < long(a) ? b : a));
    if (list.length <= MOST && long(shortest) >= LEAST_S) break;
    const i = list.indexOf(shortest);
    const [from, to] = i + 1 < list.length ? [i, i + 1] : [i - 1, i];
    const longer = long(list[from]) >= long(list[to]) ? list[from] : list[to];
    list.splice(from, 2, { name: longer.name, fromS: list[from].fromS, toS: list[to].toS });
  }
  return list;
}
