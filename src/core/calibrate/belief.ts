import { quantile } from './weighted';
import type { Person } from '@/core/body/person';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import type { Scored } from '@/core/judge/scorePlan';
import type { Timeline } from '@/core/outing/timeline';
import { athleteOfMember, dayOfMember, members, UNKNOWNS, type Member, type Unknown } from '@/core/questions/chances';
import type { AthleteSpread } from '@/core/questions/athleteSpread';
import { runPlan, type PlanInPlace } from '@/core/questions/question';
import { exp, ln } from '@/core/quantity/exact';
import { clamp, within } from '@/core/quantity/range';
import { likelihood, TURNS_OUT, type Heard, type Reading } from './votes';

const FINGERS = zoneIndex('fingers');
const TOES = zoneIndex('toes');

/** Of many possible days and athletes: what is likely, one in ten below and above. */
export interface Spread {
  low: number;
  mid: number;
  high: number;
}

/** One possible day and athlete, how likely it is after what was heard (all add up to 1), and what it says of the rest of the way. */
export interface Weighed {
  z: Member['z'];
  weight: number;
  /** coldest fingers from now on, °C; most water in what is worn from now on, beyond dry, g */
  fingersC: number;
  waterG: number;
  /** the same at each of the moments asked for */
  at: { fingersC: number; toesC: number; waterG: number }[];
}

export interface Belief {
  members: Weighed[];
  /** how many members still count: the effective number, 1 to all */
  counts: number;
  /** of each unknown in standard deviations of what was thought before: where it is believed to lie, and give or take */
  z: Record<Unknown, { mean: number; sd: number }>;
  before: { fingersC: Spread; waterG: Spread };
  after: { fingersC: Spread; waterG: Spread };
  /** of each of the moments asked for: where eight in ten lie */
  bands: { atS: number; fingersC: Spread; toesC: Spread; waterG: Spread }[];
}

export interface BeliefQuestion extends PlanInPlace {
  /** what was said and measured so far, on the wrist's clock */
  heard: readonly Heard[];
  /** s since the start */
  nowS: number;
  /** days between forecast and start, 0–10 */
  leadDays: number;
  /** members of the spread, 8–512 */
  count?: number;
  /** moments of which the band is wanted, s */
  moments?: readonly number[];
}

const MEMBERS = 64;
/** Runs of members are coarse: only their differences count. s */
const STEP_S = 60;
/** With fewer than this share of the members still counting, new ones are drawn where the likely ones lie. */
const THIN = 0.35;
/** New members are drawn this much wider than the likely ones, and never narrower than so many deviations: the tails must be there. */
const WIDER = 1.25;
/** Each round of new members is as dear as the first. */
const ROUNDS = 2;
const LEAST_SD = 0.35;

/**
 * Which of the possible days and athletes is this one? Every member of the spread is run with what was really done, and weighed by how
 * likely its athlete would have said what was said. Where few still count, new members are drawn about them and weighed by prior over
 * proposal: importance sampling with adaption, the mathematics of a particle filter (Gordon et al. 1993; Cappé et al. 2004)
 * with every particle run from the start, so that none is ever too old.
 * @throws OutOfRange
 */
export function believe(q: BeliefQuestion): Belief {
  const lead = within('lead time', q.leadDays, 0, 10, 'days');
  const count = within('members', q.count ?? MEMBERS, 8, 512);
  const drawn = members(count);
  const first = weigh(
    q,
    lead,
    drawn.map((m) => ({ z: m.z, logPrior: 0 })),
  );
  const equal = first.map((m) => ({ ...m, weight: 1 / first.length }));
  const before = spreads(equal);
  let after = first;
  for (let round = 0; round < ROUNDS && effective(after) < THIN * count; round++) {
    const about = momentsOf(after);
    const again = drawn.map((m) => {
      let logPrior = 0;
      const z = {} as Member['z'];
      for (const u of UNKNOWNS) {
        const sd = Math.max(LEAST_SD, WIDER * about[u].sd);
        z[u] = clamp(about[u].mean + sd * m.z[u], -3, 3);
        // log of prior over proposal; the proposal's own number is the member's.
        logPrior += 0.5 * (m.z[u] * m.z[u] - z[u] * z[u]) + ln(sd);
      }
      return { z, logPrior };
    });
    after = weigh(q, lead, again);
  }
  const bands = (q.moments ?? []).map((atS, i) => {
    const of = (what: 'fingersC' | 'toesC' | 'waterG') =>
      spread(after.map((m) => ({ value: m.at[i][what], weight: m.weight })));
    return { atS, fingersC: of('fingersC'), toesC: of('toesC'), waterG: of('waterG') };
  });
  return { members: after, counts: effective(after), z: momentsOf(after), before, after: spreads(after), bands };
}

