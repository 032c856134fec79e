import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { isStop } from '@/core/effort/sports';
import { askedAt } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import { alongOf } from './edit';
import { isRace } from './followable';
import type { Plan } from './plan';
import { everWorn, wornAt } from './replay';

/** From when to when a race is run that begins and ends at a stop, s. */
export interface Race {
  fromS: number;
  untilS: number;
}

/**
 * The race of an outing that begins with a stop, the start pen, and goes on from there at race effort; null where there is none. What is worn in the pen is
 * handed in there, or to somebody, and is back at the finish (common practice, no published source).
 */
export function raceOf(timeline: Timeline, person: Pick<Person, 'vo2maxMl' | 'massKg'>): Race | null {
  const { legs, legStartS } = timeline;
  const first = legs.findIndex((leg) => !isStop(leg));
  if (first < 1 || !isRace(person, askedAt(timeline, legStartS[first] + 0.5))) return null;
  const last = legs.findLastIndex((leg) => !isStop(leg));
  return { fromS: legStartS[first], untilS: legStartS[last + 1] };
}

const NOTHING: ReadonlySet<string> = new Set();

/** Ids of what is in the bag while a race is run: worn before it or after it, and at no time during it. @param race null: nothing is */
export function bagOf(plan: Plan, race: Race | null): ReadonlySet<string> {
  if (!race) return NOTHING;
  const { fromS, untilS } = race;
  const cues = plan.cues.filter((c) => c.atS > fromS && c.atS < untilS - 0.5);
  const during = everWorn({ ...plan, worn: [...wornAt(plan, fromS)], cues });
  return new Set([...everWorn(plan)].filter((id) => !during.has(id)));
}

/** What of a closet is along and within reach at a moment, s: during a race not what is in the bag. */
export function inReach(
  { plan, closet, timeline, person }: { plan: Plan; closet: readonly Garment[]; timeline: Timeline; person: Person },
  atS: number,
): Garment[] {
  const race = raceOf(timeline, person);
  const bag = race && atS >= race.fromS && atS < race.untilS ? bagOf(plan, race) : NOTHING;
  return alongOf(closet, plan).filter((g) => !bag.has(g.id));
}
