import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import type { Plan } from '@/core/kit/plan';
import { operations } from '@/core/kit/difference';
import { leaveGarment, swapGarment } from '@/core/kit/edit';
import { everWorn, settingAt, wornAt } from '@/core/kit/replay';
import type { Timeline } from '@/core/outing/timeline';
import { keepsTo } from '@/core/search/keeps';
import { mixes } from '@/core/search/mixes';
import { makePlan } from '@/core/search/planner';
import { cuesMoved, pacesTried } from '@/core/search/cuesChanged';
import { anotherLayer, otherLegs, singleChanges } from '@/core/search/singleChanges';
import { baseAndMid, triedFirst } from '@/core/search/triedFirst';
import { candidates } from '@/core/search/candidates';
import { caseOf, OUTINGS } from '#tests/support/goodSense';
import { aLeg, dayOf, garmentsOf, SKI_CLOSET, upStopDown } from '#tests/support/outings';

const CLOSET = [
  ...SKI_CLOSET,
  ...garmentsOf('wind-vest', 'puffy-overtrousers', 'gaiters', 'liner-socks', 'ski-gloves'),
];
/** So many pieces, these among them. */
const closetOf = (n: number) => [...CLOSET, ...CATALOGUE.filter((g) => !CLOSET.some((o) => o.id === g.id))].slice(0, n);
const day = upStopDown();
const STOP = { from: 70 * 60, to: 85 * 60 };
const plan: Plan = {
  worn: [
    'thin-merino-base',
    'grid-fleece',
    'briefs',
    'soft-trousers',
    'liner-socks',
    'wool-socks',
    'touring-boots',
    'gaiters',
    'warm-mitts',
    'thin-cap',
  ],
  carried: ['standby-puffy'],
  openings: {},
  cues: [],
};
const asked = (timeline: Timeline = day, closet: Garment[] = CLOSET) => ({
  person: AVERAGE_PERSON,
  closet,
  timeline,
  sport: 'ski tour' as const,
});
const changesOf = (p: Plan = plan, request = asked()) =>
  [...singleChanges(p, request)].map((c) => ({ name: c.name, plan: c.edit(p) }));
const without = (name: string) => changesOf().find((c) => c.name === name)?.plan;

test('a layer that has vents is tried shut and open', () => {
  expect(without('wind-vest too')?.openings).toEqual({});
  expect(without('wind-vest too, vents the other way')?.openings).toEqual({ 'wind-vest': { zip: 1 } });
});

test('what keeps rain off may wait in the pack for the rain, or for the last halt before it, and not where it rains from the start', () => {
  const dry = { airC: 4, humidity: 0.8, wind: 3, windAtBody: false, sunWm2: 0 };
  const rain = { ...dry, precipitation: 'rain', precipitationMmH: 2 } as const;
  const legs = (...airs: (typeof dry)[]) => [
    aLeg({ sport: 'hike', minutes: 60, air: airs[0] }),
    aLeg({ sport: 'sit', minutes: 10, effort: { by: 'usual' }, air: airs[1] }),
    aLeg({ sport: 'hike', minutes: 60, air: airs[2] }),
  ];
  const clad = { ...plan, worn: [...plan.worn, 'storm-shell', 'storm-trousers'] };
  const closet = [...CLOSET, ...garmentsOf('storm-shell', 'storm-trousers')];
  const waits = (...airs: (typeof dry)[]) =>
    changesOf(clad, asked(dayOf(legs(...airs)), closet)).flatMap(({ name, plan: next }) => {
      const found = /^(storm-\w+) from (\d+)$/.exec(name);
      return found ? [{ id: found[1], atS: Number(found[2]), next }] : [];
    });
  expect(waits(rain, rain, rain)).toEqual([]);
  expect(waits(dry, dry, dry)).toEqual([]);
  const found = waits(dry, dry, rain);
  expect(new Set(found.map((w) => w.id))).toEqual(new Set(['storm-shell', 'storm-trousers']));
  for (const { id, atS, next } of found) {
    expect(wornAt(next, atS - 60).has(id)).toBe(false);
    expect(wornAt(next, atS + 60).has(id)).toBe(true);
    expect(atS).toBeLessThanOrEqual(70 * 60);
  }
});