function weigh(q: BeliefQuestion, lead: number, list: readonly { z: Member['z']; logPrior: number }[]): Weighed[] {
  const ran = list.map(({ z, logPrior }) => {
    const one = { z };
    const timeline = dayOfMember(q.timeline, one, lead, q.unsure);
    const scored = runPlan({ ...q, person: athleteOfMember(q.person, one, q.unsure), timeline }, q.plan, {
      stepS: STEP_S,
    });
    const log = q.heard.reduce((sum, h) => sum + ln(likelihood(h, readingAt(scored, h.atS))), logPrior);
    const at = (q.moments ?? []).map((atS) => {
      const r = rowAt(scored, atS);
      const { fingersC, toesC } = readingAt(scored, atS);
      return { fingersC, toesC, waterG: scored.metrics.waterG[r] };
    });
    return { z, log, at, ...aheadOf(scored, q.nowS) };
  });
  const most = Math.max(...ran.map((r) => r.log));
  const raw = ran.map((r) => exp(r.log - most));
  const sum = raw.reduce((a, b) => a + b, 0);
  return ran.map(({ log: _log, ...r }, i) => ({ ...r, weight: raw[i] / sum }));
}

const rowAt = ({ series }: Pick<Scored, 'series'>, atS: number): number =>
  clamp(Math.round(atS / series.stepS), 0, series.rows - 1);

/** What a run says of a moment. */
export function readingAt({ series, metrics }: Pick<Scored, 'series' | 'metrics'>, atS: number): Reading {
  const r = rowAt({ series }, atS);
  return {
    vote: metrics.sensation[r],
    fingersC: series.skinC[r * ZONE_COUNT + FINGERS],
    toesC: series.skinC[r * ZONE_COUNT + TOES],
    wettedness: metrics.torsoWet[r],
    metabolicW: series.metabolicW[r],
  };
}

/** Coldest fingers and most water from a moment on. */
export function aheadOf({ series, metrics }: Scored, nowS: number): Pick<Weighed, 'fingersC' | 'waterG'> {
  let fingersC = Infinity;
  let waterG = 0;
  for (let r = clamp(Math.floor(nowS / series.stepS), 0, series.rows - 1); r < series.rows; r++) {
    fingersC = Math.min(fingersC, series.skinC[r * ZONE_COUNT + FINGERS]);
    waterG = Math.max(waterG, metrics.waterG[r]);
  }
  return { fingersC, waterG };
}

const effective = (list: readonly Weighed[]): number => 1 / list.reduce((sum, m) => sum + m.weight * m.weight, 0);

function momentsOf(list: readonly Weighed[]): Belief['z'] {
  const out = {} as Belief['z'];
  for (const u of UNKNOWNS) {
    const mean = list.reduce((sum, m) => sum + m.weight * m.z[u], 0);
    const variance = list.reduce((sum, m) => sum + m.weight * (m.z[u] - mean) * (m.z[u] - mean), 0);
    out[u] = { mean, sd: Math.sqrt(variance) };
  }
  return out;
}

const spread = (pairs: readonly { value: number; weight: number }[]): Spread => ({
  low: quantile(pairs, 0.1),
  mid: quantile(pairs, 0.5),
  high: quantile(pairs, 0.9),
});
const spreadOf = (list: readonly Weighed[], of: 'fingersC' | 'waterG'): Spread =>
  spread(list.map((m) => ({ value: m[of], weight: m.weight })));
const spreads = (list: readonly Weighed[]): Belief['after'] => ({
  fingersC: spreadOf(list, 'fingersC'),
  waterG: spreadOf(list, 'waterG'),
});

/** The day and the athlete that are believed in: what everything else is worked out for. */
export function believed(
  { z }: Pick<Belief, 'z'>,
  timeline: Timeline,
  { person, unsure }: { person: Person; unsure?: AthleteSpread },
  leadDays: number,
): { timeline: Timeline; person: Person } {
  const one = { z: Object.fromEntries(UNKNOWNS.map((u) => [u, z[u].mean])) as Member['z'] };
  return { timeline: dayOfMember(timeline, one, leadDays, unsure), person: athleteOfMember(person, one, unsure) };
}

/** From so many deviations off an unknown is said to have turned out otherwise, and only where that much is known of it. */
const SAID = { off: 0.4, sd: 0.9 } as const;
/** What is said to be as it was thought must have been asked: known clearly better than before. */
const ASKED_SD = 0.8;

/** What is believed now, in one sentence; empty while nothing was heard that says anything. */
export function beliefWords({ z }: Pick<Belief, 'z'>): string {
  const known = UNKNOWNS.filter((u) => z[u].sd < SAID.sd && Math.abs(z[u].mean) >= SAID.off).sort(
    (a, b) => Math.abs(z[b].mean) - Math.abs(z[a].mean),
  );
  const turned = known.slice(0, 2).map((u) => (z[u].mean > 0 ? TURNS_OUT[u].over : TURNS_OUT[u].under));
  const same = UNKNOWNS.filter((u) => z[u].sd < ASKED_SD && Math.abs(z[u].mean) < SAID.off / 2)
    .sort((a, b) => z[a].sd - z[b].sd)
    .slice(0, 1)
    .map((u) => TURNS_OUT[u].as);
  const parts = [...turned, ...same];
  if (parts.length === 0) return '';
  const text = parts.join('; ');
  return `${text[0].toUpperCase()}${text.slice(1)}.`;
}
