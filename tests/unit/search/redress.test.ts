import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import { scorePlan } from '@/core/judge/scorePlan';
import { isAlong } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { candidates } from '@/core/search/candidates';
import { Course } from '@/core/search/course';
import { redress } from '@/core/search/redress';
import { sweep } from '@/core/search/sweep';
import type { Timeline } from '@/core/outing/timeline';
import { phases } from '@/core/outing/moments';
import { forWornJackets } from '@/core/search/triedFirst';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const RIDE = ['briefs', 'merino-longs', 'wind-trousers', 'thick-socks', 'riding-shoes', 'cycle-helmet'];
const plain = (worn: string[], more: Partial<Plan> = {}): Plan => ({
  worn,
  carried: [],
  openings: {},
  cues: [],
  ...more,
});

describe('the same pieces worn otherwise', () => {
  const closet = garmentsOf(
    'thin-merino-base',
    'wind-shell',
    'active-jacket',
    'grid-fleece',
    'down-puffy',
    'briefs',
    'soft-trousers',
    'wool-socks',
    'winter-boots',
    'thin-cap',
    'wind-gloves',
  );
  const climb = dayOf(
    [
      aLeg({ sport: 'hike', minutes: 60, effort: { by: 'metabolic', value: 620 } }),
      aLeg({ sport: 'stand', minutes: 20, effort: { by: 'usual' } }),
      aLeg({ sport: 'hike', minutes: 40, effort: { by: 'metabolic', value: 350 } }),
    ],
    -8,
    4,
  );
  const asked = {
    course: new Course(AVERAGE_PERSON, climb, undefined, undefined),
    closet,
    stepS: 60,
    maxCues: 6,
    goOn: () => true,
  };
  const cost = (plan: Plan) => scorePlan(AVERAGE_PERSON, closet, climb, plan).total;
  const all = closet.map((g) => g.id);
  const without = (...ids: string[]) => all.filter((id) => !ids.includes(id));
  // Both layers shut on the climb, and the jacket in the pack at the stop.
  const stuffy = plain(without('grid-fleece', 'down-puffy'), { carried: ['down-puffy'] });

  test('a kit that is shut on the climb and cold at the stop is opened and put on, and nothing is left behind', () => {
    const next = redress(stuffy, asked)!;
    expect(cost(next)).toBeLessThan(0.8 * cost(stuffy));
    expect(next.cues.some((c) => c.actions.some((a) => a.do === 'putOn' && a.garment === 'down-puffy'))).toBe(true);
    expect([...next.worn, ...next.carried].sort()).toEqual([...stuffy.worn, ...stuffy.carried].sort());
    expect(redress(next, { ...asked, goOn: () => false })).toBeNull();
  });

  test('no more cues than are wanted', () => {
    const none = redress(stuffy, { ...asked, maxCues: 0 });
    expect(none === null || none.cues.length === 0).toBe(true);
    expect(redress(stuffy, { ...asked, maxCues: 1 })!.cues.length).toBeLessThanOrEqual(1);
  });

  test('a plan that no path can tell is left alone', () => {
    expect(redress({ ...stuffy, worn: [...stuffy.worn, 'grid-fleece'] }, asked)).toBeNull();
    const at = (atS: number): Plan => ({
      ...stuffy,
      cues: [{ atS, actions: [{ do: 'putOn', garment: 'down-puffy' }] }],
    });
    expect(redress(at(3600.9), asked)).not.toBeNull();
    expect(redress(at(3601.1), asked)).toBeNull();
    const slow = (share: number): Plan => ({
      ...stuffy,
      cues: [{ atS: 480, actions: [], pace: { share, untilS: 3240 } }],
    });
    expect(redress(slow(0.75), asked)).not.toBeNull();
    expect(redress(slow(0.8), asked)).toBeNull();
  });
});

