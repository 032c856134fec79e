import { ramp } from '@/core/quantity/range';

/**
 * Legs that work keep what is wet on them warm, and have hardly any stop to chill at: between these shares of the maximum their water comes to count
 * by itself, beside that of the body above, and so much less of it; at a stop all of it together (wet tights are borne on a run: common practice, no published
 * source; how much are engineering values).
 */
const LEGS_LESS = 0.75;
const LEGS_WORK = [0.35, 0.5] as const;
/**
 * What socks and shoes hold chills the feet, whose cold and wet skin has prices of its own, and not the body: so much less of it counts wherever one is (engineering value:
 * feet and ankles are a fourteenth of the skin, and boots let little of it dry).
 */
const FEET_LESS = 0.75;

/** Water in what is worn beyond dry storage, g: all of it, of that what is on legs and feet, and of that what is on the feet; effort, share of the maximum. */
export interface WaterWorn {
  waterG: number;
  legWaterG: number;
  feetWaterG: number;
  effort: number;
}

/**
 * Water in the clothes as far as it chills, g: all of it where one stands, but for the feet's; at work the squares of the body's and of the legs' water add up, not the water itself.
 * Below zero counts as none.
 */
export function chillingWater({ waterG, legWaterG, feetWaterG, effort }: WaterWorn): number {
  const work = ramp(effort, LEGS_WORK);
  const onLegs = Math.max(0, legWaterG);
  const feet = Math.min(onLegs, Math.max(0, feetWaterG));
  const above = Math.max(0, waterG - onLegs);
  const legs = onLegs - FEET_LESS * feet;
  const less = legs - LEGS_LESS * work * (onLegs - feet);
  return Math.sqrt(above * above + 2 * (1 - work) * above * legs + less * less);
}
