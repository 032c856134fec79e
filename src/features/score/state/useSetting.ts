'use client';
import { useMemo } from 'react';
import type { Person } from '@/core/body/person';
import type { AthleteSpread } from '@/core/questions/athleteSpread';
import type { Wishes } from '@/core/search/wishes';
import type { OwnedGarment } from '@/store/closet';
import type { StoredOuting } from '@/store/outings';
import type { Setting } from '@/workers/client';

/** Who goes where in what: the same object as long as nothing of it changes, so that it crosses to a worker once. */
export function useSetting(
  outing: StoredOuting,
  { person, unsure }: { person: Person; unsure?: AthleteSpread },
  owned: OwnedGarment[],
  closetIds: string[],
  wishes: Wishes,
): Setting {
  return useMemo(
    () => ({
      person,
      unsure,
      outing,
      closet: owned.map((o) => o.garment),
      inCloset: closetIds,
      damp: Object.fromEntries(owned.filter((o) => o.dampGm2 > 0).map((o) => [o.garment.id, o.dampGm2])),
      wishes,
    }),
    [outing, person, unsure, owned, closetIds, wishes],
  );
}
