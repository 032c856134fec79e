import { AsyncLocalStorage } from 'node:async_hooks';
import postgres from 'postgres';

declare global {
  // One pool for the whole process, kept across hot reloads.
  var emberSql: postgres.Sql | undefined;
}

const transaction = new AsyncLocalStorage<postgres.Sql>();

/** Connections held open: more than this machine has use for at once. */
const CONNECTIONS = 8;

/** The way to the database broke while a transaction was being ended: nobody knows yet whether it was stored. */
export class OutcomeUnknown extends Error {
  constructor(cause: unknown) {
    super('the database went away while storing', { cause });
    this.name = 'OutcomeUnknown';
  }
}

function pool(): postgres.Sql {
  if (!globalThis.emberSql) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set: start the application with bin/demo or bin/dev');
    globalThis.emberSql = postgres(url, { max: CONNECTIONS, onnotice: () => {}, connect_timeout: 5 });
  }
  return globalThis.emberSql;
}

/** The database client: the open transaction inside `atomically`, else the pool. Connects on first use to DATABASE_URL. */
export const sql = (): postgres.Sql => transaction.getStore() ?? pool();

/**
 * Runs work in one transaction: all of it is stored or nothing. Joins a transaction that is already open.
 *
 * The connection is reserved before BEGIN is sent. The driver's own `begin` sends it down a connection that others use as well
 * when many queries wait, and their work then rides in this transaction.
 * @throws OutcomeUnknown when the end of it was not heard of; what `work` throws, with nothing stored
 */
export async function atomically<T>(work: () => Promise<T>): Promise<T> {
  if (transaction.getStore()) return work();
  const held = await pool().reserve();
  let lost = false;
  const undo = () =>
    held`rollback`.then(
      () => {},
      () => {
        lost = true;
      },
    );
  try {
    await held`begin`;
    const result = await transaction.run(held, work).catch(async (e: unknown) => {
      await undo();
      throw e;
    });
    const { command } = await held`commit`.catch((e: unknown) => {
      lost = true;
      throw new OutcomeUnknown(e);
    });
    // A transaction in which a statement failed is undone by the database whatever is asked for.
    if (command !== 'COMMIT')
      throw new Error(`a transaction ended with ${command}: a failed statement in it was passed over`);
    return result;
  } catch (e) {
    if ((e as { code?: string }).code?.startsWith('CONNECTION_')) lost = true;
    throw e;
  } finally {
    // A connection that broke has left the reserve by itself; handed back it would be given to others.
    if (!lost) held.release();
  }
}
