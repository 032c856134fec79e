'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Outing } from '@/core/outing/outing';
import type { Wishes } from '@/core/plan/wishes';
import type { Plan } from '@/core/simulate/plan';
import { behindInWorker, type Behind } from '@/workers/client';

/** Left alone this long, a plan is looked into, ms. */
const REST_MS = 900;
const DAY_MS = 24 * 3600_000;
const MOST_LEAD_DAYS = 10;

/**
 * Days a forecast looks ahead: from now to the start. Outings carry no time of issue; one that lies behind us was planned the
 * day before.
 */
export function leadDaysOf(outing: Pick<Outing, 'startMs' | 'utcOffsetMin'>, nowMs: number): number {
  const days = (outing.startMs - outing.utcOffsetMin * 60_000 - nowMs) / DAY_MS;
  return days < 0 ? 1 : Math.min(MOST_LEAD_DAYS, days);
}

interface Found {
  /** what it was worked out for */
  about: object;
  parts: Partial<Behind>;
  over: boolean;
  failed: string | null;
}
const NOTHING: Found = { about: {}, parts: {}, over: false, failed: null };

/**
 * What lies behind the plan shown, part by part; empty while it is being worked out.
 * @param paused something more urgent wants the processor: work under way is given up, and begun again when that is over
 */
export function useBehind(
  person: Person,
  closet: Garment[],
  outing: Outing,
  damp: Record<string, number>,
  wishes: Wishes,
  plan: Plan | null,
  paused: boolean,
): { parts: Partial<Behind>; failed: string | null } {
  const [found, setFound] = useState(NOTHING);
  const about = useMemo(
    () => plan && { person, closet, outing, plan, damp, wishes },
    [person, closet, outing, damp, wishes, plan],
  );
  const over = found.over && found.about === about;
  useEffect(() => {
    if (!about || paused || over) return;
    const running: { end?: () => void } = {};
    const tell = (more: (f: Found) => Partial<Found>) =>
      setFound((f) => (f.about === about ? { ...f, ...more(f) } : f));
    const timer = setTimeout(() => {
      setFound({ ...NOTHING, about });
      const work = behindInWorker({ ...about, leadDays: leadDaysOf(about.outing, Date.now()) }, (part) =>
        tell((f) => ({ parts: { ...f.parts, ...part } })),
      );
      running.end = work.cancel;
      work.result.then(
        () => tell(() => ({ over: true })),
        (e: Error) => tell(() => ({ over: true, failed: e.message })),
      );
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      running.end?.();
    };
  }, [about, paused, over]);
  return found.about === about ? found : NOTHING;
}
