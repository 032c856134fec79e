import { proxy, wrap, type Remote } from 'comlink';
import pLimit from 'p-limit';
import type { Descended } from '@/core/search/otherStarts';
import type { Planned } from '@/core/search/planRequest';
import type { Proposal } from '@/core/questions/propose';
import type { Scored } from '@/core/judge/scorePlan';
import { compared, type Compared, type SchoolTried } from '@/core/search/partings';
import type { Plan } from '@/core/kit/plan';
import type { Behind } from '@/core/questions/behind';
import type { Alone, Fitted } from '@/core/search/search';
import type { Beside, EmberWorker } from './ember.worker';
import type { Setting } from './setting';
import { quiet, Silent, watched, WorkerBroke, type Asked } from './watched';

export { WorkerBroke };
export type { Asked, Behind, Setting };

export interface Running {
  worker: Worker;
  api: Remote<EmberWorker>;
  /** rejects when the worker itself breaks, which no call would ever tell */
  broken: Promise<never>;
  /** what it has been told last */
  setting: Setting | null;
}

/** `ember.worker.ts` as `scripts/worker.mjs` bundles it. */
const WORKER = '/ember.worker.js';

/** A new worker. */
export function start(): Running {
  const worker = new Worker(WORKER);
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = (e) => reject(new WorkerBroke(e.message || 'not to be had'));
  });
  const running: Running = { worker, api: wrap<EmberWorker>(worker), broken, setting: null };
  broken.catch(() => {
    worker.terminate();
    const at = idle.indexOf(running);
    if (at >= 0) idle.splice(at, 1);
  });
  return running;
}

/** Workers that have finished. Code that has run for a while is compiled and faster, so the next question goes to one of them. */
const idle: Running[] = [];
const MOST_IDLE = 2;

/** Cores that plan beside one another: all there are, since the page itself has little to do meanwhile. */
const CORES = typeof navigator === 'undefined' ? 1 : Math.max(1, navigator.hardwareConcurrency || 1);
/** Workers that one plan is made by, where there are cores for them. */
const FOR_A_PLAN = Math.min(CORES, 2);

/** Slices of practice after which the planner runs about as fast as it ever will. */
const WARM_SLICES = 12;

/** Lets workers practise while nobody waits, so that the first plan is not the slow one. Over as soon as one is asked something. */
export async function warmUp(): Promise<void> {
  if (idle.length > 0) return;
  for (let n = 0; n < FOR_A_PLAN; n++) {
    const running = start();
    idle.push(running);
    try {
      for (let i = 0; i < WARM_SLICES && idle.includes(running); i++)
        await Promise.race([running.api.practise(), running.broken]);
    } catch {
      // It broke and is gone from the idle ones; nobody asked it anything, and whoever does is told by the next.
    }
    // Asked already: what it is asked has the cores.
    if (!idle.includes(running)) return;
  }
}

/** Tells a worker what the next questions rest on, unless it knows already. */
async function tell(running: Running, setting: Setting): Promise<void> {
  if (running.setting === setting) return;
  await running.api.open(setting);
  running.setting = setting;
}

/** Puts one question to a worker that has nothing else to do: one that knows the setting, where there is one. */
function ask<T>(setting: Setting, question: (api: Remote<EmberWorker>) => Promise<T>): Asked<T> {
  const known = idle.findIndex((r) => r.setting === setting);
  const running = (known >= 0 ? idle.splice(known, 1)[0] : idle.pop()) ?? start();
  let over = false;
  const answered = () => {
    if (over) return;
    over = true;
    if (idle.length < MOST_IDLE) idle.push(running);
    else running.worker.terminate();
  };
  const end = () => {
    if (over) return;
    over = true;
    running.worker.terminate();
  };
  const answer = tell(running, setting).then(() => question(running.api));
  const result = Promise.race([answer, running.broken]);
  result.then(answered, end);
  return { result, cancel: end };
}

interface Waiting {
  setting: Setting;
  plan: Plan;
  stepS: number;
  done: (s: Scored) => void;
  fail: (e: Error) => void;
}

/** Scores plans one at a time; while one runs only the newest waiting request is kept, so dragging never queues up. */
export class Scorer {
  private running: Running | null = null;
  private busy = false;
  private waiting: Waiting | null = null;

  /** @param stepS coarse while dragging, fine at rest, s */
  score(setting: Setting, plan: Plan, stepS: number, done: (s: Scored) => void, fail: (e: Error) => void): void {
    this.waiting = { setting, plan, stepS, done, fail };
    void this.next();
  }

  private async next(): Promise<void> {
    if (this.busy || !this.waiting) return;
    const { setting, plan, stepS, done, fail } = this.waiting;
    this.waiting = null;
    this.busy = true;
    try {
      done(await this.scored(setting, plan, stepS));
    } catch (e) {
      // A worker that broke as a whole is not asked again: the next plan gets a new one.
      if (e instanceof WorkerBroke) this.running = null;
      fail(e as Error);
    } finally {
      this.busy = false;
    }
    void this.next();
  }