describe('all ways to dress head, hands and feet', () => {
  const request = (closet: Garment[]) => ({
    person: AVERAGE_PERSON,
    closet,
    timeline: dayOf([aLeg({ sport: 'cycle', minutes: 40, effort: { by: 'metabolic', value: 550 } })], -6, 4),
    sport: 'cycle' as const,
  });

  test('each kind one piece or none; helmet, warmers and a spare stay, and so does the like of what is put on later', () => {
    const closet = garmentsOf(
      'mesh-base',
      ...RIDE,
      'wind-gloves',
      'ski-gloves',
      'hand-warmers',
      'balaclava',
      'thin-cap',
      'nose-strip',
      'sun-glasses',
      'goggles',
    );
    const plan = plain(['mesh-base', ...RIDE, 'wind-gloves', 'hand-warmers', 'nose-strip'], { carried: ['thin-cap'] });
    const ways = [...sweep(plan, request(closet), [['head', 'face', 'eyes'], ['hands']])].map((c) => c.edit(plan));
    const worn = (...ids: string[]) =>
      ways.filter((p) => ids.every((id) => isAlong(p, id)) && !isAlong(p, 'nose-strip')).length;
    // Head: none or the balaclava; face: none or the strip; glasses: none, two kinds; gloves: none or two.
    expect(worn('sun-glasses')).toBe(2);
    expect(worn('goggles')).toBe(2);
    expect(ways.filter((p) => isAlong(p, 'ski-gloves')).length).toBe(1);
    expect(ways).toHaveLength(2 * 2 * 3 + 3);
    for (const p of ways) {
      expect(p.worn).toEqual(expect.arrayContaining(['cycle-helmet', 'hand-warmers', 'mesh-base']));
      expect(p.carried).toContain('thin-cap');
    }
    const later: Plan = { ...plan, cues: [{ atS: 1800, actions: [{ do: 'putOn', garment: 'thin-cap' }] }] };
    const beside = [...sweep(later, request(closet), [['head', 'face', 'eyes']])].map((c) => c.edit(later));
    expect(beside).toHaveLength(2 * 3);
    expect(beside.some((p) => isAlong(p, 'balaclava'))).toBe(false);
  });

  test('nobody goes without briefs or without the one layer over the legs; a second layer may stay at home', () => {
    const closet = garmentsOf('mesh-base', ...RIDE, 'wind-briefs', 'thin-tights', 'wind-trousers');
    const legs = RIDE.filter((id) => closet.find((g) => g.id === id)!.group !== 'legs');
    const ways = (...worn: string[]) =>
      [...sweep(plain(['mesh-base', ...legs, ...worn]), request(closet), [['legs']])].map((c) =>
        c.edit(plain(['mesh-base', ...legs, ...worn])),
      );
    const LAYERS = ['thin-tights', 'merino-longs', 'wind-trousers'];
    const two = ways('wind-briefs', 'thin-tights', 'wind-trousers');
    expect(two.every((p) => isAlong(p, 'briefs') || isAlong(p, 'wind-briefs'))).toBe(true);
    expect(two.every((p) => LAYERS.some((id) => isAlong(p, id)))).toBe(true);
    expect(two.some((p) => !isAlong(p, 'thin-tights'))).toBe(true);
    expect(two.some((p) => !isAlong(p, 'wind-trousers'))).toBe(true);
    // Who wears none need not begin to.
    expect(ways('thin-tights').some((p) => !isAlong(p, 'briefs') && !isAlong(p, 'wind-briefs'))).toBe(true);
  });

  test('toe warmers come with every sock there is: thick ones leave them no room; shoes are worn in any case, and what goes over them stays', () => {
    const closet = garmentsOf('mesh-base', ...RIDE, 'thin-socks', 'toe-warmers', 'overshoes');
    const plan = plain(['mesh-base', ...RIDE]);
    const ways = [...sweep(plan, request(closet), [['feet']])].map((c) => c.edit(plan));
    const has = (p: Plan, ...ids: string[]) => ids.every((id) => isAlong(p, id));
    for (const sock of ['thick-socks', 'thin-socks'])
      for (const warm of [true, false])
        expect(ways.filter((p) => has(p, sock) && has(p, 'toe-warmers') === warm)).toHaveLength(1);
    expect(ways).toHaveLength(4);
    expect(ways.every((p) => has(p, 'riding-shoes') && !has(p, 'overshoes'))).toBe(true);
  });

  test('four hundred ways are tried, one more is not', () => {
    const glasses = CATALOGUE.find((g) => g.id === 'sun-glasses')!;
    const many = (n: number) => [
      ...garmentsOf('mesh-base', ...RIDE),
      ...Array.from({ length: n }, (_, i) => ({ ...glasses, id: `glasses-${i}` })),
    ];
    const count = (n: number) =>
      [...sweep(plain(['mesh-base', ...RIDE]), request(many(n)))].filter((c) => c.of === 'head').length;
    expect(count(399)).toBe(400);
    expect(count(400)).toBe(0);
  });
});

