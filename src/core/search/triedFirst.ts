import type { Garment } from '@/core/clothing/garment';
import { isIndoors, isStop } from '@/core/effort/sports';
import { act, isAlong, leaveGarment, swapGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { isWorn } from '@/core/kit/replay';
import type { Timeline } from '@/core/outing/timeline';
import type { Candidates } from './candidates';
import type { PlanRequest } from './planRequest';
import { anotherLayer, type Change } from './singleChanges';

/** What is tried before all else, once. */
export function* triedFirst(plan: Plan, candidates: Candidates, request: PlanRequest): Generator<Change> {
  yield* pairs(plan, candidates);
  yield* forStops(plan, candidates, request.timeline);
  yield* anotherLayer(plan, request);
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

/** Another jacket for stops together with over-trousers where it is worn, or without those there are: each makes up for the other. */
function* forStops(
  plan: Plan,
  { warms, overLegs }: Pick<Candidates, 'warms' | 'overLegs'>,
  timeline: Timeline,
): Generator<Change> {
  const jacket = warms.find((g) => isAlong(plan, g.id));
  if (!jacket) return;
  for (const legs of overLegs)
    for (const to of warms) {
      const instead = (p: Plan) => (to === jacket ? p : swapGarment(p, jacket.id, to));
      const edit = (p: Plan) =>
        isAlong(plan, legs.id) ? leaveGarment(instead(p), legs.id) : atStopsWith(instead(p), to, legs, timeline);
      yield {
        name: `${to.id} ${isAlong(plan, legs.id) ? 'without' : 'with'} ${legs.id}`,
        of: 'torso',
        warmer: 0,
        edit,
      };
    }
}

/** A plan in which one piece is worn at the stops at which another is, and not on the way. */
function atStopsWith(plan: Plan, one: Garment, also: Garment, t: Timeline): Plan {
  return t.legs.reduce((p, leg, i) => {
    const [from, to] = [t.legStartS[i], t.legStartS[i + 1]];
    if (!isStop(leg) || isIndoors(leg.sport) || from === 0 || !isWorn(plan, one.id, (from + to) / 2)) return p;
    const on = act(p, { do: 'putOn', garment: also.id }, from);
    return to < t.endS ? act(on, { do: 'takeOff', garment: also.id }, to) : on;
  }, plan);
}
