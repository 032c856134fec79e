import { AVERAGE_PERSON } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { candidates, firstKit } from '@/core/search/candidates';
import { Course } from '@/core/search/course';
import type { Dress } from '@/core/search/dress';
import type { Node } from '@/core/questions/node';
import { PathRun } from '@/core/search/pathRun';
import { makePlan } from '@/core/search/planner';
import type { Planned } from '@/core/search/planRequest';
import { scorePlan } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import type { Timeline } from '@/core/outing/timeline';
import { aLeg, dayOf, garmentsOf } from './outings';
import type { Kit } from '@/core/search/kit';
import type { Way } from '@/core/search/waysToWear';

/** A case small enough that every plan there is can be tried. */
export interface SmallCase {
  name: string;
  closet: Garment[];
  timeline: Timeline;
}

const CLOSETS = [
  ['midweight-merino-base', 'pile-fleece', 'liner-gloves', 'thin-cap'],
  ['synthetic-tee', 'active-jacket', 'wind-vest', 'fleece-mitts'],
  ['thin-synthetic-base', 'lined-windshell', 'fleece-mitts', 'neck-tube'],
].map((ids) => garmentsOf(...ids, 'wind-briefs', 'wind-tights', 'wool-socks', 'winter-boots'));

/** Up, a rest, and on, from mild to bitter and from easy to hard, short of a race, in which nobody eases: thirty-six of them. */
export const SMALL_CASES: SmallCase[] = CLOSETS.flatMap((closet, k) =>
  [8, 1, -5, -11].flatMap((airC) =>
    [500, 720, 840].map((watts): SmallCase => {
      const wind = 3 + k;
      return {
        name: `closet ${k + 1}, ${airC} °C, ${watts} W`,
        closet,
        timeline: dayOf(
          [
            aLeg({ name: 'Up', sport: 'hike', minutes: 15, effort: { by: 'metabolic', value: watts } }),
            aLeg({ name: 'Rest', sport: 'stand', minutes: 8, effort: { by: 'usual' }, air: { wind } }),
            aLeg({
              name: 'On',
              sport: 'hike',
              minutes: 8,
              effort: { by: 'metabolic', value: 0.5 * watts },
              air: { wind },
            }),
          ],
          airC,
          2,
        ),
      };
    }),
  ),
);

/** The step of the search on outings this short, s: every plan is tried at it. */
const STEP_S = 60;

export interface Every {
  /** in a full run */
  best: number;
  plan: Plan;
  /** plans tried */
  tried: number;
}

/** So many of all plans, the best by the search's steps, are run again in full. */
const RUN_AGAIN = 40;

/** Tries every plan: every way to dress and go in every phase, from everything in the closet. */
export function everyPlan(c: SmallCase): Every {
  const course = new Course(AVERAGE_PERSON, c.timeline, undefined, undefined, undefined);
  const kit: Kit = firstKit(candidates(c.closet, 'hike', c.timeline), 'jacket');
  const run = new PathRun(course, kit, STEP_S);
  const ways = [...run.ways].reduce<Way[][]>(
    (all, of) => all.flatMap((d) => of.map((w) => [...d, w])),
    [[]],
  ) as unknown[] as Dress[];
  // The best few by the search's own steps, the dearest of them last.
  const top: { cost: number; path: Dress[] }[] = [];
  let tried = 0;
  const down = (p: number, node: Node | null, dresses: Dress[]): void => {
    const before = p > 0 ? dresses[p - 1] : null;
    for (const dress of ways) {
      if (!run.admits(p, dress, before)) continue;
      const last = p === run.length - 1;
      const next = run.advance(p, node, before, dress, last ? 'dropped' : 'kept');
      if (!next) continue;
      const path = [...dresses, dress];
      if (!last) {
        down(p + 1, next, path);
        continue;
      }
      tried++;
      const cost = next.soFar + run.end(path);
      if (top.length < RUN_AGAIN || cost < top[top.length - 1].cost) {
        top.push({ cost, path });
        top.sort((a, b) => a.cost - b.cost);
        top.length = Math.min(top.length, RUN_AGAIN);
      }
    }
  };
  down(0, null, []);
  const full = top.map(({ path }) => {
    const plan = run.plan(path);
    return { plan, cost: scorePlan(AVERAGE_PERSON, c.closet, c.timeline, plan).total };
  });
  const best = full.reduce((a, b) => (b.cost < a.cost ? b : a));
  return { best: best.cost, plan: best.plan, tried };
}

/** What the search makes of the same case: its cheapest plan, and the plans it simulated for it. */
export function searched(c: SmallCase): { best: number; planned: Planned; tried: number } {
  const planned = makePlan({ person: AVERAGE_PERSON, closet: c.closet, timeline: c.timeline, sport: 'hike' });
  const phases = new Course(AVERAGE_PERSON, c.timeline, undefined, undefined, undefined).phases.length;
  return {
    best: Math.min(...planned.curve.map((p) => p.cost)),
    planned,
    tried: planned.simulations / phases,
  };
}
