// npm run winter: makes the logged winter of the demo athlete anew, src/demo/files/winter.json.
import { createRequire } from 'node:module';
import { bundle } from './bundle.mjs';
import { ensurePackages } from './install.mjs';

ensurePackages();
createRequire(import.meta.url)(await bundle('bench/winter.ts', 'winter'));
