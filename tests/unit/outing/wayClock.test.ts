import { AVERAGE_PERSON } from '@/core/body/person';
import type { Outing } from '@/core/outing/outing';
import { timelineOf } from '@/core/outing/outing';
import { findOn, isOff, VAGUE_M, type Track } from '@/core/outing/track';
import {
  asGone,
  lateBy,
  marked,
  metresAt,
  nextLee,
  wayAt,
  wayOfMetres,
  wristAt,
  type WayMark,
} from '@/core/outing/wayClock';
import { aLeg } from '#tests/support/outings';

const outing: Outing = {
  name: 'There and back',
  sport: 'hike',
  startMs: Date.UTC(2027, 0, 16, 8),
  utcOffsetMin: 0,
  loadKg: 5,
  forecastEleM: 300,
  startEleM: 300,
  albedo: 0.6,
  legs: [
    aLeg({ name: 'Up', sport: 'hike', minutes: 60, distanceM: 4000, climbM: 200, effort: { by: 'usual' } }),
    aLeg({ name: 'Top', sport: 'stand', minutes: 10, effort: { by: 'usual' } }),
    aLeg({ name: 'Down', sport: 'hike', minutes: 50, distanceM: 4000, climbM: -200, effort: { by: 'usual' } }),
  ],
  forecast: [0, 1, 2, 3, 4].map((h) => ({
    timeMs: Date.UTC(2027, 0, 16, 8 + h),
    airC: -4 - h,
    humidity: 0.7,
    wind: 4,
    gust: 6,
    fromDeg: 0,
    precipitationMmH: 0,
    kind: 'none',
    cloud: 0.5,
  })),
  profile: null,
};
const timeline = timelineOf(outing, AVERAGE_PERSON);
const marks = (...pairs: [number, number][]): WayMark[] =>
  pairs.reduce<WayMark[]>((list, [atS, wayS]) => marked(list, { atS, wayS }), []);

describe('wrist and way', () => {
  it('run alike until something is known', () => {
    expect(wayAt([], 1234)).toBe(1234);
    expect(wristAt([], 1234)).toBe(1234);
  });
  it('part by what somebody is late, and stay apart from then on', () => {
    const late = marks([1800, 1200]);
    expect(wayAt(late, 900)).toBeCloseTo(600, 6);
    expect(wayAt(late, 3600)).toBe(3000);
    expect(wristAt(late, 3000)).toBe(3600);
    expect(lateBy(late, 3600)).toBe(600);
  });
  it('stand still on the way through a halt; what is reached there is reached when it ends', () => {
    const halted = marks([600, 600], [1200, 600]);
    expect(wayAt(halted, 900)).toBe(600);
    expect(wristAt(halted, 600)).toBe(1200);
    expect(wristAt(halted, 599)).toBeCloseTo(599, 6);
  });
  it('never run backwards, whatever a phone says', () => {
    const jumpy = marks([600, 700], [660, 500], [500, 900], [720, 760]);
    expect(jumpy.map((m) => m.wayS)).toEqual([700, 700, 760]);
    expect(wayAt(jumpy, 650)).toBe(700);
  });
});

