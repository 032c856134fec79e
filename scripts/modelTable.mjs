// npm run model-table: computes the tables of checks, limits and prices and writes them into docs/model.md between their marks.
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { ensurePackages, ROOT } from './install.mjs';

ensurePackages();
const { checkTable, limitTable } = createRequire(import.meta.url)(
  await bundle('tests/support/checkTable.ts', 'model-table'),
);
const path = join(ROOT, 'docs/model.md');
const put = (text, mark, table) => {
  const [before, rest] = text.split(`<!-- ${mark} -->\n`);
  const after = rest.split(`<!-- end of ${mark} -->`)[1];
  return `${before}<!-- ${mark} -->\n${table}\n<!-- end of ${mark} -->${after}`;
};
writeFileSync(path, put(put(readFileSync(path, 'utf8'), 'table', checkTable()), 'limits', limitTable()));
