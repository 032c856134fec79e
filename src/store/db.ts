import { AsyncLocalStorage } from 'node:async_hooks';
import postgres from 'postgres';

declare global {
  // One pool for the whole process, kept across hot reloads.
  var emberSql: postgres.Sql | undefined;
}

const transaction = new AsyncLocalStorage<postgres.Sql>();

/** The database client: the open transaction inside `atomically`, else the pool. Connects on first use to DATABASE_URL. */
export function sql(): postgres.Sql {
  const open = transaction.getStore();
  if (open) return open;
  if (!globalThis.emberSql) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set: start the application with bin/demo or bin/dev');
    globalThis.emberSql = postgres(url, { max: 8, onnotice: () => {}, connect_timeout: 5 });
  }
  return globalThis.emberSql;
}

/** Runs work in one transaction: all of it is stored or nothing. Joins a transaction that is already open. */
export async function atomically<T>(work: () => Promise<T>): Promise<T> {
  if (transaction.getStore()) return work();
  return (await sql().begin((tx) => transaction.run(tx as unknown as postgres.Sql, work))) as T;
}
