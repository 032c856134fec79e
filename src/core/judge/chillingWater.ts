import { ramp } from '@/core/quantity/range';

/**
 * Legs and feet that work keep what is wet on them warm, and have hardly any stop to chill at: between these shares of the maximum their water comes to count
 * by itself, beside that of the body above, and so much less of it; at a stop all of it together (wet tights are borne on a run: common practice, no published
 * source; how much are engineering values).
 */
const LEGS_LESS = 0.75;
const LEGS_WORK = [0.35, 0.5] as const;

/**
 * Water in the clothes as far as it chills, g: all of it where one stands; at work the squares of the body's and of the legs' water add up, not the water itself.
 * @param waterG in all that is worn, beyond dry storage; below zero counts as none  @param legWaterG of it on legs and feet
 * @param effort share of the maximum
 */
export function chillingWater(waterG: number, legWaterG: number, effort: number): number {
  const work = ramp(effort, LEGS_WORK);
  const legs = Math.max(0, legWaterG);
  const above = Math.max(0, waterG - legs);
  const less = (1 - LEGS_LESS * work) * legs;
  return Math.sqrt(above * above + 2 * (1 - work) * above * legs + less * less);
}
