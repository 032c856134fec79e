import { makePlan } from '@/core/search/planner';
import { caseOf, OUTINGS, type PlannedOuting } from '../tests/support/goodSense';

/** How far apart two kits are: pieces that must be swapped, taken along or left, a swap counted once. */
const apart = (a: ReadonlySet<string>, b: ReadonlySet<string>): number =>
  Math.max([...a].filter((id) => !b.has(id)).length, [...b].filter((id) => !a.has(id)).length);

const kitOf = (o: PlannedOuting): { kit: Set<string>; cost: number } => {
  const c = caseOf(o);
  const { plan, scored } = makePlan({ ...c, closet: c.garments, sport: o.sport });
  return { kit: new Set([...plan.worn, ...plan.carried]), cost: scored.total };
};

/** Small changes of the question: a kelvin, a metre a second, a quarter of effort. */
const STEPS: Record<string, (o: PlannedOuting, sign: number) => PlannedOuting> = {
  air: (o, s) => ({ ...o, airC: o.airC + s }),
  wind: (o, s) => ({ ...o, wind: Math.max(0, o.wind + s) }),
  effort: (o, s) => ({
    ...o,
    legs: o.legs.map(([m, sport, e, shelter, more]) => [m, sport, e === null ? null : e + 0.25 * s, shelter, more]),
  }),
};

/** Pieces that change with each small change of each of `n` outings; the mean is wished at most 1.5. */
export function stabilityProof(n: number, say: (line: object) => void): void {
  const dry = OUTINGS.filter((o) => !o.fall && !o.closet && o.airC >= -20 && o.airC <= 5);
  const some = Array.from(
    { length: Math.min(n, dry.length) },
    (_, i) => dry[Math.floor((i * dry.length) / Math.min(n, dry.length))],
  );
  const all: number[] = [];
  for (const o of some) {
    const here = kitOf(o);
    const moved = Object.entries(STEPS).flatMap(([name, step]) =>
      [-1, 1].map((sign) => {
        const there = kitOf(step(o, sign));
        const swaps = apart(here.kit, there.kit);
        all.push(swaps);
        const gone = [...here.kit].filter((id) => !there.kit.has(id)).join(' ');
        const come = [...there.kit].filter((id) => !here.kit.has(id)).join(' ');
        return `${name}${sign > 0 ? '+' : '-'} ${swaps}: ${gone} > ${come}`;
      }),
    );
    say({ outing: o.name, cost: here.cost, moved });
  }
  say({ stability: all.length, meanPieces: all.reduce((a, b) => a + b, 0) / all.length, most: Math.max(...all) });
}
