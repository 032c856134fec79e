import { AVERAGE_PERSON } from '@/core/body/person';
import { scorePlan } from '@/core/judge/scorePlan';
import { alongOf, isAlong, swapGarment } from '@/core/kit/edit';
import { staysWearable } from '@/core/kit/followable';
import type { Plan } from '@/core/kit/plan';
import { candidates } from '@/core/search/candidates';
import { fromOtherLegs } from '@/core/search/fromOtherLegs';
import { hikingIn } from '#tests/support/finishing';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const TROUSERS = ['soft-trousers', 'storm-trousers', 'wind-trousers'];
const REST = ['briefs', 'wool-socks', 'winter-boots', 'wind-gloves', 'thin-synthetic-base', 'storm-shell'];
const MORE = ['shell-mitts', 'thin-cap', 'grid-fleece', 'active-vest', 'light-rain-shell', 'belay-parka'];
const closet = garmentsOf(...REST, ...MORE, ...TROUSERS, 'merino-longs', 'thin-tights', 'mesh-longs');
/** A climb, a halt and a way down in rain: soft trousers over wool are soaked, whatever the torso wears. */
const rain = { precipitation: 'rain', precipitationMmH: 3 } as const;
const timeline = dayOf(
  [
    aLeg({ sport: 'hike', minutes: 60, effort: { by: 'metabolic', value: 560 }, air: rain }),
    aLeg({ sport: 'stand', minutes: 15, effort: { by: 'usual' }, air: rain }),
    aLeg({ sport: 'hike', minutes: 40, effort: { by: 'metabolic', value: 350 }, air: rain }),
  ],
  3,
  5,
);
const f = hikingIn(closet, timeline, 6);
const parts = candidates(closet, 'hike', timeline);
const cost = (plan: Plan): number => scorePlan(AVERAGE_PERSON, alongOf(closet, plan), timeline, plan).total;
const wool: Plan = {
  worn: [...REST, 'merino-longs', 'soft-trousers', 'grid-fleece'],
  carried: ['belay-parka'],
  openings: {},
  cues: [],
};

test('without the trousers it wears another outfit is found, better than with any other trousers by themselves', () => {
  const { plan, least } = fromOtherLegs({ plan: wool, least: cost(wool) }, parts, f);
  const swapped = TROUSERS.map((id) =>
    cost(
      swapGarment(
        wool,
        'soft-trousers',
        closet.find((g) => g.id === id)!,
      ),
    ),
  );
  expect(isAlong(plan, 'soft-trousers')).toBe(false);
  expect(staysWearable(new Map(closet.map((g) => [g.id, g])))(plan)).toBe(true);
  expect(cost(plan)).toBeLessThan(Math.min(...swapped) - 0.1);
  expect(least).toBeLessThan(cost(wool));
});

test('what is dearer is not taken, also where one is told to stop', () => {
  const from = { plan: wool, least: cost(wool) };
  expect(fromOtherLegs(from, parts, { ...f, beat: () => false })).toBe(from);
  const cheap = { plan: wool, least: 0 };
  expect(fromOtherLegs(cheap, parts, f)).toBe(cheap);
});

test('whoever owns no other trousers, or wears none, keeps the plan', () => {
  const few = closet.filter((g) => g.group !== 'legs' || wool.worn.includes(g.id));
  const from = { plan: wool, least: cost(wool) };
  const onFew = hikingIn(few, timeline, 6);
  expect(fromOtherLegs(from, candidates(few, 'hike', timeline), onFew)).toBe(from);
  const bare = { plan: { ...wool, worn: REST }, least: 50 };
  expect(fromOtherLegs(bare, parts, f)).toBe(bare);
});
