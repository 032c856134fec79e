'use client';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Plan } from '@/core/kit/plan';
import type { StoredPlan } from '@/store/plans';
import { request } from '@/ui/api';
import { useAutosave } from '@/ui/autosave';

/** `Plan A` to `Plan Z`, the first that is free. */
export function freeName(plans: readonly Pick<StoredPlan, 'name'>[]): string {
  const taken = new Set(plans.map((p) => p.name));
  const letters = Array.from({ length: 26 }, (_, i) => `Plan ${String.fromCharCode(65 + i)}`);
  return letters.find((n) => !taken.has(n)) ?? `Plan ${plans.length + 1}`;
}

/**
 * The stored plans of an outing: which one is shown, and storing what is edited of it.
 * @param value the plan at rest
 */
export function usePlans(outingId: string, first: readonly StoredPlan[], value: Plan | null) {
  const [plans, setPlans] = useState<readonly StoredPlan[]>(first);
  const [chosen, setChosen] = useState<string | null>(first[first.length - 1]?.id ?? null);
  const shown = plans.find((p) => p.id === chosen) ?? null;
  const put = (p: StoredPlan) => setPlans((list) => list.map((x) => (x.id === p.id ? p : x)));

  const saving = useAutosave<Plan, StoredPlan>({
    id: `plan ${chosen ?? 'none'}`,
    value: shown ? value : null,
    stored: shown?.plan ?? null,
    save: (plan, also) =>
      request<StoredPlan>('PUT', `/api/plans/${shown!.id}`, { name: shown!.name, plan, version: shown!.version }, also),
    // What was sent is kept, not what came back: they say the same, and edits are told apart by identity.
    onStored: (plan, stored) => put({ ...stored, plan }),
  });

  const create = useMutation({
    mutationFn: ({ name, plan }: { name: string; plan: Plan }) =>
      request<StoredPlan>('POST', `/api/outings/${outingId}/plans`, { name, plan }),
    onSuccess: (stored, { plan }) => {
      setPlans((list) => [...list, { ...stored, plan }]);
      setChosen(stored.id);
    },
  });
  const rename = useMutation({
    mutationFn: ({ plan, name }: { plan: StoredPlan; name: string }) =>
      request<StoredPlan>('PUT', `/api/plans/${plan.id}`, { name, plan: plan.plan, version: plan.version }),
    onSuccess: (stored, { plan }) => put({ ...stored, plan: plan.plan }),
  });
  const remove = useMutation({
    mutationFn: (plan: StoredPlan) => request('DELETE', `/api/plans/${plan.id}`),
    onSuccess: (_, plan) => setPlans((list) => list.filter((p) => p.id !== plan.id)),
  });
  const error = saving.error ?? create.error ?? rename.error ?? remove.error;
  return {
    plans,
    shown,
    saveState: saving.state,
    saveNow: saving.flush,
    error,
    /** keeps a plan under a new name, and shows it */
    keep: (plan: Plan, name = freeName(plans)) => create.mutate({ name, plan }),
    /** shows another; what was edited of the one before is on its way already */
    choose: (id: string | null) => {
      saving.flush();
      setChosen(id);
    },
    rename: (plan: StoredPlan, name: string) => rename.mutate({ plan, name }),
    remove: (plan: StoredPlan) => remove.mutateAsync(plan),
  };
}
