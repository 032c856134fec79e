import { ANYBODY_SPREAD, type AthleteSpread } from '@/core/questions/athleteSpread';
import { of, type Learned } from './learned';

/**
 * What one and the same athlete differs by from day to day, however well they are known: about half of what people differ by among
 * themselves (engineering values; sweat from day to day some 12 %, from memory).
 */
const DAY_SHARE = 0.5;

/**
 * How unsure an athlete is by what is known of them, and by how days differ, which no outing ends. Of anybody both together are what people
 * differ by: so of that only the part that is not days shrinks with what is known.
 */
export function unsureOf(known: Learned | null): AthleteSpread {
  if (!known) return ANYBODY_SPREAD;
  const with_ = (sd: number, anybody: number): number =>
    Math.min(anybody, Math.sqrt(sd * sd * (1 - DAY_SHARE * DAY_SHARE) + DAY_SHARE * anybody * (DAY_SHARE * anybody)));
  const any = ANYBODY_SPREAD;
  return {
    effortShare: with_(of(known, 'heat').sd, any.effortShare),
    sweatShare: with_(of(known, 'sweat').sd, any.sweatShare),
    constrictionShare: with_(of(known, 'closing').sd, any.constrictionShare),
    comfortK: with_(of(known, 'comfort').sd, any.comfortK),
  };
}
