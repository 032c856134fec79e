import { createStore } from 'zustand';
import type { Plan } from '@/core/kit/plan';
import type { CurvePoint, Planned } from '@/core/search/planRequest';
import type { Compared } from '@/core/search/partings';
import type { Problem } from '@/formats/problem';
import { planInWorker, schoolsInWorker, type Asked, type Setting } from '@/workers/client';
import { workProblem } from './useSimulation';

/** What the planner is doing for this page. One thing at a time: a second search would take the processor from the first. */
export interface Search {
  /** null: nothing */
  busy: 'planning' | 'comparing' | null;
  done: number;
  says: string;
  /** the best plan so far, usable as it is */
  soFar: Plan | null;
  /** cost against number of cues from the last search; empty before one */
  curve: CurvePoint[];
  compared: Compared | null;
  problem: Problem | null;
  plan: (setting: Setting, leadDays: number, found: (planned: Planned) => void) => void;
  compare: (setting: Setting, leadDays: number, ids: string[]) => void;
  /** ends what is under way; what was found so far is forgotten */
  cancel: () => void;
  /** another plan is shown: its curve is not known */
  forgetCurve: () => void;
}

const IDLE = { busy: null, done: 0, says: '', soFar: null } as const;
const FIX =
  'see that the closet has something for torso, legs and feet, and that the legs of the outing are as you mean them';

export const createSearch = () =>
  createStore<Search>()((set, get) => {
    let running: Asked<unknown> | null = null;

    /** Follows one piece of work; progress of work that was cancelled meanwhile is not listened to. */
    function follow<T>(
      busy: 'planning' | 'comparing',
      begin: (tell: (done: number, says: string, soFar?: Plan) => void) => Asked<T>,
      end: (found: T) => void,
    ): void {
      get().cancel();
      set({ ...IDLE, busy, says: 'Laying out the day', problem: null });
      let mine: Asked<T> | null = null;
      const wanted = () => running === mine;
      mine = begin((done, says, soFar) => {
        if (wanted()) set((s) => ({ done, says, soFar: soFar ?? s.soFar }));
      });
      running = mine;
      mine.result.then(
        (found) => {
          if (!wanted()) return;
          running = null;
          set(IDLE);
          end(found);
        },
        (e: Error) => {
          if (!wanted()) return;
          running = null;
          set({ ...IDLE, problem: workProblem('Planner', e, FIX) });
        },
      );
    }

    return {
      ...IDLE,
      curve: [],
      compared: null,
      problem: null,
      plan: (setting, leadDays, found) =>
        follow(
          'planning',
          (tell) => planInWorker(setting, leadDays, tell),
          (planned) => {
            set({ curve: planned.curve });
            found(planned);
          },
        ),
      compare: (setting, leadDays, ids) =>
        follow(
          'comparing',
          (tell) => schoolsInWorker(setting, leadDays, ids, tell),
          (compared) => set({ compared }),
        ),
      cancel: () => {
        running?.cancel();
        running = null;
        set(IDLE);
      },
      forgetCurve: () => set({ curve: [] }),
    };
  });
