import type { Cue, Plan } from '@/core/kit/plan';
import { isWorn, settingAt, tidy, wornAt } from '@/core/kit/replay';
import { act, leaveGarment } from '@/core/kit/edit';
import { garmentsOf } from '#tests/support/outings';

const [shell] = garmentsOf('wind-shell');
const opening = shell.openings[0].id;
const set = (setting: number) => ({ do: 'set' as const, garment: shell.id, opening, setting });
const plan = (over: Partial<Plan>): Plan => ({ worn: [], carried: [], openings: {}, cues: [], ...over });

test('what is on follows the cues in the order of time, whatever their order in the plan', () => {
  const p = plan({
    worn: ['a'],
    cues: [
      { atS: 900, actions: [{ do: 'putOn', garment: 'a' }] },
      { atS: 600, actions: [{ do: 'takeOff', garment: 'a' }] },
    ],
  });
  expect([0, 599, 600, 899, 900].map((t) => isWorn(p, 'a', t))).toEqual([true, true, false, false, true]);
  expect([...wornAt(p, 700)]).toEqual([]);
});

test('a garment that is taken off takes its later openings with it', () => {
  const p = plan({ worn: [shell.id], cues: [{ atS: 1200, actions: [set(1)] }] });
  const off = act(p, { do: 'takeOff', garment: shell.id }, 600);
  expect(off.cues).toEqual([{ atS: 600, actions: [{ do: 'takeOff', garment: shell.id }] }]);
  expect(leaveGarment(p, shell.id).cues).toEqual([]);
});

test('what is told of an opening while its garment is in the pack is done when it goes on again', () => {
  const p = tidy(
    plan({
      worn: [shell.id],
      openings: { [shell.id]: { [opening]: 0 } },
      cues: [
        { atS: 600, actions: [{ do: 'takeOff', garment: shell.id }] },
        { atS: 1200, actions: [set(1)] },
        { atS: 1800, actions: [{ do: 'putOn', garment: shell.id }] },
      ],
    }),
  );
  expect(p.cues.map((c) => c.atS)).toEqual([600, 1800]);
  expect(p.cues[1].actions).toEqual([{ do: 'putOn', garment: shell.id }, set(1)]);
  expect(settingAt(p, shell, opening, 1700)).toBe(0);
  expect(settingAt(p, shell, opening, 1800)).toBe(1);
});

test('the last word of a moment counts: opened at the same moment it goes on', () => {
  const p = tidy(
    plan({ carried: [shell.id], cues: [{ atS: 60, actions: [set(0.5), { do: 'putOn', garment: shell.id }, set(1)] }] }),
  );
  expect(p.cues[0].actions).toEqual([{ do: 'putOn', garment: shell.id }, set(1)]);
});

test('a stop in the lee is told once for as long as it is held', () => {
  const lee = (atS: number, untilS: number): Cue => ({ atS, actions: [], shelter: { untilS } });
  const told = (...cues: Cue[]) =>
    tidy({ worn: [], carried: [], openings: {}, cues }).cues.map((c) => [c.atS, c.shelter?.untilS]);
  expect(told(lee(7200, 8400), lee(7500, 8400))).toEqual([[7200, 8400]]);
  expect(told(lee(7200, 7500), lee(7500, 8400))).toEqual([[7200, 8400]]);
  expect(told(lee(7200, 7500), lee(7560, 8400))).toEqual([
    [7200, 7500],
    [7560, 8400],
  ]);
});

test('a pace that is held on is told once, another one anew', () => {
  const at = (atS: number, untilS: number, share = 0.75): Cue => ({ atS, actions: [], pace: { share, untilS } });
  const told = (...cues: Cue[]) => tidy(plan({ cues })).cues.map((c) => [c.atS, c.pace?.untilS, c.pace?.share]);
  expect(told(at(480, 2160), at(2160, 4140))).toEqual([[480, 4140, 0.75]]);
  expect(told(at(480, 4140), at(2160, 3000))).toEqual([[480, 4140, 0.75]]);
  expect(told(at(480, 2160), at(2160, 4140, 1.12))).toEqual([
    [480, 2160, 0.75],
    [2160, 4140, 1.12],
  ]);
  expect(told(at(480, 2000), at(2160, 4140))).toHaveLength(2);
});
