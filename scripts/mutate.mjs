// `npm run mutate [seconds] [part of a path]`: small wrong changes to the core, one at a time in
// a copy of the project; each should make a test fail. Prints a JSON line for each that lived and one for the whole, also when it
// is stopped. Bounded in time; the same choice every run.
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import ts from 'typescript';
import { ROOT } from './install.mjs';

/**
 * The tests that stand for each room, the quickest first. Not the golden numbers: they would kill anything and say nothing of
 * the other tests.
 */
const ROOMS = {
  'src/core/judge': [
    ['tests/unit/judge', 'tests/reference/practice.test.ts', 'tests/reference/ireq.test.ts'],
    ['tests/unit/questions'],
  ],
  'src/core/simulate': [['tests/unit/simulate'], ['tests/reference', 'tests/unit/judge'], ['tests/unit/questions']],
  'src/core/questions': [['tests/unit/questions']],
  'src/core/atmosphere': [['tests/reference'], ['tests/unit/effort', 'tests/unit/outing']],
  'src/core/body': [['tests/reference'], ['tests/unit/simulate', 'tests/unit/judge']],
  'src/core/clothing': [['tests/unit/clothing'], ['tests/reference', 'tests/unit/simulate']],
  'src/core/effort': [['tests/unit/effort'], ['tests/reference', 'tests/unit/outing']],
  'src/core/kit': [['tests/unit/kit'], ['tests/unit/judge', 'tests/unit/questions']],
  'src/core/moisture': [['tests/reference'], ['tests/unit/simulate', 'tests/unit/judge']],
  'src/core/outing': [['tests/unit/outing'], ['tests/unit/judge', 'tests/unit/questions']],
};
/** These plan whole outings: their turn comes last, or not at all. */
const SLOW = ['tests/unit/questions/reasons.test.ts', 'tests/unit/search'];
/** Runs code so that the engine compiles it well: its numbers are of no consequence. */
const SPARED = ['rehearse.ts'];
const BUDGET_S = Number(process.argv[2] ?? 1200);
const ONLY = process.argv[3];
const TARGET = 0.8;
/** A mutant that hangs is a mutant that is noticed. */
const PATIENCE_MS = 120_000;

const SWAPS = {
  '<': '>=',
  '>': '<=',
  '<=': '>',
  '>=': '<',
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '&&': '||',
  '||': '&&',
  '===': '!==',
  '!==': '===',
};

/** Every place of a file where something could be wrong: [from, to, what stands there instead]. */
function mutants(text) {
  const out = [];
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isBinaryExpression(node)) {
      const { operatorToken: op } = node;
      const swap = SWAPS[op.getText()];
      const isText = ts.isStringLiteralLike(node.left) || ts.isStringLiteralLike(node.right);
      if (swap && !isText) out.push([op.getStart(), op.getEnd(), swap]);
    }
    if (ts.isNumericLiteral(node)) {
      const v = Number(node.text);
      // An index, a power or a step of a counter is code, not a number of the model.
      if (!Number.isInteger(v) || v > 3) out.push([node.getStart(), node.getEnd(), String(v * 2)]);
    }
    if (ts.isIfStatement(node)) out.push([node.expression.getStart(), node.expression.getEnd(), 'false']);
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile('x.ts', text, ts.ScriptTarget.Latest, true));
  return out;
}

/** The same order every run, well mixed over files. */
function shuffled(list, seed = 20270116) {
  let s = seed;
  const next = () => (s = (s * 1103515245 + 12345) & 0x7fffffff) / 0x7fffffff;
  return list
    .map((x) => [next(), x])
    .sort((a, b) => a[0] - b[0])
    .map(([, x]) => x);
}

/** Everything the tests read, beside the packages. */
const NEEDED = ['src', 'tests', 'docs', 'schemas', 'scripts', 'jest.config.mjs', 'package.json', 'tsconfig.json'];

/** A copy of the project to be wrong in, so that the project itself never is, however this ends. */
function copyOfProject(n) {
  const folder = mkdtempSync(join(tmpdir(), `ember-mutate-${n}-`));
  for (const name of NEEDED) cpSync(join(ROOT, name), join(folder, name), { recursive: true });
  symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
  return folder;
}

