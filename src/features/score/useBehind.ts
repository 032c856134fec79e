'use client';
import { useEffect, useState } from 'react';
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

/** What lies behind the plan shown, part by part; empty while it is being worked out. */
export function useBehind(
  person: Person,
  closet: Garment[],
  outing: Outing,
  damp: Record<string, number>,
  wishes: Wishes,
  plan: Plan | null,
): { parts: Partial<Behind>; failed: string | null } {
  const [found, setFound] = useState<{ for: Plan | null; parts: Partial<Behind>; failed: string | null }>({
    for: null,
    parts: {},
    failed: null,
  });
  useEffect(() => {
    if (!plan) return;
    const running: { end?: () => void } = {};
    const timer = setTimeout(() => {
      setFound({ for: plan, parts: {}, failed: null });
      running.end = behindInWorker(
        { person, closet, outing, plan, damp, wishes, leadDays: leadDaysOf(outing, Date.now()) },
        (part) => setFound((f) => (f.for === plan ? { ...f, parts: { ...f.parts, ...part } } : f)),
        (e) => setFound((f) => (f.for === plan ? { ...f, failed: e.message } : f)),
      );
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      running.end?.();
    };
  }, [person, closet, outing, damp, wishes, plan]);
  return found.for === plan ? found : { parts: {}, failed: null };
}
