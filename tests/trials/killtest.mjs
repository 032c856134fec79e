// npm run killtest [cycles] [seed]: edits in a browser while the database, the server, the launcher or all of them are killed at bad
// moments. Every edit that the page called saved must be there afterwards, and every one that was kept here must arrive. On
// loopback, with the demo in a data folder of its own.
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { ensureBuild, ensureChromium, ensurePackages, ROOT } from '../../scripts/install.mjs';
import { chance } from './hostile.mjs';
import { processesIn } from '../../scripts/processes.mjs';

const BACK_MS = 60_000;

async function until(what, ms, check) {
  const end = performance.now() + ms;
  while (performance.now() < end) {
    if (await check()) return;
    await wait(100);
  }
  throw new Error(`${what}: not within ${ms / 1000} s`);
}

const healthy = async (address) =>
  (await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(2000) }).catch(() => null))?.ok === true;

/** @returns {Promise<{cycles: number, saved: number, lost: string[]}>} */
export async function killtest(cycles, seed = 1) {
  const { freePort } = await import('../../scripts/cluster.mjs');
  const { chromium } = createRequire(import.meta.url)('@playwright/test');
  const c = chance(seed);
  const data = mkdtempSync('/var/tmp/ember-kill-');
  chmodSync(data, 0o755);
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const launch = () => {
    const child = spawn(process.execPath, ['scripts/demo.mjs', '--port', String(port), '--data', data], {
      cwd: ROOT,
      stdio: 'ignore',
    });
    return { child, ended: new Promise((done) => child.once('exit', done)) };
  };
  let launcher = launch();
  const browser = await chromium.launch({
    executablePath: ensureChromium(),
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic'],
  });
  const page = await (await browser.newContext()).newPage();
  const lost = [];
  let saved = 0;
  try {
    await until('the first start', BACK_MS, () => healthy(address));
    await page.goto(`${address}/outings`);
    const home = await page.content();
    const path = /\/outing\/[0-9a-f-]+(?=")/.exec(home)[0];
    // Typing before the page's program runs would be nobody's edit.
    const open = { waitUntil: 'networkidle', timeout: BACK_MS };
    await page.goto(address + path, open);
    const name = page.getByLabel('Name of the outing');
    const state = page.getByTestId('save-state');
    const end = (pid) => {
      try {
        process.kill(pid, 'SIGKILL');
      } catch (e) {
        // It was gone before we came.
        if (e.code !== 'ESRCH') throw e;
      }
    };
    const database = () => processesIn(join(data, 'postgres'));
    const server = () =>
      new Promise((done) => spawn('pkill', ['-9', '-f', `scripts/server.mjs --port ${port}`]).once('exit', done));
    const kill = {
      server,
      database: async () => database().slice(0, 1).forEach(end),
      launcher: async () => launcher.child.kill('SIGKILL'),
      all: async () => {
        launcher.child.kill('SIGKILL');
        await server();
        database().forEach(end);
      },
    };
    for (let n = 1; n <= cycles; n++) {
      const what = c.pick(Object.keys(kill));
      const called = `Kill ${n}`;
      // Somewhere between the keystroke and the answer.
      const delay = c.whole(900);
      const killed = wait(delay).then(kill[what]);
      await name.fill(called);
      await name.blur();
      await killed;
      if (what === 'launcher' || what === 'all') {
        await launcher.ended;
        launcher = launch();
      }
      await until(`cycle ${n}, after the ${what}`, BACK_MS, () => healthy(address));
      if (c.next() < 0.3) await page.reload(open);
      await wait(100);
      await state.filter({ hasText: /^Saved$/ }).waitFor({ timeout: BACK_MS });
      saved++;
      const file = `${address}/api${path.replace('/outing/', '/outings/')}/export?as=json`;
      let stored = null;
      await until('reading what is stored', BACK_MS, async () => {
        const answer = await fetch(file).catch(() => null);
        stored = answer?.ok ? await answer.json() : null;
        return stored !== null;
      });
      if (stored.outing.name !== called) lost.push(`cycle ${n} (${what} after ${delay} ms): ${stored.outing.name}`);
    }
    return { cycles, saved, lost };
  } catch (e) {
    lost.push(
      `${e.message}; the page says ${await page
        .getByTestId('save-state')
        .innerText({ timeout: 1000 })
        .catch(() => '?')}; ${readFileSync(join(data, 'ember.log'), 'utf8').slice(-500)}`,
    );
    return { cycles, saved, lost };
  } finally {
    await browser.close();
    launcher.child.kill('SIGTERM');
    await Promise.race([launcher.ended, wait(10_000)]);
    rmSync(data, { recursive: true, force: true });
  }
}

if (process.argv[1]?.endsWith('killtest.mjs')) {
  ensurePackages();
  ensureBuild();
  const started = performance.now();
  const { cycles, saved, lost } = await killtest(Number(process.argv[2] ?? 100), Number(process.argv[3] ?? 1));
  for (const l of lost) console.log(JSON.stringify({ lost: l }));
  const seconds = Math.round((performance.now() - started) / 1000);
  console.log(
    JSON.stringify({ name: 'kills while editing', value: cycles, unit: 'cycles', saved, lost: lost.length, seconds }),
  );
  process.exit(lost.length === 0 && saved === cycles ? 0 : 1);
}
