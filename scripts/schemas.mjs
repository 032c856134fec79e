// npm run schemas: writes the published JSON Schemas to schemas/ from the core's own ranges.
import { mkdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { ensurePackages, ROOT } from './install.mjs';

ensurePackages();
const { PUBLISHED } = createRequire(import.meta.url)(await bundle('src/formats/published.ts', 'schemas'));
mkdirSync(join(ROOT, 'schemas'), { recursive: true });
for (const [name, schema] of Object.entries(PUBLISHED))
  writeFileSync(join(ROOT, 'schemas', name), JSON.stringify(schema, null, 2) + '\n');
