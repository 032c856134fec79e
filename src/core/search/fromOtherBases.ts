import { isTorsoBase } from '@/core/clothing/purpose';
import { alongOf, swapGarment } from '@/core/kit/edit';
import type { Candidates } from './candidates';
import type { Plan } from '@/core/kit/plan';
import { ranIn, type Finishing, type Polished } from './finishing';
import { mayFollow } from './mayFollow';
import { polish } from './polish';
import { redress } from './redress';

/** So many bases are begun from, those that cost least as the rest is worn: with six in place of two dear days come out 1 % cheaper, for three times the work. */
const BEGUN = 2;

/**
 * A dear plan begun once more from another base of the closet, and from its own: with the same other pieces, worn as suits it, bettered by single changes
 * alone, and the cheapest of them then in all ways (the other came out cheaper in one of 27 such starts). Much hangs on the base (when layers come off, what legs and head wear), so that no few changes lead from one
 * hollow to the next. @returns the best it comes to, the plan itself included
 */
export function fromOtherBases(from: Polished, candidates: Candidates, f: Finishing): Polished {
  const { plan } = from;
  const { closet } = f.request;
  const { course, stepS, mostCues, beat } = f;
  // Mesh that is now outermost would stay so: what cannot be worn is not begun from.
  const may = mayFollow(f);
  const base = alongOf(closet, plan).find(isTorsoBase);
  if (!base) return from;
  const worn = candidates.bases.map((other) => {
    const swapped = other === base ? plan : swapGarment(plan, base.id, other);
    const p = redress(swapped, { course, closet, stepS, maxCues: mostCues, goOn: beat }) ?? swapped;
    return { p, cost: ranIn(f, p).total };
  });
  const possible = worn.filter(({ p }) => may(plan, p));
  const begun = possible.sort((a, b) => a.cost - b.cost).slice(0, BEGUN);
  // Where all was tried on the plan already, nothing comes of trying it all on the same plan once more.
  const known = from.triedAll ? JSON.stringify(plan) : null;
  const isKnown = (p: Plan): boolean => known !== null && JSON.stringify(p) === known;
  const single = begun.map(({ p }) => (isKnown(p) ? from : polish(p, candidates, { ...f, brief: true })));
  if (single.length === 0) return from;
  const least = single.reduce((a, b) => (b.least < a.least ? b : a));
  if (isKnown(least.plan)) return from;
  const bettered = polish(least.plan, candidates, { ...f, adapts: 'in all ways' });
  return bettered.least < from.least ? { plan: bettered.plan, least: bettered.least } : from;
}
