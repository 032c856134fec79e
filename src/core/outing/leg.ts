import type { Shelter } from '@/core/atmosphere/windAtBody';
import type { Wetting } from './wetting';
import { isIndoors, type Sport } from '@/core/effort/sports';
import type { RidingSurface } from '@/core/effort/cycling';
import type { PrecipitationKind } from '@/core/atmosphere/precipitation';

/** How hard, in whichever terms the athlete knows. */
export type Effort =
  | { by: 'usual' }
  | { by: 'exertion'; value: number }
  | { by: 'heartRate'; value: number }
  | { by: 'power'; value: number }
  | { by: 'speed'; value: number }
  | { by: 'metabolic'; value: number; externalW?: number };

/** Air of a leg where it is given by hand instead of taken from the forecast. */
export interface LegAir {
  airC?: number;
  /** 0–1 */
  humidity?: number;
  /** m/s: the wind at 10 m, or with `windAtBody` the air speed the moving body meets, as it is */
  wind?: number;
  windAtBody?: boolean;
  /** short-wave on the body, W/m² */
  sunWm2?: number;
  precipitationMmH?: number;
  /** m above the sea, where the route does not say */
  altitudeM?: number;
  precipitation?: PrecipitationKind;
}

/** On the sunny side, or out of the sun behind the hill. */
export type Side = 'sunny' | 'shaded';
export const SIDES: Side[] = ['sunny', 'shaded'];

/** One stretch of an outing with one kind of going, or one stop. */
export interface Leg {
  name: string;
  sport: Sport;
  minutes: number;
  distanceM: number;
  /** net height gained, m, negative down */
  climbM: number;
  effort: Effort;
  shelter: Shelter;
  packOn: boolean;
  /** outer layers go over the pack; left out: the pack is outermost */
  packUnder?: boolean;
  /** what wets or chills by touch, beside the weather */
  wetting?: Wetting;
  /** which side of the valley or in which light: left out, the sky decides */
  side?: Side;
  /** stopping is impossible: only what can be done on the move */
  noStopping: boolean;
  surface?: RidingSurface;
  footprintCm?: number;
  air?: LegAir;
  /** first and last sample of the route's profile, where the leg came from one */
  profileFrom?: number;
  profileTo?: number;
}

/** Whether it goes on under a roof: by its kind, or because somebody said so. */
export const isUnderRoof = (leg: Pick<Leg, 'sport' | 'shelter'>): boolean =>
  leg.shelter === 'indoor' || isIndoors(leg.sport);

export const LEG_RANGE = {
  minutes: [0.5, 1440, 'min'],
  distanceM: [0, 200000, 'm'],
  climbM: [-4000, 4000, 'm'],
} as const;
/** More legs than anybody's day has; beyond this the input is wrong. */
export const MAX_LEGS = 400;
