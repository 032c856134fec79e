import { EVERYTHING, feels, isLaidOut, shows, winterOf, type Filter, type Told } from '@/features/book/filters';
import { aDay } from '#tests/support/aDay';
import { garmentsOf } from '#tests/support/outings';

const garments = new Map(garmentsOf('wind-shell', 'standby-puffy').map((g) => [g.id, g]));
const entry = (over: Partial<Told> = {}): Told => ({
  id: 'a',
  name: 'Long Shoulder',
  startMs: Date.UTC(2026, 0, 10, 9),
  miss: null,
  kept: true,
  leftOut: false,
  day: aDay({ note: 'soaked at the larches' }),
  ...over,
});
const by = (f: Partial<Filter>, e = entry()) => shows({ ...EVERYTHING, ...f }, e, garments);

it('everything shows without a filter, and filters add up', () => {
  expect(by({})).toBe(true);
  expect(by({ find: 'shoulder', goings: new Set(['run']) })).toBe(true);
  expect(by({ find: 'shoulder', goings: new Set(['ski']) })).toBe(false);
});
it('search knows place, piece, word, month and feeling, all words together', () => {
  for (const find of ['LONG shoulder', 'wind shell', 'larches', 'january', 'right', 'dry soaked'])
    expect(by({ find })).toBe(true);
  expect(by({ find: 'long nowhere' })).toBe(false);
  expect(by({ find: 'february' })).toBe(false);
});
it('air and wind have both ends', () => {
  expect([-5, -5.1, -4.9].map((c) => by({ air: [c, 0] }))).toEqual([true, true, false]);
  expect([4, 3.9].map((v) => by({ wind: [0, v] }))).toEqual([true, false]);
});
it('a piece counts worn or carried; feelings are any of those chosen', () => {
  expect(by({ pieces: new Set(['standby-puffy']) })).toBe(true);
  expect(by({ pieces: new Set(['wind-shell', 'other']) })).toBe(false);
  const wet = entry({ day: aDay({ was: 'too cold', cameWet: true }) });
  expect((['right', 'too warm', 'too cold', 'wet'] as const).map((f) => feels(wet, f))).toEqual([
    false,
    false,
    true,
    true,
  ]);
  expect(by({ feelings: new Set(['wet', 'right']) }, wet)).toBe(true);
  expect(by({ feelings: new Set(['right']) }, wet)).toBe(false);
});
it('winters run from July to June; what cannot be laid out is kept apart', () => {
  expect(winterOf(Date.UTC(2026, 5, 29))).toBe(2025);
  expect(winterOf(Date.UTC(2026, 6, 2))).toBe(2026);
  expect(isLaidOut(entry())).toBe(true);
  expect(isLaidOut({ ...entry(), day: null })).toBe(false);
});
