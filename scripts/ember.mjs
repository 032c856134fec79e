// bin/ember: the command line, bundled when sources have changed.
import { createRequire } from 'node:module';
import { bundle } from './bundle.mjs';
import { ensurePackages } from './install.mjs';

const out = process.stdout.write;
// Installing may speak; standard output is for JSON.
process.stdout.write = process.stderr.write.bind(process.stderr);
ensurePackages();
const file = await bundle('src/cli/ember.ts', 'ember');
process.stdout.write = out;
createRequire(import.meta.url)(file);
