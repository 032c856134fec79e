// Bundles the worker that plans and simulates into public/ember.worker.js. `--watch`: again whenever its sources change.
// The application's own bundler reaches every constant of another module through a getter, which the integrator, made of
// such constants, pays for with a tenth of its time or more; here they are written into the code that uses them.
import { join } from 'node:path';
import { context } from 'esbuild';
import { ROOT, WORKER_FILE } from './install.mjs';

const made = await context({
  entryPoints: [join(ROOT, 'src/workers/ember.worker.ts')],
  bundle: true,
  platform: 'browser',
  target: 'es2022',
  format: 'iife',
  outfile: join(ROOT, WORKER_FILE),
  tsconfig: join(ROOT, 'tsconfig.json'),
  minify: true,
  logLevel: 'error',
});
if (process.argv.includes('--watch')) {
  await made.watch();
  // Whoever started this holds the other end.
  process.stdin.on('end', () => process.exit()).resume();
} else {
  await made.rebuild();
  await made.dispose();
}
