// bin/backup and bin/restore: the whole database as one file, and back into a new data folder.
import { closeSync, existsSync, fsyncSync, openSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { ensurePackages, ensurePostgres, ROOT, say, Stop } from './install.mjs';

const HELP = {
  backup: `usage: bin/backup FILE [--data FOLDER]
  Writes everything that is stored to FILE, also while the application runs. FILE must not be there yet.`,
  restore: `usage: bin/restore FILE --data FOLDER
  Makes a new data folder from a file of bin/backup, of this or an earlier version. FOLDER must not hold a database yet:
  nothing is ever written over. Start it with bin/demo --data FOLDER.`,
};

function options(what, args) {
  let parsed;
  try {
    parsed = parseArgs({
      args,
      allowPositionals: true,
      options: { data: { type: 'string' }, help: { type: 'boolean' } },
    });
  } catch (e) {
    throw new Stop(`${e.message}\n${HELP[what]}`);
  }
  const { values, positionals } = parsed;
  if (values.help || positionals.length !== 1 || (what === 'restore' && !values.data)) throw new Stop(HELP[what]);
  return { file: resolve(positionals[0]), data: resolve(values.data ?? join(ROOT, 'data')) };
}

/** The address without the password, which goes by the environment: other users of a machine see what is called with what. */
async function pg(program, bin, url, args) {
  const { execa } = await import('execa');
  const at = new URL(url);
  const env = { PGPASSWORD: at.password, LC_ALL: 'C.UTF-8' };
  const where = ['-h', at.hostname, '-p', at.port, '-U', at.username, '-d', at.pathname.slice(1)];
  const r = await execa(join(bin, program), [...where, ...args], { env, reject: false });
  if (r.exitCode !== 0) throw new Stop(`${program} failed: ${(r.stderr || r.shortMessage).trim()}`);
}

/** Writes a backup whole, or none: under another name until it is on the disk. */
export async function backup(file, data) {
  const { startCluster } = await import('./cluster.mjs');
  if (existsSync(file)) throw new Stop(`${file} is there already; name another file`);
  if (!existsSync(join(data, 'cluster.json')) && !existsSync(join(data, 'postgres.secret')))
    throw new Stop(`there is no database in ${data}; name its folder with --data`);
  const { lockFolder } = await import('./lock.mjs');
  // Beside a running application its database is used; without one, nobody else may start it meanwhile.
  const lock = await lockFolder(data).catch((e) => {
    if (e instanceof Stop) return null;
    throw e;
  });
  const bin = ensurePostgres();
  const cluster = await startCluster(bin, data, { join: 'at once' });
  const part = `${file}.part`;
  try {
    await pg('pg_dump', bin, cluster.url, ['--format', 'custom', '--no-owner', '--no-privileges', '--file', part]);
    const opened = openSync(part, 'r+');
    fsyncSync(opened);
    closeSync(opened);
    renameSync(part, file);
  } finally {
    rmSync(part, { force: true });
    await cluster.stop();
    await lock?.stop();
  }
  say(`everything in ${data} is in ${file} (${Math.ceil(statSync(file).size / 1024)} kB)`);
}

/** Makes a data folder of a backup. */
export async function restore(file, data) {
  const { startCluster } = await import('./cluster.mjs');
  const { lockFolder } = await import('./lock.mjs');
  const { openDatabase } = await import('./roles.mjs');
  if (!existsSync(file)) throw new Stop(`${file} is not there`);
  const bin = ensurePostgres();
  const lock = await lockFolder(data);
  try {
    if (['cluster.json', 'postgres', 'postgres.secret'].some((n) => existsSync(join(data, n))))
      throw new Stop(`${data} holds a database already; name a new folder with --data. Nothing was changed`);
    const cluster = await startCluster(bin, data);
    try {
      await pg('pg_restore', bin, cluster.url, [
        '--single-transaction',
        '--exit-on-error',
        '--no-owner',
        '--no-privileges',
        file,
      ]);
      const { applied } = await openDatabase(cluster.url);
      if (applied.length > 0) say(`applied ${applied.join(', ')}`);
    } finally {
      await cluster.stop();
    }
  } finally {
    await lock.stop();
  }
  say(`${data} holds what was in ${file}; start it with bin/demo --data ${data}`);
}

const [what, ...args] = process.argv.slice(2);
if (basename(process.argv[1] ?? '') === 'backup.mjs') {
  try {
    const { file, data } = options(what, args);
    ensurePackages();
    await (what === 'backup' ? backup : restore)(file, data);
    process.exit(0);
  } catch (e) {
    process.stderr.write(`ember: ${e instanceof Stop ? e.message : e.stack}\n`);
    process.exit(1);
  }
}
