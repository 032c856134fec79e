import type { Garment } from '@/core/clothing/garment';
import { isNoGraver } from '@/core/judge/findings';
import { sameWithin } from '@/core/judge/sameCost';
import { alongOf, isAlong, leaveGarment, swapGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { Trials } from '@/core/questions/trials';
import { alike } from './changes';
import { askedOf, ranIn, type Finishing } from './finishing';
import { mayFollow } from './mayFollow';
import { mixes } from './mixes';
import { isSpare } from './singleChanges';

/** Of plans that cost hardly anything being nearer to another may cost so much, points: no more than that of the few there are. */
const NEARER = 0.01;

/** Clothes of which nobody carries one more for the sake of likeness. */
const LAYERS: ReadonlySet<Garment['group']> = new Set(['torso', 'legs']);

/**
 * Among plans that nobody could tell apart from one, the one nearest to another, which suits the nearest even day: whole parts of the body as that one
 * has them, then piece by piece. A change that paid before a better one was made, and hardly pays after it, is so taken back, and days
 * near one another keep the same pieces. No layer more is taken along; small things of no use are left out afterwards (`settle`). @returns a plan with no alarm and no weak point more
 */
export function nearTo(plan: Plan, other: Plan, f: Finishing): Plan {
  const { closet } = f.request;
  const before = ranIn(f, plan);
  const more = sameWithin(before.total, NEARER);
  const may = mayFollow(f);
  const trials = new Trials(askedOf(f), f.stepS);
  trials.hold(plan);
  const isSame = (next: Plan): boolean => {
    if (!f.beat() || !may(plan, next) || !trials.maySave(next, -more)) return false;
    const then = ranIn(f, next);
    return then.total <= before.total + more && isNoGraver(then.findings, before.findings);
  };
  const apart = (p: Plan): number => closet.filter((g) => isAlong(p, g.id) !== isAlong(other, g.id)).length;
  const layers = (p: Plan): number => alongOf(closet, p).filter((g) => LAYERS.has(g.group)).length;
  const nearer = [other, ...Array.from(mixes(plan, other, closet), (m) => m.plan)]
    .map((p) => ({ p, apart: apart(p) }))
    .filter((m) => m.apart < apart(plan) && layers(m.p) <= layers(plan))
    .sort((a, b) => a.apart - b.apart);
  const different = new Map(nearer.map(({ p }) => [JSON.stringify(p), p]));
  let near = [...different.values()].find(isSame) ?? plan;
  for (const g of alongOf(closet, other)) {
    if (isAlong(near, g.id)) continue;
    const along = alongOf(closet, near);
    // Shoes give way to shoes and briefs to briefs, but a band to a hat.
    const instead = along.filter(
      (o) => o.group === g.group && !isAlong(other, o.id) && (isSpare(o, along) || alike(o, g)),
    );
    near = instead.map((o) => swapGarment(near, o.id, g)).find(isSame) ?? near;
  }
  for (const g of alongOf(closet, near)) {
    const without = leaveGarment(near, g.id);
    if (!isAlong(other, g.id) && isSpare(g, alongOf(closet, near)) && isSame(without)) near = without;
  }
  return near;
}
