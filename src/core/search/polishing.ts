import { alongOf } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { Hopeless, propose } from '@/core/questions/propose';
import { Trials, type About } from '@/core/questions/trials';
import type { Candidates } from './candidates';
import { redress } from './redress';
import { askedOf, DEAR, FEW, POLISH_STEP_S, ranIn, type Finishing } from './finishing';
import { mayFollow } from './mayFollow';
import { mixesWith } from './mixes';
import { orderPrice } from './order';
import { cuesMoved, pacesHeld, pacesTried } from './cuesChanged';
import { across } from './across';
import { anotherLayer, otherLegs, singleChanges, withoutChanging, type Change } from './singleChanges';
import { sweep } from './sweep';
import { baseAndMid, triedFirst } from './triedFirst';

/** A swap of one piece must gain this to be made at the end, points; and where a plan is adapted: points, and a share of what it costs. */
const LEAST_SWAP = 0.01;
const LEAST_ADAPTED = { points: 0.02, share: 0.015 } as const;
/** Runs of the last betterment at most. */
// prettier-ignore
const POLISH_RUNS = { swaps: 1800, proposals: 1000, across: 900, two: 400, swept: 800, hands: 800, first: 800 } as const;
/** Changes of two parts that are tried with one another, the best by themselves of each, and pairs or mixes that are then run in full. */
const ACROSS = { each: 7, inFull: 3 } as const;
/** Single changes that are paired at the end, the best of those tried; more of them where the plan is dear. */
const TWO = { each: 11, dear: 16 } as const;
/** What a proposal must gain to be taken by the search itself, points. */
const LEAST_PROPOSED = 0.03;

/** A plan that is held, what changes of it were found to save, and how many runs are left to better it. */
export class Polishing {
  plan: Plan;
  /** what the plan costs, points */
  least: number;
  private readonly asked: ReturnType<typeof askedOf>;
  private readonly trials: Trials;
  /** what changes of the plan held were found to save: several stages try the same */
  private readonly tried = new Map<string, About | null>();
  private held: Plan | null = null;
  private readonly runs = { swaps: 0, proposals: 0, across: 0, two: 0, swept: 0, hands: 0, first: 0 };
  private readonly may: ReturnType<typeof mayFollow>;
  private readonly hopeless = new Hopeless();
  /** There are a few hundred of them: those that were hopeless are not tried once more, as single changes are. */
  private readonly hopelessProposals = new Hopeless();
  /** the plan that no proposal helped */
  private unhelped: Plan | null = null;
  /** the plan whose pieces were tried worn otherwise */
  private redressed: Plan | null = null;

  constructor(
    chosen: Plan,
    private readonly f: Finishing,
  ) {
    this.asked = askedOf(f);
    this.trials = new Trials(this.asked, f.stepS);
    this.may = mayFollow(f);
    this.plan = chosen;
    this.least = this.cost(chosen);
  }

  private order(plan: Plan): number {
    return orderPrice(alongOf(this.f.request.closet, plan), this.f.order);
  }

  private cost(plan: Plan): number {
    return ranIn(this.f, plan).total + this.order(plan);
  }

  private hold(): void {
    if (this.held === this.plan) return;
    this.held = this.plan;
    this.tried.clear();
    this.trials.hold(this.plan);
  }

  /** What a change saves by a cheap trial; null: nobody knows. */
  private readonly aboutOf = (next: Plan): About | null => {
    const key = JSON.stringify(next);
    let about = this.tried.get(key);
    if (about === undefined) this.tried.set(key, (about = this.trials.about(next)));
    return about;
  };

  /** The same with the price of its order counted; where nobody knows, nothing is hoped for. */
  private promises(next: Plan): About {
    const about = this.aboutOf(next) ?? { saves: -Infinity, doubt: 0 };
    return { ...about, saves: about.saves + this.order(this.plan) - this.order(next) };
  }

  /** A plan with what it promises; none where that is not worth a run in full. */
  private worthRunning(next: Plan, least: number = this.leastSwap): { next: Plan; saves: number }[] {
    const { saves, doubt } = this.promises(next);
    return saves > least - doubt ? [{ next, saves }] : [];
  }

  /** What a change must gain to be made, points. */
  get leastSwap(): number {
    return this.f.adapts ? Math.max(LEAST_ADAPTED.points, LEAST_ADAPTED.share * this.least) : LEAST_SWAP;
  }

