import { clamp } from '@/core/quantity/range';

/**
 * A working core settles at a temperature that goes with the share of the maximum, about 3 K from rest to all one has, whatever the weather (36.5 + 3 × share,
 * Saltin & Hermansen 1966, from memory). Limits of what a core may be are those of work of seven tenths; beyond it they rise as the core does for anybody.
 */
const PER_SHARE_K = 3;
const FROM_SHARE = 0.7;
/** They rise by so much at most, K: an unsafe core is 40 °C then, at which heat stroke of exertion is looked for (from memory). */
const MOST_K = 0.8;

/**
 * Core as limits of heat are held against, °C: less what work as hard as that gives anybody.
 * @param coreC core, °C  @param usedTo effort that the core has had time to follow, share of the maximum, 0–1.2
 */
export const hotCore = (coreC: number, usedTo: number): number =>
  coreC - clamp(PER_SHARE_K * (usedTo - FROM_SHARE), 0, MOST_K);
