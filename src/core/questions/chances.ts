import { mean, sampleCorrelation } from 'simple-statistics';
import { PERSON_RANGE, type Person } from '@/core/body/person';
import { isSafe } from '@/core/judge/findings';
import { LIMIT, WEAK } from '@/core/judge/limits';
import type { Scored } from '@/core/judge/scorePlan';
import { inWeather } from '@/core/outing/shiftedDay';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import { cosine, exp, ln, sine } from '@/core/quantity/exact';
import { clamp, within } from '@/core/quantity/range';
import { isInRoom } from '@/core/outing/meanOver';
import { ANYBODY_SPREAD, type AthleteSpread } from './athleteSpread';
import { MOST_LEAD_DAYS, SPREAD } from './daySpread';
import { runPlan, type PlanInPlace } from './question';

/** What nobody knows on the day before: each is one standard normal number of a member. */
export const UNKNOWNS = ['air', 'wind', 'precipitation', 'effort', 'sweat', 'hands and feet', 'comfort'] as const;
export type Unknown = (typeof UNKNOWNS)[number];

export const UNKNOWN_WORDS: Record<Unknown, string> = {
  air: 'how cold it gets',
  wind: 'how hard it blows',
  precipitation: 'how much falls',
  effort: 'how hard you go',
  sweat: 'how much you sweat',
  'hands and feet': 'how your hands and feet close',
  comfort: 'how warm you like it',
};

/** One possible day and one possible athlete. */
export interface Member {
  z: Record<Unknown, number>;
}

/** The van der Corput number of `n` in a base: the sequence that fills 0–1 evenly. */
function evenly(n: number, base: number): number {
  let value = 0;
  let share = 1 / base;
  for (let k = n; k > 0; k = Math.floor(k / base)) {
    value += (k % base) * share;
    share /= base;
  }
  return value;
}

const PRIMES = [2, 3, 5, 7, 11, 13, 17, 19];

/**
 * `count` members, always the same ones: normal numbers from a Halton sequence by the Box–Muller transform, so that few
 * members already cover the spread evenly. Member 0 is the day as forecast and the athlete as known.
 * @param count 1–512 @throws OutOfRange
 */
export function members(count: number): Member[] {
  within('members', count, 1, 512);
  return Array.from({ length: count }, (_, i) => {
    const normal = UNKNOWNS.map((_, k) => {
      if (i === 0) return 0;
      const pair = k - (k % 2);
      const radius = Math.sqrt(-2 * ln(evenly(i, PRIMES[pair])));
      const turn = 2 * Math.PI * evenly(i, PRIMES[pair + 1]);
      return clamp(radius * (k % 2 === 0 ? cosine(turn) : sine(turn)), -2.5, 2.5);
    });
    return { z: Object.fromEntries(UNKNOWNS.map((u, k) => [u, normal[k]])) as Record<Unknown, number> };
  });
}

/** The day of one member. */
export function dayOfMember(
  timeline: Timeline,
  m: Member,
  leadDays: number,
  unsure: AthleteSpread = ANYBODY_SPREAD,
): Timeline {
  const airK = m.z.air * SPREAD.airK(leadDays);
  const wind = exp(m.z.wind * SPREAD.windShare(leadDays));
  const fall = exp(m.z.precipitation * SPREAD.fallShare(leadDays));
  const effort = 1 + m.z.effort * unsure.effortShare;
  const shift = { airK, wind, fall };
  const stretches = timeline.stretches.map((s): Stretch => {
    if (isInRoom(s)) return s;
    const other = inWeather(s, timeline.legs[s.leg], shift);
    return { ...other, metabolicW: s.metabolicW * effort, externalW: s.externalW * effort };
  });
  return { ...timeline, stretches };
}

/** The athlete of one member. */
export function athleteOfMember(person: Person, m: Member, unsure: AthleteSpread = ANYBODY_SPREAD): Person {
  const held = (key: keyof Person, v: number) => clamp(v, PERSON_RANGE[key][0], PERSON_RANGE[key][1]);
  return {
    ...person,
    sweatGain: held('sweatGain', person.sweatGain * exp(m.z.sweat * unsure.sweatShare)),
    constriction: held('constriction', person.constriction * exp(m.z['hands and feet'] * unsure.constrictionShare)),
    warmth: held('warmth', person.warmth + m.z.comfort * unsure.comfortK),
  };
}

export type ChanceKind = 'soaked' | 'damp' | 'fingers clumsy' | 'fingers numb' | 'toes' | 'cold' | 'hot' | 'unsafe';

/** How many of the members end in something, 0–1, and how a person would say it. */
export interface Chance {
  kind: ChanceKind;
  share: number;
  /** what happens, and how often in words */
  what: string;
  often: string;
}

/** What the spread does to one plan. */
export interface Chances {
  members: number;
  list: Chance[];
  /** cost in the mean and in the worst tenth of the members, points */
  meanCost: number;
  badCost: number;
  /** share of the members without any alarm */
  holds: number;
  /** the unknown that moves the cost most, and its share of the variance explained by single unknowns, 0–1 */
  matters: { unknown: Unknown; says: string; share: number };
}