const running = new Set();

/** Runs the tests until the first failure. @returns whether one failed */
function fails(folder, tests) {
  return new Promise((done) => {
    const args = ['node_modules/jest/bin/jest.js', '--bail', '--silent', '--runInBand', '--runTestsByPath', ...tests];
    const child = spawn(process.execPath, args, { cwd: folder, stdio: 'ignore', timeout: PATIENCE_MS });
    running.add(child);
    child.once('exit', (code) => {
      running.delete(child);
      done(code !== 0);
    });
  });
}

const testFiles = (path) =>
  path.endsWith('.test.ts')
    ? [path]
    : readdirSync(join(ROOT, path))
        .filter((n) => n.endsWith('.test.ts'))
        .map((n) => join(path, n));

/** Every test that runs quickly, whatever room it stands in. */
const QUICK = ['tests/reference', ...readdirSync(join(ROOT, 'tests/unit')).map((n) => join('tests/unit', n))]
  .flatMap(testFiles)
  .filter((t) => !SLOW.some((slow) => t.startsWith(slow)));

/** The tests of a file in stages: those that import it by name, then the quick ones of its room, then the rest. */
function stagesOf(file) {
  const module = `@/${file.slice('src/'.length, -'.ts'.length)}'`;
  const all = ROOMS[dirname(file)].map((stage) => stage.flatMap(testFiles));
  const direct = QUICK.filter((t) => readFileSync(join(ROOT, t), 'utf8').includes(module));
  const rest = all.map((stage) => stage.filter((t) => !direct.includes(t)));
  return [direct, ...rest].filter((stage) => stage.length > 0);
}

/** @returns whether a test fails in the copy as it stands */
async function noticed(folder, file) {
  for (const tests of stagesOf(file)) if (await fails(folder, tests)) return true;
  return false;
}

const files = Object.keys(ROOMS).flatMap((f) =>
  readdirSync(join(ROOT, f))
    .filter((n) => n.endsWith('.ts') && !SPARED.includes(n) && (!ONLY || join(f, n).includes(ONLY)))
    .map((n) => join(f, n)),
);
const all = shuffled(
  files.flatMap((file) =>
    mutants(readFileSync(join(ROOT, file), 'utf8')).map(([from, to, by]) => ({ file, from, to, by })),
  ),
);
const folders = Array.from({ length: Math.max(1, availableParallelism()) }, (_, n) => copyOfProject(n));
let tried = 0;
let killed = 0;
let next = 0;
let closed = false;

/** The count so far, and nothing left behind. */
function close() {
  if (closed) return;
  closed = true;
  for (const child of running) child.kill('SIGKILL');
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
  const value = tried === 0 ? 0 : Math.round((1000 * killed) / tried) / 10;
  console.log(JSON.stringify({ name: 'mutants killed', value, unit: '%', tried, of: all.length }));
  process.exit(tried > 0 && killed / tried >= TARGET ? 0 : 1);
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, close);

/** Takes one mutant after another into its own copy until the time is over. */
async function work(folder, started) {
  while (next < all.length && (performance.now() - started) / 1000 < BUDGET_S) {
    const { file, from, to, by } = all[next++];
    const path = join(folder, file);
    const text = readFileSync(join(ROOT, file), 'utf8');
    writeFileSync(path, text.slice(0, from) + by + text.slice(to));
    const dead = await noticed(folder, file);
    if (closed) return;
    writeFileSync(path, text);
    tried++;
    if (dead) killed++;
    else {
      const line = text.slice(0, from).split('\n').length;
      console.log(JSON.stringify({ lived: `${file}:${line}`, was: text.slice(from, to), by }));
    }
    process.stderr.write(`\r${killed} of ${tried} killed `);
  }
}

const rooms = Object.keys(ROOMS).filter((room) => files.some((f) => dirname(f) === room));
for (const room of rooms)
  if (await fails(folders[0], ROOMS[room].flat().flatMap(testFiles)))
    throw new Error(`the tests of ${room} fail before anything is changed`);
const started = performance.now();
await Promise.all(folders.map((folder) => work(folder, started)));
close();
