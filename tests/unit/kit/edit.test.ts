import { act, leaveGarment, moveAction, moveCue, removeCue, swapGarment, takeGarment } from '@/core/kit/edit';
import { changing } from '@/core/kit/changing';
import { dropCue } from '@/core/questions/missedCues';
import type { KitAction, Plan } from '@/core/kit/plan';
import { garmentsOf } from '#tests/support/outings';
import { isWorn, settingAt, tidy } from '@/core/kit/replay';
import { actionsBetween, piecesOf } from '@/core/kit/difference';
import { cuePrice } from '@/core/judge/prices';
import { changesOf } from '@/core/kit/cueWords';

const plan: Plan = {
  worn: ['base', 'fleece'],
  carried: ['shell'],
  openings: { shell: { zip: 1 } },
  cues: [
    {
      atS: 600,
      actions: [
        { do: 'takeOff', garment: 'fleece' },
        { do: 'set', garment: 'base', opening: 'zip', setting: 1 },
      ],
    },
    { atS: 3600, actions: [{ do: 'putOn', garment: 'shell' }] },
    {
      atS: 5400,
      actions: [
        { do: 'putOn', garment: 'fleece' },
        { do: 'set', garment: 'base', opening: 'zip', setting: 0 },
      ],
    },
  ],
};

test('tidying orders cues, joins those of one moment and drops what changes nothing', () => {
  const untidy: Plan = {
    ...plan,
    cues: [
      { atS: 900, actions: [{ do: 'takeOff', garment: 'puffy' }] },
      { atS: 300, actions: [{ do: 'putOn', garment: 'base' }] },
      { atS: 500, actions: [{ do: 'putOn', garment: 'puffy' }] },
      { atS: 500.4, actions: [{ do: 'takeOff', garment: 'fleece' }] },
    ],
  };
  const t = tidy(untidy);
  expect(t.cues.map((c) => c.atS)).toEqual([500, 900]);
  expect(t.cues[0].actions).toHaveLength(2);
  expect(t.carried).toEqual(['shell', 'puffy']);
  expect(tidy(t)).toEqual(t);
});

test('within one moment the last word counts', () => {
  const t = tidy({
    ...plan,
    cues: [
      {
        atS: 100,
        actions: [
          { do: 'takeOff', garment: 'fleece' },
          { do: 'putOn', garment: 'fleece' },
        ],
      },
    ],
  });
  expect(t.cues).toEqual([]);
});

test('edits leave the old plan as it was', () => {
  const before = JSON.stringify(plan);
  moveCue(plan, 0, 1200);
  removeCue(plan, 1);
  leaveGarment(plan, 'fleece');
  act(plan, { do: 'putOn', garment: 'hat' }, 3650);
  expect(JSON.stringify(plan)).toBe(before);
});

test('a cue is moved whole, or one garment of it', () => {
  expect(moveCue(plan, 0, 1200).cues[0]).toEqual({ ...plan.cues[0], atS: 1200 });
  const split = moveAction(plan, 0, 'fleece', 1200);
  expect(split.cues.map((c) => [c.atS, c.actions[0].garment])).toEqual([
    [600, 'base'],
    [1200, 'fleece'],
    [3600, 'shell'],
    [5400, 'fleece'],
  ]);
});

test('an act near a cue joins it, at the start it changes the start kit, elsewhere it makes a cue', () => {
  expect(act(plan, { do: 'putOn', garment: 'hat' }, 3660).cues).toHaveLength(3);
  expect(act(plan, { do: 'putOn', garment: 'hat' }, 2000).cues).toHaveLength(4);
  expect(act(plan, { do: 'putOn', garment: 'shell' }, 10)).toMatchObject({
    worn: ['base', 'fleece', 'shell'],
    carried: [],
  });
  expect(act(plan, { do: 'takeOff', garment: 'fleece' }, 0).carried).toContain('fleece');
  expect(act(plan, { do: 'set', garment: 'base', opening: 'zip', setting: 0.5 }, 0).openings.base).toEqual({
    zip: 0.5,
  });
});

test('what is worn and how far open at any time', () => {
  expect([0, 599, 601, 5400].map((t) => isWorn(plan, 'fleece', t))).toEqual([true, true, false, true]);
  const [fleece] = garmentsOf('grid-fleece');
  const own: Plan = {
    ...plan,
    openings: {},
    cues: [{ atS: 60, actions: [{ do: 'set', garment: 'grid-fleece', opening: 'zip', setting: 1 }] }],
  };
  expect([0, 59, 60, 100].map((t) => settingAt(own, fleece, 'zip', t))).toEqual([0, 0, 1, 1]);
});

test('leaving a garment at home removes it everywhere; taking one along adds it once', () => {
  const without = leaveGarment(plan, 'shell');
  expect(JSON.stringify(without)).not.toContain('shell');
  expect(without.cues.map((c) => c.atS)).toEqual([600, 5400]);
  expect(takeGarment(plan, 'mitts', 'carried').carried).toEqual(['shell', 'mitts']);
  expect(takeGarment(takeGarment(plan, 'mitts', 'carried'), 'mitts', 'worn')).toMatchObject({
    carried: ['shell'],
    worn: ['base', 'fleece', 'mitts'],
  });
});

