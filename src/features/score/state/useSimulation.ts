'use client';
import { useEffect, useRef, useState } from 'react';
import type { Scored } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import type { Problem } from '@/formats/problem';
import { Scorer, WorkerBroke, type Setting } from '@/workers/client';

/** Steps of the integrator while something is dragged, and at rest, s. */
const QUICK = 30;
const FINE = 10;

/** What to do about a failure of the simulation or of the planner. */
export const workProblem = (where: string, e: Error, fix: string): Problem =>
  e instanceof WorkerBroke
    ? { where, field: 'its program', value: e.message, allowed: 'reload the page; what you changed is stored' }
    : { where, field: 'this plan', value: e.message, allowed: fix };

interface Simulated {
  plan: Plan | null;
  scored: Scored | null;
  problem: Problem | null;
}

/** Simulates whatever plan is shown; coarse while dragging so that the picture follows the pointer. */
export function useSimulation(setting: Setting, plan: Plan | null, pace: 'dragging' | 'at rest'): Simulated {
  const scorer = useRef<Scorer | null>(null);
  const [done, setDone] = useState<Simulated>({ plan: null, scored: null, problem: null });
  useEffect(() => {
    const made = new Scorer();
    scorer.current = made;
    return () => made.close();
  }, []);
  useEffect(() => {
    if (!plan) return;
    scorer.current?.score(
      setting,
      plan,
      pace === 'dragging' ? QUICK : FINE,
      (scored) => setDone({ plan, scored, problem: null }),
      (e) => setDone((d) => ({ ...d, problem: workProblem('Simulation', e, 'undo the last change') })),
    );
  }, [setting, plan, pace]);
  return done;
}
