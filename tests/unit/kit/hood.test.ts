import { hoodIsUp } from '@/core/kit/hood';
import { garmentsOf } from '#tests/support/outings';

test('a hood is up as one sets out where it is drawn over the head: not where it is down, comes up later, or there is none', () => {
  const worn = garmentsOf('thin-merino-base', 'wind-shell');
  const plan = (hood: number) => ({
    worn: worn.map((g) => g.id),
    carried: [],
    openings: { 'wind-shell': { hood } },
    cues: [{ atS: 600, actions: [{ do: 'set', garment: 'wind-shell', opening: 'hood', setting: 0 } as const] }],
  });
  expect([0, 0.5, 1].map((hood) => hoodIsUp(plan(hood), worn))).toEqual([true, true, false]);
  expect(hoodIsUp(plan(0), garmentsOf('thin-merino-base'))).toBe(false);
});
