import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { numbersOf } from '../tests/golden/numbers';
import { goldenOutings } from '../tests/golden/outings';

/**
 * Compares the numbers of twenty outings and their plans with those that are kept, bit for bit, and says which differ.
 * `--write` keeps the present ones instead: for a change that means to change numbers, said in its commit.
 */
const root = process.cwd();
const FILE = join(root, 'tests/golden/numbers.json');
const write = process.argv.includes('--write');
const kept: Record<string, unknown>[] = write ? [] : JSON.parse(readFileSync(FILE, 'utf8'));
const now = goldenOutings(root).map((o, i) => {
  // Through JSON, as they are kept.
  const n: Record<string, unknown> = JSON.parse(JSON.stringify(numbersOf(o)));
  const differs = Object.keys({ ...n, ...kept[i] }).filter(
    (k) => JSON.stringify(n[k]) !== JSON.stringify(kept[i]?.[k]),
  );
  process.stdout.write(JSON.stringify({ outing: o.name, differs: write ? 'kept' : differs }) + '\n');
  if (!write && differs.length > 0) process.exitCode = 1;
  return n;
});
if (write) writeFileSync(FILE, '[\n' + now.map((n) => JSON.stringify(n)).join(',\n') + '\n]\n');
