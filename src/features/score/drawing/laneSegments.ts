import { GROUPS, type Garment, type Group } from '@/core/clothing/garment';
import type { Plan } from '@/core/kit/plan';
import { isWorn, settingAt } from '@/core/kit/replay';

export type LaneState = 'off' | 'worn' | 'part' | 'open';

export interface LaneSegment {
  fromS: number;
  toS: number;
  state: LaneState;
}

export interface Lane {
  garment: Garment;
  segments: LaneSegment[];
  /** indexes of cues that act on this garment */
  cues: number[];
}

/** One lane a garment, grouped by zone from the head down and skin out within each. */
export function lanesOf(
  plan: Plan,
  garments: ReadonlyMap<string, Garment>,
  endS: number,
): { group: Group; lanes: Lane[] }[] {
  const used = [...new Set([...plan.worn, ...plan.carried])]
    .map((id) => garments.get(id))
    .filter((g): g is Garment => !!g);
  const marks = [0, ...plan.cues.map((c) => c.atS), endS];
  return GROUPS.map((group) => ({
    group,
    lanes: used
      .filter((g) => g.group === group)
      .sort((a, b) => a.order - b.order || a.name.localeCompare(b.name))
      .map((garment): Lane => {
        const segments: LaneSegment[] = [];
        for (let i = 0; i + 1 < marks.length; i++) {
          if (marks[i + 1] <= marks[i]) continue;
          const state = stateAt(plan, garment, marks[i]);
          const last = segments[segments.length - 1];
          if (last && last.state === state) last.toS = marks[i + 1];
          else segments.push({ fromS: marks[i], toS: marks[i + 1], state });
        }
        return {
          garment,
          segments,
          cues: plan.cues.flatMap((c, i) => (c.actions.some((a) => a.garment === garment.id) ? [i] : [])),
        };
      }),
  })).filter((g) => g.lanes.length > 0);
}

/** Worn closed, part vented, wide open or in the pack. A hood down or a tube down is no vent. */
export function stateAt(plan: Plan, g: Garment, atS: number): LaneState {
  if (!isWorn(plan, g.id, atS)) return 'off';
  const vents = g.openings.filter((o) => o.kind === 'vent' || o.kind === 'sleeves');
  if (vents.length === 0) return 'worn';
  const area = vents.reduce((s, o) => s + o.ventCm2, 0);
  const open = vents.reduce((s, o) => s + o.ventCm2 * settingAt(plan, g, o.id, atS), 0) / Math.max(1, area);
  return open < 0.08 ? 'worn' : open < 0.65 ? 'part' : 'open';
}

/** Level of wetness for the hatch: 0 dry, 4 soaked. */
export const wetLevel = (share: number): number =>
  share < 0.05 ? 0 : share < 0.15 ? 1 : share < 0.35 ? 2 : share < 0.7 ? 3 : 4;