const WORDS: Record<ChanceKind, string> = {
  soaked: 'your base layer is soaked',
  damp: 'your base layer is damp',
  'fingers clumsy': 'your fingers get clumsy',
  'fingers numb': 'your fingers go numb',
  toes: 'your toes get painfully cold',
  cold: 'you shiver or are chilled through',
  hot: 'you are too hot for over ten minutes',
  unsafe: 'it is not safe',
};

/** Whether what is counted happened in a run. */
export const HAPPENS: Record<ChanceKind, (s: Pick<Scored, 'metrics' | 'findings'>) => boolean> = {
  soaked: ({ metrics: m }) => m.basePeak.value > LIMIT.baseSoaked,
  damp: ({ metrics: m }) => m.basePeak.value > LIMIT.baseDamp,
  'fingers clumsy': ({ metrics: m }) => m.fingers.value < LIMIT.fingerClumsy,
  'fingers numb': ({ metrics: m }) => m.fingers.value < LIMIT.fingerNumb,
  toes: ({ metrics: m }) => m.toes.value < LIMIT.toeClumsy,
  cold: ({ metrics: m }) => m.shiverMinutes > WEAK.shiverMinutes || m.torsoMargin.value < WEAK.torsoMarginK,
  hot: ({ metrics: m }) => m.hotMinutes > WEAK.hotMinutes,
  unsafe: ({ findings }) => !isSafe(findings),
};

/** A share of runs as people say it: in no run, 1 in 6, 2 in 3, in every run. A run is no promise: never is not said. */
export function inWords(share: number): string {
  if (share <= 0) return 'in no run';
  if (share >= 1) return 'in every run';
  if (share > 0.9) return 'nearly always';
  if (share > 0.58) return share > 0.7 ? '3 in 4' : '2 in 3';
  return `1 in ${Math.max(2, Math.round(1 / share))}`;
}

export interface ChancesQuestion extends PlanInPlace {
  /** days between forecast and start, 0–10; one where nobody says */
  leadDays?: number;
  /** members of the spread, 1–512 */
  count?: number;
}

/** Hours past the end of a forecast that are as unsure as a day more ahead (engineering value). */
const BEYOND_H_A_DAY = 3;
/** Members that a plan is judged over where nobody says, and a sample of their runs, s. */
const MEMBERS = 64;
const SAMPLE_S = 120;

/**
 * Runs one plan through every member.
 * @param onMember called after each; return false to stop early with those that ran
 * @throws OutOfRange
 */
export function chances(q: ChancesQuestion, onMember: (done: number) => boolean = () => true): Chances {
  // Weather that is only held on past the forecast is as unsure as one of days ahead.
  const lead =
    within('lead time', q.leadDays ?? 1, 0, MOST_LEAD_DAYS, 'days') + (q.timeline.beyond?.hours ?? 0) / BEYOND_H_A_DAY;
  const all = members(q.count ?? MEMBERS);
  const ran: { z: Member['z']; scored: Scored }[] = [];
  for (const m of all) {
    const timeline = dayOfMember(q.timeline, m, lead, q.unsure);
    const person = athleteOfMember(q.person, m, q.unsure);
    ran.push({ z: m.z, scored: runPlan({ ...q, person, timeline }, q.plan, { sampleS: SAMPLE_S }) });
    if (!onMember(ran.length / all.length)) break;
  }
  const n = ran.length;
  const costs = ran.map((x) => x.scored.total).sort((a, b) => a - b);
  const list = (Object.keys(WORDS) as ChanceKind[]).map((kind): Chance => {
    const share = ran.filter((x) => HAPPENS[kind](x.scored)).length / n;
    return { kind, share, what: WORDS[kind], often: inWords(share) };
  });
  return {
    members: n,
    list,
    meanCost: mean(costs),
    badCost: costs[Math.min(n - 1, Math.floor(0.9 * n))],
    holds: 1 - list.find((c) => c.kind === 'unsafe')!.share,
    matters: mattersMost(ran.map((x) => ({ z: x.z, cost: x.scored.total }))),
  };
}

/** Squared correlation of each unknown (and of its square, for what hurts both ways) with the cost; the largest wins. */
function mattersMost(ran: readonly { z: Member['z']; cost: number }[]): Chances['matters'] {
  const cost = ran.map((r) => r.cost);
  const varies = (x: readonly number[]) => x.some((v) => v !== x[0]);
  const fit = (of: (z: Member['z']) => number): number => {
    const x = ran.map((r) => of(r.z));
    if (!varies(x) || !varies(cost)) return 0;
    const r = sampleCorrelation(x, cost);
    return r * r;
  };
  const shares = UNKNOWNS.map((u) =>
    Math.max(
      fit((z) => z[u]),
      fit((z) => z[u] * z[u]),
    ),
  );
  const sum = shares.reduce((a, b) => a + b, 0);
  const k = shares.indexOf(Math.max(...shares));
  return { unknown: UNKNOWNS[k], says: UNKNOWN_WORDS[UNKNOWNS[k]], share: sum > 0 ? shares[k] / sum : 0 };
}
