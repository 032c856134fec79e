import type { Garment, Group } from '@/core/clothing/garment';
import type { Cue, Plan } from '@/core/kit/plan';
import { tidy } from '@/core/kit/replay';

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