test('padded mitts may come later, over thinner ones that are worn until then', () => {
  const later = changesOf(plan, asked(day, [...CATALOGUE])).filter(
    (c) => / from \d+$/.test(c.name) && c.name.includes('warm-mitts'),
  );
  expect(later.length).toBeGreaterThan(2);
  for (const { name, plan: p } of later) {
    const atS = Number(name.split(' ').pop());
    expect([p.worn.includes('warm-mitts'), p.carried.includes('warm-mitts')]).toEqual([false, true]);
    expect(wornAt(p, atS + 1).has('warm-mitts')).toBe(true);
    expect(wornAt(p, atS - 1).has('warm-mitts')).toBe(false);
  }
});

test('gloves that a cue takes off may stay on', () => {
  const off: Plan = { ...plan, cues: [{ atS: 1800, actions: [{ do: 'takeOff', garment: 'warm-mitts' }] }] };
  const stays = changesOf(off).find((c) => c.name === '1800 not takeOff warm-mitts')!;
  expect(wornAt(stays.plan, 3000).has('warm-mitts')).toBe(true);
  expect(stays.plan.cues).toEqual([]);
});

test('a piece that is along is worn again for another that is worn at other times, not for one that is worn with it', () => {
  const shells = garmentsOf('wind-shell', 'light-rain-shell');
  const two = (rain: number): Plan => ({
    ...plan,
    worn: [...plan.worn, 'light-rain-shell'],
    carried: [...plan.carried, 'wind-shell'],
    cues: [
      { atS: 1800, actions: [{ do: 'takeOff', garment: 'light-rain-shell' }] },
      { atS: rain, actions: [{ do: 'putOn', garment: 'wind-shell' }] },
    ],
  });
  const again = (p: Plan) =>
    changesOf(p, asked(day, [...CLOSET, ...shells.filter((g) => !CLOSET.some((o) => o.id === g.id))])).find(
      (c) => c.name === 'light-rain-shell again for wind-shell',
    );
  const merged = again(two(3600))!.plan;
  expect([...merged.worn, ...merged.carried]).not.toContain('wind-shell');
  expect(wornAt(merged, 4000).has('light-rain-shell')).toBe(true);
  expect(wornAt(merged, 2400).has('light-rain-shell')).toBe(false);
  expect(again(two(900))).toBeUndefined();
});

test('a pace is tried until the next moment or the last, and where asked until any between', () => {
  const long = dayOf([aLeg({ minutes: 80 }), aLeg({ name: 'On', minutes: 80 })]);
  const ends = (until?: 'any') =>
    [...pacesTried(plan, asked(long), until)]
      .map((c) => c.edit(plan).cues.find((q) => q.pace && q.atS === 480 && q.pace.share < 1)?.pace?.untilS)
      .filter((s) => s !== undefined);
  expect(ends()).toHaveLength(2);
  expect(ends('any').length).toBeGreaterThan(2);
  expect(ends('any')).toEqual(expect.arrayContaining(ends()));
});

/** Changes are thought of for one plan and made on what it has become meanwhile: pieces may have gone since. */
test('a change made on a plan that has moved on names nothing that is not along', () => {
  const request = asked(day, [...CATALOGUE]);
  const begun: Plan = { ...plan, worn: plan.worn.map((id) => (id === 'thin-merino-base' ? 'synthetic-tee' : id)) };
  const all = [
    ...singleChanges(begun, request),
    ...anotherLayer(begun, request),
    ...cuesMoved(begun, request),
    ...pacesTried(begun, request),
    ...triedFirst(begun, candidates(CATALOGUE, 'ski tour', day), request),
  ];
  expect(all.length).toBeGreaterThan(100);
  const swapped = (from: string, to: string) =>
    swapGarment(
      begun,
      from,
      CATALOGUE.find((g) => g.id === to)!,
    );
  const since = [
    ...begun.worn.map((id) => leaveGarment(begun, id)),
    swapped('synthetic-tee', 'mesh-base'),
    swapped('grid-fleece', 'wind-shell'),
    swapped('soft-trousers', 'storm-trousers'),
  ];
  for (const now of since)
    for (const { name, edit } of all) {
      const next = edit(now);
      const along = new Set([...next.worn, ...next.carried]);
      const named = [...Object.keys(next.openings), ...next.cues.flatMap((c) => c.actions.map((a) => a.garment))];
      expect({ name, gone: named.filter((id) => !along.has(id)) }).toEqual({ name, gone: [] });
    }
});

