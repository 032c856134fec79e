import { AVERAGE_PERSON } from '@/core/body/person';
import { afterwardsOf } from '@/core/afterwards/afterwards';
import { afterWords } from '@/core/afterwards/afterWords';
import { baseOf, bookDay, WET_SHARE } from '@/core/afterwards/day';
import { factsOf } from '@/core/afterwards/facts';
import { spreadOf } from '@/core/afterwards/spread';
import { drawn } from '@/core/afterwards/spread';
import { whilesOf } from '@/core/afterwards/whiles';
import { nothingLearned, PARAMETER_NAMES, type Learned } from '@/core/calibrate/learned';
import type { Leg } from '@/core/outing/leg';
import { openTold, outedOf, type ToldOuting } from '@/core/underway/outed';
import type { Told } from '@/core/underway/taps';
import { aPack, opened, tap, tourPlan } from '#tests/support/aPack';
import { aLeg, dayOf, SKI_CLOSET } from '#tests/support/outings';

const base = baseOf(tourPlan, SKI_CLOSET)!;
const END = Math.round(opened.timeline.endS);
const told = (...list: Told[]): ToldOuting => ({
  pack: aPack(),
  taps: [
    tap(0, { kind: 'started', by: 'button' }),
    tap(600, { kind: 'done', cue: '0:600' }),
    tap(END, { kind: 'home' }),
    ...list.map((t, i) => tap(END + 60 + i, t)),
  ],
});
const day = (...list: Told[]) => bookDay(told(...list), AVERAGE_PERSON);
const felt = (part: 'torso' | 'hands' | 'feet' | 'face', word: 'cold' | 'cool' | 'fine' | 'warm' | 'hot'): Told => ({
  kind: 'felt',
  part,
  felt: word,
  during: { fromS: 600, toS: 3600 },
});
const weighed = (waterG: number): Told => ({ kind: 'weighed', garment: base.id, grams: base.massG + waterG });

describe('a day of the book', () => {
  it('has the air, the wind and what it felt like outside, the way, and what was along', () => {
    const d = day();
    expect(d).toMatchObject({ sport: 'ski tour', was: null, cameWet: false, baseG: null, cues: 2, cuesDone: 1 });
    expect(d.airC).toBeGreaterThan(-12);
    expect(d.airC).toBeLessThan(-8.9);
    expect(d.feelsC).toBeLessThan(d.airC);
    expect(d.distanceM).toBe(9600);
    expect(d.climbM).toBe(420);
    expect(d.worn).toContain('wind-shell-pits');
    expect(d.worn).not.toContain('grid-fleece');
    expect(d.carried).toContain('grid-fleece');
    expect(d.facts).toMatchObject({ longestStopS: 720, missedCues: 1, jacketAtStop: false, handsWarmAtStop: false });
  });
  it('a hut is no stop outside, whatever shelter its leg was given', () => {
    const { out } = openTold(told(), AVERAGE_PERSON);
    const longest = (...stops: Leg[]) =>
      factsOf({
        timeline: dayOf([aLeg({ name: 'Rake', minutes: 70 }), ...stops, aLeg({ name: 'Down', minutes: 30 })]),
        plan: tourPlan,
        closet: SKI_CLOSET,
        out,
        person: AVERAGE_PERSON,
      }).longestStopS;
    const hut = aLeg({ name: 'Hut', sport: 'hut', minutes: 40, effort: { by: 'usual' } });
    const top = aLeg({ name: 'Top', sport: 'stand', minutes: 10, effort: { by: 'usual' } });
    expect(longest(hut)).toBe(0);
    expect(longest(hut, top)).toBe(600);
    expect(longest({ ...top, shelter: 'indoor' })).toBe(0);
  });
  it('cold anywhere goes before warm; warm and cool are right', () => {
    expect(day(felt('torso', 'hot')).was).toBe('too warm');
    expect(day(felt('torso', 'hot'), felt('hands', 'cold'))).toMatchObject({
      was: 'too cold',
      worst: { part: 'hands', word: 'cold' },
    });
    expect(day(felt('torso', 'warm'), felt('feet', 'cool'), felt('hands', 'hot')).was).toBe('right');
  });
  it('came home wet where it was seen, told, or weighed over its bound', () => {
    expect(day({ kind: 'saw', saw: { what: 'wet', where: 'back' }, seen: true }).cameWet).toBe(true);
    expect(day({ kind: 'saw', saw: { what: 'wet', where: 'socks' }, seen: true }).cameWet).toBe(false);
    expect(day(weighed(WET_SHARE * base.massG + 0.1)).cameWet).toBe(true);
    const under = day(weighed(WET_SHARE * base.massG - 0.1));
    expect(under.cameWet).toBe(false);
    expect(under.baseG).toBeCloseTo(WET_SHARE * base.massG - 0.1, 9);
  });
  it('a word at the door counts where nothing else was told', () => {
    const by = (word: 'wet' | 'too cold', ...list: Told[]) => bookDay(told(...list), AVERAGE_PERSON, word);
    expect(by('too cold').was).toBe('too cold');
    expect(by('wet')).toMatchObject({ was: 'right', cameWet: true });
    expect(by('too cold', felt('torso', 'fine')).was).toBe('right');
  });
});

