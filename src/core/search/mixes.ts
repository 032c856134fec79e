import type { Garment, Group } from '@/core/clothing/garment';
import type { Cue, Plan } from '@/core/kit/plan';
import { alongOf, isAlong } from '@/core/kit/edit';
import { staysFollowable } from '@/core/kit/followable';
import { tidy } from '@/core/kit/replay';
import type { PlanRequest } from './planRequest';

/** Parts of a plan that may come from another one: what dresses a part of the body, with all that is done to it, and how one goes. */
const PARTS: readonly (readonly (Group | 'going')[])[] = [
  ['torso'],
  ['legs'],
  ['feet'],
  ['hands'],
  ['head', 'face', 'eyes'],
  ['going'],
];

/**
 * Every plan that has some parts from one plan and the others from another, the two themselves left out: where single changes no longer
 * help, several parts changed together may, and a plan found from another start knows which.
 */
export function* mixes(a: Plan, b: Plan, closet: readonly Garment[]): Generator<{ parts: string; plan: Plan }> {
  const part = new Map(closet.map((g) => [g.id, PARTS.findIndex((p) => p.includes(g.group))]));
  for (let mask = 1; mask < (1 << PARTS.length) - 1; mask++) {
    const taken = (place: number) => (mask >> place) & 1;
    const of = (i: number) => (id: string) => taken(part.get(id) ?? 0) === i;
    const both = [a, b] as const;
    const openings = Object.fromEntries(both.flatMap((p, i) => Object.entries(p.openings).filter(([id]) => of(i)(id))));
    const cues = both.flatMap((p, i) =>
      p.cues.map((c): Cue => ({
        ...(taken(PARTS.length - 1) === i ? c : { atS: c.atS }),
        actions: c.actions.filter((x) => of(i)(x.garment)),
      })),
    );
    yield {
      parts: PARTS.flatMap((p, i) => (taken(i) === 1 ? p : [])).join(' '),
      plan: tidy({
        worn: both.flatMap((p, i) => p.worn.filter(of(i))),
        carried: both.flatMap((p, i) => p.carried.filter(of(i))),
        openings,
        cues,
      }),
    };
  }
}

/** All mixes of a plan with those of some others that have pieces it has not, as far as people can carry them out. */
export function mixesWith(plan: Plan, others: readonly Plan[], { timeline, person, closet }: PlanRequest): Plan[] {
  const can = staysFollowable(timeline, person, new Map(closet.map((g) => [g.id, g])));
  const unlike = others.filter((other) => alongOf(closet, other).some((g) => !isAlong(plan, g.id)));
  return unlike.flatMap((other) =>
    [...mixes(plan, other, closet)].map((m) => m.plan).filter((next) => can(plan, next)),
  );
}
