// npm run bench: speed and memory as JSON lines { name, value, unit }; of the core in Node, of the planner in a browser,
// and the weight of the score's first load.
import { createServer } from 'node:http';
import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { ensureChromium, ensurePackages, ROOT, WORKER_FILE } from './install.mjs';

ensurePackages();
const file = await bundle('bench/core.ts', 'bench');
const core = spawnSync(process.execPath, ['--expose-gc', file], { stdio: 'inherit' });
if (core.status !== 0) process.exit(core.status ?? 1);
await inBrowser();
await firstLoad();

/** The same plan as the application makes it, in its worker: the first one of a page, after practice, and once more. */
async function inBrowser() {
  const executablePath = ensureChromium();
  await import('./worker.mjs');
  const { build } = await import('esbuild');
  const page = await build({
    entryPoints: [join(ROOT, 'bench/browser.ts')],
    bundle: true,
    write: false,
    format: 'iife',
    tsconfig: join(ROOT, 'tsconfig.json'),
    logLevel: 'error',
  });
  const files = {
    '/': ['text/html', '<!doctype html><script src="/page.js"></script>'],
    '/page.js': ['text/javascript', page.outputFiles[0].text],
    '/ember.worker.js': ['text/javascript', readFileSync(join(ROOT, WORKER_FILE))],
  };
  const server = createServer((q, r) => {
    const [type, body] = files[q.url] ?? ['text/plain', ''];
    r.writeHead(200, { 'content-type': type }).end(body);
  }).listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  const { chromium } = createRequire(import.meta.url)('@playwright/test');
  const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
  const say = (when, found) => {
    const what = { first: 'first usable plan', final: 'plan', members: 'plan with 64 members' };
    for (const [key, seconds] of Object.entries(found))
      console.log(
        JSON.stringify({
          name: `${what[key]}, 4 h from a closet of 45, in a browser worker, ${when}`,
          value: Number(seconds.toPrecision(4)),
          unit: 's',
        }),
      );
  };
  const fresh = async () => {
    const p = await browser.newPage();
    await p.goto(`http://127.0.0.1:${server.address().port}/`);
    return p;
  };
  const cold = await fresh();
  say('cold', await cold.evaluate(() => globalThis.ember.plan()));
  await cold.close();
  const warm = await fresh();
  await warm.evaluate(() => globalThis.ember.warmUp());
  say('after practice', await warm.evaluate(() => globalThis.ember.plan()));
  say('again', await warm.evaluate(() => globalThis.ember.plan()));
  await browser.close();
  server.close();
}

/** The built application with the demo in a database of its own, and the score of its first outing. */
async function firstLoad() {
  const { withDemo } = await import('./withDemo.mjs');
  const { firstLoadKb } = await import('./firstLoad.mjs');
  await withDemo(async ({ address }) => {
    const home = await (await fetch(address)).text();
    const [score] = /\/outing\/[0-9a-f-]+\/score/.exec(home);
    const value = Math.round(await firstLoadKb(address + score));
    console.log(JSON.stringify({ name: 'script of the first load of the score, gzip', value, unit: 'kB' }));
  });
}