test('one layer takes the place of another whatever its part, and of two at once, put on and off as one of them was', () => {
  const two: Plan = {
    ...plan,
    worn: [...plan.worn.filter((id) => id !== 'grid-fleece'), 'wind-vest'],
    carried: ['standby-puffy', 'grid-fleece'],
    cues: [{ atS: 1800, actions: [{ do: 'putOn', garment: 'grid-fleece' }] }],
  };
  const request = asked(day, [...CLOSET, ...garmentsOf('active-jacket', 'wind-shell')]);
  const by = new Map([...anotherLayer(two, request)].map((c) => [c.name, c.edit(two)]));
  // Both parts are along: no middle layer can stand for the vest alone, since one is worn beside it.
  expect([...by.keys()].filter((name) => /^wind-vest to/.test(name))).toEqual([]);
  const asFleece = by.get('active-jacket for grid-fleece and wind-vest as grid-fleece')!;
  expect([1700, 1900].map((t) => wornAt(asFleece, t).has('active-jacket'))).toEqual([false, true]);
  expect([...asFleece.worn, ...asFleece.carried]).not.toContain('wind-vest');
  const asVest = by.get('active-jacket for grid-fleece and wind-vest as wind-vest')!;
  expect(asVest.worn).toContain('active-jacket');
  const one = [...anotherLayer(plan, request)].map((c) => c.name);
  expect(one).toContain('grid-fleece to wind-shell');
  expect(one).not.toContain('grid-fleece to active-jacket');
});

test('two of four layers give way to one other, be it a second jacket; two of three do not', () => {
  const layers = garmentsOf('active-jacket', 'wind-shell', 'storm-shell', 'lined-soft-shell', 'down-puffy');
  const closet = [...CLOSET.filter((g) => !layers.some((l) => l.id === g.id)), ...layers];
  const wearing = (...ids: string[]): Plan => ({
    ...plan,
    worn: [...ids, ...plan.worn.filter((id) => id !== 'grid-fleece')],
  });
  const ways = (p: Plan) =>
    [...singleChanges(p, asked(day, closet))]
      .filter((c) => c.name.startsWith('down-puffy for'))
      .map((c) => c.edit(p).worn.filter((id) => layers.some((g) => g.id === id)));
  const four = ways(wearing('active-jacket', 'wind-shell', 'storm-shell', 'lined-soft-shell'));
  expect(four.map((w) => [...w].sort())).toContainEqual(['active-jacket', 'down-puffy', 'lined-soft-shell']);
  expect(four.every((w) => w.length === 3 && w.includes('down-puffy'))).toBe(true);
  expect(ways(wearing('active-jacket', 'wind-shell', 'storm-shell'))).toEqual([]);
});

test('over-trousers are tried with every jacket for the stops at which it is worn, or left where they are along', () => {
  const closet = [...CLOSET, ...garmentsOf('down-puffy')];
  const jackets: Plan = { ...plan, cues: [{ atS: STOP.from, actions: [{ do: 'putOn', garment: 'standby-puffy' }] }] };
  const tried = (p: Plan) =>
    new Map(
      [...triedFirst(p, candidates(closet, 'ski tour', day), asked(day, closet))].map((c) => [c.name, c.edit(p)]),
    );
  const next = tried(jackets).get('down-puffy with puffy-overtrousers')!;
  expect(wornAt(next, STOP.from + 60).has('down-puffy')).toBe(true);
  expect([STOP.from - 60, STOP.from + 60, STOP.to + 60].map((t) => wornAt(next, t).has('puffy-overtrousers'))).toEqual([
    false,
    true,
    false,
  ]);
  const without = tried(next).get('standby-puffy without puffy-overtrousers')!;
  expect(everWorn(without)).not.toContain('puffy-overtrousers');
  expect(everWorn(without)).toContain('standby-puffy');
});

