/** Plans this near to each other in cost are the same to anybody, points (engineering value: two minutes of annoyance). */
export const SAME_POINTS = 0.03;
