import type { Garment } from '@/core/clothing/garment';
import type { Plan } from '@/core/kit/plan';

/** How the openings of one piece stand at the start where that is not as usual; empty where all are. */
export function openingsOf(plan: Plan, g: Garment): string[] {
  return g.openings.flatMap((o) => {
    const setting = plan.openings[g.id]?.[o.id];
    if (setting === undefined || setting === o.usual) return [];
    if (setting > 0.05 && setting < 0.95) return [`${o.label} half open`];
    return [setting > 0.5 ? o.openWord : o.closeWord];
  });
}

/** How the openings stand at the start where that is not as usual: `Wind shell: hood up, front zip open`. */
export function openingWords(plan: Plan, garments: ReadonlyMap<string, Garment>): string[] {
  return plan.worn.flatMap((id) => {
    const g = garments.get(id);
    const said = g ? openingsOf(plan, g) : [];
    return said.length > 0 ? [`${g!.name}: ${said.join(', ')}`] : [];
  });
}