test('another base is tried with every middle layer and with none, beneath what else is worn; not where either goes on or off', () => {
  const of = candidates(CATALOGUE, 'ski tour', day);
  const shelled: Plan = { ...plan, worn: [...plan.worn, 'wind-shell'], openings: { 'wind-shell': { zip: 1 } } };
  const tried = new Map([...baseAndMid(shelled, of)].map((c) => [c.name, c.edit(shelled)]));
  const open = tried.get('thin-synthetic-base, active-vest open')!;
  expect(open.worn).toEqual(expect.arrayContaining(['thin-synthetic-base', 'active-vest', 'wind-shell']));
  for (const id of ['thin-merino-base', 'grid-fleece']) expect(open.worn).not.toContain(id);
  expect([open.openings['active-vest'].zip, open.openings['wind-shell'].zip]).toEqual([1, 1]);
  expect(tried.get('thin-synthetic-base, active-vest shut')!.openings['active-vest'].zip).toBe(0);
  const none = tried.get('mesh-base and no middle layer')!.worn;
  expect(of.mids.filter((g) => none.includes(g.id))).toEqual([]);
  expect([...tried.keys()].filter((name) => name.startsWith('thin-merino-base'))).toEqual([]);
  for (const moved of ['grid-fleece', 'thin-merino-base'])
    expect([
      ...baseAndMid({ ...shelled, cues: [{ atS: 1800, actions: [{ do: 'takeOff', garment: moved }] }] }, of),
    ]).toEqual([]);
});

test('over-trousers and the jacket go on for a stop and come off again, as far as people carry it out', () => {
  for (const id of ['puffy-overtrousers', 'standby-puffy']) {
    const next = without(`${id} for ${STOP.from}`)!;
    expect([STOP.from - 60, STOP.from + 60, STOP.to + 60].map((t) => wornAt(next, t).has(id))).toEqual([
      false,
      true,
      false,
    ]);
  }
  const busy: Plan = {
    ...plan,
    worn: [...plan.worn, 'goggles', 'neck-tube', 'liner-gloves'],
    cues: [
      {
        atS: STOP.from,
        actions: [
          ...['grid-fleece', 'warm-mitts', 'thin-cap', 'gaiters', 'soft-trousers', 'briefs'],
          ...['goggles', 'neck-tube', 'liner-gloves'],
        ].map((garment) => ({ do: 'takeOff', garment })),
      },
    ],
  };
  expect(operations(busy.cues[0].actions)).toBe(9);
  expect(changesOf(busy).find((c) => c.name === `puffy-overtrousers for ${STOP.from}`)?.plan).toBe(busy);
});

test('a jacket that only waits in the pack is tried for the over-trousers of a stop, one that is worn is not', () => {
  const atTop = (...garments: string[]) => garments.map((garment) => ({ do: 'putOn', garment }) as const);
  const idle: Plan = {
    ...plan,
    carried: ['standby-puffy', 'puffy-overtrousers'],
    cues: [
      { atS: STOP.from, actions: atTop('puffy-overtrousers') },
      { atS: STOP.to, actions: [{ do: 'takeOff', garment: 'puffy-overtrousers' }] },
    ],
  };
  const name = 'standby-puffy for puffy-overtrousers at stops';
  const next = changesOf(idle).find((c) => c.name === name)!.plan;
  expect(everWorn(next)).not.toContain('puffy-overtrousers');
  expect([STOP.from - 60, STOP.from + 60, STOP.to + 60].map((t) => wornAt(next, t).has('standby-puffy'))).toEqual([
    false,
    true,
    false,
  ]);
  const both: Plan = { ...idle, cues: [{ atS: STOP.from, actions: atTop('puffy-overtrousers', 'standby-puffy') }] };
  expect(changesOf(both).some((c) => c.name === name)).toBe(false);
});

