import { AVERAGE_PERSON } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import type { Sport } from '@/core/effort/sports';
import { alongOn, alongPrice, cuePrice, cuesPrice, type CueWork } from '@/core/judge/prices';
import type { Plan } from '@/core/kit/plan';
import { isReminded } from '@/core/outing/moments';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

/** The prices of docs/model.md (engineering values), worked by hand: what a change costs beside the cold of it. */
const on = { halted: true, reminded: false, waiting: 0 };
const moving = { halted: false, reminded: false, waiting: 0 };
const cue = (over: Partial<CueWork>): CueWork => ({ pieces: 0, seconds: 0, halt: false, atS: 0, ...over });

test.each([
  ['nothing to do costs nothing', cue({}), moving, 0],
  ['one piece in a minute', cue({ pieces: 1, seconds: 60 }), moving, 0.1 + 0.025 + 60 / 2400],
  ['three pieces in two minutes', cue({ pieces: 3, seconds: 120 }), moving, 0.1 + 0.075 + 0.05],
  ['a halt for it', cue({ pieces: 1, seconds: 90, halt: true }), moving, 0.125 + 90 / 2400 + 0.12 + 0.1],
  ['no extra halt where one stands anyway', cue({ pieces: 1, seconds: 90, halt: true }), on, 0.125 + 90 / 2400],
  [
    'two who wait: half as much again of the halt',
    cue({ pieces: 1, seconds: 90, halt: true }),
    { halted: false, reminded: false, waiting: 2 },
    0.125 + 90 / 2400 + 0.22 * 1.5,
  ],
  [
    'at a door or a stop, where nobody needs to be told',
    cue({ pieces: 1, seconds: 60 }),
    { ...on, reminded: true },
    0.04 + 0.05,
  ],
  [
    'under a roof, where pieces too come off by themselves',
    cue({ pieces: 2, seconds: 60 }),
    { ...on, reminded: true, roof: true },
    0.04 + 0.02 + 60 / 2400,
  ],
  ['ten minutes at three quarters', cue({ pace: { share: 0.75, untilS: 600 } }), moving, 0.1 + 0.05 * 0.25 * 10],
  [
    'ten minutes at three quarters in a race: four times that',
    cue({ pace: { share: 0.75, untilS: 600 } }),
    { ...moving, racing: 1 },
    0.1 + 4 * 0.05 * 0.25 * 10,
  ],
  ['ten minutes harder in a race', cue({ pace: { share: 1.12, untilS: 600 } }), { ...moving, racing: 1 }, 0.3],
  ['ten minutes harder', cue({ pace: { share: 1.12, untilS: 600 } }), moving, 0.1 + 0.02 * 10],
  ['to a sheltered spot', cue({ shelter: true }), moving, 0.1 + 0.15],
])('%s', (_, work, place, points) => expect(cuePrice(work, place)).toBeCloseTo(points, 9));

test('what is along costs by its mass and the hours, and a pair of warmers is used up', () => {
  const [puffy] = garmentsOf('standby-puffy');
  const [warmers] = garmentsOf('hand-warmers');
  expect(alongPrice([puffy], new Set(), { hours: 4, packlessHours: 0, raceHours: 0, race: null })).toBeCloseTo(
    (puffy.massG / 1000) * 0.035 * 4,
    9,
  );
  expect(alongPrice([warmers], new Set(), { hours: 2, packlessHours: 2, raceHours: 0, race: null })).toBeCloseTo(
    (warmers.massG / 1000) * 0.07 + 0.12 + warmers.packedL * 0.02 * 2,
    9,
  );
  expect(alongPrice([], new Set(), { hours: 10, packlessHours: 10, raceHours: 0, race: null })).toBe(0);
  // What cannot go into a pack is in the way; a hat goes into a pocket.
  const extra = (g: Garment, ...worn: string[]) =>
    alongPrice([g], new Set(worn), { hours: 4, packlessHours: 3, raceHours: 0, race: null }) -
    alongPrice([g], new Set(worn), { hours: 4, packlessHours: 0, raceHours: 0, race: null });
  const [fleece, hat, mitts] = garmentsOf('pile-fleece', 'warm-hat', 'warm-mitts');
  expect(extra(puffy, puffy.id)).toBeCloseTo(puffy.packedL * 0.02 * 3, 9);
  expect(extra(fleece)).toBeCloseTo(fleece.packedL * 0.02 * 3, 9);
  expect(extra(mitts)).toBeCloseTo(mitts.packedL * 0.02 * 3, 9);
  expect(extra(fleece, fleece.id)).toBe(0);
  expect(extra(hat)).toBe(0);
  // Through a race nobody carries one; what was worn in the start pen is on somebody's arm.
  const race = (...worn: string[]) =>
    alongPrice([puffy], new Set(worn), { hours: 4, packlessHours: 3, raceHours: 3, race: null }) -
    alongPrice([puffy], new Set(worn), { hours: 4, packlessHours: 3, raceHours: 0, race: null });
  expect(race()).toBeCloseTo(puffy.packedL * 0.02 * 3 * 3, 9);
  expect(race(puffy.id)).toBe(0);
});

