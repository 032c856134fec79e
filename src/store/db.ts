import { AsyncLocalStorage } from 'node:async_hooks';
import postgres from 'postgres';

declare global {
  // For the whole process, kept across hot reloads.
  var emberSql: postgres.Sql | undefined;
  var emberTransactions: postgres.Sql | undefined;
}

/** An open transaction; `over` once its connection broke, and nothing more may be sent down it. */
interface Open {
  sql: postgres.Sql;
  over: boolean;
}

const transaction = new AsyncLocalStorage<Open>();

/** What still runs on connections that are left may take so long, s. */
const OLD_S = 5;
/** Connections held open for single statements, and for transactions, one each: more than this machine has use for at once. */
const PLAIN = 6;
const TRANSACTIONS = 8;

/** The way to the database broke while a transaction was open: nobody knows yet whether it was stored. */
export class OutcomeUnknown extends Error {
  constructor(cause: unknown) {
    super('the database went away while storing', { cause });
    this.name = 'OutcomeUnknown';
  }
}

function connect(max: number): postgres.Sql {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set: start the application with bin/demo or bin/dev');
  const made: postgres.Sql = postgres(url, {
    max,
    onnotice: () => {},
    connect_timeout: 5,
    // A connection that broke is connected again by the driver, and then what is sent down it may wait for ever.
    onclose: () => {
      if (made === globalThis.emberSql || made === globalThis.emberTransactions) renewPool();
    },
  });
  return made;
}

/** The database client: the open transaction inside `atomically`, else the pool. Connects on first use to DATABASE_URL. */
export function sql(): postgres.Sql {
  const open = transaction.getStore();
  if (!open) return (globalThis.emberSql ??= connect(PLAIN));
  if (open.over) throw new OutcomeUnknown('its connection broke');
  return open.sql;
}

/**
 * Runs work in one transaction: all of it is stored or nothing. Joins a transaction that is already open.
 *
 * Transactions have connections of their own. On one that single statements share, the driver sends BEGIN without keeping others
 * away when about a hundred queries wait there, and their work then rides in this transaction.
 * @throws OutcomeUnknown when the connection broke before the end of it was heard of; what `work` throws, with nothing stored
 */
export async function atomically<T>(work: () => Promise<T>): Promise<T> {
  if (transaction.getStore()) return work();
  const pool = (globalThis.emberTransactions ??= connect(TRANSACTIONS));
  const never = new Promise<never>(() => {});
  let open: Open | null = null;
  try {
    return (await pool.begin((tx) => {
      const mine: Open = (open = { sql: tx as unknown as postgres.Sql, over: false });
      // Once the connection broke nobody waits for this any more, and the driver must not send its COMMIT or ROLLBACK down it.
      return transaction.run(mine, work).then(
        (result) => (mine.over ? never : result),
        (e: unknown) => (mine.over || isBroken(e) ? never : Promise.reject(e)),
      );
    })) as T;
  } catch (e) {
    const begun = open as Open | null;
    // An answer of the database that nothing was stored is an answer; only what was not heard is unknown.
    if (!isAway(e) || isSlow(e) || unwritable(e)) throw e;
    if (begun) begun.over = true;
    renewPool();
    throw begun ? new OutcomeUnknown(e) : e;
  }
}

/**
 * Whether the database cannot be reached, is starting or stopping, has put us out, or gave up on a statement that took too long.
 * Codes: PostgreSQL's classes 08, 53, 57 and 25P03, the system's and the driver's own.
 */
export function isAway(e: unknown): boolean {
  const code = String((e as { code?: unknown } | null)?.code ?? '');
  return /^(CONNECT|ECONN|EPIPE|57|53|08|25P03)/.test(code);
}

/** After these the connection is closed, by us or by the database: the driver's `begin` ends by itself with that. */
const isBroken = (e: unknown): boolean =>
  /^(CONNECTION_|ECONN|EPIPE|57P0|08|25P03)/.test(String((e as { code?: unknown } | null)?.code ?? ''));

/** Why nothing can be written now, of PostgreSQL's own codes: no room on the disk, or a database that may only be read. Null: neither. */
export function unwritable(e: unknown): 'the disk is full' | 'the database can only be read now' | null {
  const code = (e as { code?: unknown } | null)?.code;
  if (code === '53100') return 'the disk is full';
  return code === '25006' ? 'the database can only be read now' : null;
}

/** A statement that took too long says nothing against its connection. */
export const isSlow = (e: unknown): boolean => (e as { code?: unknown } | null)?.code === '57014';

/** Leaves every connection to end by itself and starts with new ones: after the database was away none of the old can be trusted. */
export function renewPool(): void {
  for (const old of [globalThis.emberSql, globalThis.emberTransactions])
    void old?.end({ timeout: OLD_S }).catch(() => {});
  globalThis.emberSql = undefined;
  globalThis.emberTransactions = undefined;
}
