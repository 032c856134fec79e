import { filledAt } from '@/core/clothing/sorption';

/** Dry storage: a room at 50 % humidity. A cloth has this share of what it sorbs at saturation in it. */
export const STORED_SHARE = filledAt(0.5);

/** Water in a cloth as it comes from the closet, g/m². @param sorbed what it sorbs at saturation, g/m² */
export const storedWater = (sorbed: number): number => sorbed * STORED_SHARE;

/**
 * Water in a cloth beyond dry storage, g/m²: what lanes, traces, verdict and prices count. Cloth drier than stored counts as
 * dry: it lends no credit to what is wet elsewhere.
 */
export const beyondDry = (water: number, sorbed: number): number => Math.max(0, water - storedWater(sorbed));

/** How full a cloth is of free liquid, 0–1: none of what its fibre sorbs counts. @param holds liquid it can hold, g/m² */
export const wetShare = (water: number, sorbed: number, holds: number): number => Math.max(0, water - sorbed) / holds;
