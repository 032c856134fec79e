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

/** Past this many lines a file is hard to hold in mind; one that must be longer says at its top why. */
test('no file is longer than 300 lines without a reason at its top', () => {
  const files = ['src', 'scripts', 'bench'].flatMap((room) =>
    (readdirSync(room, { recursive: true }) as string[])
      .filter((f) => /\.(ts|tsx|mjs)$/.test(f))
      .map((f) => `${room}/${f}`),
  );
  const long = files
    .map((f) => ({ f, lines: readFileSync(f, 'utf8').split('\n') }))
    .filter(({ lines }) => lines.length > 301);
  expect(long.length).toBeGreaterThan(5);
  expect(
    long
      .filter(({ lines }) => !lines.slice(0, 3).some((l) => l.startsWith('// Longer than a file should be:')))
      .map(({ f }) => f),
  ).toEqual([]);
});