test('trousers are tried for tights and tights for trousers, vents shut and open; never long underwear alone', () => {
  const closet = [...new Map([...CLOSET, ...garmentsOf('thin-tights', 'mesh-longs')].map((g) => [g.id, g])).values()];
  const tried = (p: Plan) => [...otherLegs(p, asked(day, closet))].map((c) => ({ name: c.name, plan: c.edit(p) }));
  const names = tried(plan).map((c) => c.name);
  expect(names).toContain('soft-trousers to thin-tights');
  expect(names.some((n) => n.includes('mesh-longs'))).toBe(false);
  const tights = swapGarment(
    plan,
    'soft-trousers',
    closet.find((g) => g.id === 'thin-tights')!,
  );
  const back = tried(tights).filter((c) => c.name.startsWith('thin-tights to soft-trousers'));
  expect(back.map((c) => c.plan.openings['soft-trousers']?.vents ?? 0).sort()).toEqual([0, 1]);
});

test('what stands open on the way is shut for a stop, or for the wait at the start, and opened again; what is shut is opened on the way', () => {
  const penned = dayOf([
    aLeg({ name: 'Pen', sport: 'stand', minutes: 15, effort: { by: 'usual' } }),
    aLeg({ minutes: 60 }),
    aLeg({ name: 'Top', sport: 'stand', minutes: 12, effort: { by: 'usual' } }),
    aLeg({ name: 'Hut', sport: 'hut', minutes: 30, effort: { by: 'usual' } }),
  ]);
  const open: Plan = { ...plan, openings: { 'soft-trousers': { vents: 1 } } };
  const trousers = CLOSET.find((g) => g.id === 'soft-trousers')!;
  const vents = (p: Plan) => [60, 20 * 60, 80 * 60].map((t) => settingAt(p, trousers, 'vents', t));
  const tried = (p: Plan, does: string, pieces = 21) =>
    changesOf(p, asked(penned, closetOf(pieces))).filter((c) => c.name.startsWith(`soft-trousers ${does} from`));
  expect(tried(open, 'shut').map((c) => vents(c.plan))).toEqual([
    [0, 1, 1],
    [1, 1, 0],
  ]);
  expect(tried(plan, 'shut')).toEqual([]);
  // What is shut is opened on the way, and shut again where one stands.
  expect(tried(plan, 'open').map((c) => vents(c.plan))).toEqual([[0, 1, 0]]);
  expect(tried(open, 'open')).toEqual([]);
  // Twenty pieces are worn in nearly every way while cues are placed.
  expect(tried(plan, 'open', 20)).toEqual([]);
  expect(tried(open, 'shut', 20)).toHaveLength(2);
});

test('of a way over two legs vents are opened for either, or for both', () => {
  const ridge = dayOf([
    aLeg({ minutes: 60, shelter: 'forest' }),
    aLeg({ name: 'Ridge', minutes: 40, shelter: 'forest', sport: 'hike' }),
    aLeg({ name: 'Top', sport: 'stand', minutes: 12, effort: { by: 'usual' } }),
  ]);
  const trousers = CLOSET.find((g) => g.id === 'soft-trousers')!;
  const found = changesOf(plan, asked(ridge, closetOf(21))).filter((c) => c.name.startsWith('soft-trousers open from'));
  const vents = found.map((c) => [30, 80, 105].map((min) => settingAt(c.plan, trousers, 'vents', min * 60)).join(' '));
  expect(vents.sort()).toEqual(['0 1 0', '1 0 0', '1 1 0']);
});

const halting = (sport: 'stand' | 'hut' | 'camp', minutes: number) =>
  dayOf([
    aLeg({ minutes: 60 }),
    aLeg({ name: 'Halt', sport, minutes, effort: { by: 'usual' } }),
    aLeg({ name: 'On', minutes: 60 }),
  ]);

