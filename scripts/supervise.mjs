// Keeps what was started running: starts again what ended, and what no longer answers.
import { setTimeout as wait } from 'node:timers/promises';
import { say, Stop } from './install.mjs';

/** So many ends within so long, ms, are no accident: starting again would go on for ever. */
const MOST_ENDS = 5;
const WITHIN_MS = 60_000;

/**
 * @typedef {{ ended: Promise<unknown>, stop: () => Promise<void>, kill: () => void }} Started
 * Keeps one program running.
 * @param name for people @param start starts it @param first what was started already
 * @returns {{ now: () => Started, stop: () => Promise<void>, failed: Promise<never> }} failed: rejects when it ends again and again
 */
export function keepRunning(name, start, first) {
  let now = first;
  let stopping = false;
  const ends = [];
  const watch = async () => {
    for (;;) {
      await now.ended;
      if (stopping) return new Promise(() => {});
      const at = Date.now();
      ends.push(at);
      if (ends.filter((t) => at - t < WITHIN_MS).length > MOST_ENDS)
        throw new Stop(`the ${name} ends again and again; its log says why. Nothing that was stored is lost`);
      say(`the ${name} ended; starting it again, nothing that was stored is lost`);
      now = await start();
      say(`the ${name} is back`);
    }
  };
  return {
    now: () => now,
    stop: async () => {
      stopping = true;
      await now.stop();
    },
    failed: watch(),
  };
}

/** Asked this often, ms, and so patiently; so many silences in a row, and it is taken for dead. */
const ASK_MS = 3000;
const PATIENCE_MS = 2500;
const SILENCES = 3;

/**
 * Asks the application for its health, for ever. What hangs is killed, and so started again by whoever keeps it running.
 * @param address of the application @param app and database as `keepRunning` made them @param also done at each round
 */
export async function watchHealth(address, app, database, also = () => {}) {
  let silent = 0;
  let without = 0;
  for (;;) {
    await wait(ASK_MS);
    also();
    const answer = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(PATIENCE_MS) })
      .then((r) => r.json())
      .catch((e) => (e.name === 'TimeoutError' ? 'silent' : 'away'));
    silent = answer === 'silent' ? silent + 1 : 0;
    without = answer.database === 'silent' ? without + 1 : 0;
    if (silent >= SILENCES) {
      say('the application does not answer any more');
      app.now().kill();
      silent = 0;
    }
    if (without >= SILENCES) {
      say('the database does not answer any more');
      database.now().kill();
      without = 0;
    }
  }
}
