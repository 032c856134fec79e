import type { Garment } from '@/core/clothing/garment';
import type { KitAction, Plan } from '@/core/kit/plan';
import { ASK_STEP_S, runPlan, type Question } from './question';
import {
  isBarrierLiner,
  isCoat,
  isHelmet,
  isStandby,
  leavesLegsBare,
  oneAtATime,
  suitsSport,
} from '@/core/clothing/purpose';
import { alarmsIn } from '@/core/judge/findings';
import { onTheMove } from '@/core/kit/changing';
import { act, swapGarment, takeGarment } from '@/core/kit/edit';
import { staysFollowable, staysWearable } from '@/core/kit/followable';
import { phases, type Phase } from '@/core/outing/moments';
import { mostMoved, type Moved } from './mostMoved';
import { Trials, type About } from './trials';
import type { Scored } from '@/core/judge/scorePlan';
import { changesOf } from '@/core/kit/cueWords';
import { isWorn, settingAt, wornAt } from '@/core/kit/replay';

/** The one change by hand that helps a plan most, with what it does. */
export interface Proposal {
  /** what to do, as a button says it */
  text: string;
  /** s; 0 for a change of the kit itself */
  atS: number;
  plan: Plan;
  /** points of cost it saves */
  saves: number;
  /** cues more (or, negative, fewer) */
  moreCues: number;
  /** what it moves most, °C or g */
  effect: Moved;
}

/** How it is asked by a search, which has less time and smaller wishes than a person. */
export interface Asking {
  /** asked before each trial; false ends with the best so far */
  goOn?: () => boolean;
  /** of the runs, s */
  stepS?: number;
  /** says which changes are worth a run, held against the plan; as the runs */
  trials?: Pick<Trials, 'about'>;
  /** points it must save */
  least?: number;
  /** whether a plan may be proposed at all; left out: any may */
  may?: (plan: Plan) => boolean;
  /** names of changes that are passed over; those that cost clearly more are added */
  hopeless?: Hopeless;
}

/**
 * Changes that cost clearly more when they were last tried: on a plan that differs in one thing they seldom help either. Whoever passes
 * them over says that nothing helps only after having tried them once more.
 */
export class Hopeless {
  private readonly names = new Set<string>();
  /** whether any was passed over since the last `again` */
  passedOver = false;

  /** Whether a change is to be passed over. */
  has(name: string): boolean {
    const has = this.names.has(name);
    this.passedOver ||= has;
    return has;
  }

  /** Takes note of what a change saved; null: nobody knows. */
  note(name: string, about: About | null): void {
    if (about && about.saves < -HOPELESS) this.names.add(name);
  }

  /** Has all of them tried again. */
  again(): void {
    this.names.clear();
    this.passedOver = false;
  }
}
/** A change that costs so much more is hopeless, points. */
const HOPELESS = 0.08;

/** A proposal must be worth a person's attention, points. */
export const LEAST_SAVING = 0.12;

/**
 * Tries single changes on a plan, each simulated whole: something carried put on (or something worn taken off, or opened, or
 * closed) at a natural moment, one small piece swapped, one more taken along and put on at the worst moment.
 * @returns the best, or null when nothing single helps enough
 */
export function propose(
  request: Question,
  { goOn = () => true, may = () => true, stepS = ASK_STEP_S, least = LEAST_SAVING, hopeless, ...asking }: Asking = {},
): Proposal | null {
  const { plan } = request;
  const run = (p: Plan): Scored => runPlan(request, p, { stepS });
  const before = run(plan);
  const trials = asking.trials ?? heldAgainst(request, stepS);
  let best: Proposal | null = null;
  for (const option of options(request, before)) {
    const name = `${option.atS} ${option.text}`;
    if (hopeless?.has(name) || !may(option.plan)) continue;
    if (!goOn()) break;
    const about = trials.about(option.plan);
    hopeless?.note(name, about);
    if (about && about.saves <= (best?.saves ?? least) - about.doubt) continue;
    const after = run(option.plan);
    const saves = before.total - after.total;
    const worse = alarms(after) > alarms(before);
    if (worse || saves < (best?.saves ?? least)) continue;
    best = {
      ...option,
      saves,
      moreCues: option.plan.cues.length - plan.cues.length,
      effect: mostMoved(before, after),
    };
  }
  return best;
}

function heldAgainst(request: Question, stepS: number): Trials {
  const trials = new Trials(request, stepS);
  trials.hold(request.plan);
  return trials;
}

const isJacket = (g: Garment): boolean => g.group === 'torso' && isStandby(g);
const alarms = (s: Scored): number => alarmsIn(s.findings).length;

/** Nobody takes gaiters or warmers off on the way, or bares the legs where they stand about (common practice, no published source). */
const keptOn = (g: Garment, m: Phase): boolean => g.group === 'feet' || (g.group === 'legs' && m.stop && !isCoat(g));

