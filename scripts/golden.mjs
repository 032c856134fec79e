// npm run golden: the numbers of twenty outings and plans against those that are kept, bit for bit; `-- --write` keeps new ones.
import { createRequire } from 'node:module';
import { bundle } from './bundle.mjs';
import { ensurePackages } from './install.mjs';

ensurePackages();
createRequire(import.meta.url)(await bundle('bench/golden.ts', 'golden'));