test('a jacket for stops that is worn on the way makes room for layers, one in the pack does not', () => {
  const closet = garmentsOf(
    'mesh-base',
    ...RIDE,
    'wind-gloves',
    'thin-cap',
    'standby-puffy',
    'grid-fleece',
    'wind-shell',
  );
  const timeline = dayOf([aLeg({ sport: 'cycle', minutes: 40, effort: { by: 'metabolic', value: 450 } })], -6, 4);
  const parts = candidates(closet, 'cycle', timeline);
  const dressed = ['mesh-base', ...RIDE, 'wind-gloves', 'thin-cap'];
  const carried = plain([...dressed, 'wind-shell'], { carried: ['standby-puffy'] });
  expect([...forWornJackets(carried, parts, timeline)]).toHaveLength(0);
  const worn = plain([...dressed, 'standby-puffy']);
  const next = [...forWornJackets(worn, parts, timeline)].map((c) => c.edit(worn));
  const over = (p: Plan) => ['grid-fleece', 'wind-shell'].filter((id) => p.worn.includes(id)).join(' and ');
  expect(new Set(next.map((p) => `${over(p)}, jacket ${isAlong(p, 'standby-puffy') ? 'carried' : 'left'}`))).toEqual(
    new Set(
      ['grid-fleece', 'wind-shell', 'grid-fleece and wind-shell'].flatMap((layers) => [
        `${layers}, jacket carried`,
        `${layers}, jacket left`,
      ]),
    ),
  );
  expect(next.every((p) => !p.worn.includes('standby-puffy'))).toBe(true);
});

test('a jacket that goes on at a halt for the way on gives way to a layer that is kept on from there; one for the halt alone does not', () => {
  const closet = garmentsOf('mesh-base', ...RIDE, 'wind-gloves', 'thin-cap', 'standby-puffy', 'grid-fleece');
  const leg = (minutes: number) => aLeg({ sport: 'cycle', minutes, effort: { by: 'metabolic', value: 450 } });
  const timeline = dayOf([leg(40), aLeg({ name: 'Hut', sport: 'hut', minutes: 30 }), leg(40)], -6, 4);
  const parts = candidates(closet, 'cycle', timeline);
  const jacket = 'standby-puffy';
  const halt = phases(timeline).find((m) => m.where.startsWith('before leaving'))!.startS;
  const plan = (onS: number, offS: number): Plan => ({
    ...plain(['mesh-base', ...RIDE, 'wind-gloves', 'thin-cap'], { carried: [jacket] }),
    cues: [
      { atS: onS, actions: [{ do: 'putOn', garment: jacket }] },
      { atS: offS, actions: [{ do: 'takeOff', garment: jacket }] },
    ],
  });
  const changed = (p: Plan) => [...forWornJackets(p, parts, timeline)].map((c) => c.edit(p));
  expect(changed(plan(2400, halt))).toHaveLength(0);
  const [carried, left] = changed(plan(halt, halt + 1500));
  expect(carried.cues).toEqual([{ atS: halt, actions: [{ do: 'putOn', garment: 'grid-fleece' }] }]);
  expect([carried, left].map((p) => isAlong(p, jacket))).toEqual([true, false]);
  expect(left.cues).toEqual(carried.cues);
  // On the last six minutes to a stop a jacket may be worn, and stays; on a longer way not.
  const lastWay = (minutes: number) =>
    dayOf([leg(40), { ...leg(minutes), name: 'Last' }, aLeg({ name: 'Top', sport: 'stand', minutes: 10 })], -6, 4);
  const onLast = (t: Timeline) => [...forWornJackets(plan(2400, t.endS - 600), parts, t)].length;
  expect(onLast(lastWay(6))).toBe(0);
  expect(onLast(lastWay(7))).toBeGreaterThan(0);
});