interface Option {
  text: string;
  atS: number;
  plan: Plan;
}

function options(r: Question, scored: Scored): Option[] {
  const { plan, timeline, closet } = r;
  const byId = new Map(closet.map((g) => [g.id, g]));
  const inPlan = [...plan.worn, ...plan.carried].flatMap((id) => byId.get(id) ?? []);
  const out: Option[] = [];
  const moments = phases(timeline);
  const can = staysFollowable(timeline, r.person, byId);
  const covered = staysWearable(byId);
  const dressed = covered(plan);
  const add = (actions: KitAction[], from: Plan, atS: number, extra = '') => {
    const next = actions.reduce((p, a) => act(p, a, atS), from);
    // A cue that asks for more than people carry out is no help, unless it asks for no more than it did.
    if (!can(plan, next)) return;
    const words = changesOf(actions, byId).map((c) => c.text);
    if (words.length > 0) out.push({ text: `${extra}${words.join(', ')}`, atS: atS < 60 ? 0 : atS, plan: next });
  };
  for (const m of moments) {
    for (const g of inPlan) {
      const worn = isWorn(plan, g.id, m.startS);
      // A helmet is what the sport asks for, not a matter of warmth.
      const canChange = !isHelmet(g) && (onTheMove(g) || (g.overBoots && (m.halted || !m.onTheMove)));
      const taken = !worn && inPlan.some((o) => oneAtATime(o, g) && isWorn(plan, o.id, m.startS));
      if (
        canChange &&
        g.role !== 'base' &&
        !taken &&
        !(worn && (keptOn(g, m) || leavesLegsBare(g, inPlan, wornAt(plan, m.startS))))
      )
        add([{ do: worn ? 'takeOff' : 'putOn', garment: g.id }], plan, m.startS);
      if (!worn) continue;
      for (const o of g.openings) {
        const setting = settingAt(plan, g, o.id, m.startS) > 0.5 ? 0 : 1;
        add([{ do: 'set', garment: g.id, opening: o.id, setting }], plan, m.startS);
      }
    }
  }
  const timed = out.length;
  // A middle layer or a shell where none is along: for the stop, or for the way.
  const isMissingLayer = (g: Garment) =>
    g.group === 'torso' &&
    (g.role === 'mid' || g.role === 'shell' || g.role === 'storm') &&
    !inPlan.some((o) => o.group === g.group && o.role === g.role);
  const free = closet.filter(
    (g) =>
      !inPlan.includes(g) &&
      suitsSport(g, r.sport) &&
      !isBarrierLiner(g) &&
      (onTheMove(g) ||
        g.role === 'warm' ||
        (g.group === 'feet' && (g.role === 'over' || g.role === 'shell')) ||
        isMissingLayer(g)),
  );
  const worst = scored.findings[0]?.atS ?? scored.metrics.fingers.atS;
  const moment = [...moments].reverse().find((m) => m.startS <= worst) ?? moments[0];
  for (const g of free) {
    if (g.role === 'warm' && g.group === 'legs') {
      // Over-trousers are for standing: on when one stops, off when one goes on.
      if (!moment.stop) continue;
      const on = act(takeGarment(plan, g.id, 'carried'), { do: 'putOn', garment: g.id }, moment.startS);
      const both = moment.endS < timeline.endS ? act(on, { do: 'takeOff', garment: g.id }, moment.endS) : on;
      out.push({ text: `take along for the stop: ${g.name}`, atS: moment.startS, plan: both });
      continue;
    }
    // One jacket for stops is what people carry (common practice, no published source); a second only where the plan is not safe.
    const second = isJacket(g) && inPlan.some(isJacket) && alarms(scored) === 0;
    if (!second && !inPlan.some((o) => oneAtATime(o, g))) {
      out.push({ text: `put on at the start: ${g.name}`, atS: 0, plan: takeGarment(plan, g.id, 'worn') });
      const along = takeGarment(plan, g.id, 'carried');
      if (!moment.onTheMove || g.group !== 'torso')
        add([{ do: 'putOn', garment: g.id }], along, moment.startS, 'take along: ');
      // With what is done in any case it is no cue more.
      if (onTheMove(g))
        for (const { atS } of plan.cues)
          if (Math.abs(atS - moment.startS) > 1) add([{ do: 'putOn', garment: g.id }], along, atS, 'take along: ');
    }
    for (const old of inPlan)
      if (old.group === g.group && old.role === g.role)
        out.push({
          text: `${g.name} instead of ${old.name.toLowerCase()}`,
          atS: 0,
          plan: swapGarment(plan, old.id, g),
        });
  }
  // Pieces first: a search that is told to stop early has then seen what matters most.
  return [...out.slice(timed), ...out.slice(0, timed)].filter((option) => !dressed || covered(option.plan));
}
