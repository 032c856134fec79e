import type { Plan } from '@/core/kit/plan';
import type { Candidates } from './candidates';
import type { Finishing, Polished } from './finishing';
import { handsInTime } from './handsInTime';
import { Polishing } from './polishing';
import { sweep } from './sweep';
import { triedFirst } from './triedFirst';

/** The last betterment by single changes: rounds at most. */
const POLISH_ROUNDS = 12;

/**
 * Betters the chosen plan by single changes until none helps: pieces swapped for any of their like, small things left at home or
 * put on, and all that is proposed to a person beside a finished plan; and where no single one helps, by wearing the same otherwise, by two at
 * once, by parts of plans from other starts, and by all ways to dress head and hands.
 */
export function polish(chosen: Plan, candidates: Candidates, f: Finishing): Polished {
  const end = new Polishing(chosen, f);
  let tried = false;
  for (let round = 0; round < POLISH_ROUNDS; round++) {
    const before = end.least;
    const legs = f.brief ? [...sweep(end.plan, f.request, [['legs']])] : [];
    end.takeSingle([...(round === 0 ? triedFirst(end.plan, candidates, f.request) : []), ...legs]);
    if (!f.brief) end.takeProposal();
    if (before - end.least >= end.leastSwap || end.triesAgain()) continue;
    // A plan adapted in brief went through the rest on its even day; the small pieces are what a kelvin and a metre a second ask otherwise.
    if (f.brief || (f.adapts === 'in brief' ? !takesBriefly(end, f) : !end.takesHarder(candidates))) {
      tried = !f.brief && f.adapts !== 'in brief' && end.triedAll;
      break;
    }
  }
  const { plan, least } = end;
  return { plan, least, triedAll: tried };
}

/** Takes parts of other plans, or head, hands or feet in another of all ways there are. */
const takesBriefly = (end: Polishing, f: Finishing): boolean =>
  end.takesMix() || end.takesAny(sweep(end.plan, f.request), 'swept');

/** A plan with its hands dressed anew, changes on the way included, where that helps; and then bettered by single changes. @returns the plan itself where it does not */
export function withHandsInTime(from: Polished, candidates: Candidates, f: Finishing): Polished {
  const end = new Polishing(from.plan, f);
  if (!end.takesAny(handsInTime(from.plan, f.request), 'hands')) return from;
  const { plan, least } = polish(end.plan, candidates, { ...f, brief: true });
  return { plan, least };
}
