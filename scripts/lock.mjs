// One launcher to a data folder.
import { chmodSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { isRoot, Stop } from './install.mjs';
import { isAlive, me } from './processes.mjs';

/** The data folder is nobody else's business; the database's own user must be able to pass through it where we run as root. */
const MODE = isRoot ? 0o711 : 0o700;
/** Looking at the note of who is here, and leaving one's own, is a matter of milliseconds; longer, ms, and its process was killed. */
const ABANDONED_MS = 5000;

/**
 * Keeps a second launcher away from a data folder; makes the folder, and nothing in it before the lock is held. Whoever holds it is
 * known by process and start time: a note left by one that was killed is no lock, however that came about.
 * @returns what lets it go @throws Stop when another launcher has it
 */
export async function lockFolder(data) {
  mkdirSync(data, { recursive: true, mode: MODE });
  // Only what is ours: somebody may have named a folder that others use as well.
  if (['cluster.json', 'postgres', 'postgres.secret'].some((n) => existsSync(join(data, n)))) chmodSync(data, MODE);
  const { default: lockfile } = await import('proper-lockfile');
  const note = join(data, 'launcher.json');
  // Two that find an old note at the same moment take turns.
  const release = await lockfile
    .lock(data, {
      lockfilePath: join(data, 'launcher.lock'),
      stale: ABANDONED_MS,
      retries: { retries: 40, minTimeout: 200, maxTimeout: 200, factor: 1 },
    })
    .catch((e) => {
      if (e.code === 'ELOCKED') throw taken(data);
      throw e;
    });
  try {
    // One that is just ending is given a moment.
    for (let i = 0; holderOf(note) && i < 10; i++) await wait(200);
    if (holderOf(note)) throw taken(data);
    writeFileSync(note, JSON.stringify(me()), { mode: 0o600 });
  } finally {
    await release().catch(() => {});
  }
  return { stop: async () => rmSync(note, { force: true }) };
}

const taken = (data) =>
  new Stop(`bin/demo is already running on ${data}; stop that one, or choose another folder with --data`);

/** The launcher that a note tells of, if it is still there. */
function holderOf(note) {
  try {
    const holder = JSON.parse(readFileSync(note, 'utf8'));
    return isAlive(holder) ? holder : null;
  } catch {
    return null;
  }
}
