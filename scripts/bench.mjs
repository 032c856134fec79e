// npm run bench: speed and memory as JSON lines { name, value, unit }.
import { createRequire } from 'node:module';
import { spawnSync } from 'node:child_process';
import { bundle } from './bundle.mjs';
import { ensurePackages } from './install.mjs';

ensurePackages();
const file = await bundle('bench/core.ts', 'bench');
if (!process.execArgv.includes('--expose-gc')) {
  const r = spawnSync(process.execPath, ['--expose-gc', file], { stdio: 'inherit' });
  process.exit(r.status ?? 1);
}
createRequire(import.meta.url)(file);
