import { believed, type Belief } from '@/core/calibrate/belief';
import { zoneIndex } from '@/core/body/zones';
import type { Person } from '@/core/body/person';
import type { Finding } from '@/core/judge/findings';
import type { Scored } from '@/core/judge/scorePlan';
import { stretchAt } from '@/core/outing/moments';
import { feelsLikeC } from '@/core/outing/feelsLike';
import type { KitAction } from '@/core/kit/plan';
import { inReach } from '@/core/kit/raceBag';
import { runPlan, type Question } from '@/core/questions/question';
import { bodyNow, windowAt, type BodyNow } from './bodyNow';
import { dangersAhead, type Danger } from './dangers';
import { warmestOrder, type DressStep } from './dressing';
import { goneNow } from './gone';
import { lightAt, mustTurn, type Light } from './light';
import { wornPlan, type OutThere, type Overdue } from './outThere';
import { leadDaysOf, plannedStartMs, type Opened } from './pack';

/** Fingers of one way to go on, °C by s. */
export type Curve = { atS: number; value: number }[];

/** What is worked out of somebody who is out there, for the screen. */
export interface Now {
  airC: number;
  feelsC: number;
  windMs: number;
  body: BodyNow;
  light: Light;
  /** full screen; null: nothing that cannot wait */
  danger: { danger: Danger; steps: DressStep[]; actions: KitAction[] } | null;
  /** fingers as the plan meant, if what is overdue is done now, and if it is not; null: nothing is overdue */
  overdue: { planned: Curve; now: Curve; not: Curve } | null;
  /** of the rest of the way, as far as it is known */
  findings: Finding[];
  /** on the wrist, s */
  endS: number;
}

export type Believed = Pick<Belief, 'z' | 'bands'> | null;

/** What a question about somebody out there rests on: the day and the athlete that are believed in, on the wrist's clock. */
export function questionNow(
  opened: Opened,
  out: OutThere,
  belief: Believed,
  overdue: Overdue,
): Question & { lead: number } {
  const { pack } = opened;
  const gone = goneNow(opened, out);
  const lead = leadDaysOf(pack, out.startMs ?? plannedStartMs(pack));
  const { timeline, person } = belief
    ? believed(belief, gone.timeline, pack, lead)
    : { timeline: gone.timeline, person: pack.person };
  return {
    person,
    closet: pack.closet,
    timeline,
    plan: wornPlan(out, overdue),
    sport: pack.outing.sport,
    damp: pack.damp,
    weights: pack.wishes.weights,
    waiting: pack.wishes.waiting,
    lead,
    unsure: pack.unsure,
  };
}

const FINGERS = zoneIndex('fingers');
const STEP_S = 30;
const SAMPLE_S = 60;
/** How far ahead what is overdue is drawn, s. */
const DRAWN_S = 1800;

/** Everything that follows from where somebody is and what they did. @throws OutOfRange */
export function nowOf(opened: Opened, out: OutThere, belief: Believed): Now {
  const q = questionNow(opened, out, belief, 'now');
  const run = (asked: typeof q): Scored => runPlan(asked, asked.plan, { stepS: STEP_S, sampleS: SAMPLE_S });
  const scored = run(q);
  const late = out.cues.some((c) => c.stands === 'overdue' || c.stands === 'missed');
  const never = late ? run(questionNow(opened, out, belief, 'never')) : null;
  const { nowS } = out;
  const here = stretchAt(q.timeline, nowS);
  const startMs = out.startMs ?? plannedStartMs(opened.pack);
  const light = lightAt(
    { outing: opened.pack.outing, lengthS: opened.timeline.endS, startMs: plannedStartMs(opened.pack) },
    { startMs, nowS, wayS: out.wayS, endS: q.timeline.endS },
  );
  const ahead = scored.findings.filter((f) => f.atS >= nowS || f.severity === 3);
  return {
    airC: here.airC,
    feelsC: feelsLikeC(here),
    windMs: here.wind10,
    body: bodyNow(scored, q.person, nowS, windowAt(nowS, out.next?.dueS ?? null, q.timeline.endS), belief),
    light,
    danger: dangerNow(opened, out, { q, scored: never ?? scored, light }),
    overdue: never && {
      planned: fingers(plannedRun(opened, out, q.person), nowS - 600, nowS + DRAWN_S),
      now: fingers(scored, nowS - 600, nowS + DRAWN_S),
      not: fingers(never, nowS - 600, nowS + DRAWN_S),
    },
    findings: ahead,
    endS: q.timeline.endS,
  };
}

/** The plan done to the second, for comparison. */
function plannedRun(opened: Opened, out: OutThere, person: Person): Scored {
  const { pack, timeline } = opened;
  return runPlan({ person, closet: pack.closet, timeline, plan: out.plan, damp: pack.damp }, out.plan, {
    stepS: STEP_S,
    sampleS: SAMPLE_S,
  });
}

function fingers({ series }: Scored, fromS: number, toS: number): Curve {
  const zones = series.skinC.length / series.rows;
  const out: Curve = [];
  for (let r = 0; r < series.rows; r++) {
    const atS = series.timeS[r];
    if (atS >= fromS && atS <= toS) out.push({ atS, value: series.skinC[r * zones + FINGERS] });
  }
  return out;
}

function dangerNow(
  { pack }: Opened,
  out: OutThere,
  { q, scored, light }: { q: Pick<Question, 'timeline' | 'person'>; scored: Scored; light: Light },
): Now['danger'] {
  if (out.stage !== 'way') return null;
  const { nowS } = out;
  const list: Danger[] = [];
  if (out.turnedBackWayS === null && mustTurn(light, nowS))
    list.push({ kind: 'turn back', atS: nowS, value: light.endS - nowS });
  list.push(...dangersAhead(scored, q.person, nowS));
  const [danger] = list.filter((d) => !isAnswered(out, d));
  if (!danger || nowS >= q.timeline.endS) return null;
  // Of heat the way out is another one: open, off, slower.
  if (danger.kind === 'hot') return { danger, steps: [], actions: [] };
  const plan = wornPlan(out, 'never');
  return { danger, ...warmestOrder(plan, inReach({ ...q, plan, closet: pack.closet }, nowS), nowS) };
}

/** A danger that was read and gone on from is not shown again for this long, s; it comes back if the numbers still say so. */
const ANSWERED_S = 900;
const isAnswered = (out: OutThere, d: Danger): boolean => {
  const at = out.answered.get(d.kind);
  return at !== undefined && out.nowS - at < ANSWERED_S;
};
