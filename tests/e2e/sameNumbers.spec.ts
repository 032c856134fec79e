import { build } from 'esbuild';
import { createHash } from 'node:crypto';
import { runInNewContext } from 'node:vm';
import { expect, test } from '../support/browser';

/** The core run here and in a browser worker must agree bit for bit, or a plan made at home is not the plan on the phone. */
test('a worker in the browser and Node get the same numbers, to the last bit', async ({ page }) => {
  const { outputFiles } = await build({
    stdin: {
      contents: `import { numbers } from './numbers'; globalThis.out = numbers();`,
      resolveDir: 'tests/support',
    },
    bundle: true,
    write: false,
    format: 'iife',
    tsconfig: 'tsconfig.json',
    minifySyntax: true,
  });
  const code = outputFiles[0].text;
  const here: { out?: string } = {};
  runInNewContext(code, here);
  await page.goto('/outings');
  const there = await page.evaluate(
    (source) =>
      new Promise<string>((done, fail) => {
        const worker = new Worker(URL.createObjectURL(new Blob([`${source};postMessage(out)`])));
        worker.onmessage = (e) => done(e.data as string);
        worker.onerror = (e) => fail(new Error(e.message));
      }),
    code,
  );
  const digest = (text: string) => createHash('sha256').update(text).digest('hex');
  expect(here.out!.length).toBeGreaterThan(10_000);
  expect(digest(there)).toBe(digest(here.out!));
});
