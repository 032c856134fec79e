'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { timelineOf } from '@/core/outing/outing';
import { tidy } from '@/core/plan/edit';
import type { CurvePoint } from '@/core/plan/planner';
import type { Wishes } from '@/core/plan/wishes';
import type { Scored } from '@/core/plan/score';
import type { Plan } from '@/core/simulate/plan';
import type { Problem } from '@/formats/problem';
import type { OwnedGarment } from '@/store/closet';
import type { StoredOuting } from '@/store/outings';
import type { StoredPlan } from '@/store/plans';
import { send } from '@/ui/send';
import { Told } from '@/ui/told';
import type { Proposal } from '@/core/plan/propose';
import { leadDaysOf } from './useBehind';
import { planInWorker, proposeInWorker, Scorer, WorkerBroke, type PlanningRequest } from '@/workers/client';

/** Steps of the integrator while something is dragged, and at rest, s. */
const QUICK = 30;
const FINE = 10;

/** What to do about a failure of the simulation or of the planner. */
const problemOf = (where: string, e: Error, field: string, allowed: string): Problem =>
  e instanceof WorkerBroke
    ? { where, field: 'its program', value: e.message, allowed: 'reload the page; what you changed is stored' }
    : { where, field, value: e.message, allowed };

export interface Planning {
  done: number;
  says: string;
  /** the best plan so far, usable as it is */
  soFar?: Plan;
}

const BEGUN: Planning = { done: 0, says: 'Laying out the day' };

export type SaveState = 'saved' | 'saving' | 'unsaved' | 'failed';

interface Props {
  outing: StoredOuting;
  person: Person;
  owned: OwnedGarment[];
  closetIds: string[];
  plans: StoredPlan[];
  wishes: Wishes;
}

/**
 * Everything behind the score: the plan with its undo history, the simulation kept up to date in a worker, the planner, and
 * saving. Each edit is simulated at once and stored within a second.
 */
