// bin/demo and bin/dev: everything from nothing to a served application.
import { createInterface } from 'node:readline/promises';
import { createRequire } from 'node:module';
import { join, resolve } from 'node:path';
import { readFileSync } from 'node:fs';
import { bundle } from './bundle.mjs';
import { startCluster } from './cluster.mjs';
import { ensureBuild, ensurePackages, ensurePostgres, ROOT, say, Stop } from './install.mjs';
import { startApplication, ensurePortFree } from './serve.mjs';

const HELP = `usage: bin/demo [--port N] [--data FOLDER] [--reset [--yes]]
  --port N       address port on 127.0.0.1 (3000)
  --data FOLDER  where the database lives (data/ in the project)
  --reset        throw away everything stored and load the demo data again; asks first`;

function options(argv) {
  const o = { port: 3000, data: join(ROOT, 'data'), reset: false, yes: false, dev: false };
  for (let i = 0; i < argv.length; i++) {
    const value = () => argv[++i] ?? fail(`${argv[i - 1]} needs a value`);
    if (argv[i] === '--port') {
      o.port = Number(value());
      if (!Number.isInteger(o.port) || o.port < 1 || o.port > 65535) fail(`--port is ${argv[i]}; allowed: 1 to 65535`);
    } else if (argv[i] === '--data') o.data = resolve(value());
    else if (argv[i] === '--reset') o.reset = true;
    else if (argv[i] === '--yes') o.yes = true;
    else if (argv[i] === '--dev') o.dev = true;
    else if (argv[i] === '--help') fail(HELP, 0);
    else fail(`unknown option ${argv[i]}\n${HELP}`);
  }
  return o;
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
    await ensurePortFree(o.port);
    ensurePackages();
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
