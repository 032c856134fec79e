// `npm run mutate [seconds]`: small wrong changes to the judge, the simulator and the questions, one at a time; each should make
// a test fail. Prints a JSON line for each that lived and one for the whole. Bounded in time; the same choice every run.
import { spawn } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import ts from 'typescript';
import { ROOT } from './install.mjs';

/**
 * The tests that stand for each room, the quickest first. Not the golden numbers: they would kill anything and say nothing of
 * the other tests.
 */
const ROOMS = {
  'src/core/judge': [
    ['tests/unit/judge', 'tests/reference/practice', 'tests/reference/ireq'],
    ['tests/unit/questions'],
  ],
  'src/core/simulate': [['tests/unit/simulate'], ['tests/reference', 'tests/unit/judge'], ['tests/unit/questions']],
  'src/core/questions': [['tests/unit/questions']],
};
/** Runs code so that the engine compiles it well: its numbers are of no consequence. */
const SPARED = ['rehearse.ts'];
const BUDGET_S = Number(process.argv[2] ?? 1200);
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

/** Runs the tests until the first failure. @returns whether one failed */
function fails(tests) {
  return new Promise((done) => {
    const args = ['node_modules/jest/bin/jest.js', '--bail', '--silent', '--maxWorkers=2', ...tests];
    const child = spawn(process.execPath, args, { cwd: ROOT, stdio: 'ignore', timeout: PATIENCE_MS });
    child.once('exit', (code) => done(code !== 0));
  });
}

async function noticed(room) {
  for (const tests of ROOMS[room]) if (await fails(tests)) return true;
  return false;
}

const files = Object.keys(ROOMS).flatMap((f) =>
  readdirSync(join(ROOT, f))
    .filter((n) => n.endsWith('.ts') && !SPARED.includes(n))
    .map((n) => join(f, n)),
);
const all = shuffled(
  files.flatMap((file) =>
    mutants(readFileSync(join(ROOT, file), 'utf8')).map(([from, to, by]) => ({ file, from, to, by })),
  ),
);
for (const room of Object.keys(ROOMS))
  if (await noticed(room)) throw new Error(`the tests of ${room} fail before anything is changed`);
const started = performance.now();
let tried = 0;
let killed = 0;
let restore = () => {};
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    restore();
    process.exit(1);
  });
for (const { file, from, to, by } of all) {
  if ((performance.now() - started) / 1000 > BUDGET_S) break;
  const path = join(ROOT, file);
  const text = readFileSync(path, 'utf8');
  restore = () => writeFileSync(path, text);
  writeFileSync(path, text.slice(0, from) + by + text.slice(to));
  const dead = await noticed(dirname(file)).finally(restore);
  tried++;
  if (dead) killed++;
  else {
    const line = text.slice(0, from).split('\n').length;
    console.log(JSON.stringify({ lived: `${file}:${line}`, was: text.slice(from, to), by }));
  }
}
console.log(
  JSON.stringify({
    name: 'mutants killed',
    value: Math.round((1000 * killed) / tried) / 10,
    unit: '%',
    tried,
    of: all.length,
  }),
);
process.exitCode = killed / tried >= 0.8 ? 0 : 1;
