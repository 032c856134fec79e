// Bundles TypeScript entry points that run outside Next (command line, demo loader, bench) when sources have changed.
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, sources } from './install.mjs';

/** @returns path of the bundled CommonJS file */
export async function bundle(entry, name) {
  const out = join(ROOT, 'build', `${name}.cjs`);
  const stamp = join(ROOT, 'build', `${name}.stamp`);
  const want = createHash('sha256')
    .update(sources(['src', 'bench', 'tests/support', 'tests/golden']).join('\n'))
    .digest('hex');
  if (existsSync(out) && existsSync(stamp) && readFileSync(stamp, 'utf8') === want) return out;
  mkdirSync(join(ROOT, 'build'), { recursive: true });
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(ROOT, entry)],
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'cjs',
    mainFields: ['module', 'main'],
    outfile: out,
    tsconfig: join(ROOT, 'tsconfig.json'),
    // Writes constants into the code that uses them: the integrator's places become plain numbers.
    minifySyntax: true,
    logLevel: 'error',
  });
  writeFileSync(stamp, want);
  return out;
}
