import { effortOf, lastLike, triedIn, triedOf, windOf, type Tried } from '@/core/afterwards/tried';
import { exertionReserve, metabolicFromExertion, reserveOf } from '@/core/effort/fromAthlete';
import { kmhToMs } from '@/core/quantity/units';
import { aDay } from '#tests/support/aDay';

const tried = (over: Partial<Tried> = {}): Tried => ({
  ...triedOf({ id: 'a', name: 'Mill Lane', startMs: 0 }, aDay({ airC: -7, windMs: kmhToMs(20) }))!,
  ...over,
});
const cell = { sport: 'run', effort: 'steady', wind: 'breezy', wet: 'dry', band: { warmC: -5, coldC: -10 } } as const;

it('a day that nobody told supports nothing', () => {
  expect(triedOf({ id: 'a', name: 'x', startMs: 0 }, aDay({ was: null }))).toBeNull();
});
it('a day is wet in the table from a millimetre on', () => {
  const of = (fallsMm: number) => triedOf({ id: 'a', name: 'x', startMs: 0 }, aDay({}, { fallsMm }))!.wet;
  expect([of(1), of(1.01)]).toEqual(['dry', 'wet']);
});
it('winds of the ladder end where it says', () => {
  expect([9.99, 10, 29.99, 30, 80].map((v) => windOf(kmhToMs(v)))).toEqual([
    'calm',
    'breezy',
    'breezy',
    'windy',
    'windy',
  ]);
});
it('an effort is the nearest of three, and the share of the reserve is the inverse of its watts', () => {
  expect([0.2, 0.49, 0.51, 0.69, 0.71].map(effortOf)).toEqual(['easy', 'easy', 'steady', 'steady', 'hard']);
  for (const e of [1, 3, 4.5, 7, 9.5])
    expect(reserveOf(metabolicFromExertion(e, 52, 70), 52, 70)).toBeCloseTo(exertionReserve(e), 9);
});
it('a cell is supported by its own sport, effort, wind, wetness and band only, warm end counted in', () => {
  expect(triedIn([tried()], cell)).toHaveLength(1);
  for (const other of [
    { sport: 'hike' },
    { going: 0.8 },
    { windMs: kmhToMs(40) },
    { wet: 'wet' },
    { airC: -10 },
    { airC: -4.99 },
  ] as Partial<Tried>[])
    expect(triedIn([tried(other)], cell)).toEqual([]);
  expect(triedIn([tried({ airC: -5 }), tried({ airC: -9.99 })], cell)).toHaveLength(2);
});
it('the last day like this one is within three kelvin and three metres a second', () => {
  const now = { sport: 'run', airC: -4, windMs: 4, wet: 'dry' } as const;
  const at = (airC: number, windMs: number) => lastLike([tried({ airC, windMs })], now);
  expect(at(-7, 7)).not.toBeNull();
  expect(at(-7.01, 4)).toBeNull();
  expect(at(-4, 7.01)).toBeNull();
  expect(lastLike([tried({ wet: 'wet', airC: -4, windMs: 4 })], now)).toBeNull();
  const [old, young] = [tried({ startMs: 5, airC: -4, windMs: 4 }), tried({ startMs: 9, airC: -5, windMs: 4 })];
  expect(lastLike([young, old], now)).toBe(young);
});
