import { proxy, wrap, type Remote } from 'comlink';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Outing } from '@/core/outing/outing';
import type { Planned } from '@/core/plan/planner';
import type { Proposal } from '@/core/plan/propose';
import type { Scored } from '@/core/plan/score';
import type { Compared } from '@/core/plan/schools';
import type { Wishes } from '@/core/plan/wishes';
import type { Plan } from '@/core/simulate/plan';
import type { Behind, EmberWorker } from './ember.worker';

export type { Behind };

/** The worker could not be loaded, or broke as a whole: nothing in the plan is to blame. */
export class WorkerBroke extends Error {}

interface Running {
  worker: Worker;
  api: Remote<EmberWorker>;
  /** rejects when the worker itself breaks, which no call would ever tell */
  broken: Promise<never>;
}

/** `ember.worker.ts` as `scripts/worker.mjs` bundles it. */
const WORKER = '/ember.worker.js';

function start(): Running {
  const worker = new Worker(WORKER);
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = (e) => reject(new WorkerBroke(e.message || 'not to be had'));
  });
  const running = { worker, api: wrap<EmberWorker>(worker), broken };
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

/** Slices of practice after which the planner runs about as fast as it ever will. */
const WARM_SLICES = 12;

/** Lets a worker practise while nobody waits, so that the first plan is not the slow one. Over as soon as it is asked something. */
export async function warmUp(): Promise<void> {
  if (idle.length > 0) return;
  const running = start();
  idle.push(running);
  try {
    for (let i = 0; i < WARM_SLICES && idle.includes(running); i++)
      await Promise.race([running.api.practise(), running.broken]);
  } catch {
    // It broke and is gone from the idle ones; nobody asked it anything, and whoever does is told by the next.
  }
}

/** Puts one question to a worker that has nothing else to do. @returns the answer, and a way to end the work at once */
function ask<T>(question: (api: Remote<EmberWorker>) => Promise<T>): { result: Promise<T>; cancel: () => void } {
  const running = idle.pop() ?? start();
  let over = false;
  const end = (keep: boolean) => {
    if (over) return;
    over = true;
    if (keep && idle.length < MOST_IDLE) idle.push(running);
    else running.worker.terminate();
  };
  const result = Promise.race([question(running.api), running.broken]);
  result.then(
    () => end(true),
    () => end(false),
  );
  return { result, cancel: () => end(false) };
}

export interface ScoreRequest {
  person: Person;
  garments: Garment[];
  outing: Outing;
  plan: Plan;
  damp: Record<string, number>;
  wishes: Wishes;
  /** coarse while dragging, fine at rest, s */
  stepS: number;
}

/** Scores plans one at a time; while one runs only the newest waiting request is kept, so dragging never queues up. */
export class Scorer {
  private running: Running | null = null;
  private busy = false;
  private waiting: { request: ScoreRequest; done: (s: Scored) => void; fail: (e: Error) => void } | null = null;

  score(request: ScoreRequest, done: (s: Scored) => void, fail: (e: Error) => void): void {
    this.waiting = { request, done, fail };
    void this.next();
  }

  private async next(): Promise<void> {
    if (this.busy || !this.waiting) return;
    const { request: r, done, fail } = this.waiting;
    this.waiting = null;
    this.busy = true;
    try {
      this.running ??= start();
      const { api, broken } = this.running;
      const scored = await Promise.race([
        api.score(r.person, r.garments, r.outing, r.plan, r.damp, r.wishes, r.stepS),
        broken,
      ]);
      done(scored);
    } catch (e) {
      fail(e as Error);
    } finally {
      this.busy = false;
    }
    void this.next();
  }

  close(): void {
    this.waiting = null;
    this.running?.worker.terminate();
    this.running = null;
  }
}

/**
 * Looks for the one change that helps a plan most, in a worker of its own so that scoring is never held up.
 * @returns the result, and a way to end the work when the plan has moved on
 */
export function proposeInWorker(r: {
  person: Person;
  closet: Garment[];
  outing: Outing;
  plan: Plan;
  damp: Record<string, number>;
  wishes: Wishes;
}): { result: Promise<Proposal | null>; cancel: () => void } {
  return ask<Proposal | null>((api) => api.propose(r.person, r.closet, r.outing, r.plan, r.damp, r.wishes));
}

/** What planning asks for. */
export interface PlanningRequest {
  person: Person;
  closet: Garment[];
  outing: Outing;
  damp: Record<string, number>;
  wishes: Wishes;
  leadDays: number;
}

/**
 * Plans in a worker of its own. `progress` is told the best plan so far as soon as there is one.
 * @returns the result, and a way to cancel that ends the work at once
 */
export function planInWorker(
  r: PlanningRequest,
  progress: (done: number, says: string, soFar?: Plan) => void,
): { result: Promise<Planned>; cancel: () => void } {
  return ask<Planned>((api) => api.plan(r.person, r.closet, r.outing, r.damp, r.wishes, r.leadDays, proxy(progress)));
}

/** Plans two to four schools of thought in a worker of its own. @returns the result, and a way to cancel */
export function schoolsInWorker(
  r: PlanningRequest,
  ids: string[],
  progress: (done: number, says: string) => void,
): { result: Promise<Compared>; cancel: () => void } {
  return ask<Compared>((api) =>
    api.schools(r.person, r.closet, r.outing, r.damp, r.wishes, r.leadDays, ids, proxy(progress)),
  );
}

/** Works out what lies behind a plan in a worker of its own, telling each part when it is ready. @returns the end of it, and a way to end it at once */
export function behindInWorker(
  request: PlanningRequest & { plan: Plan },
  ready: (part: Partial<Behind>) => void,
): { result: Promise<void>; cancel: () => void } {
  const { person, closet, outing, plan, damp, wishes, leadDays } = request;
  return ask<void>((api) => api.behind(person, closet, outing, plan, damp, wishes, leadDays, proxy(ready)));
}
