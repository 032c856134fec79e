'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Plan } from '@/core/kit/plan';
import type { Outing } from '@/core/outing/outing';
import { MOST_LEAD_DAYS } from '@/core/questions/daySpread';
import { behindInWorker, type Asked, type Behind, type Setting } from '@/workers/client';

/** Left alone this long, a plan is looked into, ms. */
const REST_MS = 900;
const DAY_MS = 24 * 3600_000;

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
 * @param when `later`: something more urgent wants the processor; work under way is given up, and begun again after
 */
export function useBehind(
  setting: Setting,
  plan: Plan | null,
  when: 'now' | 'later',
): { parts: Partial<Behind>; failed: string | null } {
  const [found, setFound] = useState(NOTHING);
  const about = useMemo(() => plan && { setting, plan }, [setting, plan]);
  const over = found.over && found.about === about;
  useEffect(() => {
    if (!about || when === 'later' || over) return;
    let work: Asked<void> | undefined;
    const tell = (more: (f: Found) => Partial<Found>) =>
      setFound((f) => (f.about === about ? { ...f, ...more(f) } : f));
    const timer = setTimeout(() => {
      setFound({ ...NOTHING, about });
      const leadDays = leadDaysOf(about.setting.outing, Date.now());
      work = behindInWorker(about.setting, about.plan, leadDays, (part) =>
        tell((f) => ({ parts: { ...f.parts, ...part } })),
      );
      work.result.then(
        () => tell(() => ({ over: true })),
        (e: Error) => tell(() => ({ over: true, failed: e.message })),
      );
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      work?.cancel();
    };
  }, [about, when, over]);
  return found.about === about ? found : NOTHING;
}
