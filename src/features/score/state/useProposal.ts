'use client';
import { useEffect, useState } from 'react';
import type { Plan } from '@/core/kit/plan';
import type { Proposal } from '@/core/questions/propose';
import { proposeInWorker, type Asked, type Setting } from '@/workers/client';

/** Left alone this long, a plan is looked at for a better change, ms. */
const REST_MS = 400;

/**
 * The one change that helps a resting plan most.
 * @param plan null: nothing to look at now @returns undefined while it is being looked for
 */
export function useProposal(setting: Setting, plan: Plan | null): Proposal | null | undefined {
  const [found, setFound] = useState<{ plan: Plan; setting: Setting; proposal: Proposal | null } | null>(null);
  useEffect(() => {
    if (!plan) return;
    let work: Asked<Proposal | null> | undefined;
    const timer = setTimeout(() => {
      work = proposeInWorker(setting, plan);
      // A proposal is an extra: when it fails the score is still there, so nothing is said.
      work.result.then(
        (proposal) => setFound({ plan, setting, proposal }),
        () => setFound({ plan, setting, proposal: null }),
      );
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      work?.cancel();
    };
  }, [setting, plan]);
  return found && found.plan === plan && found.setting === setting ? found.proposal : undefined;
}
