import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { lackPrice, needOf } from '@/core/judge/lacking';
import type { Plan } from '@/core/kit/plan';
import { inThePack } from '@/core/search/inThePack';
import { singleChanges } from '@/core/search/singleChanges';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const tour = (airC: number, minutes = 240) => dayOf([aLeg({ minutes })], airC, 4);
const offered = (ids: string[], timeline = tour(-12), closet = [...CATALOGUE]) => [
  ...inThePack(garmentsOf(...ids), { closet, timeline, person: AVERAGE_PERSON, sport: 'ski tour' }),
];
const WORN = ['thin-merino-base', 'soft-trousers', 'thin-socks', 'touring-boots'];

test('of each kind that is missed one piece is offered for the pack: hands, head, to stand in, against wind', () => {
  expect(offered(WORN).map((c) => c.of)).toEqual(['hands', 'head', 'torso', 'torso']);
  const withHat = offered([...WORN, 'warm-hat', 'wind-shell']).map((c) => c.of);
  expect(withHat).toEqual(['hands', 'torso']);
});

test('what is offered lies in the pack and takes off of what is missed more than it weighs', () => {
  const plan: Plan = { worn: WORN, carried: [], openings: {}, cues: [] };
  const need = needOf(tour(-12));
  for (const { edit } of offered(WORN)) {
    const next = edit(plan);
    expect(next.worn).toEqual(WORN);
    expect(next.carried).toHaveLength(1);
    expect(lackPrice(garmentsOf(...WORN, ...next.carried), need)).toBeLessThan(
      lackPrice(garmentsOf(...WORN), need) - 0.03,
    );
  }
});

test('nothing is offered on a mild short way, nor from a closet without it, nor of a kind that is along already', () => {
  expect(offered(WORN, tour(15, 30))).toEqual([]);
  expect(offered(WORN, tour(-12), garmentsOf(...WORN))).toEqual([]);
  const all = [
    ...WORN,
    'warm-hat',
    'wind-shell',
    'liner-gloves',
    'warm-mitts',
    'ski-gloves',
    'belay-parka',
    'down-puffy',
    'winter-boots',
    'thick-socks',
  ];
  expect(offered(all)).toEqual([]);
});

test('the search tries it: a spare pair of gloves that pays is among the single changes', () => {
  const plan: Plan = {
    worn: [...WORN, 'wind-gloves', 'thin-cap'],
    carried: ['down-puffy', 'wind-shell'],
    openings: {},
    cues: [],
  };
  const request = { closet: [...CATALOGUE], timeline: tour(-8), person: AVERAGE_PERSON, sport: 'ski tour' as const };
  const names = [...singleChanges(plan, request)].map((c) => c.name).filter((n) => n.endsWith('in the pack'));
  expect(names.length).toBeGreaterThan(0);
  const spare = [...singleChanges(plan, request)].find((c) => c.of === 'hands' && c.name === names[0])!;
  expect(spare.edit(plan).carried).toHaveLength(3);
});
