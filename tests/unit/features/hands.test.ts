import { cueAt, nudged, settled } from '@/features/score/hands';
import { SCORE_KEYS } from '@/features/score/keys';

const END = 3600;

test('a dragged cue falls on half minutes, onto a cue within two and a half minutes, and never on the very ends', () => {
  expect(settled(614, [], END)).toBe(600);
  expect(settled(616, [], END)).toBe(630);
  expect(settled(600, [750], END)).toBe(750);
  expect(settled(600, [780], END)).toBe(600);
  expect(settled(3, [], END)).toBe(60);
  expect(settled(3599, [], END)).toBe(3540);
});

test('arrow keys move a cue by half a minute, with Shift by five, and stop at the ends', () => {
  expect(nudged(600, 1, 'near', END)).toBe(630);
  expect(nudged(600, -1, 'far', END)).toBe(300);
  expect(nudged(90, -1, 'far', END)).toBe(60);
  expect(nudged(3500, 1, 'far', END)).toBe(3540);
});

test('no key does two things', () => {
  const keys = SCORE_KEYS.flatMap((k) => (k.also ? [k.keys, k.also] : [k.keys]));
  expect(new Set(keys).size).toBe(keys.length);
});

test('a cue is found by its moment, whatever number it has come to', () => {
  const plan = { worn: [], carried: [], openings: {}, cues: [600, 1200.4].map((atS) => ({ atS, actions: [] })) };
  expect([600, 1200, 1202].map((t) => cueAt(plan, t))).toEqual([0, 1, null]);
});