  /** Asks, and once more another worker where the first says nothing: it hangs, or is gone without a word. */
  private async scored(setting: Setting, plan: Plan, stepS: number): Promise<Scored> {
    for (let first = true; ; first = false) {
      const running = (this.running ??= start());
      const answer = tell(running, setting).then(() => running.api.score(plan, stepS));
      const silence = quiet();
      try {
        return await Promise.race([answer, running.broken, silence.over]);
      } catch (e) {
        if (!(e instanceof Silent)) throw e;
        running.worker.terminate();
        this.running = null;
        if (!first) throw new WorkerBroke('it does not answer');
      } finally {
        silence.end();
      }
    }
  }

  close(): void {
    this.waiting = null;
    this.running?.worker.terminate();
    this.running = null;
  }
}

const AGAIN = 'The planner fell silent and was started again';

/** Progress as a worker is given it: each word of it is a sign of life too. */
const both = <T extends unknown[]>(heard: () => void, progress: (...told: T) => void) =>
  proxy((...told: T) => {
    heard();
    progress(...told);
  });

/** Looks for the one change that helps a plan most. */
export const proposeInWorker = (setting: Setting, plan: Plan): Asked<Proposal | null> =>
  ask<Proposal | null>(setting, (api) => api.propose(plan));

/**
 * Plans; `progress` is told the best plan so far as soon as there is one. Where there is a second core, half of the search is made there; the
 * plan is the same. @param leadDays from forecast to start
 */
export const planInWorker = (
  setting: Setting,
  leadDays: number,
  progress: (done: number, says: string, soFar?: Plan) => void,
): Asked<Planned> =>
  watched(
    (heard) => {
      const told = both(heard, progress);
      if (FOR_A_PLAN < 2) return ask<Planned>(setting, (api) => api.plan(leadDays, told, null));
      const parts: Asked<unknown>[] = [];
      const part = <T>(asked: Asked<T>): Promise<T> => {
        parts.push(asked);
        // Where it breaks, the planner makes that part itself.
        asked.result.catch(() => {});
        return asked.result;
      };
      let fitting: Promise<unknown> = Promise.resolve();
      let looking: Promise<Alone> | null = null;
      let over = false;
      const looked = (): Promise<Alone> =>
        over
          ? Promise.reject(new Error('nobody waits for it any more'))
          : part(ask<Alone>(setting, (api) => api.lookAlone(leadDays, proxy(heard))));
      // One worker beside, not two: what it fits comes first.
      const alone = () => (looking ??= fitting.then(looked, looked));
      const beside: Beside = {
        descended: () => part(ask<Descended>(setting, (api) => api.descendFromOther(leadDays, proxy(heard)))),
        fitted: (found) => {
          const made = part(ask<Fitted>(setting, (api) => api.fitBeside(leadDays, found, proxy(heard))));
          fitting = made;
          // Where that is dear the day itself is looked at next, most likely: nobody need ask for it first.
          made.then((f) => (f.dear ? alone() : null)).catch(() => {});
          return made;
        },
        alone,
      };
      const whole = ask<Planned>(setting, (api) => api.plan(leadDays, told, proxy(beside)));
      // What a part of it still works at when all is done is of no use to anybody.
      const ended = () => {
        over = true;
        parts.forEach((asked) => asked.cancel());
      };
      const cancel = () => {
        whole.cancel();
        ended();
      };
      whole.result.then(ended, ended);
      return { result: whole.result, cancel };
    },
    () => progress(0, AGAIN),
  );

/** Plans two to four schools of thought, each in a worker of its own, as many at once as there are cores. */
export const schoolsInWorker = (
  setting: Setting,
  leadDays: number,
  ids: string[],
  progress: (done: number, says: string) => void,
): Asked<Compared> => {
  const room = pLimit(Math.min(CORES, ids.length));
  const done = ids.map(() => 0);
  const running = new Set<Asked<SchoolTried>>();
  const one = async (id: string, i: number): Promise<SchoolTried> => {
    const tell = (share: number, says: string) => {
      done[i] = share;
      progress(done.reduce((a, b) => a + b, 0) / ids.length, says);
    };
    const asked = watched(
      (heard) => ask<SchoolTried>(setting, (api) => api.school(leadDays, id, both(heard, tell))),
      () => tell(0, AGAIN),
    );
    running.add(asked);
    try {
      return await asked.result;
    } finally {
      running.delete(asked);
    }
  };
  const cancel = () => {
    room.clearQueue();
    running.forEach((a) => a.cancel());
  };
  const result = Promise.all(ids.map((id, i) => room(() => one(id, i)))).then(compared);
  result.catch(cancel);
  return { result, cancel };
};

/** Works out what lies behind a plan, telling each part when it is ready. */
export const behindInWorker = (
  setting: Setting,
  plan: Plan,
  leadDays: number,
  ready: (part: Partial<Behind>) => void,
): Asked<void> => ask<void>(setting, (api) => api.behind(plan, leadDays, proxy(ready)));
