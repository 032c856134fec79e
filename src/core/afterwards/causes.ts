import { exp, ln } from '@/core/quantity/exact';
import type { BookDay } from './day';
import type { Facts } from './facts';

/** What can go wrong with a day. */
export const FAULTS = ['wet', 'too cold', 'too warm'] as const;
export type Fault = (typeof FAULTS)[number];

/** Something that days may have in common, in words for one day (numbers with units as slots), and what to do about it. */
interface Suspect {
  id: string;
  of: Fault;
  says: string;
  then: string;
  holds: (d: BookDay) => boolean;
  /** whether a day to come, by its plan, may go that way; left out: any day may, since it is a habit and no plan */
  may?: (planned: Facts) => boolean;
}

/** A first half hour is fast over this share of one's most; a stop is long over this, s, and windy over this, m/s (engineering values, as what people can tell). */
export const FAST = 0.65;
export const LONG_S = 360;
export const WINDY_MS = 7;
/** Two layers over the chest dress most work in the cold; from the third on it is much (common practice, no published source). */
const MANY_LAYERS = 3;
export const RAINS_MM = 1;
const DARK = 0.5;

/** Everything that is looked for. Each is one look, and counts as one when chance is judged. */
export const SUSPECTS: readonly Suspect[] = [
  {
    id: 'fast and shut',
    of: 'wet',
    says: `started fast, over ${100 * FAST} % of your most in the first half hour, with the shell shut`,
    then: 'Open the shell at the door, or start slower.',
    holds: ({ facts }) => facts.firstHalfHour > FAST && facts.shellShut,
  },
  {
    id: 'fast',
    of: 'wet',
    says: `started fast, over ${100 * FAST} % of your most in the first half hour`,
    then: 'Start slower, and cooler.',
    holds: ({ facts }) => facts.firstHalfHour > FAST,
  },
  {
    id: 'many layers',
    of: 'wet',
    says: 'three layers or more over the chest while going',
    then: 'Start in one layer less.',
    holds: ({ facts }) => facts.layers >= MANY_LAYERS,
    may: (f) => f.layers >= MANY_LAYERS,
  },
  {
    id: 'it fell',
    of: 'wet',
    says: 'rain or wet snow fell',
    then: 'The storm shell, from the first drop.',
    holds: ({ facts }) => facts.fallsMm > RAINS_MM,
    may: (f) => f.fallsMm > RAINS_MM,
  },
  {
    id: 'missed cues, wet',
    of: 'wet',
    says: 'a cue was left out',
    then: 'Take the phone along and tap.',
    holds: ({ facts }) => facts.missedCues > 0,
    may: (f) => f.cues > 0,
  },
  {
    id: 'stood in wind, liners only',
    of: 'too cold',
    says: `stood longer than ${LONG_S / 60} min in wind with nothing over the gloves`,
    then: 'Mitts on before the stop.',
    holds: ({ facts }) => facts.longestStopS > LONG_S && facts.stopWindMs > WINDY_MS && !facts.handsWarmAtStop,
    may: (f) => f.longestStopS > LONG_S && f.stopWindMs > WINDY_MS,
  },
  {
    id: 'stood without the jacket',
    of: 'too cold',
    says: `stood longer than ${LONG_S / 60} min without the warm jacket`,
    then: 'The jacket on arrival, before cooling.',
    holds: ({ facts }) => facts.longestStopS > LONG_S && !facts.jacketAtStop,
    may: (f) => f.longestStopS > LONG_S,
  },
  {
    id: 'windy',
    of: 'too cold',
    says: `wind over {wind:${WINDY_MS}}`,
    then: 'Shut the shell and cover the face before the ridge.',
    holds: ({ facts }) => facts.windMs > WINDY_MS,
    may: (f) => f.windMs > WINDY_MS,
  },
  {
    id: 'in the dark',
    of: 'too cold',
    says: 'in the dark for half of it or more',
    then: 'One rung warmer after sunset.',
    holds: ({ facts }) => facts.darkShare >= DARK,
    may: (f) => f.darkShare >= DARK,
  },
  {
    id: 'missed cues, cold',
    of: 'too cold',
    says: 'a cue was left out',
    then: 'Take the phone along and tap.',
    holds: ({ facts }) => facts.missedCues > 0,
    may: (f) => f.cues > 0,
  },
  {
    id: 'jacket going',
    of: 'too warm',
    says: 'the warm jacket stayed on after the door',
    then: 'Cold at the door is right by minute nine.',
    holds: ({ facts }) => facts.jacketGoing,
  },
  {
    id: 'many layers, warm',
    of: 'too warm',
    says: 'three layers or more over the chest while going',
    then: 'Start in one layer less.',
    holds: ({ facts }) => facts.layers >= MANY_LAYERS,
    may: (f) => f.layers >= MANY_LAYERS,
  },
  {
    id: 'shut, warm',
    of: 'too warm',
    says: 'the shell was shut after ten minutes',
    then: 'Open it at the door.',
    holds: ({ facts }) => facts.shellShut,
    may: (f) => f.shellShut,
  },
];

