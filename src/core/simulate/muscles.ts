import { UNDER_PACK, ZONE_COUNT } from '@/core/body/zones';
import { SPORT, SPORTS, type MuscleRow, type Sport } from '@/core/effort/sports';

/** Where the muscle-share columns (head, chest, back, pelvis, arms, hands, thighs, calves, feet) go among the zones. */
const SPREAD: readonly (readonly [number, number])[] = [
  [0, 0.5], // scalp: half of "head"
  [0, 0.3], // face
  [0, 0.2], // neck
  [1, 1],
  [2, 1 - UNDER_PACK],
  [2, UNDER_PACK],
  [3, 1],
  [4, 1],
  [5, 0.7],
  [5, 0.3],
  [6, 1],
  [7, 1],
  [8, 0.8],
  [8, 0.2],
];

const byZone = (row: MuscleRow): Float64Array =>
  Float64Array.from({ length: ZONE_COUNT }, (_, z) => row[SPREAD[z][0]] * SPREAD[z][1]);

/** Share of the working muscle's heat in each of the zones, by sport. */
export const MUSCLE_BY_ZONE = Object.fromEntries(
  SPORTS.map((sport) => [sport, byZone(SPORT[sport].muscles)]),
) as Record<Sport, Float64Array>;
