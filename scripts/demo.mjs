// bin/demo and bin/dev: everything from nothing to a served application.
import { createInterface } from 'node:readline/promises';
import { createRequire } from 'node:module';
import { join, resolve } from 'node:path';
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { bundle } from './bundle.mjs';
import { ensureBuild, ensurePackages, ensurePostgres, ROOT, say, Stop } from './install.mjs';

const HELP = `usage: bin/demo [--port N] [--data FOLDER] [--reset [--yes]]
  --port N       address port on 127.0.0.1 (3000)
  --data FOLDER  where the database lives (data/ in the project)
  --reset        throw away everything stored and load the demo data again; asks first`;

function options(args) {
  const { values } = (() => {
    try {
      return parseArgs({
        args,
        options: {
          port: { type: 'string', default: '3000' },
          data: { type: 'string', default: join(ROOT, 'data') },
          reset: { type: 'boolean', default: false },
          yes: { type: 'boolean', default: false },
          dev: { type: 'boolean', default: false },
          help: { type: 'boolean', default: false },
        },
      });
    } catch (e) {
      return fail(`${e.message}\n${HELP}`);
    }
  })();
  if (values.help) fail(HELP, 0);
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535) fail(`--port is ${values.port}; allowed: 1 to 65535`);
  return { ...values, port, data: resolve(values.data) };
}

function fail(text, code = 2) {
  process.stderr.write(`${text}\n`);
  process.exit(code);
}

/** Loads the demo data in one transaction; does nothing when there is an athlete already. */
export function loadDemoInto(url, how) {
  const loaded = turn.then(() => loadNow(url, how));
  turn = loaded.catch(() => {});
  return loaded;
}

/** The store has one database at a time: two that are loaded together take turns. */
let turn = Promise.resolve();

async function loadNow(url, how) {
  const { loadDemo } = createRequire(import.meta.url)(await bundle('src/store/loadDemo.ts', 'load-demo'));
  const before = process.env.DATABASE_URL;
  process.env.DATABASE_URL = url;
  const loaded = await loadDemo((name) => readFileSync(join(ROOT, 'src/demo/files', name), 'utf8'), how);
  for (const pool of ['emberSql', 'emberTransactions']) {
    await globalThis[pool]?.end();
    globalThis[pool] = undefined;
  }
  process.env.DATABASE_URL = before ?? '';
  return loaded;
}

/** What the disk has against it, in a sentence; null for anything else. */
function wordsFor(e, data) {
  const where = e.path ?? data;
  return (
    {
      EROFS: `${where} lies on a disk that can only be read; choose another folder with --data`,
      ENOSPC: `the disk is full: nothing can be written to ${where}. Make room and start again; nothing that was stored is lost`,
      EDQUOT: `your share of the disk is full: nothing can be written to ${where}. Make room and start again`,
      EACCES: `${where} may not be written by this user; choose another folder with --data, or change its owner`,
      EPERM: `${where} may not be changed by this user; choose another folder with --data, or change its owner`,
      ENOTDIR: `${where} is no folder; choose another one with --data`,
    }[e.code] ?? null
  );
}

async function main() {
  const o = options(process.argv.slice(2));
  const started = [];
  let stopping = false;
  const stopAll = async (code) => {
    if (stopping) return;
    stopping = true;
    for (const s of started.reverse()) await s.stop();
    process.exit(code);
  };
  process.on('SIGINT', () => void stopAll(0));
  process.on('SIGTERM', () => void stopAll(0));
  process.on('SIGHUP', () => void stopAll(0));
  try {
    if (o.reset && !o.yes) {
      const ask = createInterface({ input: process.stdin, output: process.stdout });
      const answer = await ask
        .question(`Throw away everything stored in ${o.data} and load the demo again? Type yes: `)
        .catch(() => '');
      ask.close();
      if (answer.trim().toLowerCase() !== 'yes') return fail('Nothing was changed.', 1);
    }
    ensurePackages();
    const { startApplication, ensurePortFree } = await import('./serve.mjs');
    const { startCluster } = await import('./cluster.mjs');
    const { lockFolder } = await import('./lock.mjs');
    const { openDatabase } = await import('./roles.mjs');
    const { keepRunning, watchHealth } = await import('./supervise.mjs');
    const { turnOver } = await import('./logs.mjs');
    await ensurePortFree(o.port);
    started.push(await lockFolder(o.data));
    const logs = ['ember.log', 'postgres.log'].map((n) => join(o.data, n));
    logs.forEach(turnOver);
    const bin = ensurePostgres();
    const first = await startCluster(bin, o.data);
    // At the same port again: the application goes on with the address it has.
    const database = keepRunning('database', () => startCluster(bin, o.data, { port: first.port }), first);
    started.push(database);
    const { owner, app: url, applied } = await openDatabase(first.url);
    if (applied.length > 0) say(`applied ${applied.join(', ')}`);
    if (await loadDemoInto(owner, o.reset ? 'anew' : 'if empty')) say('loaded the Tarnholt demo data');
    if (!o.dev) ensureBuild();
    const startIt = () => startApplication(o.dev ? 'dev' : 'start', o.port, { url, log: logs[0] });
    const app = keepRunning('application', startIt, await startIt());
    started.push(app);
    const { address } = app.now();
    say(`Lofted Ember is at ${address}  (Ctrl-C stops it; your data stays in ${o.data})`);
    await Promise.race([
      app.failed,
      database.failed,
      watchHealth(address, app, database, () => logs.forEach(turnOver)),
    ]);
  } catch (e) {
    process.stderr.write(`ember: ${e instanceof Stop ? e.message : (wordsFor(e, o.data) ?? e.stack)}\n`);
    await stopAll(1);
  }
}

if (process.argv[1] && process.argv[1].endsWith('demo.mjs')) await main();
