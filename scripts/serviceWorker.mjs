// Bundles the service worker into public/sw.js, with the list of what the phone's screen needs: run after the build, which names its
// files by their content. One version of page and scripts is kept as a whole, so that a phone never has half of a newer one.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { PHONE_WORKER_FILE, ROOT, SERVICE_WORKER_FILE } from './install.mjs';

const NEXT = join(ROOT, '.next');
const read = (...path) => readFileSync(join(...path), 'utf8');
const hash = (text) => createHash('sha256').update(text).digest('hex').slice(0, 16);

/** Scripts and styles that the page of the phone names, in what it loads first and what it loads later. */
function chunksOfPage() {
  const folder = join(NEXT, 'server/app/out');
  const text = readdirSync(folder, { recursive: true })
    .filter((f) => /manifest\.(js|json)$/.test(f))
    .map((f) => read(folder, f))
    .concat(read(NEXT, 'build-manifest.json'))
    .join('\n');
  return new Set(text.match(/static\/[\w./~%-]+\.(js|css)/g));
}

/** Fonts that those styles name. */
function fontsOf(files) {
  const css = [...files].filter((f) => f.endsWith('.css')).map((f) => read(NEXT, f));
  return new Set(
    css
      .join('\n')
      .match(/media\/[\w./-]+\.woff2/g)
      ?.map((f) => `static/${f}`),
  );
}

const chunks = [...chunksOfPage()].filter((f) => existsSync(join(NEXT, f)));
const fonts = [...fontsOf(chunks)].filter((f) => existsSync(join(NEXT, f)));
const icons = ['icon-192.png', 'icon-512.png'].filter((f) => existsSync(join(ROOT, 'public', f)));
const files = [
  ...[...chunks, ...fonts].map((f) => ({ url: `/_next/${f}`, revision: null, bytes: statSync(join(NEXT, f)).size })),
  ...[PHONE_WORKER_FILE.replace('public/', ''), ...icons].map((f) => ({
    url: `/${f}`,
    revision: hash(readFileSync(join(ROOT, 'public', f))),
    bytes: statSync(join(ROOT, 'public', f)).size,
  })),
  // The page itself carries nobody's data; it changes with the build.
  { url: '/out', revision: hash(read(NEXT, 'BUILD_ID') + read(ROOT, PHONE_WORKER_FILE)), bytes: 0 },
];
const manifest = files.map(({ url, revision }) => ({ url, revision }));
await build({
  entryPoints: [join(ROOT, 'src/sw/sw.ts')],
  bundle: true,
  minify: true,
  platform: 'browser',
  format: 'iife',
  target: 'es2022',
  tsconfig: join(ROOT, 'tsconfig.json'),
  define: { PACKED: JSON.stringify(manifest), 'process.env.NODE_ENV': '"production"' },
  outfile: join(ROOT, SERVICE_WORKER_FILE),
  logLevel: 'error',
});
const kb = files.reduce((sum, f) => sum + f.bytes, 0) / 1024;
process.stdout.write(`ember: the phone packs ${files.length} files, ${kb.toFixed(0)} kB\n`);
