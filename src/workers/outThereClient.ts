import { proxy, wrap, type Remote } from 'comlink';
import type { Afterwards } from '@/core/afterwards/afterwards';
import type { Person } from '@/core/body/person';
import type { Learned } from '@/core/calibrate/learned';
import type { Learning, ToldOuting } from '@/core/underway/outed';
import type { Pack } from '@/core/underway/pack';
import type { Tap } from '@/core/underway/taps';
import type { Believed, Now } from '@/core/underway/now';
import { WorkerBroke } from './client';
import type { BelievedNow, Otherwise, OutThereWorker, Rest, StuckNow } from './outThere.worker';

export type { BelievedNow, Now, Otherwise, Rest, StuckNow };

/** `outThere.worker.ts` as `scripts/worker.mjs` bundles it. */
const WORKER = '/outThere.worker.js';

/** What a question is asked about: everything that was told, and when it is asked, ms since 1970 UTC. */
export interface Asked {
  taps: readonly Tap[];
  nowMs: number;
}

class Line {
  private readonly worker = new Worker(WORKER);
  private readonly api: Remote<OutThereWorker>;
  private readonly broken: Promise<never>;
  private readonly ready: Promise<void>;

  constructor(pack: Pack) {
    this.broken = new Promise<never>((_, reject) => {
      this.worker.onerror = (e) => reject(new WorkerBroke(e.message || 'not to be had'));
    });
    this.broken.catch(() => {});
    this.api = wrap<OutThereWorker>(this.worker);
    this.ready = Promise.race([this.api.open(pack), this.broken]);
    this.ready.catch(() => {});
  }

  async ask<T>(question: (api: Remote<OutThereWorker>) => Promise<T>): Promise<T> {
    await this.ready;
    return Promise.race([question(this.api), this.broken]);
  }

  close(): void {
    this.worker.terminate();
  }
}

/** Two workers of one pack: one answers what the screen shows, the other thinks longer. */
export class Companion {
  private readonly quick: Line;
  private readonly slow: Line;

  constructor(pack: Pack) {
    this.quick = new Line(pack);
    this.slow = new Line(pack);
  }

  now = ({ taps, nowMs }: Asked, belief: Believed): Promise<Now> =>
    this.quick.ask((api) => api.now(taps, nowMs, belief));
  replan = ({ taps, nowMs }: Asked, belief: Believed): Promise<Rest> =>
    this.quick.ask((api) => api.replan(taps, nowMs, belief));
  redress = ({ taps, nowMs }: Asked) => this.quick.ask((api) => api.redress(taps, nowMs));
  reasons = ({ taps, nowMs }: Asked) => this.slow.ask((api) => api.reasons(taps, nowMs));
  otherwise = ({ taps, nowMs }: Asked): Promise<Otherwise> => this.slow.ask((api) => api.otherwise(taps, nowMs));
  believe = ({ taps, nowMs }: Asked): Promise<BelievedNow | null> => this.slow.ask((api) => api.believe(taps, nowMs));
  stuck = ({ taps, nowMs }: Asked, belief: Believed): Promise<StuckNow> =>
    this.slow.ask((api) => api.stuck(taps, nowMs, belief));

  home = ({ taps, nowMs }: Asked, belief: Believed) => this.slow.ask((api) => api.home(taps, nowMs, belief));

  close(): void {
    this.quick.close();
    this.slow.close();
  }
}

/** Asks one thing of a worker of its own, which then ends. */
async function once<T>(question: (api: Remote<OutThereWorker>) => Promise<T>): Promise<T> {
  const worker = new Worker(WORKER);
  try {
    const broken = new Promise<never>((_, reject) => {
      worker.onerror = (e) => reject(new WorkerBroke(e.message || 'not to be had'));
    });
    return await Promise.race([question(wrap<OutThereWorker>(worker)), broken]);
  } finally {
    worker.terminate();
  }
}

/** Learns from told outings in a thread of its own, on what is known. @param onDone told how many are done */
export const learnInWorker = (
  known: Learned,
  person: Person,
  list: readonly ToldOuting[],
  onDone: (done: number) => void = () => {},
): Promise<Learning> => once((api) => api.learn(known, person, list, proxy(onDone)));

/** Works out an outing that is over in a thread of its own. */
export const afterInWorker = (before: Learned, person: Person, told: ToldOuting): Promise<Afterwards> =>
  once((api) => api.after(before, person, told));
