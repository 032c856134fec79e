import { bout, EXTREME, newExtremes, noteMoment } from '@/core/judge/extremes';
import { noMoment, type Moment } from '@/core/judge/moment';
import { coldTorso } from '@/core/judge/sensation';
import { shareAbove } from '@/core/quantity/shareAbove';

/** A moment in which nothing is wrong, an hour out. */
const fine: Moment = {
  ...noMoment(),
  timeS: 3600,
  torsoC: 33,
  heatWm2: 200,
  coreC: 37.3,
  hotCoreC: 37.3,
  fingersC: 28,
  toesC: 27,
  faceC: 20,
};
/** Ten-minute moments, one after another. */
function after(moments: Partial<Moment>[], { warmth = 0, debt = 0 } = {}) {
  const w = newExtremes();
  for (const m of moments) noteMoment(w, { ...fine, ...m }, warmth, debt, 1 / 6);
  return (key: keyof typeof EXTREME) => w[EXTREME[key]];
}

test('the worst of each is kept, whatever comes after', () => {
  const of = after(
    [{ fingersC: 12, waterG: 90, coreC: 38.2, hotCoreC: 38.2 }, { toesC: 9, faceC: 3, coreC: 36.4 }, {}],
    { debt: 30 },
  );
  expect([of('fingersC'), of('toesC'), of('faceC'), of('waterG')]).toEqual([12, 9, 3, 90]);
  expect([of('coreLowC'), of('hotCoreC'), of('heatDebtWhM2')]).toEqual([36.4, 38.2, 30]);
});

test('the torso is held against what chills at that effort, shifted by how warm one runs', () => {
  const margin = 33 - coldTorso(200);
  expect(after([{}])('torsoMarginK')).toBeCloseTo(margin, 9);
  expect(after([{}], { warmth: 1.5 })('torsoMarginK')).toBeCloseTo(margin + 1.5, 9);
});

test('minutes of shivering over 60 W are counted to where the line crosses it', () => {
  expect(after([{ shiverW: 59 }, { shiverW: 59 }])('shiverMinutes')).toBe(0);
  // Five of the first ten minutes lie above the limit, and the five before take nothing from a bout not begun.
  expect(after([{ shiverW: 120 }])('shiverMinutes')).toBeCloseTo(5, 9);
});

test('a bout of shivering bears short pauses and is ended by long ones; spells hours apart are not added up', () => {
  const minutes = (shares: readonly number[]) =>
    shares.reduce((all, share) => [...all, bout(all[all.length - 1] ?? 0, 10, share, 'shivering')], [] as number[]);
  expect(minutes([1, 1, 1])).toEqual([10, 20, 30]);
  expect(minutes([1, 1, 0, 1])).toEqual([10, 20, 15, 25]);
  expect(minutes([1, 0, 0, 0, 1])).toEqual([10, 5, 0, 0, 10]);
  // Ten hours with eight minutes at each of six halts is eight minutes.
  const day = Array.from({ length: 60 }, (_, i) => (i % 10 === 0 ? 0.8 : 0));
  expect(Math.max(...minutes(day))).toBeLessThan(10);
});

test('what shivers of an interval and what does not come in their order: a pause before a bout takes nothing from it', () => {
  expect(bout(0, 10, 0.5, 'at rest')).toBeCloseTo(5, 9);
  expect(bout(0, 10, 0.5, 'shivering')).toBeCloseTo(2.5, 9);
  expect(bout(20, 10, 0.5, 'at rest')).toBeCloseTo(22.5, 9);
  expect(bout(20, 10, 0.5, 'shivering')).toBeCloseTo(22.5, 9);
});

test('minutes of feeling hot, over two votes, count after the first ten minutes only', () => {
  expect(after([{ sensation: 2.5 }, { sensation: 2.5 }])('hotMinutes')).toBeCloseTo(10 + 10 * (0.5 / 2.5), 6);
  expect(
    after([
      { sensation: 2.5, timeS: 599 },
      { sensation: 2.5, timeS: 599 },
    ])('hotMinutes'),
  ).toBe(0);
  expect(after([{ sensation: 1.9 }, { sensation: 1.9 }])('hotMinutes')).toBe(0);
});

test.each([
  [0, 10, 5, 0.5],
  [10, 0, 5, 0.5],
  [0, 4, 5, 0],
  [6, 9, 5, 1],
  [5, 5, 5, 0],
  [0, 8, 6, 0.25],
])('a line from %d to %d spends its share above %d', (a, b, limit, share) =>
  expect(shareAbove(a, b, limit)).toBeCloseTo(share, 9),
);