test('what goes on for a long stop stays on to its end', () => {
  const [from, to] = [3600, 3600 + 30 * 60];
  const next = changesOf(plan, asked(halting('stand', 30))).find(
    (c) => c.name === `puffy-overtrousers for ${from}`,
  )!.plan;
  const on = [from + 60, from + 600, to - 60, to + 60].map((t) => wornAt(next, t).has('puffy-overtrousers'));
  expect(on).toEqual([true, true, true, false]);
});

test('trousers come off under a roof until one dresses to leave, over tights; where there are none beneath, with tights put on at home', () => {
  const closet = [...CLOSET, ...garmentsOf('storm-trousers', 'mesh-longs', 'thin-tights')];
  const [from, out] = [3600, 3600 + 27 * 60];
  const indoors = (legs: string) => {
    const clad = { ...plan, worn: [...plan.worn.filter((id) => id !== 'soft-trousers'), legs, 'storm-trousers'] };
    return changesOf(clad, asked(halting('hut', 30), closet)).filter((c) =>
      /^storm-trousers .*under the roof/.test(c.name),
    );
  };
  const [over, ...rest] = indoors('thin-tights').filter((c) => c.name.endsWith(` ${from}`));
  expect([over.name, rest]).toEqual([`storm-trousers off under the roof ${from}`, []]);
  expect(
    [from - 60, from + 60, from + 600, out - 60, out + 60].map((t) => wornAt(over.plan, t).has('storm-trousers')),
  ).toEqual([true, false, false, false, true]);
  const swapped = indoors('mesh-longs').find(
    (c) => c.name === `storm-trousers over thin-tights, off under the roof ${from}`,
  )!;
  expect([swapped.plan.worn.includes('thin-tights'), swapped.plan.worn.includes('mesh-longs')]).toEqual([true, false]);
  expect([from + 60, out + 60].map((t) => wornAt(swapped.plan, t).has('storm-trousers'))).toEqual([false, true]);
});

test('in camp a helmet comes off for as long as one is there, by itself or with a warm hat for it; at a stop by the way it stays', () => {
  const closet = [...CLOSET.filter((g) => g.id !== 'warm-hat'), ...garmentsOf('ski-helmet', 'warm-hat')];
  const clad = { ...plan, worn: [...plan.worn.filter((id) => id !== 'warm-hat'), 'ski-helmet'], carried: [] };
  const at = (sport: 'stand' | 'camp') =>
    changesOf(clad, asked(halting(sport, 30), closet)).filter((c) => /^ski-helmet off.* 3600$/.test(c.name));
  expect(at('stand')).toEqual([]);
  const [off, hatted] = at('camp').map((c) =>
    [3600 - 60, 3600 + 60, 5400 - 60, 5400 + 60].map((t) => wornAt(c.plan, t)),
  );
  for (const on of [off, hatted]) expect(on.map((ids) => ids.has('ski-helmet'))).toEqual([true, false, false, true]);
  expect(off.map((ids) => ids.has('warm-hat'))).toEqual([false, false, false, false]);
  expect(hatted.map((ids) => ids.has('warm-hat'))).toEqual([false, true, true, false]);
});

test('a stop is held in the lee only where forest is beside it and the wind is worth it', () => {
  const stopIn = (next: 'forest' | 'open', windMs: number) =>
    dayOf(
      [
        aLeg({ name: 'Rake', minutes: 70, shelter: next }),
        aLeg({ name: 'Top', sport: 'stand', minutes: 15, effort: { by: 'usual' } }),
        aLeg({ name: 'Down', minutes: 25 }),
      ],
      -8,
      windMs,
    );
  const lee = (t: Timeline) => changesOf(plan, asked(t)).find((c) => c.name === `lee at ${STOP.from}`)?.plan.cues;
  expect(lee(stopIn('forest', 6))).toEqual([{ atS: STOP.from, actions: [], shelter: { untilS: expect.any(Number) } }]);
  expect(lee(stopIn('open', 6))).toBeUndefined();
  expect(lee(stopIn('forest', 0.5))).toBeUndefined();
});

