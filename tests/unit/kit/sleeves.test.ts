import type { Cue, Plan } from '@/core/kit/plan';
import { rolledBeneath, sleevesDown } from '@/core/kit/sleeves';
import { staysWearable } from '@/core/kit/followable';
import { garmentsOf } from '#tests/support/outings';

/** Nobody rolls sleeves beneath a layer: common practice, no published source. */
const PIECES = garmentsOf('thin-merino-base', 'grid-fleece', 'wind-shell', 'wind-vest', 'thin-tights', 'briefs');
const BY_ID = new Map(PIECES.map((g) => [g.id, g]));
const roll = (setting: number) => ({ do: 'set', garment: 'thin-merino-base', opening: 'sleeves', setting }) as const;
const plan = (worn: string[], cues: Cue[] = [], rolled = 0): Plan => ({
  worn: ['thin-merino-base', 'thin-tights', 'briefs', ...worn],
  carried: [],
  openings: { 'thin-merino-base': { sleeves: rolled, zip: 1 } },
  cues,
});
const beneath = (p: Plan) => rolledBeneath(p, BY_ID).map((g) => g.id);

test('sleeves are rolled in the open or under a vest, not beneath a layer with sleeves, from the start or later', () => {
  expect(beneath(plan([], [], 1))).toEqual([]);
  expect(beneath(plan(['wind-vest'], [], 1))).toEqual([]);
  expect(beneath(plan(['grid-fleece'], [], 1))).toEqual(['thin-merino-base']);
  expect(beneath(plan(['grid-fleece'], [], 0))).toEqual([]);
  expect(beneath(plan([], [{ atS: 600, actions: [{ do: 'putOn', garment: 'wind-shell' }] }], 1))).toEqual([
    'thin-merino-base',
  ]);
  const off: Cue = { atS: 600, actions: [{ do: 'takeOff', garment: 'grid-fleece' }, roll(1)] };
  expect(beneath(plan(['grid-fleece'], [off]))).toEqual([]);
  expect(beneath(plan(['grid-fleece'], [{ atS: 600, actions: [roll(1)] }]))).toEqual(['thin-merino-base']);
  expect(staysWearable(BY_ID)(plan(['grid-fleece'], [], 1))).toBe(false);
  expect(staysWearable(BY_ID)(plan(['grid-fleece'], [off]))).toBe(true);
});

test('put down, they stay down, and nothing else changes', () => {
  const was = plan(['grid-fleece'], [{ atS: 600, actions: [roll(1), { do: 'takeOff', garment: 'wind-shell' }] }], 1);
  const now = sleevesDown({ ...was, worn: [...was.worn, 'wind-shell'] }, BY_ID);
  expect(beneath(now)).toEqual([]);
  expect(now.openings).toEqual({ 'thin-merino-base': { zip: 1 } });
  expect(now.cues.map((c) => c.actions)).toEqual([[{ do: 'takeOff', garment: 'wind-shell' }]]);
  const bare = plan([], [], 1);
  expect(sleevesDown(bare, BY_ID)).toBe(bare);
});
