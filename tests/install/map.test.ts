import { readdirSync, readFileSync } from 'node:fs';

/** A map that names a file that moved leads a newcomer astray. */
test('every file that the architecture’s map names is there, by the path it gives', () => {
  const text = readFileSync('docs/architecture.md', 'utf8');
  const named = [...text.matchAll(/`((?:[\w@-]+\/)*[\w.-]+\.(?:ts|tsx|mjs|css))`/g)].map((m) => m[1]);
  const there = [
    'eslint.config.mjs',
    ...['src', 'scripts', 'tests', 'bench'].flatMap((room) =>
      (readdirSync(room, { recursive: true }) as string[]).map((f) => `${room}/${f}`),
    ),
  ];
  expect(new Set(named).size).toBeGreaterThan(50);
  expect(named.filter((n) => !there.some((f) => `/${f}`.endsWith(`/${n}`)))).toEqual([]);
});
