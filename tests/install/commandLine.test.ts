import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';

/** bin/ember as somebody calls it: JSON out, clear words and a failing exit code when the input is wrong. */
jest.setTimeout(120_000);
const ROOT = resolve(__dirname, '../..');
let folder: string;
beforeAll(() => (folder = mkdtempSync('/tmp/ember-cli-')));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const ember = (...args: string[]) =>
  spawnSync(join(ROOT, 'bin/ember'), args, { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 });
const file = (name: string, content: string) => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};

const day = {
  title: 'An hour on skis',
  garments: [
    'thin-merino-base',
    'wind-shell',
    'briefs',
    'thin-tights',
    'thin-socks',
    'touring-boots',
    'liner-gloves',
    'thin-cap',
  ],
  legs: [
    {
      minutes: 60,
      sport: 'ski tour',
      metabolicW: 600,
      airC: 4,
      humidity: 0.7,
      wind: { ms: 3, at: 'body' },
      worn: ['thin-merino-base', 'wind-shell', 'briefs', 'thin-tights', 'thin-socks', 'touring-boots'],
    },
  ],
};

test('simulate prints one JSON object with series, totals and judgement', () => {
  const r = ember('simulate', file('day.json', JSON.stringify(day)));
  expect(r.status).toBe(0);
  const out = JSON.parse(r.stdout);
  expect(out.title).toBe('An hour on skis');
  expect(out.minutes).toHaveLength(61);
  expect(out.minutes[60].skinC.chest).toBeWithin(20, 36);
  expect(out.totals.sweatG).toBeGreaterThan(10);
  expect(typeof out.judgement.verdict).toBe('string');
  // Same numbers from a pipe.
  const piped = spawnSync(join(ROOT, 'bin/ember'), ['simulate', '-'], {
    input: JSON.stringify(day),
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  });
  expect(piped.stdout).toBe(r.stdout);
});

test('help is printed when it is asked for, with any command; a wrong call gets it on the other channel', () => {
  for (const args of [['help'], ['--help'], ['plan', '--help'], ['-h']]) {
    const r = ember(...args);
    expect([r.status, r.stderr]).toEqual([0, '']);
    expect(r.stdout).toContain('ember plan FILE.json');
  }
  const wrong = ember('plan');
  expect([wrong.status, wrong.stdout]).toEqual([2, '']);
  expect(wrong.stderr).toContain('ember plan FILE.json');
});

test('plan chooses from the garments given', () => {
  const r = ember(
    'plan',
    file('closet.json', JSON.stringify({ ...day, legs: day.legs.map(({ worn: _, ...l }) => l) })),
  );
  expect(r.status).toBe(0);
  const out = JSON.parse(r.stdout);
  for (const id of out.plan.worn) expect(day.garments).toContain(id);
  expect(out.cues.length).toBeLessThanOrEqual(8);
});

test('the catalogue is printed whole', () => {
  expect(JSON.parse(ember('catalogue').stdout).length).toBeGreaterThanOrEqual(45);
});

test.each([
  ['a missing file', ['simulate', '/nowhere/day.json'], 1, 'day.json: file is not found'],
  ['a folder', ['simulate', '/tmp'], 1, 'a folder'],
  ['nothing', [], 2, 'ember simulate FILE.json'],
  ['an unknown command', ['dress', 'x'], 2, 'ember simulate FILE.json'],
])('%s ends with words, not a stack', (_, args, status, says) => {
  const r = ember(...args);
  expect(r.status).toBe(status);
  expect(r.stderr).toContain(says);
  expect(r.stderr).not.toMatch(/\n\s+at /);
  expect(r.stdout).toBe('');
});

test.each([
  ['broken JSON', '{"legs": ', 'JSON is'],
  ['an empty file', '', 'content is empty'],
  [
    'air of 400 °C',
    JSON.stringify({ ...day, legs: [{ ...day.legs[0], airC: 400 }] }),
    'legs.0.airC is 400; allowed: -60 to 45',
  ],
  [
    'layers without end',
    JSON.stringify({
      ...day,
      garments: Array.from({ length: 13 }, (_, i) => ({ catalogue: 'grid-fleece', id: `f${i}` })),
      legs: [{ ...day.legs[0], worn: Array.from({ length: 13 }, (_, i) => `f${i}`) }],
    }),
    'layers on one zone is',
  ],
])('%s is refused with file, field, value and what is allowed', (_, content, says) => {
  const r = ember('simulate', file('bad.json', content));
  expect(r.status).toBe(1);
  expect(r.stderr).toContain('bad.json');
  expect(r.stderr).toContain(says);
  expect(r.stderr).not.toMatch(/\n\s+at /);
});

const MINE = {
  athlete: { massKg: 70 },
  garments: [
    'thin-synthetic-base',
    'wind-shell',
    'briefs',
    'thin-tights',
    'wool-socks',
    'running-shoes',
    'wind-gloves',
    'thin-cap',
  ],
};

test('answer says what to wear for a line, from the closet that is given, and says what it guessed', () => {
  const mine = file('mine.json', JSON.stringify(MINE));
  const line = 'run 40 min steady −6 wind 15 dry, blorp';
  const r = ember('answer', line, '--mine', mine, '--now', '2027-01-12T07:05');
  expect(r.stderr).toBe('');
  expect(r.status).toBe(0);
  const out = JSON.parse(r.stdout);
  expect(out.day).toMatchObject({ sport: 'run', minutes: 40, airC: -6, windKmh: 15 });
  expect(out.notUnderstood).toMatchObject([{ text: 'blorp' }]);
  expect(out.guessed).toContain('shelter');
  for (const id of out.plan.worn) expect(MINE.garments).toContain(id);
  expect(out.startIn.map((p: { part: string }) => p.part)).toEqual(['head', 'face', 'torso', 'hands', 'legs', 'feet']);
  expect(out.cautions.length).toBeGreaterThan(3);
  expect(out.lead.length).toBeGreaterThan(5);
  // The same question, the same answer.
  expect(ember('answer', line, '--mine', mine, '--now', '2027-01-12T07:05').stdout).toBe(r.stdout);
});

test('ladder prints a line a cell for other programs', () => {
  const csv = ember('ladder', 'run', 'forest', '--mine', file('mine.json', JSON.stringify(MINE)), '--as', 'csv');
  expect(csv.status).toBe(0);
  const [head, ...lines] = csv.stdout.trim().split(/\r?\n/);
  expect(head).toContain('sport,shelter,effort,wind,wet,warm_c,cold_c,rung');
  expect(lines.every((l) => l.startsWith('run,forest,'))).toBe(true);
});

test.each([
  ['no air', ['answer', 'run 50 min'], 'air is not said; allowed: a temperature'],
  ['no air, but snow', ['answer', 'hike 4 h easy wind 30 snow'], 'air is not said; allowed: a temperature'],
  ['air out of range', ['answer', 'run 50 min −80'], 'Air is −80 °C; allowed: −50 to 25 °C'],
  ['an empty line', ['answer'], 'line is empty'],
  ['a sport nobody knows', ['ladder', 'swim'], 'sport is swim'],
  ['an option nobody knows', ['answer', 'run −6', '--loud'], '--loud'],
  ['a file that is not there', ['answer', 'run −6', '--mine', '/nowhere.json'], 'nowhere.json: file is not found'],
  ['a time that is none', ['answer', 'run −6', '--now', 'soon'], 'time is soon'],
])('at the door %s is refused in a sentence', (_, args, says) => {
  const r = ember(...args);
  expect(r.status).toBe(1);
  expect(r.stderr).toContain(says);
  expect(r.stderr).not.toContain('    at ');
});
