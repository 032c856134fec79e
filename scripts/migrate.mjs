// Applies src/store/migrations in order, each in its own transaction, recorded with a checksum.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, Stop } from './install.mjs';

/** @returns names applied now. Refuses when an applied file was changed afterwards or is missing. */
export async function migrate(url, folder = join(ROOT, 'src/store/migrations')) {
  const { default: postgres } = await import('postgres');
  const sql = postgres(url, { max: 1, onnotice: () => {} });
  try {
    await sql`create table if not exists migration (name text primary key, checksum text not null, applied_at timestamptz not null default now())`;
    const applied = new Map((await sql`select name, checksum from migration`).map((r) => [r.name, r.checksum]));
    const files = readdirSync(folder)
      .filter((f) => f.endsWith('.sql'))
      .sort();
    for (const name of applied.keys())
      if (!files.includes(name))
        throw new Stop(
          `migration ${name} was applied to this database but its file is gone; use the matching version of the code`,
        );
    const now = [];
    for (const name of files) {
      const text = readFileSync(join(folder, name), 'utf8');
      const checksum = createHash('sha256').update(text).digest('hex');
      const before = applied.get(name);
      if (before === checksum) continue;
      if (before)
        throw new Stop(
          `migration ${name} was changed after it was applied; restore the file and add a new migration instead`,
        );
      await sql.begin(async (tx) => {
        await tx.unsafe(text);
        await tx`insert into migration (name, checksum) values (${name}, ${checksum})`;
      });
      now.push(name);
    }
    return now;
  } finally {
    await sql.end();
  }
}
