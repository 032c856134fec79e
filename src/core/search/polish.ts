import type { Garment } from '@/core/clothing/garment';
import type { Weights } from '@/core/judge/cost';
import { alongOf, isAlong, leaveGarment, swapGarment } from '@/core/kit/edit';
import { followable, staysWearable } from '@/core/kit/followable';
import type { Plan } from '@/core/kit/plan';
import { Hopeless, propose } from '@/core/questions/propose';
import { runPlan } from '@/core/questions/question';
import { Trials } from '@/core/questions/trials';
import type { Candidates } from './candidates';
import { keepsTo } from './keeps';
import { mixes } from './mixes';
import { orderPrice } from './order';
import type { PlanRequest } from './planRequest';
import { cuesMoved, singleChanges, withoutChanging, type Change } from './singleChanges';

/** What the last stages of a search share: what was asked, how it is weighed, and the longest step of a trial, s. */
export interface Finishing {
  request: PlanRequest;
  weights: Weights;
  /** what each piece weighs by its place in a fixed order, points by id */
  order: ReadonlyMap<string, number>;
  stepS: number;
  /** plans that were found from other starts, and were not chosen */
  others?: readonly Plan[];
  /** the most cues that may be proposed */
  mostCues: number;
  /** asked between trials; false ends with the best so far */
  beat: () => boolean;
}

/** The question that a finished plan answers, without the plan. */
export function askedOf({ request, weights }: Finishing) {
  const { person, timeline, damp, waiting, closet, sport } = request;
  return { person, closet, timeline, sport, damp, weights, waiting };
}

/** A swap of one piece must gain this to be made at the end, points. */
const LEAST_SWAP = 0.01;
/** The last betterment by single changes: step of its runs, s, rounds, and runs at most. */
export const POLISH_STEP_S = 60;
const POLISH_ROUNDS = 12;
const POLISH_RUNS = { swaps: 900, proposals: 1000, across: 300 } as const;
/** Changes of the legs that are tried with changes of the torso, the best by themselves of each, and pairs or mixes that are then run in full. */
const ACROSS = { each: 7, inFull: 3 } as const;
/** Insulation that comes or goes with a change and makes it a warmer or a lighter one, m²K/W. */
const LEAST_WARMER = 0.005;
/** What a proposal must gain to be taken by the search itself, points. */
const LEAST_PROPOSED = 0.03;

/**
 * Betters the chosen plan by single changes until none helps: pieces swapped for any of their like, small things left at home or
 * put on, and all that is proposed to a person beside a finished plan.
 */
