import { EXTREME, newExtremes } from '@/core/judge/extremes';
import type { Metrics } from '@/core/judge/metrics';

const at = (value: number) => ({ value, atS: 1200 });
const none = () => new Float64Array(1);

/** Metrics of a run in which nothing goes wrong; a test moves one number of it. */
export const calm = (over: Partial<Metrics> = {}): Metrics => ({
  fingers: at(28),
  toes: at(27),
  face: at(20),
  scalp: at(30),
  limbs: at(26),
  ears: at(Infinity),
  torso: at(32),
  torsoMargin: { ...at(5), torsoC: 31 },
  coreHigh: at(37.8),
  hotCore: { ...at(37.8), coreC: 37.8 },
  coreLow: at(36.9),
  waterPeak: at(20),
  legWaterPeak: at(5),
  chillingWater: at(20),
  waterEnd: 10,
  basePeak: at(0.1),
  baseChills: at(0.1),
  wetPeak: at(0.2),
  sweatG: 200,
  shiverMinutes: 0,
  clumsyMinutes: 0,
  hotMinutes: 0,
  coldMinutes: 0,
  feltHot: at(0.5),
  feltCold: at(-0.5),
  wornKg: none(),
  warmOn: none(),
  layersOn: none(),
  coatsOn: none(),
  effort: none(),
  stopLoss: at(2),
  stopLosses: [2],
  felt: at(-5),
  feltBare: at(-5),
  airways: { ...at(Infinity), load: 'none' },
  heatDebt: at(5),
  frostPeakG: 0,
  fogMinutes: 0,
  fogAtS: 0,
  mouthIce: at(0),
  sensation: none(),
  heatWm2: none(),
  hotCoreC: none(),
  torsoSkin: none(),
  torsoWet: none(),
  waterG: none(),
  legWaterG: none(),
  feetWaterG: none(),
  frostG: none(),
  baseShare: none(),
  ...over,
});

/** Worst values of a run in which nothing goes wrong. */
export function calmExtremes(over: Record<number, number> = {}): Float64Array {
  const w = newExtremes();
  for (const place of [EXTREME.faceC, EXTREME.fingersC, EXTREME.toesC, EXTREME.torsoMarginK]) w[place] = 30;
  w[EXTREME.coreLowC] = 37;
  w[EXTREME.hotCoreC] = 37.5;
  for (const [place, value] of Object.entries(over)) w[Number(place)] = value;
  return w;
}
