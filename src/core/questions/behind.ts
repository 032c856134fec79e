import type { Garment } from '@/core/clothing/garment';
import { isSafe } from '@/core/judge/findings';
import type { Scored } from '@/core/judge/scorePlan';
import type { Outing } from '@/core/outing/outing';
import { advise, type Advice } from './advise';
import { bestStart, type BestStart } from './bestStart';
import { chances, type Chances } from './chances';
import type { CueReason } from './cueReason';
import { missedCues } from './missedCues';
import { runInFull, type Question } from './question';
import { stuckOut, type StuckOut } from './stuckOut';
import { whyThis, type Why } from './whyThis';
import { wouldBeSafe, type Remedy } from './wouldBeSafe';

/** What lies behind a plan. */
export interface Behind {
  missed: CueReason[];
  advice: Advice;
  chances: Chances;
  stuckOut: StuckOut;
  /** null where no forecast covers other hours */
  bestStart: BestStart | null;
  /** what would be safe instead; empty for a safe plan */
  wouldBeSafe: Remedy[];
  why: Why[];
}

export interface BehindQuestion extends Question {
  /** pieces that could be borrowed or bought */
  more: readonly Garment[];
  /** the outing with its forecast: it may be begun at other hours */
  outing?: Outing;
  /** days between forecast and start, 0–10 */
  leadDays?: number;
  /** members of the spread, 1–512 */
  members?: number;
  /** the athlete's own floor, °C of feels-like */
  floorC?: number;
  /** the plan run in full, where it is known already */
  scored?: Scored;
}

/**
 * The questions behind a plan in the order a person wants their answers, each told when it is ready: the one sequence for the
 * page's worker and the command line.
 * @throws OutOfRange for a plan with garments that are not in the closet, or lead days and members outside their range
 */
export function* behind(q: BehindQuestion): Generator<Partial<Behind>> {
  const scored = q.scored ?? runInFull(q);
  yield { missed: missedCues(q, scored) };
  const spread = chances({ ...q, count: q.members });
  yield { chances: spread };
  const stuck = stuckOut(q);
  yield { stuckOut: stuck };
  const starts = q.outing ? bestStart({ ...q, outing: q.outing }) : null;
  yield { bestStart: starts };
  yield { advice: advise(q, scored, { floorC: q.floorC, chances: spread, stuckOut: stuck, bestStart: starts }) };
  yield { wouldBeSafe: isSafe(scored.findings) ? [] : wouldBeSafe(q) };
  yield { why: whyThis(q) };
}

/** All of them. */
export const allBehind = (q: BehindQuestion): Behind => Object.assign({}, ...behind(q)) as Behind;
