import { vapourPressure } from '@/core/atmosphere/humidity';
import { bodyArea, type Person } from '@/core/body/person';
import { ensemble } from '@/core/clothing/ensembleInsulation';
import type { Garment } from '@/core/clothing/garment';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/kit/plan';
import { settingAt, wornAt } from '@/core/kit/replay';
import { durationLimit, requiredInsulation, type ColdTask } from './ireq';

/** ISO 11079 on one leg: what it asks for, what is worn, how long that lasts. */
export interface Iso11079OnLeg {
  leg: number;
  name: string;
  /** resultant insulation asked for, clo */
  ireqNeutralClo: number;
  ireqMinimalClo: number;
  /** static intrinsic insulation asked for, and that of what is worn at the leg's start, clo */
  neededClo: number;
  wornClo: number;
  /** duration-limited exposure in what is worn, h; null where it is unlimited */
  limitHours: number | null;
}

/** The standard's relations end at work like this, W/m²: whoever works harder needs no more clothes. */
const HARDEST_WM2 = 400;
const STILL = { airC: 20, relativeWind: 0.15, pumping: 0, packOn: false };

/** The standard's answer for every leg of an outing under a plan. Legs above 10 °C, and indoors, are left out: it is for the cold. */
export function iso11079ByLeg(
  timeline: Timeline,
  plan: Plan,
  garments: ReadonlyMap<string, Garment>,
  person: Person,
): Iso11079OnLeg[] {
  const area = bodyArea(person);
  return timeline.legs.flatMap((leg, index) => {
    const s = timeline.stretches.find((x) => x.leg === index)!;
    if (s.airC > 10) return [];
    const worn = [...wornAt(plan, timeline.legStartS[index])].flatMap((id) => garments.get(id) ?? []);
    const outer = [...worn].filter((g) => g.group === 'torso').sort((a, b) => b.order - a.order)[0];
    const task: ColdTask = {
      metabolicWm2: Math.min(HARDEST_WM2, s.metabolicW / area),
      workWm2: s.externalW / area,
      airC: s.airC,
      humidity: Math.min(1, s.vapourPa / vapourPressure(s.airC, 1)),
      windMs: s.relativeWind,
      walkMs: s.pumping,
      permeability: outer?.airPermeability ?? 100,
    };
    const neutral = requiredInsulation(task, 'neutral');
    const wornClo =
      worn.length > 0 ? ensemble(worn, STILL, openingsAt(plan, worn, timeline.legStartS[index])).intrinsicClo : 0;
    const limit = durationLimit(task, Math.max(0, Math.min(8, wornClo)));
    return [
      {
        leg: index,
        name: leg.name,
        ireqNeutralClo: neutral.ireqClo,
        ireqMinimalClo: requiredInsulation(task, 'minimal').ireqClo,
        neededClo: neutral.intrinsicClo,
        wornClo,
        limitHours: Number.isFinite(limit) ? limit : null,
      },
    ];
  });
}

/** How the openings of what is worn stand at a moment: an open hood or a tube pulled down covers nothing. */
const openingsAt = (plan: Plan, worn: readonly Garment[], atS: number): Record<string, Record<string, number>> =>
  Object.fromEntries(
    worn.map((g) => [g.id, Object.fromEntries(g.openings.map((o) => [o.id, settingAt(plan, g, o.id, atS)]))]),
  );
