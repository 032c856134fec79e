import { LAPSE_K_PER_M } from '@/core/outing/forecast';
import { meansOf, measuredOver } from '@/core/underway/measured';
import { aPack, opened } from '#tests/support/aPack';

const HOUR = 3600_000;
const { pack, timeline } = opened;
const hours = pack.outing.forecast;

describe('what a station measured, held against what was forecast', () => {
  const eleM = pack.outing.forecastEleM;
  it('is the same where it measured what was forecast', () => {
    const means = measuredOver(opened, { eleM, hours })!;
    expect(means.airC).toBeCloseTo(meansOf(timeline.stretches).airC, 6);
    expect(means.windMs).toBeCloseTo(meansOf(timeline.stretches).windMs, 6);
  });
  it('is brought to the heights of the outing by the lapse rate', () => {
    const low = measuredOver(opened, { eleM: eleM - 300, hours })!;
    expect(low.airC - meansOf(timeline.stretches).airC).toBeCloseTo(-300 * LAPSE_K_PER_M, 1);
  });
  it('says nothing where its hours do not cover the outing', () => {
    const endMs = pack.outing.startMs + timeline.endS * 1000;
    const last = hours.findLastIndex((h) => h.timeMs < endMs);
    const covers = hours.slice(0, last + 2);
    expect(measuredOver(opened, { eleM, hours: covers })).not.toBeNull();
    expect(measuredOver(opened, { eleM, hours: covers.slice(0, -1) })).toBeNull();
    const late = hours.map((h) => ({ ...h, timeMs: h.timeMs + 48 * HOUR }));
    expect(measuredOver(opened, { eleM, hours: late })).toBeNull();
  });
  it('follows when it was really gone', () => {
    const warmer = hours.map((h, i) => ({ ...h, airC: h.airC + i }));
    const later = measuredOver(opened, { eleM, hours: warmer }, undefined)!;
    const start = aPack().outing.startMs - aPack().outing.utcOffsetMin * 60_000;
    expect(measuredOver(opened, { eleM, hours: warmer }, start + HOUR)!.airC).toBeGreaterThan(later.airC + 0.5);
  });
});