describe('an outing that is over', () => {
  const socks = SKI_CLOSET.find((g) => g.id === 'wool-socks')!;
  const heavy: Told = { kind: 'weighed', garment: socks.id, grams: socks.massG + 60 };
  const scale: Told = {
    kind: 'body',
    weights: { beforeKg: 72, afterKg: 70.4, drankL: 0.5, ateKg: 0, passedL: 0 },
  };
  const many = told(felt('torso', 'cold'), felt('hands', 'cold'), heavy, scale);
  const after = afterwardsOf(nothingLearned(), AVERAGE_PERSON, many);
  it('has its whiles, a band round what was said, and a line after that moved', () => {
    expect(after.whiles.map((w) => w.name)).toEqual(['Skarn Rake', 'Skarn Head', 'Long Shoulder']);
    for (const r of after.spread.rows) {
      expect(r.low.waterG).toBeLessThanOrEqual(r.said.waterG + 1e-9);
      expect(r.high.waterG).toBeGreaterThanOrEqual(r.said.waterG - 1e-9);
      expect(r.low.fingersC).toBeLessThanOrEqual(r.high.fingersC);
    }
    const last = after.spread.rows[after.spread.rows.length - 1];
    expect(last.after.waterG).toBeGreaterThan(last.said.waterG);
    const piece = after.spread.pieces.find((p) => p.garment === socks.id)!;
    expect(piece.low).toBeLessThan(piece.high);
    expect(piece.after).toBeGreaterThan(piece.said);
  });
  it('keeps what was said before beside what was told', () => {
    const { weighed: w, felt: f, body } = after.lesson!;
    expect(w[0]).toMatchObject({ garment: socks.id, waterG: 60 });
    expect(w[0].sd).toBeGreaterThan(0);
    expect(Math.abs(w[0].after - 60)).toBeLessThan(Math.abs(w[0].said - 60));
    expect(f).toHaveLength(2);
    expect(body!.lossG).toBeCloseTo(2100, 6);
    expect(Math.abs(body!.after - 2100)).toBeLessThan(Math.abs(body!.said - 2100));
  });
  it('asks for what was not told, the most telling first', () => {
    const gains = after.asks.map((a) => a.gain);
    expect(gains).toEqual([...gains].sort((a, b) => b - a));
    expect(after.asks.some((a) => a.ask.kind === 'body')).toBe(false);
    expect(after.asks.every((a) => a.ask.kind !== 'weigh' || a.ask.garment !== socks.id)).toBe(true);
    expect(Math.min(...gains)).toBeGreaterThanOrEqual(0);
  });
  it('nothing above is rosier than what was told', () => {
    expect(afterWords(after.lesson).lead).toBe('It was too cold somewhere.');
    expect(afterWords(after.lesson).rest).toMatch(/sweated \d+ % more/);
    const hot = afterwardsOf(nothingLearned(), AVERAGE_PERSON, told(felt('torso', 'hot')));
    expect(afterWords(hot.lesson).lead).toBe('It was too warm.');
    expect(afterWords(null).lead).toBe('Not told yet.');
    expect(afterwardsOf(nothingLearned(), AVERAGE_PERSON, told()).lesson).toBeNull();
  });
  it('who is known for certain has no band', () => {
    const certain: Learned = {
      ...nothingLearned(),
      covariance: PARAMETER_NAMES.map(() => PARAMETER_NAMES.map(() => 0)),
    };
    const { opened: o, out } = openTold(many, AVERAGE_PERSON);
    const { rows } = spreadOf(outedOf(o, out), AVERAGE_PERSON, { before: certain, after: certain });
    for (const r of rows) expect(r.high.waterG - r.low.waterG).toBeLessThan(0.5);
  });
});

describe('athletes drawn from what is known', () => {
  it('spread as it says, the first the likeliest', () => {
    const l = nothingLearned();
    l.covariance[0][1] = l.covariance[1][0] = 0.6 * Math.sqrt(l.covariance[0][0] * l.covariance[1][1]);
    const list = drawn(l, 512);
    expect(list[0].every((v, i) => Math.abs(v - l.mean[i]) < 1e-9)).toBe(true);
    const cov = (i: number, j: number) => list.reduce((sum, v) => sum + v[i] * v[j], 0) / list.length;
    for (let i = 0; i < 7; i++) expect(cov(i, i) / l.covariance[i][i]).toBeCloseTo(1, 0);
    expect(cov(0, 1) / Math.sqrt(cov(0, 0) * cov(1, 1))).toBeCloseTo(0.6, 1);
  });
});

describe('the whiles of an outing', () => {
  const of = (...seconds: number[]) => {
    const legStartS = seconds.reduce((acc, s) => [...acc, acc[acc.length - 1] + s], [0]);
    return whilesOf({ legs: seconds.map((_, i) => ({ name: `leg ${i}` })) as never, legStartS });
  };
  it('are its legs, those under three minutes joined to the next', () => {
    expect(of(600, 180, 600).map((w) => w.name)).toEqual(['leg 0', 'leg 1', 'leg 2']);
    expect(of(600, 179, 600)).toEqual([
      { name: 'leg 0', fromS: 0, toS: 600 },
      { name: 'leg 2', fromS: 600, toS: 1379 },
    ]);
  });
  it('are five at most, and cover all of it without a gap', () => {
    const list = of(600, 700, 800, 900, 1000, 1100, 1200);
    expect(list).toHaveLength(5);
    expect(list[0].fromS).toBe(0);
    expect(list[4].toS).toBe(6300);
    for (let i = 1; i < 5; i++) expect(list[i].fromS).toBe(list[i - 1].toS);
  });
  it('one short leg is one while', () => {
    expect(of(60)).toEqual([{ name: 'leg 0', fromS: 0, toS: 60 }]);
  });
});
