import { fabricResistance, type Garment } from '@/core/clothing/garment';
import { changesOf } from '@/core/kit/cueWords';
import type { KitAction, Plan } from '@/core/kit/plan';
import { settingAt, wornAt } from '@/core/kit/replay';

/** One thing to do, and how long it takes, s. */
export interface DressStep {
  garment: string;
  says: string;
  seconds: number;
}

/**
 * In which order cold hands put on what is along: what is worn is shut first, since that takes seconds; then hands, since all else
 * needs them; then the warmest over the torso, head, face and legs (common practice, no published source).
 */
const RANK: Record<Garment['group'], number> = { torso: 2, hands: 1, head: 3, face: 4, legs: 5, eyes: 6, feet: 7 };
/** Socks and a second base are no quick help to somebody who is cold outdoors. */
const helps = (g: Garment): boolean => (g.group !== 'feet' || g.role === 'heater') && g.role !== 'base';

/** Everything in reach that can go on now, in the order of doing it. @param reach garments @param atS s since the start, on the plan's clock */
export function warmestOrder(
  plan: Plan,
  reach: readonly Garment[],
  atS: number,
): { steps: DressStep[]; actions: KitAction[] } {
  const byId = new Map(reach.map((g) => [g.id, g]));
  const on = wornAt(plan, atS);
  const along = [...new Set([...plan.worn, ...plan.carried])].flatMap((id) => byId.get(id) ?? []);
  const shut = along
    .filter((g) => on.has(g.id))
    .map((g) =>
      g.openings
        .filter((o) => settingAt(plan, g, o.id, atS) > 0)
        .map((o): KitAction => ({ do: 'set', garment: g.id, opening: o.id, setting: 0 })),
    )
    .filter((a) => a.length > 0);
  const put = along
    .filter((g) => !on.has(g.id) && helps(g))
    .sort((a, b) => RANK[a.group] - RANK[b.group] || fabricResistance(b) - fabricResistance(a))
    .map((g): KitAction[] => [
      { do: 'putOn', garment: g.id },
      ...g.openings.map((o): KitAction => ({ do: 'set', garment: g.id, opening: o.id, setting: 0 })),
    ]);
  const all = [...shut, ...put];
  const steps = all.flatMap((actions) =>
    changesOf(actions, byId)
      .slice(0, 1)
      .map((c): DressStep => ({ garment: c.garment, says: c.text, seconds: c.seconds })),
  );
  return { steps, actions: all.flat() };
}
