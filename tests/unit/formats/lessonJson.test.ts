import { nothingLearned, PARAMETER_NAMES } from '@/core/calibrate/learned';
import { bookCsv } from '@/formats/bookCsv';
import { readLearned, readLesson } from '@/formats/lessonJson';
import { aDay } from '#tests/support/aDay';
import { garmentsOf } from '#tests/support/outings';

const why = (work: () => unknown): string => {
  try {
    work();
    return 'taken';
  } catch (e) {
    return (e as Error).message;
  }
};
const broken = (change: (l: ReturnType<typeof nothingLearned>) => void) => {
  const l = nothingLearned();
  change(l);
  return why(() => readLearned(l, 'Learning'));
};

describe('what is known, as JSON', () => {
  it('is taken whole, and refused where it is no covariance', () => {
    expect(broken(() => {})).toBe('taken');
    expect(broken((l) => (l.covariance[0][1] = 0.01))).toMatch(/covariance is not symmetric/);
    expect(broken((l) => (l.covariance[0][0] = -0.001))).toMatch(/covariance is -0.001/);
    expect(broken((l) => (l.covariance[0][1] = l.covariance[1][0] = 0.05))).toMatch(/allowed: a covariance/);
    expect(broken((l) => (l.covariance[0][0] = 0))).toBe('taken');
    expect(broken((l) => l.mean.pop())).toMatch(/mean/);
    expect(broken((l) => (l.mean[0] = 21))).toMatch(/mean/);
    expect(broken((l) => (l.outings = -1))).toMatch(/outings/);
    expect(PARAMETER_NAMES).toHaveLength(nothingLearned().mean.length);
  });
  it('a lesson has both ends of it, and what was said beside what was told', () => {
    const lesson = { before: nothingLearned(), after: nothingLearned(), felt: [], weighed: [], body: null };
    expect(why(() => readLesson(lesson, 'Lesson'))).toBe('taken');
    expect(why(() => readLesson({ ...lesson, after: undefined }, 'Lesson'))).toMatch(/after/);
    const felt = { part: 'torso', word: 'lukewarm', fromS: 0, toS: 1, said: 0, sd: 1, after: 0 };
    expect(why(() => readLesson({ ...lesson, felt: [felt] }, 'Lesson'))).toMatch(/word/);
  });
});

describe('the book as a table', () => {
  const [shell] = garmentsOf('wind-shell');
  const row = {
    name: '=cmd()',
    startMs: Date.UTC(2026, 0, 6, 18),
    miss: { votes: -0.456, sd: 0.7, after: 0 },
    kept: true,
    leftOut: false,
  };
  const lines = bookCsv(
    [
      { ...row, day: aDay({ note: 'a "b", c' }) },
      { ...row, day: null, miss: null, kept: false },
    ],
    [shell],
  ).split('\r\n');
  it('has a day a row, SI in the heads, names instead of ids', () => {
    const head = lines[0].split(',');
    expect(head.slice(0, 4)).toEqual(['start', 'name', 'sport', 'minutes']);
    expect(lines[1]).toContain('2026-01-06T18:00');
    expect(lines[1]).toContain(shell.name);
    expect(lines[1]).toContain('-0.46');
    expect(lines[1]).toContain('"a ""b"", c"');
  });
  it('no cell is a formula, and a day that cannot be laid out any more keeps its name', () => {
    expect(lines[1]).toContain("'=cmd()");
    expect(lines[2]).toMatch(/^2026-01-06T18:00,"'=cmd\(\)",,/);
  });
});
