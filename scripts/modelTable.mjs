// npm run model-table: computes the table of checks and writes it into docs/model.md between its marks.
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { ensurePackages, ROOT } from './install.mjs';

ensurePackages();
const { checkTable } = createRequire(import.meta.url)(await bundle('tests/support/checkTable.ts', 'model-table'));
const path = join(ROOT, 'docs/model.md');
const text = readFileSync(path, 'utf8');
const [before, rest] = text.split('<!-- table -->\n');
const after = rest.split('<!-- end of table -->')[1];
writeFileSync(path, `${before}<!-- table -->\n${checkTable()}\n<!-- end of table -->${after}`);
