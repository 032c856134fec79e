// bin/demo and bin/dev: everything from nothing to a served application.
import { createInterface } from 'node:readline/promises';
import { createRequire } from 'node:module';
import { join, resolve } from 'node:path';
import { mkdirSync, readFileSync } from 'node:fs';
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

/** A lock nobody renews is taken for abandoned after so long, ms: its launcher was killed. */
const ABANDONED_MS = 5000;

/** Keeps a second launcher away from a data folder. @returns what lets it go @throws Stop when another one has it */
export async function lockFolder(data) {
  const { default: lockfile } = await import('proper-lockfile');
  mkdirSync(data, { recursive: true });
  const held = {
    lockfilePath: join(data, 'launcher.lock'),
    stale: ABANDONED_MS,
    update: ABANDONED_MS / 2,
    retries: { retries: 7, minTimeout: 1000, maxTimeout: 1000, factor: 1 },
    // A machine that slept past the limit comes back to its own lock: nobody else took it, or the next start says so.
    onCompromised: (e) => say(`the lock of ${data} was lost: ${e.message}`),
  };
  const release = await lockfile.lock(data, held).catch((e) => {
    if (e.code !== 'ELOCKED') throw e;
    throw new Stop(`bin/demo is already running on ${data}; stop that one, or choose another folder with --data`);
  });
  return { stop: () => release().catch(() => {}) };
}

function fail(text, code = 2) {
  process.stderr.write(`${text}\n`);
  process.exit(code);
}

/** Loads the demo data in one transaction; does nothing when there is an athlete already. */
export async function loadDemoInto(url, how) {
  const { loadDemo } = createRequire(import.meta.url)(await bundle('src/store/loadDemo.ts', 'load-demo'));
  const before = process.env.DATABASE_URL;
  process.env.DATABASE_URL = url;
  const loaded = await loadDemo((name) => readFileSync(join(ROOT, 'src/demo/files', name), 'utf8'), how);
  await globalThis.emberSql?.end();
  globalThis.emberSql = undefined;
  process.env.DATABASE_URL = before ?? '';
  return loaded;
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
    await ensurePortFree(o.port);
    started.push(await lockFolder(o.data));
    const bin = ensurePostgres();
    const cluster = await startCluster(bin, o.data);
    started.push(cluster);
    const { migrate } = await import('./migrate.mjs');
    const applied = await migrate(cluster.url);
    if (applied.length > 0) say(`applied ${applied.join(', ')}`);
    if (await loadDemoInto(cluster.url, o.reset ? 'anew' : 'if empty')) say('loaded the Tarnholt demo data');
    if (!o.dev) ensureBuild();
    const app = await startApplication(o.dev ? 'dev' : 'start', o.port, cluster.url);
    started.push(app);
    say(`Lofted Ember is at ${app.address}  (Ctrl-C stops it; your data stays in ${o.data})`);
    const what = await Promise.race([app.ended.then(() => 'application'), cluster.ended.then(() => 'database')]);
    if (!stopping) say(`the ${what} ended; start again, nothing that was stored is lost`);
    await stopAll(stopping ? 0 : 1);
  } catch (e) {
    process.stderr.write(`ember: ${e instanceof Stop ? e.message : e.stack}\n`);
    await stopAll(1);
  }
}

if (process.argv[1] && process.argv[1].endsWith('demo.mjs')) await main();
