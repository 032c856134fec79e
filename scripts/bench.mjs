// npm run bench: speed and memory as JSON lines { name, value, unit }; of the core in Node, of the planner in a browser,
// and the weight of the score's first load.
/* global indexedDB, crypto, requestAnimationFrame, window */
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
await application();

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

/** The built application with the demo in a database of its own: weight of first loads, and the front door as somebody uses it. */
async function application() {
  const { withDemo } = await import('./withDemo.mjs');
  const { firstLoadKb } = await import('./firstLoad.mjs');
  const say = (name, value, unit) => console.log(JSON.stringify({ name, value: Number(value.toPrecision(4)), unit }));
  await withDemo(async ({ address }) => {
    const list = await (await fetch(`${address}/outings`)).text();
    const [score] = /\/outing\/[0-9a-f-]+\/score/.exec(list);
    say('script of the first load of the front door, gzip', Math.round(await firstLoadKb(`${address}/`)), 'kB');
    say('script of the first load of the score, gzip', Math.round(await firstLoadKb(address + score)), 'kB');
    await frontDoor(address, say);
    await phone(address, say);
  });
}

/** First paint to answer, the ladder, and a dial to the answer at once and exactly; seconds on this machine. */
async function frontDoor(address, say) {
  const executablePath = ensureChromium();
  const { chromium } = createRequire(import.meta.url)('@playwright/test');
  const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const since = (from) => (performance.now() - from) / 1000;
  const until = (selector) => page.waitForSelector(selector, { state: 'attached', timeout: 180_000 });
  const begun = performance.now();
  const line = encodeURIComponent('run 50 min steady −6 wind 15 dry');
  await page.goto(`${address}/?line=${line}`);
  const painted = await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0);
  await until('main[data-how]');
  say('front door: from the address to the first answer, no ladder yet', since(begun), 's');
  say('front door: first paint', painted / 1000, 's');
  await page.waitForSelector('text=/Rung \\d+ of \\d+ on your ladder/', { timeout: 300_000 });
  say('one ladder whole, from a closet of 76, beside the page', since(begun), 's');
  await until('main[data-how="exact"]');
  const atOnce = [];
  const exact = [];
  await page.click('h2#outside');
  for (let k = 1; k <= 7; k++) {
    const from = performance.now();
    await page.keyboard.press(k % 2 === 1 ? 'ArrowLeft' : 'ArrowRight');
    await until(`main[data-air="${k % 2 === 1 ? -7 : -6}"]`);
    atOnce.push(since(from));
    await until(`main[data-air="${k % 2 === 1 ? -7 : -6}"][data-how="exact"]`);
    exact.push(since(from));
    await page.waitForTimeout(2500);
  }
  const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
  say('front door: dial to the answer at once, median of 7', median(atOnce), 's');
  say('front door: dial to the exact answer, median of 7', median(exact), 's');
  await browser.close();
}

/** The phone on the way: what it packs, how soon the first cue stands there without a network, a long day's memory, and scrolling. */
async function phone(address, say) {
  const executablePath = ensureChromium();
  const { chromium } = createRequire(import.meta.url)('@playwright/test');
  const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
  const since = (from) => (performance.now() - from) / 1000;
  const list = await (await fetch(`${address}/outings`)).text();
  const ids = [...new Set([...list.matchAll(/\/outing\/([0-9a-f-]{36})/g)].map((m) => m[1]))];
  const origin = { origin: address, 'content-type': 'application/json' };
  const wide = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  // The longest outing of the demo: it is planned as its score opens.
  await wide.goto(`${address}/outing/${ids[1]}/score`);
  let pack = {};
  for (let k = 0; k < 180 && !pack.plan; k++) {
    await wide.waitForTimeout(1000);
    pack = await (await fetch(`${address}/api/outings/${ids[1]}/pack`, { headers: origin })).json();
  }
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  const url = `${address}/out?outing=${ids[1]}&rehearse`;
  const files =
    readFileSync(join(ROOT, 'public/sw.js'), 'utf8').match(/\/_next\/static\/[^"]+|\/[\w.-]+\.(js|png)/g) ?? [];
  let bytes = JSON.stringify(pack).length;
  for (const f of new Set(files)) bytes += (await (await fetch(address + f)).arrayBuffer()).byteLength;
  say('phone: what is packed, screen and outing, unzipped', bytes / 1024, 'kB');
  await page.goto(url);
  await page.getByText('Packed: works without a network.').waitFor();
  await page.getByRole('button', { name: /^Start/ }).click();
  await page
    .getByText(/Nothing to do|All is well/)
    .first()
    .waitFor();
  await context.setOffline(true);
  const first = [];
  for (let k = 0; k < 5; k++) {
    const from = performance.now();
    await page.goto(url);
    await page.getByText(/^Then:/).waitFor();
    first.push(since(from));
  }
  const median = (l) => [...l].sort((a, b) => a - b)[Math.floor(l.length / 2)];
  say('phone: from the icon to the next cue, no network, median of 5', median(first), 's');
  // Twelve hours of places and pulses, one of each a minute, as they lie on the phone in the evening.
  const startMs = pack.outing.startMs - pack.outing.utcOffsetMin * 60_000;
  await page.evaluate(
    ([session, start]) =>
      new Promise((done) => {
        const open = indexedDB.open('lofted-ember-out');
        open.onsuccess = () => {
          const tx = open.result.transaction('taps', 'readwrite');
          for (let m = 1; m <= 720; m++)
            for (const told of [
              { kind: 'fix', metres: m * 12, offM: 5 },
              { kind: 'pulse', bpm: 120 + (m % 9) },
            ]) {
              const id = crypto.randomUUID();
              tx.objectStore('taps').put({
                id,
                atMs: start + m * 60_000,
                device: 'phone',
                told,
                session,
                place: 'sent',
              });
            }
          tx.oncomplete = () => (open.result.close(), done());
        };
      }),
    [`${ids[1]} rehearsal`, startMs],
  );
  const cdp = await context.newCDPSession(page);
  const long = performance.now();
  await page.goto(url);
  await page.getByRole('heading', { name: 'How is it right now?' }).waitFor();
  say('phone: from the icon to the screen with 12 h of taps', since(long), 's');
  await page.getByRole('button', { name: '60×' }).click();
  await page.waitForTimeout(15_000);
  await cdp.send('HeapProfiler.collectGarbage');
  const { usedSize } = await cdp.send('Runtime.getHeapUsage');
  say('phone: memory of the page after 12 h of taps, playing on at 60×', usedSize / 1024 / 1024, 'MB');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const frames = await page.evaluate(async () => {
    let n = 0;
    const until = performance.now() + 2000;
    while (performance.now() < until) {
      await new Promise((go) => requestAnimationFrame(go));
      window.scrollBy(0, n % 40 < 20 ? 9 : -9);
      n++;
    }
    return n / 2;
  });
  say('phone: frames a second while scrolling, processor throttled four times', frames, '1/s');
  await page.getByRole('button', { name: 'Again' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.getByRole('heading', { name: 'Your body now' }).waitFor();
  const again = performance.now();
  await page.getByRole('button', { name: 'Replan from here' }).click();
  await page.getByText('Planned from here', { exact: true }).waitFor({ timeout: 30_000 });
  say('phone: replan from here, processor throttled four times', since(again), 's');
  await browser.close();
}
