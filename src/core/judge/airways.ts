import type { Person } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import type { Timeline } from '@/core/outing/timeline';

/** How much cold dry air the airways get: nothing to speak of, for people with asthma, or for anybody. */
export type BreathLoad = 'none' | 'asthma' | 'all';

/**
 * Where organisers think of calling off and doctors of staying in (common practice, no published source): race effort, over so much
 * of the maximum, below −15 °C; long hard breathing below −20 °C; people with asthma earlier.
 */
export const BREATH = {
  race: { share: 0.7, airC: -15, minutes: 5 },
  hard: { share: 0.5, airC: -20, minutes: 30 },
  asthma: { share: 0.5, airC: -10, minutes: 10 },
} as const;

/** The coldest air that is breathed hard for long enough to matter, °C, when it begins, s, and for whom. */
export function airways(t: Timeline, person: Person): { value: number; atS: number; load: BreathLoad } {
  const most = maximalMetabolicRate(person.vo2maxMl, person.massKg);
  const under = ({ share, airC, minutes }: { share: number; airC: number; minutes: number }) => {
    const list = t.stretches.filter((s) => s.metabolicW >= share * most && s.airC <= airC);
    const all = list.reduce((sum, s) => sum + (s.endS - s.startS) / 60, 0);
    return all >= minutes ? list : [];
  };
  const all = [...under(BREATH.race), ...under(BREATH.hard)];
  const list = all.length > 0 ? all : under(BREATH.asthma);
  if (list.length === 0) return { value: Infinity, atS: 0, load: 'none' };
  const coldest = list.reduce((a, b) => (b.airC < a.airC ? b : a));
  return { value: coldest.airC, atS: coldest.startS, load: all.length > 0 ? 'all' : 'asthma' };
}

/** Whether breathing that hard in that air hurts anybody's airways in time: then nobody is told to press on. */
export const hurtsAirways = (
  metabolicW: number,
  airC: number,
  person: Pick<Person, 'vo2maxMl' | 'massKg'>,
): boolean => {
  const share = metabolicW / maximalMetabolicRate(person.vo2maxMl, person.massKg);
  return [BREATH.race, BREATH.hard].some((b) => share >= b.share && airC <= b.airC);
};
