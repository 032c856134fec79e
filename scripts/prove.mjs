// npm run prove: the planner against every plan of small cases and against rules of thumb, as JSON lines (docs/planner.md).
import { createRequire } from 'node:module';
import { bundle } from './bundle.mjs';
import { ensurePackages } from './install.mjs';

ensurePackages();
createRequire(import.meta.url)(await bundle('bench/prove.ts', 'prove'));
