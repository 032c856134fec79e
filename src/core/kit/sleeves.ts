import type { Garment } from '@/core/clothing/garment';
import { sleevesLieUnder } from '@/core/clothing/purpose';
import type { KitAction, Plan } from './plan';
import { settingAt, tidy, wornAt } from './replay';

const isOfSleeves = (g: Garment, opening: string): boolean =>
  g.openings.some((o) => o.kind === 'sleeves' && o.id === opening);

/** The pieces of a plan whose sleeves it ever rolls. */
function rolls(plan: Plan, garments: ReadonlyMap<string, Garment>): Garment[] {
  const set = [
    ...Object.entries(plan.openings).flatMap(([id, all]) => Object.entries(all).map(([o, v]) => [id, o, v] as const)),
    ...plan.cues.flatMap((c) =>
      c.actions.flatMap((a) => (a.do === 'set' ? [[a.garment, a.opening, a.setting] as const] : [])),
    ),
  ];
  const ids = set
    .filter(([id, o, v]) => v > 0 && garments.has(id) && isOfSleeves(garments.get(id)!, o))
    .map(([id]) => id);
  return [...new Set(ids)].map((id) => garments.get(id)!);
}

/** What a plan has rolled up at some time beneath another layer: nobody rolls sleeves there (common practice, no published source). */
export function rolledBeneath(plan: Plan, garments: ReadonlyMap<string, Garment>): Garment[] {
  return rolls(plan, garments).filter((g) =>
    [0, ...plan.cues.map((c) => c.atS)].some((atS) => {
      const on = wornAt(plan, atS);
      const worn = [...on].flatMap((id) => garments.get(id) ?? []);
      return (
        on.has(g.id) &&
        sleevesLieUnder(g, worn) &&
        g.openings.some((o) => o.kind === 'sleeves' && settingAt(plan, g, o.id, atS) > 0)
      );
    }),
  );
}

/** A plan with the sleeves down of what it has rolled up beneath another layer. */
export function sleevesDown(plan: Plan, garments: ReadonlyMap<string, Garment>): Plan {
  const beneath = rolledBeneath(plan, garments);
  if (beneath.length === 0) return plan;
  const byId = new Map(beneath.map((g) => [g.id, g]));
  const keeps = (id: string, opening: string): boolean => !byId.has(id) || !isOfSleeves(byId.get(id)!, opening);
  const stays = (a: KitAction): boolean => a.do !== 'set' || keeps(a.garment, a.opening);
  const openings = Object.fromEntries(
    Object.entries(plan.openings).map(([id, all]) => [
      id,
      Object.fromEntries(Object.entries(all).filter(([o]) => keeps(id, o))),
    ]),
  );
  return tidy({ ...plan, openings, cues: plan.cues.map((c) => ({ ...c, actions: c.actions.filter(stays) })) });
}
