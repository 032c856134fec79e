import fc from 'fast-check';
import { asGone, lateBy, marked, turnedBack, wayAt, wristAt, type WayMark } from '@/core/outing/wayClock';
import { timelineOf } from '@/core/outing/outing';
import { AVERAGE_PERSON } from '@/core/body/person';
import { inForce, type Tap } from '@/core/underway/taps';
import { opened, tourOuting } from '#tests/support/aPack';

const anyMarks = fc
  .array(fc.record({ atS: fc.integer({ min: 1, max: 9000 }), wayS: fc.integer({ min: 0, max: 9000 }) }), {
    maxLength: 12,
  })
  .map((list) => list.sort((a, b) => a.atS - b.atS).reduce<WayMark[]>((m, x) => marked(m, x), []));

describe('whatever a phone says of the way', () => {
  it('neither clock runs backwards, and they answer each other where the way goes on', () => {
    fc.assert(
      fc.property(
        anyMarks,
        fc.integer({ min: 0, max: 12_000 }),
        fc.integer({ min: 0, max: 3000 }),
        (marks, s, more) => {
          expect(wayAt(marks, s + more)).toBeGreaterThanOrEqual(wayAt(marks, s) - 1e-6);
          expect(wristAt(marks, s + more)).toBeGreaterThanOrEqual(wristAt(marks, s) - 1e-6);
          // Through a halt the wrist answers with its end: never earlier than one was there.
          expect(wristAt(marks, wayAt(marks, s))).toBeGreaterThanOrEqual(s - 1e-6);
          expect(lateBy(marks, s) + wayAt(marks, s)).toBeCloseTo(s, 6);
        },
      ),
      { numRuns: 200 },
    );
  });
  it('the outing as it is gone lasts as long as the wrist says, and covers the same ground', () => {
    const { timeline } = opened;
    const sane = fc
      .array(
        fc.record({ step: fc.integer({ min: 60, max: 1200 }), share: fc.double({ min: 0, max: 1.6, noNaN: true }) }),
        { maxLength: 6 },
      )
      .map((list) => {
        let marks: WayMark[] = [];
        let [atS, wayS] = [0, 0];
        for (const { step, share } of list) {
          atS += step;
          wayS = Math.min(timeline.endS - 600, wayS + step * share);
          marks = marked(marks, { atS, wayS });
        }
        return marks;
      });
    fc.assert(
      fc.property(sane, (marks) => {
        const gone = timelineOf(asGone(tourOuting, timeline, marks, tourOuting.startMs), AVERAGE_PERSON);
        expect(Math.abs(gone.endS - wristAt(marks, timeline.endS))).toBeLessThan(90);
        const ground = (legs: { distanceM: number }[]) => legs.reduce((sum, l) => sum + l.distanceM, 0);
        expect(ground(gone.legs)).toBeCloseTo(ground(timeline.legs), 0);
      }),
      { numRuns: 40 },
    );
  });
  it('who turns back comes home where they started, whenever that is', () => {
    const { timeline } = opened;
    fc.assert(
      fc.property(fc.integer({ min: 300, max: 6500 }), (wayS) => {
        const { legs } = turnedBack(tourOuting, timeline, wayS);
        expect(legs.reduce((sum, l) => sum + l.climbM, 0)).toBeCloseTo(0, 6);
      }),
      { numRuns: 40 },
    );
  });
});

describe('whatever order taps come in', () => {
  it('the same are in force, each once', () => {
    const anyTaps = fc.array(
      fc.record({
        id: fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'),
        atMs: fc.integer({ min: 0, max: 5 }),
        undo: fc.constantFrom(null, 'a', 'b', 'c'),
      }),
      { maxLength: 10 },
    );
    fc.assert(
      fc.property(anyTaps, (list) => {
        const seen = new Map(list.map((t) => [t.id, t]));
        const taps = [...seen.values()].map((t): Tap => ({
          id: t.id,
          atMs: t.atMs,
          device: 'p',
          told: t.undo && t.undo !== t.id ? { kind: 'undo', tap: t.undo } : { kind: 'going' },
        }));
        const there = inForce(taps);
        expect(inForce([...taps].reverse().concat(taps))).toEqual(there);
        expect(new Set(there.map((t) => t.id)).size).toBe(there.length);
      }),
    );
  });
});
