import { outThere } from '@/core/underway/outThere';
import type { Finding } from '@/core/judge/findings';
import {
  asksNow,
  coordinates,
  cueLines,
  dangerSays,
  DANGER_WORDS,
  homeMessage,
  howFar,
  howLong,
  quietWords,
  whenWords,
  whyWords,
} from '@/features/out/words';
import { aPack, opened, T0, tap } from '#tests/support/aPack';

const begun = tap(0, { kind: 'started', by: 'button' });
const at = (nowS: number, ...taps: Parameters<typeof outThere>[1]) =>
  outThere(opened, [begun, ...taps], T0 + nowS * 1000);
const finding = (severity: Finding['severity']): Finding => ({
  kind: 'fingers',
  severity,
  atS: 3000,
  value: 12,
  unit: '°C',
  limit: 15,
  what: 'Your fingers',
  means: 'clumsy',
});
const ahead = { endS: 7000, farM: 1200 };

describe('words on the way', () => {
  it('how long and how far, as people say it, in both systems', () => {
    expect([29, 31, 3569, 3571, 3900].map(howLong)).toEqual(['0 min', '1 min', '59 min', '1 h 00', '1 h 05']);
    expect([howFar(134, 'metric'), howFar(949, 'metric'), howFar(1040, 'metric')]).toEqual([
      '130 m',
      '950 m',
      '1.0 km',
    ]);
    expect([howFar(134, 'imperial'), howFar(2000, 'imperial')]).toEqual(['440 ft', '1.2 mi']);
  });
  it('all is well only where nothing ahead is worse', () => {
    const out = at(60);
    expect(quietWords(out, [], 'metric', ahead).head).toBe('All is well.');
    expect(quietWords(out, [finding(1)], 'metric', ahead).head).toBe('All is well.');
    const weak = quietWords(out, [finding(2)], 'metric', ahead);
    expect(weak.head).not.toMatch(/well/i);
    expect(weak.then).toMatch(/^Ahead: your fingers .*12/);
    expect(quietWords(at(3500), [finding(2)], 'metric', ahead).then).toMatch(/^Behind you/);
    const spread = {
      ...finding(2),
      kind: 'chances' as const,
      unit: 'share' as const,
      value: 0.2,
      what: 'Other weather',
    };
    expect(quietWords(out, [spread], 'metric', ahead).then).toMatch(/^Mind: other weather: 20 %/);
  });
  it('late is said before anything, from five minutes on', () => {
    const late = (minutes: number) =>
      quietWords(at(3000, tap(2000, { kind: 'late', minutes })), [], 'metric', ahead).head;
    expect([late(4), late(6)]).toEqual(['All is well.', '6 min late.']);
    expect([late(-4), late(-6)]).toEqual(['All is well.', '6 min early.']);
  });
  it('a cue says when, and why, once that is known', () => {
    const out = at(560);
    const next = out.next!;
    expect(asksNow(next)).toBe(true);
    expect(asksNow(at(100).next)).toBe(false);
    expect(whenWords(next, 560)).toBe('now');
    expect(whenWords(at(400).next!, 400)).toBe('in 3 min');
    expect(whenWords(at(960).next!, 960)).toBe('6 min overdue');
    expect(cueLines(next.cue, new Map(aPack().closet.map((g) => [g.id, g])))[0]).toMatch(/^Wind shell/);
    expect(whyWords(next, [], 'metric')).toBe('');
    const reason = { atS: 600, where: '', text: [], missCost: 1, miss: { what: 'fingers' as const, from: 20, to: 14 } };
    expect(whyWords(next, [reason], 'metric')).toBe('Else: fingers 14.0°, not 20.0°.');
    expect(whyWords(next, [{ ...reason, missCost: 0.01 }], 'metric')).toBe('');
  });
  it('danger has words for each kind, and says when', () => {
    for (const kind of ['face', 'fingers', 'toes', 'cold', 'hot'] as const) {
      expect(DANGER_WORDS[kind].head).toMatch(/\.$/);
      expect(dangerSays({ kind, atS: 1000, value: 7 }, 100, 'metric')).toMatch(/15 min/);
      expect(dangerSays({ kind, atS: 1000, value: 7 }, 950, 'metric')).toMatch(/now/);
    }
  });
  it('the prepared message says where, what and when, in one text', () => {
    const text = homeMessage({
      name: 'Skarn Head round',
      place: 'Long Shoulder, 905 m.',
      says: 'cannot go on.',
      due: '12:20',
    });
    expect(text).toBe('Skarn Head round: cannot go on. Long Shoulder, 905 m. Due back 12:20.');
    expect(coordinates(-56.12346, 12.3)).toBe('56.1235 S, 12.3000 E');
  });
});