test('nothing that nobody goes without is left at home: no sock under gaiters, no base, no boots', () => {
  const names = changesOf().map((c) => c.name);
  for (const id of ['wool-socks', 'thin-merino-base', 'touring-boots', 'soft-trousers', 'briefs'])
    expect(names).not.toContain(`no ${id}`);
  for (const id of ['gaiters', 'liner-socks', 'grid-fleece', 'thin-cap']) expect(names).toContain(`no ${id}`);
});

test('what is small may wait in the pocket while its like is worn', () => {
  const next = without('ski-gloves, warm-mitts carried')!;
  expect(next.worn).toContain('ski-gloves');
  expect(next.carried).toContain('warm-mitts');
});

test('a cue moves to the moment before or after its own; what is for stops not onto a climb, but for a jacket on the last way to it', () => {
  const movedFrom = (garment: string) => {
    const once: Plan = { ...plan, cues: [{ atS: STOP.from, actions: [{ do: 'putOn', garment }] }] };
    return [...cuesMoved(once, asked())].map((c) => c.edit(once).cues[0].atS - STOP.from);
  };
  expect(movedFrom('ski-gloves')).toEqual([-360, STOP.to - STOP.from]);
  expect(movedFrom('standby-puffy')).toEqual([-360, STOP.to - STOP.from]);
  expect(movedFrom('puffy-overtrousers')).toEqual([]);
  const climbs = changesOf().filter((c) => c.plan.cues.some((q) => q.atS < STOP.from));
  expect(climbs).toEqual([]);
});

test('mixes have every part from one plan or the other, openings and cues with it', () => {
  const other: Plan = {
    worn: [
      'thin-merino-base',
      'wind-vest',
      'briefs',
      'thin-tights',
      'wool-socks',
      'touring-boots',
      'ski-gloves',
      'warm-hat',
    ],
    carried: ['grid-fleece'],
    openings: { 'wind-vest': { zip: 1 } },
    cues: [
      { atS: STOP.from, actions: [{ do: 'putOn', garment: 'grid-fleece' }], pace: { share: 0.75, untilS: STOP.to } },
    ],
  };
  const all = [...mixes(plan, other, CLOSET)];
  expect(all).toHaveLength(62);
  const torso = all.find((m) => m.parts === 'torso')!.plan;
  expect([...everWorn(torso)].sort()).toEqual(
    [
      'thin-merino-base',
      'wind-vest',
      'grid-fleece',
      ...plan.worn.filter((id) => id !== 'thin-merino-base' && id !== 'grid-fleece'),
    ].sort(),
  );
  expect(torso.openings).toEqual({ 'wind-vest': { zip: 1 } });
  expect(torso.cues).toEqual([{ atS: STOP.from, actions: [{ do: 'putOn', garment: 'grid-fleece' }] }]);
  expect(all.find((m) => m.parts === 'going')!.plan.cues).toEqual([
    { atS: STOP.from, actions: [], pace: { share: 0.75, untilS: STOP.to } },
  ]);
  for (const { plan: m } of mixes(plan, plan, CLOSET)) expect([...m.worn].sort()).toEqual([...plan.worn].sort());
});

describe('a pace that the search did not find', () => {
  const ways = (p: Plan = plan, request = asked()) =>
    [...pacesTried(p, request)].map((c) => ({ name: c.name, plan: c.edit(p) }));
  const held = (p: Plan) => p.cues.flatMap((c) => (c.pace ? [[c.atS, c.pace.share, c.pace.untilS]] : []));

  test('is tried from each moment of the climb, for one stretch and for all that may be gone so', () => {
    const easy = ways()
      .filter((c) => c.name.startsWith('easy'))
      .flatMap((c) => held(c.plan));
    expect(easy).toContainEqual([480, 0.75, 35 * 60]);
    expect(easy).toContainEqual([480, 0.75, STOP.from]);
    expect(easy).toContainEqual([35 * 60, 0.75, STOP.from]);
  });

  test('is not asked of somebody who stands or rolls, and nobody presses on into a stop', () => {
    const all = ways().flatMap((c) => held(c.plan));
    expect(all.length).toBeGreaterThan(3);
    expect(all.filter(([atS]) => atS >= STOP.from)).toEqual([]);
    expect(all.filter(([, share, untilS]) => share > 1 && untilS > STOP.from - 360)).toEqual([]);
  });

  test('joins the cue that is there, and leaves a pace alone that is asked already', () => {
    const cap = { atS: 480, actions: [{ do: 'takeOff' as const, garment: 'thin-cap' }] };
    const joined = ways({ ...plan, cues: [cap] }).find((c) => c.name === `easy from 480 to ${STOP.from}`)!.plan;
    expect(joined.cues).toEqual([{ ...cap, pace: { share: 0.75, untilS: STOP.from } }]);
    const eased = { ...plan, cues: [{ atS: 480, actions: [], pace: { share: 0.75, untilS: 35 * 60 } }] };
    const more = ways(eased).map((c) => c.name);
    expect(more).not.toContain(`easy from 480 to ${STOP.from}`);
    expect(more).toContain(`easy from ${35 * 60} to ${STOP.from}`);
  });
});

