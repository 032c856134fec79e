import { proxy, wrap, type Remote } from 'comlink';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Outing } from '@/core/outing/outing';
import type { Planned } from '@/core/plan/planner';
import type { Proposal } from '@/core/plan/propose';
import type { Scored } from '@/core/plan/score';
import type { Plan } from '@/core/simulate/plan';
import type { Behind, EmberWorker } from './ember.worker';

export type { Behind };

interface Running {
  worker: Worker;
  api: Remote<EmberWorker>;
}

function start(): Running {
  const worker = new Worker(new URL('./ember.worker.ts', import.meta.url), { type: 'module' });
  return { worker, api: wrap<EmberWorker>(worker) };
}

export interface ScoreRequest {
  person: Person;
  garments: Garment[];
  outing: Outing;
  plan: Plan;
  damp: Record<string, number>;
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
      const scored = await this.running.api.score(r.person, r.garments, r.outing, r.plan, r.damp, r.stepS);
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
export function proposeInWorker(request: {
  person: Person;
  closet: Garment[];
  outing: Outing;
  plan: Plan;
  damp: Record<string, number>;
}): { result: Promise<Proposal | null>; cancel: () => void } {
  const running = start();
  const result = running.api
    .propose(request.person, request.closet, request.outing, request.plan, request.damp)
    .finally(() => running.worker.terminate());
  return { result: result as Promise<Proposal | null>, cancel: () => running.worker.terminate() };
}

/** Plans in a worker of its own. @returns the result, and a way to cancel that ends the work at once */
export function planInWorker(
  request: { person: Person; closet: Garment[]; outing: Outing; damp: Record<string, number> },
  progress: (done: number, says: string) => void,
): { result: Promise<Planned>; cancel: () => void } {
  const running = start();
  const result = running.api
    .plan(request.person, request.closet, request.outing, request.damp, proxy(progress))
    .finally(() => running.worker.terminate());
  return { result: result as Promise<Planned>, cancel: () => running.worker.terminate() };
}

/** Works out what lies behind a plan in a worker of its own, telling each part when it is ready. @returns a way to end the work */
export function behindInWorker(
  request: {
    person: Person;
    closet: Garment[];
    outing: Outing;
    plan: Plan;
    damp: Record<string, number>;
    leadDays: number;
  },
  ready: (part: Partial<Behind>) => void,
  failed: (e: Error) => void,
): () => void {
  const running = start();
  const { person, closet, outing, plan, damp, leadDays } = request;
  running.api
    .behind(person, closet, outing, plan, damp, leadDays, proxy(ready))
    .catch(failed)
    .finally(() => running.worker.terminate());
  return () => running.worker.terminate();
}