test('what is handed in for a race weighs only until it begins and after it has ended', () => {
  const [puffy] = garmentsOf('standby-puffy');
  const race = { fromS: 900, untilS: 900 + 3 * 3600 };
  const on = { hours: 4, packlessHours: 3, raceHours: 3, race };
  const price = (bag: string[]) => alongPrice([puffy], new Set([puffy.id]), on, new Set(bag));
  expect(price([puffy.id])).toBeCloseTo((puffy.massG / 1000) * 0.035 * 1, 9);
  expect(price([])).toBeCloseTo((puffy.massG / 1000) * 0.035 * 4 + puffy.packedL * 0.02 * 3, 9);
});

test('hours of a race are those asked at seven tenths of the maximum and more', () => {
  const most = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);
  const race = (share: number) => {
    const hour = aLeg({ sport: 'run', minutes: 30, packOn: false, effort: { by: 'metabolic', value: share * most } });
    return alongOn(dayOf([hour]), AVERAGE_PERSON).raceHours;
  };
  expect(race(0.69)).toBe(0);
  expect(race(0.71)).toBeCloseTo(0.5, 6);
});

test('without a pack are hours of going by oneself, not those with one on, of standing, or of being carried', () => {
  const hour = (sport: Sport, packOn: boolean) => aLeg({ sport, minutes: 60, packOn, effort: { by: 'usual' } });
  const packless = (sport: Sport, packOn: boolean) =>
    alongOn(dayOf([hour(sport, packOn)]), AVERAGE_PERSON).packlessHours;
  expect(packless('run', false)).toBeCloseTo(1, 6);
  expect(packless('run', true)).toBe(0);
  expect(packless('stand', false)).toBe(0);
  expect(packless('chairlift', false)).toBe(0);
});

test.each([
  [
    'a roof: from half a minute before it to half a minute after',
    'hut',
    [59, 59.5, 75, 90.5, 91],
    [false, true, true, true, false],
  ],
  [
    'a stop: where it begins and ends',
    'stand',
    [59, 59.5, 60.5, 61, 75, 89.5, 91],
    [false, true, true, false, false, true, false],
  ],
  ['a rest on the move: nothing does', 'walk', [60, 75, 90], [false, false, false]],
] as const)('what reminds one of a change by itself: %s', (_, sport, minutes, reminds) => {
  const day = dayOf([
    aLeg({ sport: 'hike', minutes: 60 }),
    aLeg({ sport, minutes: 30, shelter: sport === 'hut' ? 'indoor' : 'open', effort: { by: 'usual' } }),
    aLeg({ sport: 'hike', minutes: 60 }),
  ]);
  expect(minutes.map((m) => isReminded(day, m * 60))).toEqual(reminds);
});

test('the price of a plan is that of its cues; at a stop the halt is free, and taking off counts like putting on', () => {
  const garments = new Map(garmentsOf('wind-shell', 'winter-boots', 'thin-tights').map((g) => [g.id, g]));
  const day = dayOf([
    aLeg({ sport: 'hike', minutes: 60 }),
    aLeg({ sport: 'stand', minutes: 20, effort: { by: 'usual' } }),
    aLeg({ sport: 'hike', minutes: 60 }),
  ]);
  const plan = (atS: number): Plan => ({
    worn: ['thin-tights', 'winter-boots'],
    carried: ['wind-shell'],
    openings: {},
    cues: [{ atS, actions: [{ do: 'takeOff', garment: 'thin-tights' }] }],
  });
  const price = (atS: number, waiting = 0) =>
    cuesPrice(plan(atS), garments, { timeline: day, person: AVERAGE_PERSON }, waiting);
  expect(price(30 * 60)).toBeGreaterThan(price(65 * 60) + 0.12);
  // Where the stop begins it comes to mind by itself, five minutes later it does not.
  expect(price(65 * 60) - price(60 * 60)).toBeCloseTo(0.06, 9);
  expect(price(30 * 60, 4)).toBeGreaterThan(price(30 * 60));
  expect(price(65 * 60, 4)).toBeCloseTo(price(65 * 60), 9);
  expect(cuesPrice({ ...plan(0), cues: [] }, garments, { timeline: day, person: AVERAGE_PERSON }, 3)).toBe(0);
});
