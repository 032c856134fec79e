import { join } from 'node:path';
import { Piscina } from 'piscina';
import { refuse, Refused } from '@/formats/problem';
import type { Work } from './intake.worker';

/** `intake.worker.ts` as `scripts/worker.mjs` bundles it. */
const FILE = join(process.cwd(), 'build', 'intake.worker.cjs');
/** Threads, and how many files wait for one before the next is told to come back. */
const THREADS = 2;
const MOST_WAITING = 12;
/** What the largest honest file needs is a fraction of these. */
const MEMORY_MB = 512;
const PATIENCE_MS = 20_000;

declare global {
  // One pool for the whole process, kept across hot reloads.
  var emberIntake: Piscina | undefined;
}

/** So many files wait already that the next would wait for too long. */
export class TooBusy extends Error {}

function pool(): Piscina {
  globalThis.emberIntake ??= new Piscina({
    filename: FILE,
    minThreads: 0,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB, maxYoungGenerationSizeMb: 64 },
  });
  return globalThis.emberIntake;
}

type Result<K extends keyof Work> = Extract<ReturnType<Work[K]>, { taken: unknown }>['taken'];

/**
 * Has something done in a thread of its own, within limits of time and memory.
 * @param file what it is about, for people
 * @throws Refused with the reasons, or because it takes too long or too much; TooBusy
 */
export async function inThread<K extends keyof Work>(
  name: K,
  given: Parameters<Work[K]>[0],
  file: string,
): Promise<Result<K>> {
  const task = pool().run(given, { name, signal: AbortSignal.timeout(PATIENCE_MS) }) as Promise<ReturnType<Work[K]>>;
  const answered = await task.catch((e: Error & { code?: string }) => {
    if (e.name === 'AbortError' || e.name === 'TimeoutError')
      refuse(file, 'the file', 'too much work', `what can be read within ${PATIENCE_MS / 1000} seconds`);
    if (e.code === 'ERR_WORKER_OUT_OF_MEMORY')
      refuse(file, 'the file', 'too much at once', `what can be read within ${MEMORY_MB} MB of memory`);
    if (/queue/i.test(e.message)) throw new TooBusy();
    throw e;
  });
  if ('problems' in answered) throw new Refused(answered.problems);
  return answered.taken as Result<K>;
}