describe('what an athlete wants binds every change', () => {
  const tube = { ...plan, worn: [...plan.worn, 'neck-tube'], openings: { 'neck-tube': { up: 0 } } };
  const cue = (n: number): Plan => ({
    ...plan,
    cues: Array.from({ length: n }, (_, i) => ({ atS: 600 * (i + 1), actions: [] })),
  });
  test.each([
    ['one cue beyond the most', { mostCues: 2 }, cue(2), cue(3), false],
    ['as many cues as may be', { mostCues: 2 }, cue(1), cue(2), true],
    ['fewer of too many cues', { mostCues: 1 }, cue(4), cue(3), true],
    [
      'the tube pulled down',
      { mostCues: 9, mouthCovered: true },
      tube,
      { ...tube, openings: { 'neck-tube': { up: 1 } } },
      false,
    ],
    ['the tube left at home', { mostCues: 9, mouthCovered: true }, tube, plan, false],
    ['the tube pulled down by somebody who has no rule', { mostCues: 9 }, tube, plan, true],
    [
      'no liner under the sock',
      { mostCues: 9, twoSocks: true },
      plan,
      { ...plan, worn: plan.worn.filter((id) => id !== 'liner-socks') },
      false,
    ],
    [
      'another hat',
      { mostCues: 9, twoSocks: true, mouthCovered: true },
      tube,
      { ...tube, worn: tube.worn.map((id) => (id === 'thin-cap' ? 'warm-hat' : id)) },
      true,
    ],
    [
      'a plain liner for a barrier',
      { mostCues: 9, barriers: true },
      { ...plan, worn: ['barrier-socks'] },
      { ...plan, worn: ['liner-socks'] },
      false,
    ],
    [
      'a barrier kept',
      { mostCues: 9, barriers: true },
      { ...plan, worn: ['barrier-socks'] },
      { ...plan, worn: ['barrier-socks', 'wool-socks'] },
      true,
    ],
  ])('%s', (_, wanted, from, to, may) => {
    expect(keepsTo(wanted, CATALOGUE)(from, to)).toBe(may);
  });

  test('a whole search keeps to the cues, the covered mouth and the two socks it is asked for', () => {
    const o = OUTINGS.find((x) => x.name.startsWith('Ski tour with a summit, -20'))!;
    const c = caseOf(o);
    const found = makePlan({
      ...c,
      closet: c.garments,
      sport: o.sport,
      maxCues: 1,
      mouthCovered: true,
      twoSocks: true,
    }).plan;
    expect(found.cues.length).toBeLessThanOrEqual(1);
    const kept = keepsTo({ mostCues: 1, mouthCovered: true, twoSocks: true }, c.garments);
    // It covers the mouth and lines the socks: a plan that does not is refused beside it.
    const bare = { ...found, worn: found.worn.filter((id) => c.garments.find((g) => g.id === id)!.mouthCover === 0) };
    const lined = { ...found, worn: found.worn.filter((id) => id !== 'liner-socks') };
    expect([kept(found, bare), kept(found, lined)]).toEqual([false, false]);
  });
});
