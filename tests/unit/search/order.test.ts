import { orderPrice, orderPrices } from '@/core/search/order';
import { garmentsOf } from '#tests/support/outings';

const [thin, mid, thick, shell] = garmentsOf(
  'thin-synthetic-base',
  'thin-merino-base',
  'midweight-merino-base',
  'wind-shell',
);
const prices = orderPrices([thick, shell, thin, mid]);
const of = (...list: (typeof thin)[]) => orderPrice(list, prices);

test('from the skin out and from thin to thick, whatever order a closet is listed in', () => {
  const [first, second, third] = [thin, mid, thick].sort((a, b) => a.thicknessMm - b.thicknessMm);
  expect(of(first)).toBeLessThan(of(second));
  expect(of(second)).toBeLessThan(of(third));
  expect(orderPrices([thin, mid, thick, shell])).toEqual(prices);
});

test('a piece more weighs even where it has no like, and all of it is less than a few hundredths of a point', () => {
  expect(of(thin, shell)).toBeGreaterThan(of(thin));
  expect(of()).toBe(0);
  expect(of(thick) - of(thin)).toBeLessThanOrEqual(0.03);
  expect(of(shell)).toBeLessThanOrEqual(0.01);
  expect(orderPrice([thin], new Map())).toBe(0);
});