  private mayRun(what: keyof typeof POLISH_RUNS): boolean {
    return this.f.beat() && this.runs[what]++ < POLISH_RUNS[what];
  }

  /** Whether a change may be made at all: what is worn one over the other, and what the athlete wants, stays so. */
  private readonly mayBe = (next: Plan): boolean => this.may(this.plan, next);

  /** Takes a plan where it is cheaper indeed, by so many points at least. */
  private takes(next: Plan, least: number = this.leastSwap): boolean {
    const then = this.cost(next);
    if (then >= this.least - least) return false;
    this.least = then;
    this.plan = next;
    return true;
  }

  /**
   * Takes what no single change leads to: the same worn otherwise, two changes at once, parts of other plans, head and hands from all there is,
   * and once more what was tried first.
   */
  takesHarder(candidates: Candidates): boolean {
    return (
      this.takesRedressed() ||
      this.takesPair() ||
      this.takesMix() ||
      this.takesTwo() ||
      this.takesAny(sweep(this.plan, this.f.request), 'swept') ||
      this.takesAny(
        [
          ...triedFirst(this.plan, candidates, this.f.request),
          ...otherLegs(this.plan, this.f.request),
          ...baseAndMid(this.plan, candidates),
        ],
        'first',
      )
    );
  }

  /** Takes single changes as they help. @param first tried before them */
  takeSingle(first: readonly Change[]): void {
    this.hold();
    const { plan, f } = this;
    const going = [...cuesMoved(plan, f.request), ...pacesTried(plan, f.request), ...pacesHeld(plan, f.request)];
    const single = [...singleChanges(plan, f.request), ...going];
    const all = [...first, ...single].filter(({ of }) => !(f.brief && of === 'going'));
    for (const { name, edit, least } of f.adapts ? this.bestFirst(all) : all) {
      const next = edit(this.plan);
      if (this.hopeless.has(name) || !this.mayBe(next)) continue;
      if (!this.mayRun('swaps')) break;
      const about = this.aboutOf(next);
      this.hopeless.note(name, about);
      if (about && this.worthRunning(next, least).length === 0) continue;
      if (this.takes(next, least)) this.hold();
    }
  }

  /** Changes by what each promises by itself, the best first: in any other order it hangs on a hair which of many that help is made, and neighbouring days end apart. */
  private bestFirst(changes: readonly Change[]): readonly Change[] {
    const { plan } = this;
    const rated = changes.flatMap((c) => {
      const next = c.edit(plan);
      if (this.hopeless.has(c.name) || !this.mayBe(next) || !this.mayRun('swaps')) return [];
      const about = this.aboutOf(next);
      this.hopeless.note(c.name, about);
      // What does not promise enough is done with: asked about once more it would count as passed over, and all would be tried again.
      if (about) return this.worthRunning(next, c.least).map(({ saves }) => ({ c, saves }));
      return [{ c, saves: this.order(plan) - this.order(next) }];
    });
    return rated.sort((a, b) => (a.saves === b.saves ? 0 : b.saves - a.saves)).map(({ c }) => c);
  }

  /** Takes what would be proposed to a person. */
  takeProposal(): void {
    if (this.plan === this.unhelped) return;
    this.hold();
    const proposal = propose(
      { ...this.asked, plan: this.plan },
      {
        goOn: () => this.mayRun('proposals'),
        may: this.mayBe,
        stepS: POLISH_STEP_S,
        trials: { about: this.aboutOf },
        least: LEAST_PROPOSED,
        hopeless: this.hopelessProposals,
      },
    );
    if (proposal) {
      this.plan = proposal.plan;
      this.least = this.cost(this.plan);
    } else this.unhelped = this.plan;
  }

  /** Whether all there is was tried on the very plan that is held: no proposal was passed over for what it cost on an earlier one, and no runs are used up. */
  get triedAll(): boolean {
    const spent = Object.entries(POLISH_RUNS).some(([k, most]) => this.runs[k as keyof typeof POLISH_RUNS] > most);
    return !spent && !this.hopelessProposals.passedOver;
  }

  /** Has single changes that were passed over tried once more. @returns whether there were any */
  triesAgain(): boolean {
    const any = this.hopeless.passedOver;
    this.hopeless.again();
    return any;
  }

