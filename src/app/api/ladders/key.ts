import { DOOR_SPORTS, type DoorSport } from '@/core/outing/doorDay';
import { refuse } from '@/formats/problem';
import type { Units } from '@/formats/measures';
import { SHELTER_WORDS } from '@/formats/spokenWords';
import type { LadderKey } from '@/store/ladders';

/** One of a list, from the address. @throws Refused */
export function askedFor<T extends string>(request: Request, field: string, list: readonly T[], usual: T): T {
  const value = new URL(request.url).searchParams.get(field);
  if (value === null) return usual;
  return list.find((x) => x === value) ?? refuse('Request', field, value, list.join(', '));
}

/** Which ladder is asked about: `?sport=&shelter=&units=`. @throws Refused */
export const ladderKey = (request: Request): LadderKey => ({
  sport: askedFor<DoorSport>(request, 'sport', DOOR_SPORTS, 'run'),
  shelter: askedFor(
    request,
    'shelter',
    SHELTER_WORDS.map(([s]) => s),
    'open',
  ),
  units: askedFor<Units>(request, 'units', ['metric', 'imperial'], 'metric'),
});
