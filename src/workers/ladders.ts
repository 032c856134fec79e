import { type Ladder } from '@/core/search/ladderTerms';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { LadderProgress, LadderRequest } from '@/core/search/ladder';

/** `ladder.worker.ts` as `scripts/worker.mjs` bundles it. */
const FILE = join(process.cwd(), 'build', 'ladder.worker.cjs');
/** The longest ladder takes a fraction of this. */
const PATIENCE_MS = 5 * 60_000;
const MOST_WAITING = 16;
/** Ladders in hand at the same time, run or waiting. */
const MOST_AT_ONCE = 3;

/** A ladder being worked out. */
interface Job {
  mark: string;
  told: LadderProgress | null;
  stop: AbortController;
}

declare global {
  // For the whole process, kept across hot reloads.
  var emberLadders: { pool: Piscina; jobs: Map<string, Job> } | undefined;
}

const state = () =>
  (globalThis.emberLadders ??= {
    pool: new Piscina({
      filename: FILE,
      minThreads: 0,
      maxThreads: Math.max(1, availableParallelism()),
      maxQueue: MOST_WAITING,
      idleTimeout: 30_000,
    }),
    jobs: new Map<string, Job>(),
  });

/** How far a ladder is that is being worked out; null: it is not. */
export const ladderUnderWay = (key: string, mark: string): LadderProgress | 'begun' | null => {
  const job = state().jobs.get(key);
  return job && job.mark === mark ? (job.told ?? 'begun') : null;
};

/**
 * Works a ladder out in the background, over the idle cores. One that is under way from the same mark goes on; one from an older is
 * stopped.
 * @param key names the ladder @param done is given the whole ladder when it is finished
 */
export function workOutLadder(
  { key, mark, request }: { key: string; mark: string; request: Omit<LadderRequest, 'more'> },
  done: (ladder: Ladder) => Promise<void>,
  failed: (e: unknown) => void,
): void {
  const { pool, jobs } = state();
  const before = jobs.get(key);
  if (before?.mark === mark) return;
  before?.stop.abort();
  // Whoever turns through all sports wants the one they look at: older ones give way.
  const older = [...jobs.entries()].filter(([k]) => k !== key);
  if (older.length >= MOST_AT_ONCE) older[0][1].stop.abort();
  const job: Job = { mark, told: null, stop: new AbortController() };
  jobs.delete(key);
  jobs.set(key, job);
  const { port1, port2 } = new MessageChannel();
  port1.on('message', (p: LadderProgress) => (job.told = p));
  const over = setTimeout(() => job.stop.abort(), PATIENCE_MS);
  pool
    .run({ request, port: port2 }, { transferList: [port2 as never], signal: job.stop.signal })
    .then((ladder: Ladder) => done(ladder))
    .catch((e: unknown) => {
      if (!job.stop.signal.aborted) failed(e);
    })
    .finally(() => {
      clearTimeout(over);
      port1.close();
      if (jobs.get(key) === job) jobs.delete(key);
    });
}