export function polish(chosen: Plan, candidates: Candidates, f: Finishing): Plan {
  const { closet } = f.request;
  const asked = askedOf(f);
  const order = (plan: Plan) => orderPrice(alongOf(closet, plan), f.order);
  const cost = (plan: Plan) => runPlan({ ...asked, plan }, plan, { stepS: POLISH_STEP_S }).total + order(plan);
  let plan = chosen;
  let least = cost(plan);
  const trials = new Trials(asked, f.stepS);
  /** what changes of the plan held were found to save: several stages try the same */
  const tried = new Map<string, number | null>();
  let held: Plan | null = null;
  const hold = (): void => {
    if (held === plan) return;
    held = plan;
    tried.clear();
    trials.hold(plan);
  };
  const savesOf = (next: Plan): number | null => {
    const key = JSON.stringify(next);
    const known = tried.get(key);
    if (known !== undefined) return known;
    const saves = trials.saves(next);
    tried.set(key, saves);
    return saves;
  };
  const runs = { swaps: 0, proposals: 0, across: 0 };
  const within = (what: keyof typeof runs) => () => f.beat() && runs[what]++ < POLISH_RUNS[what];
  const goOn = within('swaps');
  const wearable = staysWearable(new Map(closet.map((g) => [g.id, g])));
  const keeps = keepsTo({ ...f.request, mostCues: f.mostCues }, closet);
  /** Whether a change may be made at all: what is worn one over the other, and what the athlete wants, stays so. */
  const mayBe = (next: Plan): boolean => (!wearable(plan) || wearable(next)) && keeps(plan, next);
  const hopeless = new Hopeless();
  // There are a few hundred of them: those that were hopeless are not tried once more, as single changes are.
  const hopelessProposals = new Hopeless();
  /** the plan that no proposal helped */
  let unhelped: Plan | null = null;
  const across = within('across');
  /** Runs those in full that promise most, and takes the first that is cheaper indeed. */
  const takesBest = (promising: readonly { next: Plan; saves: number }[]): boolean => {
    for (const { next } of [...promising].sort((a, b) => b.saves - a.saves).slice(0, ACROSS.inFull)) {
      const then = cost(next);
      if (then >= least - LEAST_SWAP) continue;
      least = then;
      plan = next;
      return true;
    }
    return false;
  };
  /** Warmer legs with a lighter torso, or the other way about: neither helps alone. Takes the best such pair, where one helps. */
  const takesPair = (): boolean => {
    hold();
    const saves = (next: Plan) => (!mayBe(next) || !across() ? -Infinity : (savesOf(next) ?? -Infinity) - order(next));
    const best = (list: readonly Change[], warmer: 1 | -1) =>
      list
        .filter((c) => c.warmer * warmer > LEAST_WARMER)
        .map((c) => ({ ...c, saves: saves(c.edit(plan)) }))
        .sort((a, b) => (a.saves === b.saves ? 0 : b.saves - a.saves))
        .slice(0, ACROSS.each);
    const single = [...singleChanges(plan, f.request)];
    const torso = [...single.filter((c) => c.of === 'torso'), ...withoutChanging(plan, closet)];
    const legs = single.filter((c) => c.of === 'legs');
    const both = ([1, -1] as const)
      .flatMap((way) => {
        const warmer = best(legs, way);
        if (warmer.length === 0) return [];
        return best(torso, way === 1 ? -1 : 1).flatMap((t) => warmer.map((l) => t.edit(l.edit(plan))));
      })
      .map((next) => ({ next, saves: saves(next) + order(plan) }))
      .filter((p) => p.saves > LEAST_SWAP - trials.doubt);
    return takesBest(both);
  };
  /** Parts of the body, and the going, as another plan has them. */
  const takesMix = (): boolean => {
    hold();
    const can = followable(f.request.timeline, f.request.person, new Map(closet.map((g) => [g.id, g])));
    const seen = new Set([JSON.stringify(plan)]);
    const unlike = (f.others ?? []).filter((other) => alongOf(closet, other).some((g) => !isAlong(plan, g.id)));
    const found = unlike.flatMap((other) =>
      [...mixes(plan, other, closet)].flatMap(({ plan: next }) => {
        const key = JSON.stringify(next);
        if (seen.has(key) || !mayBe(next) || !next.cues.every(can) || !f.beat()) return [];
        seen.add(key);
        const saves = (savesOf(next) ?? -Infinity) + order(plan) - order(next);
        return saves > LEAST_SWAP - trials.doubt ? [{ next, saves }] : [];
      }),
    );
    return takesBest(found);
  };
  for (let round = 0; round < POLISH_ROUNDS; round++) {
    const before = least;
    hold();
    for (const { name, edit } of round === 0
      ? [...pairs(plan, candidates), ...singleChanges(plan, f.request), ...cuesMoved(plan, f.request)]
      : [...singleChanges(plan, f.request), ...cuesMoved(plan, f.request)]) {
      const next = edit(plan);
      if (hopeless.has(name) || !mayBe(next)) continue;
      if (!goOn()) break;
      const about = savesOf(next);
      hopeless.note(name, about);
      if (about !== null && about + order(plan) - order(next) <= LEAST_SWAP - trials.doubt) continue;
      const then = cost(next);
      if (then < least - LEAST_SWAP) {
        least = then;
        plan = next;
        hold();
      }
    }
    if (plan !== unhelped) {
      hold();
      const proposal = propose(
        { ...asked, plan },
        {
          goOn: within('proposals'),
          stepS: POLISH_STEP_S,
          trials: { saves: savesOf, doubt: trials.doubt },
          least: LEAST_PROPOSED,
          hopeless: hopelessProposals,
        },
      );
      if (proposal && mayBe(proposal.plan)) {
        plan = proposal.plan;
        least = cost(plan);
      } else unhelped = plan;
    }
    if (before - least >= LEAST_SWAP) continue;
    if (!hopeless.passedOver && !takesPair() && !takesMix()) break;
    hopeless.again();
  }
  return plan;
}

/** Middle layer and shell changed together: layers that only pay, or only are needless, as a pair. */
function* pairs(plan: Plan, { mids, shells }: Pick<Candidates, 'mids' | 'shells'>): Generator<Change> {
  const mid = mids.find((g) => isAlong(plan, g.id));
  const shell = shells.find((g) => isAlong(plan, g.id));
  if (!mid || !shell) return;
  const swap = (p: Plan, g: Garment, to: Garment) => (g === to ? p : swapGarment(p, g.id, to));
  const pair = (name: string, edit: Change['edit']): Change => ({ name, of: 'torso', warmer: 0, edit });
  for (const m of [mid, ...mids.filter((g) => g !== mid)]) {
    yield pair(`${m.id} alone`, (p) => leaveGarment(swap(p, mid, m), shell.id));
    if (m === mid) continue;
    for (const s of shells) if (s !== shell) yield pair(`${m.id} and ${s.id}`, (p) => swap(swap(p, mid, m), shell, s));
  }
  for (const s of shells) yield pair(`${s.id} alone`, (p) => leaveGarment(swap(p, shell, s), mid.id));
}
