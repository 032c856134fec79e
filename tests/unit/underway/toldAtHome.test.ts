import { of, nothingLearned } from '@/core/calibrate/learned';
import { AVERAGE_PERSON } from '@/core/body/person';
import { goneNow } from '@/core/underway/gone';
import { lessonFrom, openTold, outedOf, type ToldOuting } from '@/core/underway/outed';
import { asItWas } from '@/core/underway/underSky';
import type { RecordedMoment, Tap, Told } from '@/core/underway/taps';
import { aPack, opened, T0, tap, tourOuting } from '#tests/support/aPack';

const END = Math.round(opened.timeline.endS);
const told = (...taps: Tap[]): ToldOuting => ({
  pack: aPack(),
  taps: [tap(0, { kind: 'started', by: 'button' }), ...taps, tap(END, { kind: 'home' })],
});
const out = (...list: Told[]) => openTold(told(...list.map((t, i) => tap(END + 10 + i, t))), AVERAGE_PERSON).out;
const during = { fromS: 0, toS: 3600 };

describe('what is told at home', () => {
  it('a word of a while holds until another is said of the same, and stands beside that of the whole', () => {
    const o = out(
      { kind: 'felt', part: 'hands', felt: 'cold', during },
      { kind: 'felt', part: 'hands', felt: 'cool', during },
      { kind: 'felt', part: 'hands', felt: 'fine', during: { fromS: 3600, toS: 4000 } },
      { kind: 'felt', part: 'hands', felt: 'warm' },
    );
    expect(o.feltIn.map((f) => f.word)).toEqual(['cool', 'fine']);
    expect(o.felt.hands).toBe('warm');
    const { opened: op } = openTold(told(), AVERAGE_PERSON);
    expect(outedOf(op, o).felt).toHaveLength(3);
  });
  it('what was seen is seen once, and not after all', () => {
    const saw = { what: 'wet', where: 'back' } as const;
    expect(out({ kind: 'saw', saw, seen: true }, { kind: 'saw', saw, seen: true }).saw).toEqual([saw]);
    expect(out({ kind: 'saw', saw, seen: true }, { kind: 'saw', saw, seen: false }).saw).toEqual([]);
  });
  it('weights of the body are what it lost, drink and food counted in, and teach of the sweat', () => {
    const body = (afterKg: number): Told => ({
      kind: 'body',
      weights: { beforeKg: 72, afterKg, drankL: 0.5, ateKg: 0.2, passedL: 0.3 },
    });
    const { opened: op } = openTold(told(), AVERAGE_PERSON);
    expect(outedOf(op, out(body(71)))).toMatchObject({ body: { lossG: expect.closeTo(1400, 6) } });
    // Who cannot have gained has lost nothing.
    expect(outedOf(op, out(body(73))).body!.lossG).toBe(0);
    const sweat = (afterKg: number) =>
      of(lessonFrom(nothingLearned(), AVERAGE_PERSON, told(tap(END - 5, body(afterKg))))!.after, 'sweat').mean;
    const means = [71.9, 72.1, 72.35].map(sweat);
    expect(means).toEqual([...means].sort((a, b) => b - a));
    expect(means[0]).toBeGreaterThan(0.005);
    expect(means[2]).toBeLessThan(-0.002);
  });
  it('a note is the last one written', () => {
    expect(out({ kind: 'note', text: 'a' }, { kind: 'note', text: 'b' }).note).toBe('b');
  });
});

describe('the weather that really was', () => {
  const mean = (o: ReturnType<typeof goneNow>, of: 'airC' | 'wind10') =>
    o.timeline.stretches.reduce((sum, s) => sum + s[of] * (s.endS - s.startS), 0) / o.timeline.endS;
  it('shifts the air and scales the wind to its means, and counts before the look out of the door', () => {
    const o = out(
      { kind: 'sky', sky: { air: 'colder', wind: 'more', falls: 'as said' } },
      { kind: 'was', airC: -4, windMs: 2.5 },
    );
    const gone = goneNow(openTold(told(), AVERAGE_PERSON).opened, o);
    expect(mean(gone, 'airC')).toBeCloseTo(-4, 1);
    expect(mean(gone, 'wind10')).toBeCloseTo(2.5, 1);
  });
  it('left empty it is as forecast; out of a calm forecast wind is made, not scaled', () => {
    expect(asItWas(tourOuting, opened.timeline, { airC: null, windMs: null }).forecast).toEqual(tourOuting.forecast);
    const calm = { ...tourOuting, forecast: tourOuting.forecast.map((h) => ({ ...h, wind: 0, gust: 0 })) };
    const still = { ...opened.timeline, stretches: opened.timeline.stretches.map((s) => ({ ...s, wind10: 0 })) };
    const windy = asItWas(calm, still, { airC: null, windMs: 6 });
    expect(windy.forecast[0]).toMatchObject({ wind: 6, gust: 6 });
  });
});

describe('a recorded track', () => {
  const moment = (atS: number, metres: number | null, bpm: number | null = null): RecordedMoment => ({
    atS,
    metres,
    bpm,
    airC: null,
    powerW: null,
    cadence: null,
  });
  const recorded = (moments: RecordedMoment[], startS = 300): Told => ({
    kind: 'recorded',
    startMs: T0 + startS * 1000,
    endMs: T0 + (startS + moments[moments.length - 1].atS) * 1000,
    moments,
  });
  it('has the real clock: when one went, how long it took, and where one stood', () => {
    const o = out(recorded([moment(0, 0), moment(3000, 3600), moment(4800, 3600), moment(7500, 9600)]));
    expect(o.startMs).toBe(T0 + 300_000);
    expect(o.nowS).toBe(7500);
    const { timeline } = goneNow(opened, o);
    expect(timeline.endS).toBeCloseTo(7500, -2);
    const stop = timeline.legs.findIndex((l) => l.sport === 'stand');
    expect(timeline.legStartS[stop + 1] - timeline.legStartS[stop]).toBeCloseTo(1800, -2);
  });
  it('its pulse is heard as work, ten minutes at a time, in the place of a strap that was tapped', () => {
    const hard = Array.from({ length: 41 }, (_, i) => moment(i * 60, i * 90, 160));
    const watts = out({ kind: 'feels', feels: 'fine' }, recorded(hard)).heard.filter((h) => 'metabolicW' in h);
    expect(watts.length).toBe(3);
    for (const w of watts) expect('metabolicW' in w && w.metabolicW).toBeGreaterThan(600);
  });
  it('taken back, the taps count again', () => {
    const track = tap(END + 20, recorded([moment(0, 0), moment(7500, 9600)]));
    const back = tap(END + 30, { kind: 'undo', tap: track.id });
    expect(openTold(told(track), AVERAGE_PERSON).out.nowS).toBe(7500);
    expect(openTold(told(track, back), AVERAGE_PERSON).out.nowS).toBe(END);
  });
});
