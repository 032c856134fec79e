import type { Garment } from '@/core/clothing/garment';
import { byPlace } from './candidates';

/**
 * What a piece more, and the last of its like instead of the first, weigh in the search, points: far less than anybody notices
 * (engineering values). Neighbouring questions have many plans that are as good as one another; without a word on which is to be
 * taken each would find another.
 */
const A_PIECE = 0.006;
const THE_LAST = 0.018;

/** What each piece of a closet weighs by its place among its like, from the skin out and from thin to thick, points by id. */
export function orderPrices(closet: readonly Garment[]): Map<string, number> {
  const like = new Map<string, Garment[]>();
  for (const g of [...closet].sort(byPlace)) {
    const key = `${g.group} ${g.role}`;
    like.set(key, [...(like.get(key) ?? []), g]);
  }
  return new Map(
    [...like.values()].flatMap((list) =>
      list.map((g, i) => [g.id, A_PIECE + (list.length > 1 ? (THE_LAST * i) / (list.length - 1) : 0)] as const),
    ),
  );
}

/** What pieces weigh together by their places, points. */
export const orderPrice = (along: Iterable<Garment>, prices: ReadonlyMap<string, number>): number => {
  let sum = 0;
  for (const g of along) sum += prices.get(g.id) ?? 0;
  return sum;
};
