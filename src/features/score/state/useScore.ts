'use client';
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Plan } from '@/core/kit/plan';
import { tidy } from '@/core/kit/replay';
import { timelineOf } from '@/core/outing/outing';
import type { AthleteSpread } from '@/core/questions/athleteSpread';
import type { Wishes } from '@/core/search/wishes';
import type { Problem } from '@/formats/problem';
import type { OwnedGarment } from '@/store/closet';
import type { StoredOuting } from '@/store/outings';
import type { StoredPlan } from '@/store/plans';
import { problemsOf } from '@/ui/api';
import { createEdited, useEdited } from '@/ui/edited';
import { createSearch } from './search';
import { leadDaysOf } from './useBehind';
import { usePlans } from './usePlans';
import { useProposal } from './useProposal';
import { useSetting } from './useSetting';
import { useSimulation } from './useSimulation';
import { useWishes } from './useWishes';

export interface ScoreProps {
  outing: StoredOuting;
  person: Person;
  /** how unsure they are known */
  unsure?: AthleteSpread;
  owned: OwnedGarment[];
  closetIds: string[];
  plans: StoredPlan[];
  /** how plans of this outing are wanted, null: as usual; and how the athlete usually wants them */
  wishes: { own: Wishes | null; version: number };
  usual: { wishes: Wishes; version: number };
}

/** Everything behind the score: the plan with its steps, its simulation, the search, the stored plans and the wishes. */
export function useScore({
  outing,
  person,
  unsure,
  owned,
  closetIds,
  plans: first,
  wishes: storedWishes,
  usual: storedUsual,
}: ScoreProps) {
  const [store] = useState(() => createEdited<Plan | null>(first[first.length - 1]?.plan ?? null));
  const [search] = useState(createSearch);
  const edited = useEdited(store);
  const busy = useStore(search, (s) => s.busy);
  const { own, usual, wish, makeUsual } = useWishes(outing.id, storedWishes, storedUsual);
  const wishes = own ?? usual;
  const who = useMemo(() => ({ person, unsure }), [person, unsure]);
  const setting = useSetting(outing, who, owned, closetIds, wishes);
  const timeline = useMemo(() => timelineOf(outing, person), [outing, person]);
  const garments = useMemo(() => new Map(owned.map((o) => [o.garment.id, o.garment])), [owned]);
  const closet = useMemo(() => setting.closet.filter((g) => setting.inCloset.includes(g.id)), [setting]);

  // Where there is nothing to look at yet, the best so far is shown while it is bettered.
  const soFar = useStore(search, (s) => s.soFar);
  const plan = edited.shown ?? soFar;
  const resting = edited.dragging || busy ? null : edited.value;
  const simulated = useSimulation(setting, plan, edited.dragging ? 'dragging' : 'at rest');
  const proposal = useProposal(setting, resting);
  const kept = usePlans(outing.id, first, edited.value, edited.commit);
  useEffect(() => () => search.getState().cancel(), [search]);

  const { keep, shown } = kept;
  const { commit } = edited;
  const actions = useMemo(() => {
    const leadDays = () => leadDaysOf(outing, Date.now());
    /** Makes a found plan the one shown, and stores it where the outing has none yet. */
    const accept = (found: Plan) => {
      commit(found);
      if (!shown) keep(found);
    };
    return {
      commit: (next: Plan) => commit(tidy(next)),
      accept,
      replan: () => search.getState().plan(setting, leadDays(), (planned) => accept(planned.plan)),
      compare: (ids: string[]) => search.getState().compare(setting, leadDays(), ids),
      /** ends the search; the best plan so far is taken if it is wanted */
      stop: (take: Plan | null) => {
        search.getState().cancel();
        if (take) accept(take);
      },
    };
  }, [outing, setting, search, commit, keep, shown]);

  const problem = useStore(search, (s) => s.problem);
  const problems: Problem[] = [
    ...(simulated.problem ? [simulated.problem] : []),
    ...(problem ? [problem] : []),
    ...(kept.error ? problemsOf(kept.error) : []),
  ];
  return {
    ...edited,
    ...actions,
    setting,
    garments,
    closet,
    timeline,
    /** the plan shown: at rest, dragged, or the first that the search found */
    plan,
    /** the plan at rest, not the one being dragged */
    settled: edited.value,
    scored: simulated.scored,
    /** the plan that `scored` is of */
    scoredPlan: simulated.plan,
    proposal,
    search,
    busy,
    kept,
    /** how plans of this outing are wanted */
    wishes,
    /** whether that is the outing's own, not as usual */
    ownWishes: own !== null,
    wish,
    makeUsual,
    problems,
    choose: (p: StoredPlan) => {
      kept.choose(p.id);
      edited.replace(p.plan);
      search.getState().forgetCurve();
    },
  };
}

export type Score = ReturnType<typeof useScore>;

export const garmentName = (garments: ReadonlyMap<string, Garment>, id: string): string =>
  garments.get(id)?.name ?? 'a piece no longer known';
