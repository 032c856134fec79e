'use client';
import { useCallback, useState } from 'react';
import type { Wishes } from '@/core/search/wishes';
import { useOutbox } from '@/ui/outbox/useOutbox';
import type { ScoreProps } from './useScore';

/** How plans are wanted: of this outing, where it has wishes of its own, and usually. Both are stored by themselves. */
export function useWishes(outingId: string, stored: ScoreProps['wishes'], storedUsual: ScoreProps['usual']) {
  // Null is a value here, hence the wrapping: an outing without wishes of its own.
  const [own, setOwn] = useState<{ of: Wishes | null }>(() => ({ of: stored.own }));
  const [first] = useState(own);
  const [usual, setUsual] = useState(storedUsual.wishes);
  useOutbox<{ of: Wishes | null }>({
    thing: `wishes of ${outingId}`,
    says: 'How you want this outing',
    path: `/api/outings/${outingId}/wishes`,
    value: own,
    stored: first,
    version: stored.version,
    wrap: (w) => ({ own: w.of }),
    unwrap: (body) => ({ of: body.own as Wishes | null }),
    onStored: () => {},
    onTaken: setOwn,
  });
  useOutbox<Wishes>({
    thing: 'wishes',
    says: 'How you want it',
    path: '/api/athlete/wishes',
    value: usual,
    stored: storedUsual.wishes,
    version: storedUsual.version,
    wrap: (w) => ({ wishes: w }),
    unwrap: (body) => body.wishes as Wishes,
    onStored: () => {},
    onTaken: setUsual,
  });
  return {
    own: own.of,
    usual,
    /** @param wishes of this outing; null: as usual */
    wish: useCallback((wishes: Wishes | null) => setOwn({ of: wishes }), []),
    /** what this outing wants becomes the usual, and the outing follows it */
    makeUsual: useCallback(() => {
      if (!own.of) return;
      setUsual(own.of);
      setOwn({ of: null });
    }, [own]),
  };
}
