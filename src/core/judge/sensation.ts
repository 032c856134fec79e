import { clamp, ramp } from '@/core/quantity/range';
import { SHIVER_FREE_W, SHIVERS_W } from './limits';

/** ISO 10551 perceptual words, −3 to 3. */
export const SENSATION_WORDS = ['very cold', 'cold', 'cool', 'neutral', 'warm', 'hot', 'very hot'] as const;

/**
 * Mean skin temperature people find comfortable at a heat production, °C: `35.7 − 0.0275 (M − W)`, W/m².
 * Fanger 1970 (ISO 7730), measured to about 180 W/m² and carried on to 420 here: working people like a cool skin.
 */
export function comfortableSkin(heatWm2: number): number {
  return 35.7 - 0.0275 * clamp(heatWm2, 40, 420);
}

/** Torso skin below which one is chilled through, °C: this far under what is comfortable at that effort. */
export function coldTorso(heatWm2: number): number {
  return comfortableSkin(heatWm2) - 6.5;
}

/** Heat production up to which ISO 7730 tells votes, W/m² (4 met); beyond, the comfort line is carried on for what feels cool. */
const ASKED_WM2 = 232;
/** Votes a kelvin of torso skin below what is comfortable, and above it (engineering values near the usual fits). */
const COOLER_VOTES = 0.42;
const WARMER_VOTES = 0.6;

/** Skin that is felt as very hot, °C: no vote is left for warmer skin (of people who call it hot, Gagge, Stolwijk & Saltin 1969, from memory). */
const VERY_HOT_C = 36;
const VERY_HOT = 3;
/** Who works hard expects to be warm: so much less warmth is felt at the last of these heat productions, W/m² (engineering values). */
const EXPECTS = 0.45;
const HARD_WM2 = [ASKED_WM2, 420] as const;

/**
 * Votes for skin so many kelvin warmer than comfortable: a way from what is comfortable at that work to what is very hot. So in shorts air of 20 °C is about neutral at 40 % of the
 * maximum and of 30 °C warm, at 70 % air of 10 °C about neutral, of 20 °C warm and of 30 °C hot (Gagge, Stolwijk & Saltin 1969, from memory), and heat is no risk of a race up to
 * 18 °C of wet bulb globe temperature (American College of Sports Medicine 2007, from memory).
 */
function warmVotes(warmerK: number, heatWm2: number): number {
  const perK = Math.min(WARMER_VOTES, VERY_HOT / (VERY_HOT_C - comfortableSkin(heatWm2)));
  return warmerK * perK * (1 - EXPECTS * ramp(heatWm2, HARD_WM2));
}

/** Between these the core is not felt, °C: its daily course and the fall at the onset of work (engineering values). */
const CORE_FELT_COLD = 36.7;
const CORE_FELT_WARM = 37.1;

/**
 * Whole-body thermal sensation, −3 very cold to +3 very hot.
 * Torso skin against what is comfortable at this effort, plus what the core still holds after work when resting, or has lost, plus clamminess, which warm skin finds
 * close and cool skin chilling, shifted by the athlete's warmth.
 * @param torsoSkinC °C  @param coreC °C, less what hard work gives anybody (`hotCore`)  @param heatWm2 metabolic heat over the last ten minutes, W/m²  @param wettedness 0–1  @param warmth K, athlete's own
 */
export function sensation(
  torsoSkinC: number,
  heatWm2: number,
  coreC: number,
  wettedness: number,
  warmth: number,
): number {
  const d = torsoSkinC - comfortableSkin(heatWm2) + warmth;
  const skin = d < 0 ? d * COOLER_VOTES : warmVotes(d, heatWm2);
  const rested = Math.max(0.15, 1 - heatWm2 / 350);
  const off = coreC > CORE_FELT_WARM ? coreC - CORE_FELT_WARM : Math.min(0, coreC - CORE_FELT_COLD);
  const core = clamp(off * 1.2, -2, 2) * rested + Math.max(0, coreC - 38.4) * 2;
  const clammy = Math.max(0, wettedness - 0.4) * 0.8 * clamp(1 + 0.8 * d, -0.6, 1);
  return clamp(skin + core + clammy, -3, 3);
}

/** From shivering that is noticed to shaking, W, and the vote of whoever shakes (ISO 10551: −2 cold). */
const SHAKES_W = [SHIVER_FREE_W, SHIVERS_W] as const;
const COLD_VOTE = -2;

/** The vote of somebody who shivers: whoever shakes is cold, however warm a thick jacket keeps the torso. @param vote by skin and core  @param shiverW heat of shivering, W */
export const shaken = (vote: number, shiverW: number): number =>
  vote - ramp(shiverW, SHAKES_W) * Math.max(0, vote - COLD_VOTE);

export function sensationWord(vote: number): string {
  return SENSATION_WORDS[Math.round(clamp(vote, -3, 3)) + 3];
}
