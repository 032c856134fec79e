import type { PrecipitationKind } from '@/core/atmosphere/precipitation';
import type { Wetting } from '@/core/moisture/wetting';
import type { Sport } from '@/core/effort/activity';

/**
 * What holds for a while on the one clock of an outing: air, effort, contact. Everything the integrator needs and nothing
 * it would have to look up. Built by `outing`; `simulate` reads it.
 */
export interface Conditions {
  /** s from the start of the outing */
  startS: number;
  endS: number;
  airC: number;
  vapourPa: number;
  /** wind relative to the moving body, m/s */
  relativeWind: number;
  /** short-wave on the body, W/m² of body surface */
  sunWm2: number;
  precipitation: PrecipitationKind;
  /** mm/h of water */
  precipitationMmH: number;
  sport: Sport;
  metabolicW: number;
  externalW: number;
  /** walking-equivalent limb speed, m/s */
  pumping: number;
  packOn: boolean;
  /** the outer layers go over the pack */
  packUnder: boolean;
  /** what wets or chills by touch, beside the weather */
  wetting: Wetting | null;
}
