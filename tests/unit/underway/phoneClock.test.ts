import { believedClock, putBackMs, readPhoneClock } from '@/core/underway/phoneClock';
import { inForce, type Tap } from '@/core/underway/taps';

/** A phone whose clock is ahead by so much asks a server; the way there and back takes so long, ms. */
function ask(aheadMs: number, { there, back }: { there: number; back: number }, trueMs = 1_000_000_000) {
  const serverMs = trueMs + there;
  return readPhoneClock({ askedMs: trueMs + aheadMs, heardMs: trueMs + there + back + aheadMs }, serverMs);
}

describe('the clock of a phone', () => {
  test.each([-600_000, -2500, 0, 90_000])('%i ms ahead is read to within what it says of its error', (ahead) => {
    for (const way of [
      { there: 20, back: 30 },
      { there: 800, back: 10 },
      { there: 10, back: 2400 },
    ]) {
      const read = ask(ahead, way);
      expect(Math.abs(read.aheadMs - ahead)).toBeLessThanOrEqual(read.unsureMs + 1e-6);
    }
  });

  test('a clock that is two seconds off is left alone, one that is more is put back', () => {
    expect(putBackMs({ aheadMs: 2000, unsureMs: 10 })).toBe(0);
    expect(putBackMs({ aheadMs: -2001, unsureMs: 10 })).toBe(-2001);
    expect(putBackMs(null)).toBe(0);
  });

  test('an answer that took longer than the fault says nothing', () => {
    expect(putBackMs({ aheadMs: 5000, unsureMs: 6000 })).toBe(0);
    expect(putBackMs({ aheadMs: 5000, unsureMs: 4000 })).toBe(5000);
  });

  test('of two readings that agree the surer is kept; a clock that was set meanwhile is read anew', () => {
    const sure = { aheadMs: 300_000, unsureMs: 20 };
    expect(believedClock(sure, { aheadMs: 301_000, unsureMs: 900 })).toEqual(sure);
    expect(believedClock({ aheadMs: 301_000, unsureMs: 900 }, sure)).toEqual(sure);
    const set = { aheadMs: 0, unsureMs: 900 };
    expect(believedClock(sure, set)).toEqual(set);
    expect(believedClock(null, set)).toEqual(set);
  });

  test('two phones, one five minutes ahead: put back, what was tapped second comes second', () => {
    const tap = (device: string, atMs: number, told: Tap['told']): Tap => ({
      id: `00000000-0000-4000-8000-${device.padStart(12, '0')}`,
      atMs,
      device,
      told,
    });
    const fast = ask(300_000, { there: 40, back: 40 });
    const start = 1_000_000_000;
    const wrong = tap('1', start + 300_000, { kind: 'note', text: 'first' });
    const later = tap('2', start + 60_000, { kind: 'note', text: 'second' });
    expect(inForce([wrong, later]).map((t) => t.device)).toEqual(['2', '1']);
    const right = { ...wrong, atMs: wrong.atMs - putBackMs(fast) };
    expect(inForce([right, later]).map((t) => t.device)).toEqual(['1', '2']);
  });
});
