import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildSync } from 'esbuild';
import { LOCAL } from './coreTransform.mjs';

/**
 * Jest's own transform turns every imported constant into a call. The integrator's zone files read hundreds of them a step,
 * so they are built as the application builds them, with the places of layout.ts written in: tests run several times faster.
 */
const own = readFileSync(fileURLToPath(import.meta.url), 'utf8');

export default {
  getCacheKey(source, file) {
    const layout = readFileSync(join(dirname(file), 'layout.ts'), 'utf8');
    return createHash('sha256').update(`${source}\0${layout}\0${own}\0${LOCAL}`).digest('hex');
  },
  process(_source, file) {
    const { outputFiles } = buildSync({
      entryPoints: [file],
      bundle: true,
      write: false,
      format: 'cjs',
      target: 'node20',
      external: ['@/*'],
      minifySyntax: true,
      sourcemap: 'inline',
    });
    return { code: `${LOCAL}\n${outputFiles[0].text}` };
  },
};
