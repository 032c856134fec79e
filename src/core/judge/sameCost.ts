import { clamp } from '@/core/quantity/range';

/** Plans this near to each other in cost are the same to anybody, points (engineering value: two minutes of annoyance). */
export const SAME_POINTS = 0.03;
/** Plans that cost more may differ by a share of the whole and be the same to anybody, up to so many points (engineering values). */
const SAME_SHARE = 0.015;
const SAME_AT_MOST = 0.045;

/** How much dearer than so many points a plan may be that nobody could tell apart, points. @param atLeast however little it costs, 0–0.045 points */
export const sameWithin = (points: number, atLeast = SAME_POINTS): number =>
  clamp(SAME_SHARE * points, atLeast, SAME_AT_MOST);