describe('the outing as it is gone', () => {
  const gone = (list: WayMark[]) => timelineOf(asGone(outing, timeline, list, outing.startMs), AVERAGE_PERSON);
  it('is the plan while nothing else is known', () => {
    const same = gone([]);
    expect(same.endS).toBeCloseTo(timeline.endS, 6);
    expect(same.legs.map((l) => l.name)).toEqual(['Up', 'Top', 'Down']);
    expect(same.stretches.map((s) => s.metabolicW)).toEqual(timeline.stretches.map((s) => s.metabolicW));
  });
  it('has a halt where one stood, and ends later by it', () => {
    const halted = gone(marks([1800, 1800], [2700, 1800]));
    expect(halted.endS).toBeCloseTo(timeline.endS + 900, 3);
    expect(halted.legs.map((l) => l.name)).toEqual(['Up', 'Halt', 'Up', 'Top', 'Down']);
    const standing = halted.stretches.find((s) => s.startS >= 1800)!;
    expect(standing.sport).toBe('stand');
    expect(standing.metabolicW).toBeLessThan(0.5 * timeline.stretches[0].metabolicW);
    expect(halted.legs.reduce((sum, l) => sum + l.distanceM, 0)).toBeCloseTo(8000, 3);
  });
  it('takes less work where it is gone slower, and meets the weather of the later hour', () => {
    const slow = gone(marks([4800, 3600]));
    expect(slow.endS).toBeCloseTo(timeline.endS + 1200, 3);
    expect(slow.stretches[0].metabolicW).toBeLessThan(timeline.stretches[0].metabolicW);
    const last = slow.stretches[slow.stretches.length - 1];
    expect(last.airC).toBeLessThan(timeline.stretches[timeline.stretches.length - 1].airC);
  });
  it('stays longer at a stop as one is at the stop', () => {
    const long = gone(marks([3900, 3900], [4500, 3900]));
    expect(long.legs.filter((l) => l.sport === 'stand').reduce((sum, l) => sum + l.minutes, 0)).toBeCloseTo(20, 3);
  });
});

describe('metres and minutes', () => {
  it('answer each other', () => {
    for (const s of [0, 900, 2400, 5000, 7000])
      expect(wayOfMetres(timeline, metresAt(timeline, s), s)).toBeCloseTo(s, -1);
  });
  it('at a stop the clock decides', () => {
    expect(wayOfMetres(timeline, 4000, 3800)).toBeCloseTo(3800, -1);
    expect(wayOfMetres(timeline, 4000, 9000)).toBeLessThan(4300);
  });
});

describe('the next lee', () => {
  // Two kilometres in the open at 4 km/h, and then trees: at 1800 s.
  const wood = timelineOf(
    {
      ...outing,
      legs: [
        aLeg({ name: 'Fell', sport: 'hike', minutes: 30, distanceM: 2000, effort: { by: 'usual' } }),
        aLeg({ name: 'Wood', sport: 'hike', minutes: 30, distanceM: 2000, effort: { by: 'usual' }, shelter: 'forest' }),
      ],
    },
    AVERAGE_PERSON,
  );
  it('is told in metres from twenty minutes before it, and not once one is there', () => {
    expect(nextLee(wood, 599)).toBeNull();
    expect(nextLee(wood, 900)).toBeCloseTo(1000, -1);
    expect(nextLee(wood, 1900)).toBeNull();
  });
});

describe('where a phone is on a route', () => {
  // 2 km north and the same way back, a sample every 100 m.
  const there = Array.from({ length: 21 }, (_, i) => 56 + (i * 100) / 111_195);
  const lat = [...there, ...there.slice(0, -1).reverse()];
  const track: Track = { stepM: 100, lat, lon: lat.map(() => 12) };
  const at = (metresNorth: number, metresEast = 0, accuracyM = 5) => ({
    lat: 56 + metresNorth / 111_195,
    lon: 12 + metresEast / (111_195 * Math.cos((56 * Math.PI) / 180)),
    accuracyM,
  });
  it('is told between samples', () => {
    expect(findOn(track, at(1234, 30), 1200)!.metres).toBeCloseTo(1234, -1);
    expect(findOn(track, at(1234, 30), 1200)!.offM).toBeCloseTo(30, 0);
  });
  it('on a way that comes back the same way, where the clock says', () => {
    expect(findOn(track, at(500), 400)!.metres).toBeCloseTo(500, -1);
    expect(findOn(track, at(500), 3600)!.metres).toBeCloseTo(3500, -1);
  });
  it('is not told by a vague fix', () => {
    expect(findOn(track, at(500, 0, VAGUE_M + 1), 400)).toBeNull();
    expect(findOn(track, at(500, 0, VAGUE_M), 400)).not.toBeNull();
  });
  it('is off the route beyond 60 m, or twice what the fix may be wrong by', () => {
    expect(isOff({ metres: 0, offM: 59 }, { accuracyM: 10 })).toBe(false);
    expect(isOff({ metres: 0, offM: 61 }, { accuracyM: 10 })).toBe(true);
    expect(isOff({ metres: 0, offM: 61 }, { accuracyM: 40 })).toBe(false);
  });
});
