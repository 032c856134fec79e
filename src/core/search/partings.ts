import { isWorn } from '@/core/kit/replay';
import { mostMoved, type Moved } from '@/core/questions/mostMoved';
import type { Scored } from '@/core/judge/scorePlan';
import type { Planned } from './planRequest';

export interface SchoolPlan {
  school: { id: string; name: string };
  planned: Planned;
}

/** Where two plans part: the moment of the largest difference, what differs there, and what that comes to. */
export interface Parting {
  a: string;
  b: string;
  atS: number;
  /** torso skin, °C, and water in the layers, g, of both at that moment */
  torsoC: [number, number];
  waterG: [number, number];
  moved: Moved;
  /** ids of what only the one and only the other wears at that moment */
  wornOnly: [string[], string[]];
}

export interface Compared {
  plans: SchoolPlan[];
  /** schools that cannot be followed from this closet, and why */
  impossible: { id: string; name: string; why: string }[];
  partings: Parting[];
}

/** One school as it came out: its plan, or why it cannot be followed. */
export type SchoolTried = { kind: 'plan'; of: SchoolPlan } | { kind: 'impossible'; of: Compared['impossible'][number] };

/** Schools side by side: those that came out, those that could not be followed, and where each parts from the first. */
export function compared(tried: readonly SchoolTried[]): Compared {
  const plans = tried.flatMap((t) => (t.kind === 'plan' ? [t.of] : []));
  return {
    plans,
    impossible: tried.flatMap((t) => (t.kind === 'impossible' ? [t.of] : [])),
    partings: plans.slice(1).map((p) => parting(plans[0], p)),
  };
}

function parting(a: SchoolPlan, b: SchoolPlan): Parting {
  const x = a.planned.scored;
  const y = b.planned.scored;
  const apart = (r: number) =>
    Math.abs(x.metrics.torsoSkin[r] - y.metrics.torsoSkin[r]) / 1.5 +
    Math.abs(x.metrics.waterG[r] - y.metrics.waterG[r]) / 50;
  let row = 0;
  for (let r = 1; r < Math.min(x.series.rows, y.series.rows); r++) if (apart(r) > apart(row)) row = r;
  const worn = (p: Planned) =>
    [...p.plan.worn, ...p.plan.carried].filter((id) => isWorn(p.plan, id, x.series.timeS[row]));
  const [mine, theirs] = [worn(a.planned), worn(b.planned)];
  const both = (of: (s: Scored) => Float64Array): [number, number] => [of(x)[row], of(y)[row]];
  return {
    a: a.school.id,
    b: b.school.id,
    atS: x.series.timeS[row],
    torsoC: both((s) => s.metrics.torsoSkin),
    waterG: both((s) => s.metrics.waterG),
    moved: mostMoved(x, y),
    wornOnly: [mine.filter((id) => !theirs.includes(id)), theirs.filter((id) => !mine.includes(id))],
  };
}
