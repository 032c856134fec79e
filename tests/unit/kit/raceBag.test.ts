import { AVERAGE_PERSON } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import type { Plan } from '@/core/kit/plan';
import { bagOf, inReach, raceOf } from '@/core/kit/raceBag';
import { stuckOut } from '@/core/questions/stuckOut';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

/** Clothes of the start pen are handed in there and are back at the finish: common practice, no published source. */
const MOST = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);
const stand = (minutes: number) => aLeg({ sport: 'stand', minutes, effort: { by: 'usual' }, packOn: false });
const run = (share: number) =>
  aLeg({ sport: 'run', minutes: 40, effort: { by: 'metabolic', value: share * MOST }, packOn: false });
const RACE = dayOf([stand(15), run(0.75), stand(10)], -22);
const [FROM, UNTIL] = [15 * 60, 55 * 60];
const CLOSET = garmentsOf('thin-synthetic-base', 'wind-vest', 'standby-puffy', 'belay-parka', 'thin-tights', 'briefs');
const plan = (over: Partial<Plan>): Plan => ({
  worn: ['briefs', 'thin-tights', 'thin-synthetic-base', 'standby-puffy'],
  carried: ['wind-vest', 'belay-parka'],
  openings: {},
  cues: [{ atS: FROM, actions: [{ do: 'takeOff', garment: 'standby-puffy' }] }],
  ...over,
});

test('a race begins after a stop and is one from seven tenths of the maximum on; it ends where one stops for good', () => {
  expect(raceOf(RACE, AVERAGE_PERSON)).toEqual({ fromS: FROM, untilS: UNTIL });
  expect(raceOf(dayOf([stand(15), run(0.69)]), AVERAGE_PERSON)).toBeNull();
  expect(raceOf(dayOf([run(0.75), stand(15)]), AVERAGE_PERSON)).toBeNull();
  expect(raceOf(dayOf([stand(15), run(0.71), stand(5), run(0.71)]), AVERAGE_PERSON)).toEqual({
    fromS: FROM,
    untilS: 100 * 60,
  });
  expect(raceOf(dayOf([stand(15)]), AVERAGE_PERSON)).toBeNull();
});

test('in the bag is what is worn before the race or after it and not during it; what is carried stays carried', () => {
  const race = raceOf(RACE, AVERAGE_PERSON);
  const bag = (over: Partial<Plan> = {}) => [...bagOf(plan(over), race)];
  expect(bag()).toEqual(['standby-puffy']);
  expect(bagOf(plan({}), null).size).toBe(0);
  const off = plan({}).cues[0];
  const at = (atS: number, garment: string) => ({ atS, actions: [{ do: 'putOn' as const, garment }] });
  expect(bag({ cues: [off, at(UNTIL, 'standby-puffy')] })).toEqual(['standby-puffy']);
  expect(bag({ cues: [off, at(UNTIL, 'belay-parka')] })).toEqual(['standby-puffy', 'belay-parka']);
  expect(bag({ cues: [off, at(FROM + 600, 'standby-puffy')] })).toEqual([]);
  // Taken off eight minutes into the race it is carried from there.
  expect(bag({ cues: [{ ...off, atS: FROM + 480 }] })).toEqual([]);
});

test('what is in the bag is out of reach during the race: somebody who cannot go on there has the less', () => {
  const of = (atS: number, cues = plan({}).cues) =>
    inReach({ plan: plan({ cues }), closet: CLOSET, timeline: RACE, person: AVERAGE_PERSON }, atS).map((g) => g.id);
  expect(of(0)).toContain('standby-puffy');
  expect(of(FROM + 1)).not.toContain('standby-puffy');
  expect(of(FROM + 1)).toContain('belay-parka');
  expect(of(UNTIL)).toContain('standby-puffy');
  const asked = { person: AVERAGE_PERSON, closet: CLOSET, timeline: RACE, sport: 'run' as const };
  const hours = (carried: string[], cues = plan({}).cues) =>
    stuckOut({ ...asked, plan: plan({ carried, cues }) }).stuck.find((s) => s.place === 'farthest')!.dangerH!;
  const later = [{ ...plan({}).cues[0], atS: FROM + 480 }];
  expect(hours([], later)).toBeGreaterThan(1.2 * hours([]));
  // Nor does the list of what should be along tick it.
  const warmLayer = (cues = plan({}).cues) =>
    stuckOut({ ...asked, plan: plan({ carried: [], cues }) }).safety.find((i) => i.item.startsWith('A warm layer'))!
      .have;
  expect(warmLayer()).toBe(false);
  expect(warmLayer(later)).toBe(true);
});
