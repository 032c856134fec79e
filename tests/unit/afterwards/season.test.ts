import { isInside, missOf } from '@/core/afterwards/miss';
import { EIGHT_IN_TEN } from '@/core/quantity/normal';
import { FEW, seasonOf, stretched, wearOf, weekMean, type Counted } from '@/core/afterwards/season';
import type { Said } from '@/core/calibrate/learn';
import type { FeltThen } from '@/core/calibrate/readings';
import { aDay } from '#tests/support/aDay';

const felt = (word: FeltThen['word'], said: number, over: Partial<FeltThen & Said> = {}): FeltThen & Said => ({
  part: 'torso',
  word,
  fromS: 0,
  toS: 600,
  said,
  sd: 0.4,
  after: said,
  ...over,
});

describe('how far a day was from what was said of it', () => {
  it('is what was felt less what was said, in votes: cold −2 to hot 2 (ISO 10551)', () => {
    expect(missOf({ felt: [felt('cold', -1.2)] })!.votes).toBeCloseTo(-0.8, 9);
    expect(missOf({ felt: [felt('fine', 0.3)] })!.votes).toBeCloseTo(-0.3, 9);
    expect(missOf({ felt: [felt('hot', 1), felt('fine', 0)] })!.votes).toBeCloseTo(0.5, 9);
  });
  it('nobody has a word beyond hot: what was said to be hotter is hot', () => {
    expect(missOf({ felt: [felt('hot', 3)] })!.votes).toBeCloseTo(-0.5, 9);
  });
  it('what is known does not average away, the scatter of words does', () => {
    const one = missOf({ felt: [felt('fine', 0)] })!.sd;
    const many = missOf({ felt: Array.from({ length: 400 }, () => felt('fine', 0)) })!.sd;
    expect(one).toBeGreaterThan(0.6);
    expect(many).toBeCloseTo(0.4, 2);
  });
  it('other parts say nothing of it', () => {
    expect(missOf({ felt: [felt('cold', 20, { part: 'hands' })] })).toBeNull();
  });
  it('is inside up to the bound of eight in ten', () => {
    expect(isInside({ votes: EIGHT_IN_TEN * 0.5 - 1e-9, sd: 0.5, after: 0 })).toBe(true);
    expect(isInside({ votes: -EIGHT_IN_TEN * 0.5 - 1e-9, sd: 0.5, after: 0 })).toBe(false);
  });
});

const counted = (n: number, of: (i: number) => Partial<Counted> = () => ({})): Counted[] =>
  Array.from({ length: n }, (_, i) => ({ id: String(i), day: aDay(), miss: null, ...of(i) }));

describe('a season', () => {
  it('counts days, hours, what was right, and right and dry', () => {
    const list = counted(4, (i) => ({
      day: aDay({ was: i === 0 ? 'too cold' : i === 3 ? null : 'right', cameWet: i === 1, seconds: 5400 }),
    }));
    expect(seasonOf(list)).toMatchObject({ days: 4, hours: 6, right: 2, rightAndDry: 1, foretold: 0, first: null });
  });
  it('has a beginning and an end from twice seven days on', () => {
    const by = (n: number) =>
      seasonOf(counted(n, (i) => ({ miss: { votes: i < FEW ? -1 : 0.25, sd: 0.5, after: 0 } })));
    expect(by(2 * FEW - 1)).toMatchObject({ first: null, last: null });
    expect(by(2 * FEW)).toMatchObject({ first: 1, last: 0.25, foretold: 14, inside: 7 });
  });
});

describe('how a piece did', () => {
  const piece = (waterG: number) => ({ garment: 'wind-shell', waterG, dampGm2: 5, dryMin: 30 });
  it('was worn, came home wet from eight grams on, or was only carried', () => {
    const list = counted(3, (i) => ({ day: aDay({ wet: [piece(i === 0 ? 8 : 7.9)] }) }));
    const [shell, puffy] = wearOf(list, ['wind-shell', 'standby-puffy']);
    expect([...shell.worn]).toEqual(['0', '1', '2']);
    expect([...shell.wet]).toEqual(['0']);
    expect(puffy.worn.size).toBe(0);
    expect(puffy.carried.size).toBe(3);
  });
});

describe('the stretched axis', () => {
  const day = 86_400_000;
  it('keeps the order, begins and ends with the ends, and leaves each mark its room', () => {
    const xs = stretched(
      [0, 0, 1, 2, 90].map((d) => d * day),
      0.1,
    );
    expect(xs[0]).toBe(0);
    expect(xs[4]).toBeCloseTo(1, 9);
    for (let i = 1; i < xs.length; i++) expect(xs[i] - xs[i - 1]).toBeGreaterThanOrEqual(0.1 - 1e-12);
  });
  it('is true dates where nothing would touch', () => {
    expect(
      stretched(
        [0, 10, 40].map((d) => d * day),
        0,
      ),
    ).toEqual([0, 0.25, 1]);
  });
  it('has no day, one day, and more days than it has room for', () => {
    expect(stretched([], 0.1)).toEqual([]);
    expect(stretched([5], 0.1)).toEqual([0]);
    const many = stretched(
      Array.from({ length: 50 }, (_, i) => i * day),
      0.1,
    );
    expect(many[49]).toBeCloseTo(1, 9);
  });
  it('the mean of a week reaches three days and a half to either side', () => {
    const list = [0, 3.5, 7.1].map((d, i) => ({ startMs: d * day, feelsC: 10 * i }));
    expect(weekMean(list)).toEqual([5, 5, 20]);
  });
});
