import type { Sport } from './activity';

/**
 * Share of the working muscle's heat released in each zone, by sport; rows sum to 1.
 * Walking and running: Tanabe 65MN 2002 "Metf" (pelvis .13, thighs .40, calves .20, trunk .17, arms .08, from memory).
 * Skiing and cycling: our engineering split after which muscles work; poles load arms, chest and back.
 * Columns: head (scalp, face, neck together), chest, back, pelvis, arms, hands, thighs, calves, feet.
 */
export type MuscleRow = readonly [number, number, number, number, number, number, number, number, number];

const LEGS: MuscleRow = [0, 0.09, 0.08, 0.13, 0.08, 0.01, 0.4, 0.2, 0.01];
const POLES: MuscleRow = [0, 0.13, 0.14, 0.13, 0.16, 0.01, 0.29, 0.13, 0.01];
const PEDALS: MuscleRow = [0, 0.05, 0.06, 0.18, 0.04, 0.005, 0.5, 0.16, 0.005];
const POSTURE: MuscleRow = [0, 0.13, 0.15, 0.17, 0.1, 0.01, 0.28, 0.14, 0.02];

export const MUSCLE_SHARE: Record<Sport, MuscleRow> = {
  run: LEGS,
  walk: LEGS,
  hike: LEGS,
  snowshoe: LEGS,
  'ski tour': [0, 0.1, 0.1, 0.14, 0.11, 0.01, 0.36, 0.17, 0.01],
  'classic ski': POLES,
  'skate ski': POLES,
  'downhill ski': [0, 0.06, 0.08, 0.16, 0.06, 0.01, 0.44, 0.18, 0.01],
  cycle: PEDALS,
  chairlift: POSTURE,
  stand: POSTURE,
  sit: POSTURE,
  camp: [0, 0.12, 0.13, 0.14, 0.17, 0.02, 0.27, 0.14, 0.01],
  hut: POSTURE,
  drive: POSTURE,
  sleep: POSTURE,
};
