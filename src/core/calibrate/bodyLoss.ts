import { breathLatentShare } from '@/core/body/respiration';
import { bodyArea, type Person } from '@/core/body/person';
import { WATTS_PER_LITRE_MIN } from '@/core/effort/gait';
import { LATENT_VAPOUR } from '@/core/quantity/units';
import type { Scored } from '@/core/judge/scorePlan';
import { stretchAt } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';

/** Water that passes dry skin without sweating, g/m²h (about 7 in comfort; Kuno 1956, from memory). */
const INSENSIBLE_GM2H = 7;
/**
 * Mass that leaves with carbon dioxide less that of the oxygen taken up, g per litre of oxygen: 1.977 g/L of CO2 at a respiratory
 * quotient of 0.88 less 1.429 g/L of O2 (Mitchell, Nadel & Stolwijk 1972 give the equation; the quotient is that of mixed work).
 */
const GAS_G_PER_L = 1.977 * 0.88 - 1.429;

/** Weights of the body around an outing, kg and litres, as one tells them. */
export interface BodyWeights {
  beforeKg: number;
  afterKg: number;
  drankL: number;
  ateKg: number;
  passedL: number;
}

/** What the body itself lost by those weights, g: sweat, breath and gas. Drink and food count by their mass, 1 kg a litre. */
export const weighedLossG = (w: BodyWeights): number =>
  1000 * (w.beforeKg - w.afterKg + w.drankL + w.ateKg - w.passedL);

/** What a run says of the same, g: sweat, what passes dry skin, the water of the breath (ISO 11079) and the gas exchange. */
export function bodyLossG({ series, metrics }: Scored, person: Person, timeline: Timeline): number {
  const perHour = INSENSIBLE_GM2H * bodyArea(person);
  let other = 0;
  for (let r = 0; r < series.rows; r++) {
    const { airC, vapourPa } = stretchAt(timeline, series.timeS[r]);
    const watts = series.metabolicW[r];
    const breathGh = (3600 * watts * breathLatentShare(airC, vapourPa)) / LATENT_VAPOUR;
    const gasGh = 60 * (watts / WATTS_PER_LITRE_MIN) * GAS_G_PER_L;
    other += (perHour + breathGh + gasGh) * (series.stepS / 3600);
  }
  return metrics.sweatG + other;
}
