import { type Garment } from '@/core/clothing/garment';
import { type Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/kit/plan';
import { refuse } from './problem';
import { actionsBetween, type Worn } from '@/core/kit/difference';

/** What a leg of a case says of clothes. */
interface LegWear {
  worn?: string[];
  openings?: Record<string, Record<string, number>>;
}

/** Turns "worn on each leg" into a start kit and cues at the legs' starts. */
export function kitOfLegs(legs: LegWear[], garments: Garment[], timeline: Timeline, file: string): Plan {
  const byId = new Map(garments.map((g) => [g.id, g]));
  const worns: Worn[] = [];
  let worn: string[] = [];
  let settings: Record<string, Record<string, number>> = {};
  legs.forEach((l, i) => {
    worn = l.worn ?? worn;
    settings = l.openings ? { ...settings, ...l.openings } : settings;
    for (const id of [...worn, ...Object.keys(l.openings ?? {})])
      if (!byId.has(id))
        refuse(file, `legs.${i}.worn`, id, `ids of the garments given: ${garments.map((g) => g.id).join(', ')}`);
    const open: Worn['open'] = new Map(
      worn.map((id) => [id, new Map(byId.get(id)!.openings.map((o) => [o.id, settings[id]?.[o.id] ?? o.usual]))]),
    );
    for (const id of Object.keys(l.openings ?? {}))
      for (const o of Object.keys(l.openings![id]))
        if (!byId.get(id)!.openings.some((x) => x.id === o))
          refuse(
            file,
            `legs.${i}.openings.${id}`,
            o,
            byId
              .get(id)!
              .openings.map((x) => x.id)
              .join(', ') || 'this garment has no openings',
          );
    worns.push({ on: new Set(worn), open });
  });
  const openings: Plan['openings'] = {};
  for (const [id, set] of worns[0].open) if (set.size > 0) openings[id] = Object.fromEntries(set);
  const carried = new Set<string>();
  const cues = worns.slice(1).flatMap((w, i) => {
    const actions = actionsBetween(worns[i], w);
    for (const a of actions) if (a.do === 'putOn' && !worns[0].on.has(a.garment)) carried.add(a.garment);
    return actions.length > 0 ? [{ atS: timeline.legStartS[i + 1], actions }] : [];
  });
  return { worn: [...worns[0].on], carried: [...carried], openings, cues };
}
