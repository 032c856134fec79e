// Bundles the worker that plans and simulates into public/ember.worker.js. `--watch`: again whenever its sources change.
// The application's own bundler reaches every constant of another module through a getter, which the integrator, made of
// such constants, pays for with a tenth of its time or more; here they are written into the code that uses them.
import { join } from 'node:path';
import { context } from 'esbuild';
import { PHONE_WORKER_FILE, ROOT, WORKER_FILE } from './install.mjs';

const common = {
  bundle: true,
  target: 'es2022',
  tsconfig: join(ROOT, 'tsconfig.json'),
  minify: true,
  logLevel: 'error',
};
const made = [
  await context({
    ...common,
    entryPoints: [join(ROOT, 'src/workers/ember.worker.ts')],
    platform: 'browser',
    format: 'iife',
    outfile: join(ROOT, WORKER_FILE),
  }),
  // The phone's own: small, so that it is packed with the outing.
  await context({
    ...common,
    entryPoints: [join(ROOT, 'src/workers/outThere.worker.ts')],
    platform: 'browser',
    format: 'iife',
    outfile: join(ROOT, PHONE_WORKER_FILE),
  }),
  // The server's own: reads files in a thread beside it.
  await context({
    ...common,
    entryPoints: [join(ROOT, 'src/workers/intake.worker.ts')],
    platform: 'node',
    target: 'node20',
    format: 'cjs',
    mainFields: ['module', 'main'],
    footer: { js: 'module.exports = module.exports.work;' },
    outfile: join(ROOT, 'build/intake.worker.cjs'),
  }),
  // The server's own: works ladders out in threads beside it.
  await context({
    ...common,
    entryPoints: [join(ROOT, 'src/workers/ladder.worker.ts')],
    platform: 'node',
    target: 'node20',
    format: 'cjs',
    mainFields: ['module', 'main'],
    footer: { js: 'module.exports = module.exports.default;' },
    outfile: join(ROOT, 'build/ladder.worker.cjs'),
  }),
  // The simulated weather service, which the server starts where no other is configured.
  await context({
    ...common,
    entryPoints: [join(ROOT, 'src/standins/weather/server.ts')],
    platform: 'node',
    target: 'node20',
    format: 'cjs',
    mainFields: ['module', 'main'],
    outfile: join(ROOT, 'build/weather.cjs'),
  }),
];
if (process.argv.includes('--watch')) {
  await Promise.all(made.map((m) => m.watch()));
  // Whoever started this holds the other end.
  process.stdin.on('end', () => process.exit()).resume();
} else {
  await Promise.all(made.map((m) => m.rebuild()));
  await Promise.all(made.map((m) => m.dispose()));
}
