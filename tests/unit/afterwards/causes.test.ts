import {
  causes,
  CHANCE_LIMIT,
  FAST,
  fisher,
  hasFault,
  LEAST_DAYS,
  LONG_S,
  RAINS_MM,
  SUSPECTS,
  winterCues,
  WINDY_MS,
} from '@/core/afterwards/causes';
import { aDay } from '#tests/support/aDay';

describe('Fisher’s exact test', () => {
  // R. A. Fisher, The Design of Experiments, 1935: eight cups of tea, four with the milk first; all four found by chance once in 70,
  // three or more 17 times in 70.
  it('is the lady’s tea', () => {
    expect(fisher({ had: 4, chosen: 4, marked: 4, all: 8 })).toBeCloseTo(1 / 70, 12);
    expect(fisher({ had: 3, chosen: 4, marked: 4, all: 8 })).toBeCloseTo(17 / 70, 12);
    expect(fisher({ had: 0, chosen: 4, marked: 4, all: 8 })).toBeCloseTo(1, 12);
  });
  // A table of the same author against convictions of twins (Statistical Methods for Research Workers, from memory): 10 of 13 against
  // 2 of 17, one-sided 0.000465.
  it('is the table of the twins', () => {
    expect(fisher({ had: 10, chosen: 13, marked: 12, all: 30 })).toBeCloseTo(0.000465, 5);
  });
});

const well = (n: number, facts = {}) => Array.from({ length: n }, () => aDay({}, facts));
const wet = (n: number, facts = {}) => Array.from({ length: n }, () => aDay({ cameWet: true }, facts));
const fast = { firstHalfHour: FAST + 0.01, shellShut: true };

describe('what days have in common', () => {
  it('is named where chance hardly would part them so, with how many there are on either side', () => {
    const [c, ...more] = causes([...wet(5, fast), ...wet(1), ...well(28)]);
    expect(more).toEqual([]);
    expect(c).toMatchObject({ id: 'fast and shut', fault: 'wet', days: 6, had: 5, others: 28, othersHad: 0 });
    expect(c.chance).toBeLessThan(CHANCE_LIMIT);
    expect(c.chance).toBeCloseTo(SUSPECTS.length * fisher({ had: 5, chosen: 6, marked: 5, all: 34 }), 12);
  });
  it('is not where the days that went well have it too', () => {
    expect(causes([...wet(5, fast), ...wet(1), ...well(10, fast), ...well(18)])).toEqual([]);
  });
  it('takes four days at least', () => {
    expect(causes([...wet(LEAST_DAYS, fast), ...well(60)])).toHaveLength(1);
    expect(causes([...wet(LEAST_DAYS - 1, fast), ...well(60)])).toEqual([]);
  });
  it('stands on either side of one in a hundred', () => {
    const by = (n: number) => causes([...wet(4, fast), ...well(n)]);
    const first = Array.from({ length: 60 }, (_, n) => n + 1).find((n) => by(n).length > 0)!;
    const chance = (n: number) => SUSPECTS.length * fisher({ had: 4, chosen: 4, marked: 4, all: n + 4 });
    expect(chance(first)).toBeLessThan(CHANCE_LIMIT);
    expect(chance(first - 1)).toBeGreaterThanOrEqual(CHANCE_LIMIT);
  });
  it('called chance it is not looked for, and the next likely takes its place', () => {
    const days = [...wet(6, fast), ...well(28)];
    expect(causes(days, new Set(['fast and shut'])).map((c) => c.id)).toEqual(['fast']);
    expect(causes(days, new Set(['fast and shut', 'fast']))).toEqual([]);
  });
  it('days that nobody told say nothing', () => {
    const untold = [...wet(6, fast), ...well(28)].map((d) => ({ ...d, was: null }));
    expect(causes(untold)).toEqual([]);
  });
  it('cold in a day that was not wet is one fault, wet in a right one another', () => {
    expect(hasFault(aDay({ was: 'too cold' }), 'too cold')).toBe(true);
    expect(hasFault(aDay({ was: 'too cold' }), 'wet')).toBe(false);
    expect(hasFault(aDay({ cameWet: true }), 'wet')).toBe(true);
  });
});

describe('everything that is looked for', () => {
  const stop = { longestStopS: LONG_S + 1, stopWindMs: WINDY_MS + 0.1 };
  it.each<[string, Parameters<typeof aDay>[1], Parameters<typeof aDay>[1]]>([
    ['fast and shut', fast, { ...fast, firstHalfHour: FAST }],
    ['fast and shut', fast, { ...fast, shellShut: false }],
    ['fast', { firstHalfHour: FAST + 0.001 }, { firstHalfHour: FAST }],
    ['many layers', { layers: 3 }, { layers: 2 }],
    ['it fell', { fallsMm: 1.01 }, { fallsMm: 1 }],
    ['missed cues, wet', { missedCues: 1 }, { missedCues: 0 }],
    ['stood in wind, liners only', stop, { ...stop, longestStopS: LONG_S }],
    ['stood in wind, liners only', stop, { ...stop, stopWindMs: WINDY_MS }],
    ['stood in wind, liners only', stop, { ...stop, handsWarmAtStop: true }],
    ['stood without the jacket', stop, { ...stop, jacketAtStop: true }],
    ['stood without the jacket', stop, { ...stop, longestStopS: LONG_S }],
    ['windy', { windMs: WINDY_MS + 0.01 }, { windMs: WINDY_MS }],
    ['in the dark', { darkShare: 0.5 }, { darkShare: 0.49 }],
    ['missed cues, cold', { missedCues: 1 }, {}],
    ['jacket going', { jacketGoing: true }, {}],
    ['many layers, warm', { layers: 3 }, { layers: 2 }],
    ['shut, warm', { shellShut: true }, {}],
  ])('%s has both sides', (id, holds, not) => {
    const s = SUSPECTS.find((x) => x.id === id)!;
    expect(s.holds(aDay({}, holds))).toBe(true);
    expect(s.holds(aDay({}, not))).toBe(false);
  });
  it('has a name of its own each', () => {
    expect(new Set(SUSPECTS.map((s) => s.id)).size).toBe(SUSPECTS.length);
  });
});

describe('a cause that was made a cue', () => {
  const says = (ids: string[], facts = {}) => winterCues(ids, () => aDay({}, facts).facts);
  it('is said on any day where it is a habit, and once where two say the same', () => {
    expect(says(['fast'])).toEqual(['Start slower, and cooler.']);
    expect(says(['missed cues, wet', 'missed cues, cold'], { cues: 1 })).toEqual(['Take the phone along and tap.']);
    expect(says(['nothing that is known'])).toEqual([]);
  });
  it.each([
    ['windy', { windMs: WINDY_MS }, { windMs: WINDY_MS + 0.1 }],
    ['stood without the jacket', { longestStopS: LONG_S }, { longestStopS: LONG_S + 1 }],
    [
      'stood in wind, liners only',
      { longestStopS: LONG_S + 1 },
      { longestStopS: LONG_S + 1, stopWindMs: WINDY_MS + 1 },
    ],
    ['it fell', { fallsMm: RAINS_MM }, { fallsMm: RAINS_MM + 0.1 }],
    ['in the dark', { darkShare: 0.49 }, { darkShare: 0.5 }],
    ['many layers', { layers: 2 }, { layers: 3 }],
    ['shut, warm', { shellShut: false }, { shellShut: true }],
    ['missed cues, wet', { cues: 0 }, { cues: 1 }],
  ])('%s: only on a day that may go that way', (id, not, may) => {
    expect(says([id], not)).toEqual([]);
    expect(says([id], may)).toHaveLength(1);
  });
});
