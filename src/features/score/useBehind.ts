'use client';
import { useEffect, useState } from 'react';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Outing } from '@/core/outing/outing';
import type { Plan } from '@/core/simulate/plan';
import { behindInWorker, type Behind } from '@/workers/client';

/** Left alone this long, a plan is looked into, ms. */
const REST_MS = 900;
/** A forecast is taken to be from the day before: outings carry no time of issue yet. */
const LEAD_DAYS = 1;

/** What lies behind the plan shown, part by part; empty while it is being worked out. */
export function useBehind(
  person: Person,
  closet: Garment[],
  outing: Outing,
  damp: Record<string, number>,
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
        { person, closet, outing, plan, damp, leadDays: LEAD_DAYS },
        (part) => setFound((f) => (f.for === plan ? { ...f, parts: { ...f.parts, ...part } } : f)),
        (e) => setFound((f) => (f.for === plan ? { ...f, failed: e.message } : f)),
      );
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      running.end?.();
    };
  }, [person, closet, outing, damp, plan]);
  return found.for === plan ? found : { parts: {}, failed: null };
}
