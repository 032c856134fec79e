/** Where the lanes of the book stand, px: from the left, and from the top. */
export const GUTTER = 106;
export const NOTES = 104;
/** Room for half a mark at the ends, on the left beside the words of the scales. */
export const PAD = { left: 44, right: 18 };
export const MONTHS = { top: 0, high: 17 };
export const FELT = { top: 18, high: 226 };
export const CLO = { top: 254, high: 56 };
export const MISS = { top: 320, high: 74 };
export const DATES = { top: 396, high: 15 };
export const HIGH = DATES.top + DATES.high;
