// bin/test: installs what is missing, runs every check, closes with one line over all of them.
import { spawn } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { ensureBuild, ensureChromium, ensurePackages, ensurePostgres, ROOT, run, say } from './install.mjs';

let passed = 0;
let failed = 0;
/** What failed, by name and first words: said again at the end, where one looks first. */
const faults = [];
const started = performance.now();

function check(name, status) {
  if (status === 0) passed++;
  else failed++;
  if (status !== 0) faults.push(name);
  say(`${name}: ${status === 0 ? 'passed' : 'FAILED'} (${Math.round((performance.now() - started) / 1000)} s in)`);
}

/** The first lines of a message, without its colours. */
const beginning = (message = '') => stripVTControlCharacters(message).split('\n').slice(0, 12).join('\n  ');

const node = process.execPath;
ensurePackages();
const bin = ensurePostgres();
ensureChromium();
/** Runs a program to its end without holding up another. @returns its exit code */
const ended = (command, args, env = {}) =>
  new Promise((done) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
    child.on('error', () => done(1));
    child.on('exit', (code) => done(code ?? 1));
  });
// Two lanes, one a core: the linter takes about as long as the others together and the building.
await Promise.all([
  (async () => {
    check('type check', await ended('npm', ['run', '-s', 'typecheck']));
    check(
      'format',
      await ended(node, ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.']),
    );
    check('no dead code, no unused package', await ended(node, ['node_modules/knip/bin/knip.js']));
    ensureBuild();
  })(),
  (async () => {
    check(
      'lint, with the rule that imports point one way',
      await ended(node, ['node_modules/eslint/bin/eslint.js', '.']),
    );
  })(),
]);

mkdirSync(join(ROOT, 'build'), { recursive: true });
const jestFile = join(ROOT, 'build', 'jest.json');
rmSync(jestFile, { force: true });
const jestStatus = run(node, ['node_modules/jest/bin/jest.js', '--json', `--outputFile=${jestFile}`, '--silent=false']);
if (existsSync(jestFile)) {
  const r = JSON.parse(readFileSync(jestFile, 'utf8'));
  passed += r.numPassedTests;
  failed += r.numFailedTests + r.numRuntimeErrorTestSuites;
  for (const suite of r.testResults) {
    const ones = suite.assertionResults.filter((one) => one.status === 'failed');
    for (const one of ones) faults.push(`${one.fullName}: ${beginning(one.failureMessages[0])}`);
    if (suite.status === 'failed' && ones.length === 0) faults.push(`${suite.name}: ${beginning(suite.message)}`);
  }
  if (jestStatus !== 0 && r.numFailedTests + r.numRuntimeErrorTestSuites === 0) {
    faults.push('jest ended with a fault of its own');
    failed++;
  }
} else check('jest', 1);

/** The browser's tests in two lanes, each with an application and a database of its own: what one stores is nothing to the other. */
const FIRST_LANE = ['journey', 'outThere', 'sameNumbers', 'badInput'];
const specs = readdirSync(join(ROOT, 'tests', 'e2e')).filter((f) => f.endsWith('.spec.ts'));
const isFirst = (f) => FIRST_LANE.some((name) => f.startsWith(name));
const lanes = [specs.filter(isFirst), specs.filter((f) => !isFirst(f))];

/** Tests of a report of Playwright that ended so: title and what each try said. */
const endedSo = (suites, status) =>
  suites.flatMap((s) => [
    ...(s.specs ?? []).flatMap((t) =>
      t.tests
        .filter((one) => one.status === status)
        .map((one) => `${t.title}: ${one.results.map((r) => beginning(r.error?.message)).join('\n  then: ')}`),
    ),
    ...endedSo(s.suites ?? [], status),
  ]);

/** Runs spec files against an application of their own, then what is given to do with it. */
async function browserLane(files, nth, and = async () => {}) {
  const data = mkdtempSync(join(existsSync('/var/tmp') ? '/var/tmp' : '/tmp', 'ember-test-'));
  let cluster;
  let app;
  try {
    chmodSync(data, 0o755);
    cluster = await startCluster(bin, data);
    const { owner, app: url } = await openDatabase(cluster.url);
    await loadDemoInto(owner, 'if empty');
    // What the application logs is long: refused requests by the hundred. It has a file of its own.
    const log = join(ROOT, 'build', `application-${nth}.log`);
    rmSync(log, { force: true });
    app = await startApplication('start', await freePort(), { url, log });
    const file = join(ROOT, 'build', `playwright-${nth}.json`);
    rmSync(file, { force: true });
    const args = ['test', '--output', join('test-results', String(nth)), ...files.map((f) => `tests/e2e/${f}`)];
    const status = await ended(node, ['node_modules/@playwright/test/cli.js', ...args], {
      EMBER_URL: app.address,
      EMBER_DATABASE: cluster.url,
      PLAYWRIGHT_JSON_OUTPUT_NAME: file,
    });
    if (existsSync(file)) {
      const { stats, suites } = JSON.parse(readFileSync(file, 'utf8'));
      for (const one of endedSo(suites, 'flaky')) say(`passed only when tried again: ${one}`);
      faults.push(...endedSo(suites, 'unexpected'));
      passed += stats.expected + stats.flaky;
      failed += stats.unexpected;
      if (status !== 0 && stats.unexpected === 0) {
        faults.push(`playwright, lane ${nth}, ended with a fault of its own`);
        failed++;
      }
    } else check(`playwright, lane ${nth}`, 1);
    await and(app);
  } catch (e) {
    process.stderr.write(`${e.stack}\n`);
    faults.push(`browser tests, lane ${nth}: ${e.message}`);
    failed++;
  } finally {
    await app?.stop();
    await cluster?.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

const { freePort, startCluster } = await import('./cluster.mjs');
const { openDatabase } = await import('./roles.mjs');
const { startApplication } = await import('./serve.mjs');
const { loadDemoInto } = await import('./demo.mjs');
const { BUSY_PATIENCE_MS, fuzz } = await import('../tests/trials/fuzz.mjs');
const { killtest } = await import('../tests/trials/killtest.mjs');
// The day after the demo's first outing: one waits to be told, the others lie ahead.
process.env.EMBER_NOW = '2027-01-13T07:05';
// The first lane takes minutes longer: what may be done beside either is done at the end of the second.
await Promise.all([
  browserLane(lanes[0], 1),
  browserLane(lanes[1], 2, async (app) => {
    const { faults: hostile } = await fuzz(app.address, 1000, { patienceMs: BUSY_PATIENCE_MS });
    for (const f of hostile) say(f);
    check('a thousand hostile requests', hostile.length);
    for (const f of hostile) faults.push(f);
    const kills = await killtest(5);
    for (const l of kills.lost) say(l);
    check('five kills while editing', kills.lost.length + kills.cycles - kills.saved);
  }),
]);
for (const one of faults) say(`FAILED: ${one}`);
say(`took ${Math.round((performance.now() - started) / 1000)} s`);
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
