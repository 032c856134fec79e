import { bodyParameters } from '@/core/body/bodyParameters';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { COLD_HANDS, VOTE } from '@/core/calibrate/votes';
import type { Garment } from '@/core/clothing/garment';
import { garmentWater } from '@/core/judge/garmentWater';
import { LIMIT, SETTLE_S } from '@/core/judge/limits';
import type { Scored } from '@/core/judge/scorePlan';
import { dampWaterGm2, dryingMinutes, DRYING_PLACES } from '@/core/moisture/drying';
import { truncate } from '@/core/outing/truncate';
import { runPlan } from '@/core/questions/question';
import type { Believed } from './now';
import { questionNow } from './now';
import type { OutThere } from './outThere';
import type { Opened } from './pack';
import type { Felt, Part } from './taps';

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
/** What is remembered of a day is a tenth of it, on either side (engineering value). */
const TENTH = 0.1;
/** Toes and fingers under this are called cool: ISO 11079's comfortable hand. */
const COOL_C = LIMIT.fingerComfort;
const FACE_COOL_C = 15;

const bySkin = (c: number, coldC: number, coolC: number): Felt => (c < coldC ? 'cold' : c < coolC ? 'cool' : 'fine');
const byVote = (v: number): Felt =>
  v <= -VOTE.too ? 'cold' : v <= -0.5 ? 'cool' : v >= VOTE.too ? 'hot' : v >= 0.5 ? 'warm' : 'fine';

/** What is to be expected of somebody who is home, from the way as it was gone. @throws OutOfRange */
export function homeAgain(opened: Opened, out: OutThere, belief: Believed): HomeAgain {
  const whole = questionNow(opened, out, belief, 'never');
  // Home is when one says so, early or late.
  const timeline = truncate(whole.timeline, Math.max(LEAST_S, out.nowS)) ?? whole.timeline;
  const q = { ...whole, timeline };
  const scored = runPlan(q, q.plan, { stepS: 30 });
  return { thought: thoughtOf(scored), wet: wetPieces(scored, q.person, q.closet) };
}

function thoughtOf({ series, metrics }: Scored): Record<Part, Felt> {
  const settled = Array.from({ length: series.rows }, (_, r) => r).filter((r) => series.timeS[r] >= SETTLE_S);
  const rows = settled.length > 0 ? settled : [series.rows - 1];
  const tenth = (read: (r: number) => number): [number, number] => {
    const sorted = rows.map(read).sort((a, b) => a - b);
    const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))];
    return [at(TENTH), at(1 - TENTH)];
  };
  const coldest = (z: number) => tenth((r) => series.skinC[r * ZONE_COUNT + z])[0];
  const [low, high] = tenth((r) => metrics.sensation[r]);
  return {
    torso: byVote(Math.abs(high) > Math.abs(low) ? high : low),
    hands: bySkin(coldest(zoneIndex('fingers')), COLD_HANDS.atC - COLD_HANDS.sdK, COOL_C),
    feet: bySkin(coldest(zoneIndex('toes')), COLD_HANDS.atC - COLD_HANDS.sdK, COOL_C),
    face: bySkin(
      tenth((r) => Math.min(series.skinC[r * ZONE_COUNT + zoneIndex('face')], series.bareFaceC[r]))[0],
      LIMIT.facePain,
      FACE_COOL_C,
    ),
  };
}

function wetPieces(
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