/** A pattern: of the days that went wrong so many had it in common, and of all others so many. */
export interface Cause {
  id: string;
  fault: Fault;
  says: string;
  then: string;
  /** days that went wrong, and how many of them have it */
  days: number;
  had: number;
  others: number;
  othersHad: number;
  /** how often chance alone would part the days as cleanly, with everything that was looked for */
  chance: number;
}

/**
 * What the athlete made a cue of, for a day to come that may go that way: one sentence each, none twice.
 * @param ids causes, by their ids; unknown ones are passed over @param planned read only where there is a cause
 */
export function winterCues(ids: readonly string[], planned: () => Facts): string[] {
  const made = SUSPECTS.filter((s) => ids.includes(s.id));
  if (made.length === 0) return [];
  const facts = planned();
  return [...new Set(made.filter((s) => !s.may || s.may(facts)).map((s) => s.then))];
}

/** Fewer days than this that went wrong are too few to say. */
export const LEAST_DAYS = 4;
/** A cause is named only where chance would do it less often than this. */
export const CHANCE_LIMIT = 0.01;

export const hasFault = (d: BookDay, fault: Fault): boolean => (fault === 'wet' ? d.cameWet : d.was === fault);

/**
 * How often chance would give as many or more of the marked days among the chosen ones: Fisher's exact test, one-sided
 * (Fisher 1935: the hypergeometric distribution).
 * @param had marked among the chosen @param chosen days chosen @param marked days marked in all @param all days in all
 */
export function fisher({ had, chosen, marked, all }: Record<'had' | 'chosen' | 'marked' | 'all', number>): number {
  const most = Math.min(chosen, marked);
  let p = 0;
  for (let k = had; k <= most; k++)
    p += exp(choose(marked, k) + choose(all - marked, chosen - k) - choose(all, chosen));
  return Math.min(1, p);
}

/** ln of n over k; −Infinity where there is none. */
function choose(n: number, k: number): number {
  if (k < 0 || k > n) return -Infinity;
  let sum = 0;
  for (let i = 1; i <= k; i++) sum += ln((n - k + i) / i);
  return sum;
}

/**
 * What the days that went wrong have in common and the others have not, at most one cause a fault: the one that chance explains least.
 * @param days told days only @param refused ids of causes that the athlete calls chance
 */
export function causes(days: readonly BookDay[], refused: ReadonlySet<string> = new Set()): Cause[] {
  const told = days.filter((d) => d.was !== null);
  return FAULTS.flatMap((fault): Cause[] => {
    const wrong = told.filter((d) => hasFault(d, fault));
    const others = told.filter((d) => !hasFault(d, fault));
    if (wrong.length < LEAST_DAYS || others.length === 0) return [];
    const found = SUSPECTS.filter((s) => s.of === fault && !refused.has(s.id)).map((s): Cause => {
      const had = wrong.filter(s.holds).length;
      const othersHad = others.filter(s.holds).length;
      const alone = fisher({ had, chosen: wrong.length, marked: had + othersHad, all: told.length });
      return {
        id: s.id,
        fault,
        says: s.says,
        then: s.then,
        days: wrong.length,
        had,
        others: others.length,
        othersHad,
        // Bonferroni: every look may find something by chance.
        chance: Math.min(1, alone * SUSPECTS.length),
      };
    });
    const best = found.sort((a, b) => a.chance - b.chance)[0];
    return best && best.chance < CHANCE_LIMIT ? [best] : [];
  });
}