export function useScore({ outing, person, owned, closetIds, plans, wishes: storedWishes }: Props) {
  const garments = useMemo(() => new Map(owned.map((o) => [o.garment.id, o.garment])), [owned]);
  const closet = useMemo(() => {
    const inCloset = new Set(closetIds);
    return owned.filter((o) => inCloset.has(o.garment.id)).map((o) => o.garment);
  }, [owned, closetIds]);
  const damp = useMemo(
    () => Object.fromEntries(owned.filter((o) => o.dampGm2 > 0).map((o) => [o.garment.id, o.dampGm2])),
    [owned],
  );
  const timeline = useMemo(() => timelineOf(outing, person), [outing, person]);

  const [stored, setStored] = useState<StoredPlan[]>(plans);
  const [planId, setPlanId] = useState<string | null>(plans[plans.length - 1]?.id ?? null);
  const [history, setHistory] = useState<Plan[]>(plans.length > 0 ? [plans[plans.length - 1].plan] : []);
  const [at, setAt] = useState(0);
  const [live, setLive] = useState<Plan | null>(null);
  const [scored, setScored] = useState<Scored | null>(null);
  const [scoredPlan, setScoredPlan] = useState<Plan | null>(null);
  const [planning, setPlanning] = useState(false);
  const [progress] = useState(() => new Told<Planning>(BEGUN));
  const [problems, setProblems] = useState<Problem[]>([]);
  const [wishes, setWishes] = useState<Wishes>(storedWishes);
  const [curve, setCurve] = useState<CurvePoint[]>([]);
  const [saveState, setSaveState] = useState<SaveState>('saved');
  /** the plan object that is stored; what differs from it is not yet safe */
  const [savedPlan, setSavedPlan] = useState<Plan | null>(history[0] ?? null);
  const plan = live ?? history[at] ?? null;
  const scorer = useRef<Scorer | null>(null);
  const cancel = useRef<(() => void) | null>(null);

  useEffect(() => {
    scorer.current = new Scorer();
    return () => {
      scorer.current?.close();
      cancel.current?.();
    };
  }, []);

  // Simulate whatever plan is shown; coarse while dragging so that the picture follows the pointer.
  useEffect(() => {
    if (!plan) return;
    scorer.current?.score(
      { person, garments: [...garments.values()], outing, plan, damp, wishes, stepS: live ? QUICK : FINE },
      (s) => {
        setScored(s);
        setScoredPlan(plan);
      },
      (e) => setProblems([problemOf('Simulation', e, 'plan', 'undo the last change')]),
    );
  }, [plan, live, person, garments, outing, damp, wishes]);

  // Once the plan rests, look for the one change that would help it most.
  const settled = history[at] ?? null;
  const [proposal, setProposal] = useState<{ for: Plan; found: Proposal | null } | null>(null);
  useEffect(() => {
    if (!settled || live || planning) return;
    const running: { cancel?: () => void } = {};
    const timer = setTimeout(() => {
      const work = proposeInWorker({ person, closet, outing, plan: settled, damp, wishes });
      running.cancel = work.cancel;
      // A proposal is an extra: when it fails the score is still there, so nothing is said.
      work.result.then(
        (found) => setProposal({ for: settled, found }),
        () => setProposal({ for: settled, found: null }),
      );
    }, 400);
    return () => {
      clearTimeout(timer);
      running.cancel?.();
    };
  }, [settled, live, planning, person, closet, outing, damp, wishes]);

  const save = useCallback(
    async (next: Plan, id: string | null, known: StoredPlan[]): Promise<void> => {
      setSaveState('saving');
      const old = known.find((p) => p.id === id);
      const sent = old
        ? await send<StoredPlan>('PUT', `/api/plans/${old.id}`, { name: old.name, plan: next, version: old.version })
        : await send<StoredPlan>('POST', `/api/outings/${outing.id}/plans`, {
            name: `Plan ${String.fromCharCode(65 + (known.length % 26))}`,
            plan: next,
          });
      if (sent.ok) {
        setStored((list) => (old ? list.map((p) => (p.id === old.id ? sent.value : p)) : [...list, sent.value]));
        setPlanId(sent.value.id);
        setSavedPlan(next);
        setSaveState('saved');
        setProblems([]);
      } else {
        setSaveState('failed');
        setProblems(sent.problems);
      }
    },
    [outing.id],
  );

  // Store each settled edit a moment after it is made; one request at a time, so versions follow each other.
  const dirty = settled !== null && planId !== null && settled !== savedPlan;
  useEffect(() => {
    if (!dirty || !settled || saveState === 'saving' || saveState === 'failed') return;
    const timer = setTimeout(() => void save(settled, planId, stored), 500);
    return () => clearTimeout(timer);
  }, [dirty, settled, planId, stored, saveState, save]);

  // Nothing is lost by closing the window in the half second before a save.
  useEffect(() => {
    if (!dirty && saveState !== 'failed') return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [dirty, saveState]);

  const commit = useCallback(
    (next: Plan) => {
      setLive(null);
      setHistory((h) => [...h.slice(0, at + 1), tidy(next)]);
      setAt((i) => i + 1);
      setSaveState((s) => (s === 'failed' ? 'unsaved' : s));
    },
    [at],
  );

  /** Makes a found plan the one shown, and stores it where the outing has none yet. */
  const accept = useCallback(
    (found: Plan) => {
      cancel.current = null;
      setPlanning(false);
      setLive(null);
      setHistory((h) => [...h, found]);
      setAt(history.length);
      if (!planId) void save(found, null, stored);
    },
    [history.length, planId, save, stored],
  );

  /** What a worker needs to plan this outing now. */
  const ask = useCallback(
    (): PlanningRequest => ({ person, closet, outing, damp, wishes, leadDays: leadDaysOf(outing, Date.now()) }),
    [person, closet, outing, damp, wishes],
  );

  const replan = useCallback(() => {
    cancel.current?.();
    setPlanning(true);
    progress.tell(BEGUN);
    setProblems([]);
    const first = history.length === 0;
    // Progress already on its way when the work is cancelled must not bring the bar back.
    let wanted = true;
    const running = planInWorker(ask(), (done, says, soFar) => {
      if (!wanted) return;
      progress.tell({ done, says, soFar: soFar ?? progress.get().soFar });
      // Where there is nothing to look at yet, what is found is shown while it is bettered.
      if (soFar && first) setLive(soFar);
    });
    cancel.current = () => {
      wanted = false;
      running.cancel();
    };
    running.result.then(
      (planned) => {
        wanted = false;
        setCurve(planned.curve);
        accept(planned.plan);
      },
      (e: Error) => {
        wanted = false;
        cancel.current = null;
        setPlanning(false);
        setLive(null);
        setProblems([problemOf('Planner', e, 'closet or outing', 'see the message')]);
      },
    );
  }, [ask, history.length, accept, progress]);

  /** Ends the search; the best plan so far is taken if it is wanted. */
  const stopPlanning = useCallback(
    (take?: Plan) => {
      cancel.current?.();
      if (take) accept(take);
      else {
        cancel.current = null;
        setPlanning(false);
        setLive(null);
      }
    },
    [accept],
  );

  const wish = useCallback(async (next: Wishes) => {
    setWishes(next);
    const sent = await send('PUT', '/api/athlete/wishes', next);
    if (!sent.ok) setProblems(sent.problems);
  }, []);

  const choose = (id: string) => {
    const p = stored.find((x) => x.id === id);
    if (!p) return;
    setPlanId(id);
    setSavedPlan(p.plan);
    setHistory([p.plan]);
    setAt(0);
    setCurve([]);
  };

  return {
    garments,
    closet,
    damp,
    timeline,
    /** the plan at rest, not the one being dragged */
    settled,
    plan,
    scored,
    /** true while the picture is older than the plan */
    stale: scoredPlan !== plan,
    scoredPlan,
    wishes,
    wish,
    /** cost against number of cues from the last search; empty before one */
    curve,
    ask,
    /** the one change that helps most; undefined while it is being looked for */
    proposal: proposal && proposal.for === plan ? proposal.found : undefined,
    planning,
    /** how far planning is; told apart from all else, so that the score is not drawn again for it */
    progress,
    problems,
    plans: stored,
    planId,
    saveState: dirty && saveState === 'saved' ? ('unsaved' as SaveState) : saveState,
    dragging: live !== null,
    preview: setLive,
    commit,
    replan,
    stopPlanning,
    choose,
    saveAgain: () => settled && void save(settled, planId, stored),
    saveCopy: () => settled && void save(settled, null, stored),
    canUndo: at > 0,
    canRedo: at < history.length - 1,
    undo: () => setAt((i) => Math.max(0, i - 1)),
    redo: () => setAt((i) => Math.min(history.length - 1, i + 1)),
  };
}

export type Score = ReturnType<typeof useScore>;

export const garmentName = (garments: ReadonlyMap<string, Garment>, id: string): string =>
  garments.get(id)?.name ?? 'a piece no longer known';