test('swapping keeps the times and drops settings the new piece does not have', () => {
  const [wind] = garmentsOf('wind-vest');
  const swapped = swapGarment({ ...plan, openings: { shell: { zip: 1, pits: 1 } } }, 'shell', wind);
  expect(swapped.carried).toEqual(['wind-vest']);
  expect(swapped.openings['wind-vest']).toEqual({ zip: 1 });
  expect(swapped.cues[1].actions[0]).toEqual({ do: 'putOn', garment: 'wind-vest' });
});

test('a missed cue takes with it what no longer makes sense', () => {
  const missed = dropCue(plan, 0);
  expect(missed.cues.map((c) => c.atS)).toEqual([3600, 5400]);
  expect(missed.cues[1].actions).toEqual([{ do: 'set', garment: 'base', opening: 'zip', setting: 0 }]);
});

describe('words and prices of changes', () => {
  const [shell, cap, tights] = garmentsOf('wind-shell-pits', 'thin-cap', 'thin-tights');
  const byId = new Map([shell, cap, tights].map((g) => [g.id, g]));
  const texts = (actions: Parameters<typeof changesOf>[0]) => changesOf(actions, byId).map((c) => c.text);

  test('a cue says what a person does', () => {
    expect(texts([{ do: 'takeOff', garment: 'thin-cap' }])).toEqual(['Thin cap off']);
    expect(
      texts([
        { do: 'set', garment: shell.id, opening: 'zip', setting: 1 },
        { do: 'set', garment: shell.id, opening: 'pits', setting: 0 },
        { do: 'set', garment: shell.id, opening: 'hood', setting: 0.5 },
      ]),
    ).toEqual(['Wind shell, pit zips: front zip open, hood half open, pit zips shut']);
    // Put on with its zip shut: nobody says "and shut the zip".
    expect(
      texts([
        { do: 'putOn', garment: shell.id },
        { do: 'set', garment: shell.id, opening: 'zip', setting: 0 },
      ]),
    ).toEqual(['Wind shell, pit zips on']);
  });

  test('vents before hats before layers: the price follows, and a halt that is there anyway is free', () => {
    const price = (actions: KitAction[], halted = false, waiting = 0) => {
      const { seconds, halt } = changing(actions, {
        on: new Set([shell.id, cap.id, tights.id]),
        garments: byId,
        packOn: false,
      });
      return cuePrice({ pieces: piecesOf(actions), seconds, halt, atS: 0 }, { halted, reminded: false, waiting });
    };
    const zip = price([{ do: 'set', garment: shell.id, opening: 'zip', setting: 1 }]);
    const hat = price([{ do: 'takeOff', garment: cap.id }]);
    const layer = price([{ do: 'takeOff', garment: shell.id }]);
    const legs = price([{ do: 'takeOff', garment: tights.id }]);
    expect(zip).toBeLessThanOrEqual(hat);
    expect(hat).toBeLessThan(layer);
    expect(layer).toBeLessThan(legs);
    expect(price([{ do: 'takeOff', garment: shell.id }], true)).toBeLessThan(layer);
    expect(price([])).toBe(0);
    expect(price([{ do: 'takeOff', garment: shell.id }], false, 4)).toBeCloseTo(
      2 * layer - price([{ do: 'takeOff', garment: shell.id }], true),
      6,
    );
    expect(price([{ do: 'takeOff', garment: cap.id }], false, 4)).toBe(hat);
    const slower = (share: number) =>
      cuePrice(
        { pieces: 0, seconds: 0, halt: false, atS: 0, pace: { share, untilS: 600 } },
        { halted: false, reminded: false, waiting: 0 },
      );
    expect(slower(0.6)).toBeGreaterThan(slower(0.8));
  });

  test('actions between two ways of dressing are the difference and nothing else', () => {
    const from = { on: new Set(['a', 'b']), open: new Map([['a', new Map([['zip', 0]])]]) };
    const to = { on: new Set(['b', 'c']), open: new Map([['c', new Map([['zip', 1]])]]) };
    expect(actionsBetween(from, to)).toEqual([
      { do: 'takeOff', garment: 'a' },
      { do: 'putOn', garment: 'c' },
      { do: 'set', garment: 'c', opening: 'zip', setting: 1 },
    ]);
    expect(actionsBetween(from, from)).toEqual([]);
  });
});

test('an act within two minutes of a cue joins it, one a second farther makes its own; within the first minute it is of the start', () => {
  const takes: KitAction = { do: 'takeOff', garment: 'base' };
  const cues = (atS: number) => act(plan, takes, atS).cues.map((c) => c.atS);
  expect(cues(3600 + 120)).toEqual([600, 3600, 5400]);
  expect(cues(3600 + 121)).toEqual([600, 3600, 3721, 5400]);
  expect(act(plan, takes, 59).worn).not.toContain('base');
  expect(act(plan, takes, 60).worn).toContain('base');
  expect(cues(60)).toContain(60);
});
