import type { Chance, ChanceKind } from '@/core/questions/chances';
import { noneSaid, oftenSaid } from '@/features/front/panels/oftenSaid';

const chance = (kind: ChanceKind, share: number): Chance => ({ kind, share, what: kind, often: '' });
const said = (...list: Chance[]) => oftenSaid({ list }).map((c) => c.kind);

test('what is not safe is said first however seldom, then what happens most often, and two of them at most', () => {
  expect(said(chance('damp', 0.5), chance('cold', 0.7), chance('hot', 0.1))).toEqual(['cold', 'damp']);
  expect(said(chance('damp', 0.5), chance('cold', 0.7), chance('unsafe', 1 / 64))).toEqual(['unsafe', 'cold']);
});

test('what happened on one day of 64 is said; only where nothing did it is said of none', () => {
  expect(said(chance('toes', 1 / 64), chance('damp', 0))).toEqual(['toes']);
  expect(said(chance('toes', 0), chance('damp', 0))).toEqual([]);
  expect(noneSaid({ members: 64 })).toBe('no alarm on any of 64 other days');
});
