import { AVERAGE_PERSON } from '@/core/body/person';
import { mustNotMiss } from '@/core/questions/cueReason';
import { missedCues } from '@/core/questions/missedCues';
import type { Plan } from '@/core/kit/plan';
import { SKI_CLOSET, upStopDown } from '#tests/support/outings';

/** A plan made by hand, which no search has seen: the zip at half way, the jacket for the stop and the way down. */
const plan: Plan = {
  worn: SKI_CLOSET.map((g) => g.id).filter((id) => !['standby-puffy', 'warm-mitts', 'warm-hat'].includes(id)),
  carried: ['standby-puffy', 'warm-mitts'],
  openings: { 'wind-shell-pits': { zip: 1, pits: 1 } },
  cues: [
    { atS: 2100, actions: [{ do: 'set', garment: 'grid-fleece', opening: 'zip', setting: 1 }] },
    {
      atS: 4200,
      actions: [
        { do: 'set', garment: 'wind-shell-pits', opening: 'zip', setting: 0 },
        { do: 'putOn', garment: 'standby-puffy' },
        { do: 'putOn', garment: 'warm-mitts' },
      ],
    },
  ],
};
const ask = (p: Plan) => missedCues({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: upStopDown(), plan: p });

test('each cue of any plan says where it falls, what it does, and what missing it makes worse', () => {
  const missed = ask(plan);
  expect(missed.map((m) => m.atS)).toEqual([2100, 4200]);
  expect(missed[1].where).toMatch(/Top|arrival/);
  expect(missed[1].text.join()).toContain('on');
  // Without jacket and mitts on the windy top.
  expect(missed[1].missCost).toBeGreaterThan(0.3);
  expect(missed[1].miss.what).toMatch(/fingers|torso|shivering/);
  expect(mustNotMiss(missed)).toBe(1);
});

test('a plan without cues has none to miss', () => {
  expect(ask({ ...plan, cues: [] })).toEqual([]);
  expect(mustNotMiss([])).toBe(-1);
});