  /** Runs those in full that promise most, and takes the first that is cheaper indeed. */
  private takesBest(promising: readonly { next: Plan; saves: number }[]): boolean {
    const best = [...promising].sort((a, b) => b.saves - a.saves).slice(0, ACROSS.inFull);
    return best.some(({ next }) => this.takes(next));
  }

  /** Two changes of different parts that help only together: see `across`. Takes the best such pair, where one helps. */
  private takesPair(): boolean {
    this.hold();
    const { plan } = this;
    const saves = (next: Plan): number =>
      this.mayBe(next) && this.mayRun('across') ? this.promises(next).saves : -Infinity;
    const best = (list: readonly Change[]) =>
      list
        .map((c) => ({ ...c, saves: saves(c.edit(plan)) }))
        .sort((a, b) => (a.saves === b.saves ? 0 : b.saves - a.saves))
        .slice(0, ACROSS.each);
    const both = across(plan, this.f.request)
      .flatMap(([one, other]) => {
        const those = one.length > 0 && other.length > 0 ? best(other) : [];
        return those.length > 0 ? best(one).flatMap((a) => those.map((b) => a.edit(b.edit(plan)))) : [];
      })
      .flatMap((next) => (this.mayBe(next) && this.mayRun('across') ? this.worthRunning(next) : []));
    return this.takesBest(both);
  }

  /** Two changes at once, of those tried already that by themselves cost least: where gloves suit one pace and a base another, neither helps alone. */
  private takesTwo(): boolean {
    this.hold();
    const { plan, f } = this;
    // Those of few pieces were tried on the even day: when such a plan is adapted they are much of the work, and led to nothing.
    if (f.adapts && f.request.closet.length <= FEW) return false;
    const all = [
      ...singleChanges(plan, f.request),
      ...anotherLayer(plan, f.request),
      ...otherLegs(plan, f.request),
      ...cuesMoved(plan, f.request),
      ...pacesTried(plan, f.request),
      ...withoutChanging(plan, f.request.closet),
    ];
    const known = all.flatMap((c) => {
      const next = c.edit(plan);
      const about = this.tried.get(JSON.stringify(next));
      return about === undefined || about === null
        ? []
        : [{ ...c, saves: about.saves + this.order(plan) - this.order(next) }];
    });
    const near = known.sort((a, b) => b.saves - a.saves).slice(0, this.least < DEAR ? TWO.each : TWO.dear);
    const pairs = near.flatMap((a, i) =>
      near.slice(i + 1).flatMap((b) => {
        const next = b.edit(a.edit(plan));
        if (!this.mayBe(next) || !this.mayRun('two')) return [];
        return this.worthRunning(next);
      }),
    );
    return this.takesBest(pairs);
  }

  /** Takes the same pieces worn otherwise from phase to phase, where that helps. */
  private takesRedressed(): boolean {
    if (this.plan === this.redressed) return false;
    this.redressed = this.plan;
    const { course, request, mostCues, stepS, beat } = this.f;
    const next = redress(this.plan, { course, closet: request.closet, stepS, maxCues: mostCues, goOn: beat });
    return next !== null && this.mayBe(next) && this.takes(next);
  }

  /** Takes the best of some changes of the plan held, where one helps. */
  takesAny(changes: Iterable<Change>, what: 'swept' | 'hands' | 'first'): boolean {
    const plans = Array.from(changes, (c) => c.edit(this.plan));
    return this.takesOneOf(plans, () => this.mayRun(what));
  }

  /** Takes parts of the body, and the going, as another plan has them, where that helps. */
  takesMix(): boolean {
    return this.takesOneOf(mixesWith(this.plan, this.f.others ?? [], this.f.request), this.f.beat);
  }

  /** Tries plans cheaply, and takes the best of them where it is cheaper indeed. */
  private takesOneOf(plans: readonly Plan[], goOn: () => boolean): boolean {
    this.hold();
    const { plan } = this;
    const seen = new Set([JSON.stringify(plan)]);
    const found = plans.flatMap((next) => {
      const key = JSON.stringify(next);
      if (seen.has(key) || !this.mayBe(next) || !goOn()) return [];
      seen.add(key);
      return this.worthRunning(next);
    });
    return this.takesBest(found);
  }
}
