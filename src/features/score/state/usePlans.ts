'use client';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Plan } from '@/core/kit/plan';
import type { StoredPlan } from '@/store/plans';
import { request } from '@/ui/api';
import { useOutbox } from '@/ui/outbox/useOutbox';

interface Named {
  name: string;
  plan: Plan;
}

/** Plans are told apart by identity: an edit makes another. */
const isSame = (a: Named, b: Named): boolean => a.name === b.name && a.plan === b.plan;
const NO_PLAN: Plan = { worn: [], carried: [], openings: {}, cues: [] };

/** `Plan A` to `Plan Z`, the first that is free. */
export function freeName(plans: readonly Pick<StoredPlan, 'name'>[]): string {
  const taken = new Set(plans.map((p) => p.name));
  const letters = Array.from({ length: 26 }, (_, i) => `Plan ${String.fromCharCode(65 + i)}`);
  return letters.find((n) => !taken.has(n)) ?? `Plan ${plans.length + 1}`;
}

/**
 * The stored plans of an outing: which one is shown, and storing what is edited of it.
 * @param value the plan at rest @param onTaken what now stands there instead of it
 */
export function usePlans(
  outingId: string,
  first: readonly StoredPlan[],
  value: Plan | null,
  onTaken: (plan: Plan) => void,
) {
  const [plans, setPlans] = useState<readonly StoredPlan[]>(first);
  const [chosen, setChosen] = useState<string | null>(first[first.length - 1]?.id ?? null);
  const shown = plans.find((p) => p.id === chosen) ?? null;
  const put = (id: string, over: Partial<StoredPlan>) =>
    setPlans((list) => list.map((x) => (x.id === id ? { ...x, ...over } : x)));

  const name = shown?.name ?? '';
  const saving = useOutbox<Named>({
    thing: `plan ${chosen ?? 'none'}`,
    says: name,
    path: `/api/plans/${chosen}`,
    value: shown && value ? { name, plan: value } : null,
    stored: { name, plan: shown?.plan ?? NO_PLAN },
    version: shown?.version ?? 1,
    wrap: ({ name, plan }) => ({ name, plan }),
    unwrap: (body) => body as unknown as Named,
    same: isSame,
    onStored: ({ plan }, version) => chosen && put(chosen, { plan, version }),
    onTaken: ({ name, plan }) => {
      if (chosen) put(chosen, { name, plan });
      onTaken(plan);
    },
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
    onSuccess: (stored, { name }) => put(stored.id, { name, version: stored.version }),
  });
  const remove = useMutation({
    mutationFn: (plan: StoredPlan) => request('DELETE', `/api/plans/${plan.id}`),
    onSuccess: (_, plan) => setPlans((list) => list.filter((p) => p.id !== plan.id)),
  });
  const error = create.error ?? rename.error ?? remove.error;
  return {
    plans,
    shown,
    saveState: saving.state,
    saveNow: saving.saveNow,
    error,
    /** keeps a plan under a new name, and shows it */
    keep: (plan: Plan, name = freeName(plans)) => create.mutate({ name, plan }),
    /** shows another; what was edited of the one before is on its way already */
    choose: (id: string | null) => {
      saving.saveNow();
      setChosen(id);
    },
    /** the plan shown goes the way of its edits, so that none of them meets an older version */
    rename: (plan: StoredPlan, name: string) =>
      plan.id === chosen ? put(plan.id, { name }) : rename.mutate({ plan, name }),
    remove: (plan: StoredPlan) => remove.mutateAsync(plan),
  };
}
