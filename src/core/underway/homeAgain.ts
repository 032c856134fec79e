import { bodyParameters } from '@/core/body/bodyParameters';
import { readTold, wordAt, type FeltThen } from '@/core/calibrate/readings';
import { PARTS, type Felt, type Part } from '@/core/calibrate/words';
import type { Garment } from '@/core/clothing/garment';
import { garmentWater } from '@/core/judge/garmentWater';
import type { Scored } from '@/core/judge/scorePlan';
import { dampWaterGm2, dryingMinutes, DRYING_PLACES } from '@/core/moisture/drying';
import { truncate } from '@/core/outing/truncate';
import { runPlan, type Question } from '@/core/questions/question';
import type { Believed } from './now';
import { questionNow } from './now';
import type { OutThere } from './outThere';
import type { Opened } from './pack';

/** A piece that comes home wet: water in it, g, and minutes on a line indoors till it is dry; null: longer than anybody waits. */
export interface WetPiece {
  garment: string;
  waterG: number;
  /** the same spread over all its cloth, g/m² */
  dampGm2: number;
  dryMin: number | null;
}

/** What the hall asks about, and what the run would have one say. */
export interface HomeAgain {
  thought: Record<Part, Felt>;
  wet: WetPiece[];
}

/** A way shorter than this is run for as long all the same, s. */
const LEAST_S = 60;
/** Water that is worth hanging, g. */
const LEAST_G = 2;
/** What is to be expected of somebody who is home, from the way as it was gone. @throws OutOfRange */
export function homeAgain(opened: Opened, out: OutThere, belief: Believed): HomeAgain {
  const whole = questionNow(opened, out, belief, 'never');
  // Home is when one says so, early or late.
  const timeline = truncate(whole.timeline, Math.max(LEAST_S, out.nowS)) ?? whole.timeline;
  const q = { ...whole, timeline };
  const scored = runPlan(q, q.plan, { stepS: 30 });
  return { thought: thoughtOf(q, scored), wet: wetPieces(scored, q.person, q.closet) };
}

/** The same reading that is learned from, so that what was expected and what teaches are one. */
function thoughtOf(q: Question, scored: Scored): Record<Part, Felt> {
  const felt = PARTS.map((part): FeltThen => ({ part, word: 'fine', fromS: 0, toS: q.timeline.endS }));
  const readings = readTold({ felt, weighed: [], closet: q.closet, timeline: q.timeline }, scored, q.person).felt;
  return Object.fromEntries(PARTS.map((part, i) => [part, wordAt(part, readings[i])])) as Record<Part, Felt>;
}

/** What of a closet is wet at the end of a run, the wettest first. */
export function wetPieces(
  scored: Scored,
  person: Parameters<typeof bodyParameters>[0],
  closet: readonly Garment[],
): WetPiece[] {
  const area = [...bodyParameters(person).area];
  const last = scored.series.rows - 1;
  return closet
    .flatMap((g): WetPiece[] => {
      if (!scored.garmentIds.includes(g.id)) return [];
      const { waterG } = garmentWater(scored, area, g, last);
      if (waterG < LEAST_G) return [];
      // Spread over all its cloth: mass over mass per area.
      const dampGm2 = (waterG * g.weightGm2) / g.massG;
      const minutes = dryingMinutes(g, dampWaterGm2(g, dampGm2), DRYING_PLACES['on a line indoors']);
      return [{ garment: g.id, waterG, dampGm2, dryMin: Number.isFinite(minutes) ? minutes : null }];
    })
    .sort((a, b) => b.waterG - a.waterG);
}
