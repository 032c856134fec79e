import { AVERAGE_PERSON } from '@/core/body/person';
import { nothingLearned, of } from '@/core/calibrate/learned';
import { learnFromAll, outedOf } from '@/core/underway/outed';
import { homeAgain } from '@/core/underway/homeAgain';
import { bodyNow, momentsIn, windowAt } from '@/core/underway/bodyNow';
import { outThere } from '@/core/underway/outThere';
import { runPlan } from '@/core/questions/question';
import { aPack, opened, T0, tap, tourPlan } from '#tests/support/aPack';
import { SKI_CLOSET } from '#tests/support/outings';

const way = [tap(0, { kind: 'dressed', plan: tourPlan }), tap(1, { kind: 'started', by: 'button' })];
const home = tap(6700, { kind: 'home' });
const after = (...taps: Parameters<typeof outThere>[1]) => outThere(opened, [...way, ...taps, home], T0 + 6800 * 1000);

describe('an outing as it was told', () => {
  const out = after(
    tap(620, { kind: 'done', cue: '1:600' }),
    tap(2000, { kind: 'feels', feels: 'too hot' }),
    tap(2500, { kind: 'feels', feels: 'sweating' }),
    tap(3000, { kind: 'feels', feels: 'hands cold' }),
    tap(6710, { kind: 'felt', part: 'feet', felt: 'cool' }),
    tap(6720, { kind: 'weighed', garment: 'thin-merino-base', grams: 215 }),
    tap(6730, { kind: 'weighed', garment: 'of nobody', grams: 160 }),
  );
  const told = outedOf(opened, out);
  it('ends when one came home, with what was done when it was done', () => {
    expect(told.timeline.endS).toBeCloseTo(6699, -1);
    expect(told.plan.cues.map((c) => Math.round(c.atS))).toEqual([619]);
  });
  it('has the words of the way about their moment, those of the hall for all of it, and weights as water', () => {
    expect(told.felt).toEqual([
      { part: 'torso', word: 'hot', fromS: expect.closeTo(1879, 0), toS: expect.closeTo(2119, 0) },
      { part: 'hands', word: 'cold', fromS: expect.closeTo(2879, 0), toS: expect.closeTo(3119, 0) },
      { part: 'feet', word: 'cool', fromS: 0, toS: told.timeline.endS },
    ]);
    const base = SKI_CLOSET.find((g) => g.id === 'thin-merino-base')!;
    expect(told.weighed).toEqual([{ garment: base.id, waterG: 215 - base.massG, scaleG: 2 }]);
  });
});

describe('all that was told', () => {
  const taps = [...way, tap(6710, { kind: 'felt', part: 'hands', felt: 'cold' }), home];
  it('adds up, outing by outing', () => {
    const one = learnFromAll(nothingLearned(), AVERAGE_PERSON, [{ pack: aPack(), taps }]);
    const two = learnFromAll(nothingLearned(), AVERAGE_PERSON, [
      { pack: aPack(), taps },
      { pack: aPack(), taps },
    ]);
    expect([one.learned.outings, two.learned.outings]).toEqual([1, 2]);
    expect(of(two.learned, 'hands').sd).toBeLessThan(of(one.learned, 'hands').sd);
  });
  it('one that cannot be laid out any more teaches nothing, and is named', () => {
    const broken = { pack: aPack({ outing: { ...aPack().outing, name: 'Broken', legs: [] } }), taps };
    const r = learnFromAll(nothingLearned(), AVERAGE_PERSON, [broken, { pack: aPack(), taps }]);
    expect(r.failed).toEqual(['Broken']);
    expect(r.learned.outings).toBe(1);
  });
  it('an outing teaches from ten minutes on', () => {
    const short = (s: number) => [
      ...way,
      tap(s - 10, { kind: 'felt', part: 'hands', felt: 'cold' }),
      tap(s, { kind: 'home' }),
    ];
    const counts = (s: number) =>
      learnFromAll(nothingLearned(), AVERAGE_PERSON, [{ pack: aPack(), taps: short(s) }]).learned.outings;
    expect([counts(600), counts(602)]).toEqual([0, 1]);
  });
  it('nothing told is nothing learned', () => {
    expect(learnFromAll(nothingLearned(), AVERAGE_PERSON, []).learned.outings).toBe(0);
  });
});

describe('home again', () => {
  const scored = runPlan({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: opened.timeline, plan: tourPlan });
  const h = homeAgain(opened, after(tap(620, { kind: 'done', cue: '1:600' })), null);
  it('expects words that fit the skin, and hangs the wettest first', () => {
    expect(Object.keys(h.thought).sort()).toEqual(['face', 'feet', 'hands', 'torso']);
    const grams = h.wet.map((w) => w.waterG);
    expect(grams).toEqual([...grams].sort((a, b) => b - a));
    expect(Math.min(...grams)).toBeGreaterThanOrEqual(2);
    for (const w of h.wet) if (w.dryMin !== null) expect(w.dryMin).toBeGreaterThanOrEqual(0);
  });
  it('ends when one is home: who turns round at the gate brings nothing wet', () => {
    const gate = outThere(opened, [...way, tap(90, { kind: 'home' })], T0 + 100_000);
    const [wet] = [homeAgain(opened, gate, null).wet.reduce((sum, w) => sum + w.waterG, 0)];
    expect(wet).toBeLessThan(0.5 * h.wet.reduce((sum, w) => sum + w.waterG, 0));
  });
  it('colder hands than comfortable are not called fine', () => {
    const fingers = scored.metrics.fingers.value;
    expect(fingers < 20 ? ['cold', 'cool'] : ['cold', 'cool', 'fine']).toContain(h.thought.hands);
  });
});

describe('the window of the body', () => {
  it('reaches to the next cue where that is neither near nor far, and not past the end', () => {
    expect(windowAt(2000, 2000 + 1800, 9000)).toEqual({ fromS: 800, toS: 3800 });
    expect(windowAt(2000, 2100, 9000).toS).toBe(2900);
    expect(windowAt(2000, 9000, 9000).toS).toBe(5600);
    expect(windowAt(2000, null, 2500).toS).toBe(2500);
    expect(windowAt(100, null, 9000).fromS).toBe(0);
    expect(momentsIn(1000, 1600)).toEqual([1000, 1100, 1200, 1300, 1400, 1500, 1600]);
  });
  it('every line goes through now, and its least lies ahead', () => {
    const scored = runPlan({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: opened.timeline, plan: tourPlan });
    const body = bodyNow(scored, AVERAGE_PERSON, 2000, windowAt(2000, 3600, 7000), null);
    for (const t of body.traces) {
      expect(t.points.some((p) => p.atS === 2000 && p.value === t.now)).toBe(true);
      expect(t.least.atS).toBeGreaterThanOrEqual(2000);
      expect(t.least.value).toBeLessThanOrEqual(t.end);
      expect(t.band).toEqual([]);
    }
    const bands = [
      {
        atS: 2000,
        fingersC: { low: 20, mid: 22, high: 24 },
        toesC: { low: 1, mid: 2, high: 3 },
        waterG: { low: 4, mid: 5, high: 6 },
      },
    ];
    const banded = bodyNow(scored, AVERAGE_PERSON, 2000, windowAt(2000, 3600, 7000), { bands });
    expect(banded.traces.map((t) => t.band.length)).toEqual([0, 0, 1, 1, 1]);
  });
});
