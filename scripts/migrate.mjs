// Applies src/store/migrations in order: all of them or none, each recorded with its checksum.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { ROOT, Stop } from './install.mjs';

const TABLE = 'schema_version';

/** @returns names of the files applied now. Refuses when an applied file was changed afterwards or is missing. */
export async function migrate(url, folder = join(ROOT, 'src/store/migrations')) {
  const { default: postgres } = await import('postgres');
  const { default: Postgrator } = await import('postgrator');
  const sql = postgres(url, { max: 1, onnotice: () => {} });
  try {
    return await sql.begin(async (tx) => {
      // Two launchers on one database take turns.
      await tx`select pg_advisory_xact_lock(hashtext('migrations'))`;
      const runner = new Postgrator({
        driver: 'pg',
        migrationPattern: join(folder, '*.do.*.sql'),
        schemaTable: TABLE,
        currentSchema: 'public',
        execQuery: async (query) => ({ rows: await tx.unsafe(query) }),
      });
      const files = await runner.getMigrations();
      await adopt(tx, runner, files);
      const applied = await tx`select version, md5 from ${tx(TABLE)} where version > 0`;
      for (const { version, md5 } of applied) check(files, Number(version), (file) => file.md5 === md5);
      return (await runner.migrate()).map((m) => basename(m.filename));
    });
  } finally {
    await sql.end();
  }
}

function check(files, version, isSame) {
  const file = files.find((f) => f.version === version);
  if (!file)
    throw new Stop(
      `migration ${version} was applied to this database but its file is gone; use the matching version of the code`,
    );
  if (!isSame(file))
    throw new Stop(
      `migration ${basename(file.filename)} was changed after it was applied; restore the file and add a new migration instead`,
    );
}

/** A database of the first versions recorded its migrations in a table of its own, `migration`: they are taken over once. */
async function adopt(tx, runner, files) {
  await runner.commonClient.ensureTable();
  const [{ old }] = await tx`select to_regclass('public.migration') is not null as old`;
  const [{ known }] = await tx`select count(*)::int as known from ${tx(TABLE)} where version > 0`;
  if (!old || known > 0) return;
  for (const { name, checksum } of await tx`select name, checksum from migration order by name`) {
    const version = Number(name.slice(0, 3));
    check(files, version, (file) => sha256(readFileSync(file.filename)) === checksum);
    const file = files.find((f) => f.version === version);
    await tx`
      insert into ${tx(TABLE)} (version, name, md5, run_at) values (${version}, ${file.name}, ${file.md5}, now())`;
  }
}

const sha256 = (bytes) => createHash('sha256').update(bytes).digest('hex');
