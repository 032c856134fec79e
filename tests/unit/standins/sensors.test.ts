import { AVERAGE_PERSON } from '@/core/body/person';
import { metabolicFromHeartRate } from '@/core/effort/fromAthlete';
import { stretchAt } from '@/core/outing/moments';
import { findOn, type Track } from '@/core/outing/track';
import { metresAt } from '@/core/outing/wayClock';
import { readHeartRate } from '@/formats/heartRate';
import { PLAIN_WALK, strapAt, strapBatteryAt, thermometerAt, walkedWay, walkerAt } from '@/standins/sensors/sensors';
import { opened } from '#tests/support/aPack';

const { timeline } = opened;
// A straight way north as long as the outing, a sample every 50 m.
const far = metresAt(timeline, timeline.endS);
const track: Track = {
  stepM: 50,
  lat: Array.from({ length: Math.ceil(far / 50) + 1 }, (_, i) => 56 + (i * 50) / 111_195),
  lon: Array.from({ length: Math.ceil(far / 50) + 1 }, () => 12),
};

describe('simulated walker, strap and thermometer', () => {
  it('the walker is where it says, slower than planned, and the same each time', () => {
    for (const s of [0, 900, 2500]) {
      const fix = walkerAt(PLAIN_WALK, track, timeline, s)!;
      const metres = metresAt(timeline, walkedWay(PLAIN_WALK, timeline, s));
      expect(Math.abs(findOn(track, fix, metres)!.metres - metres)).toBeLessThan(12);
      expect(walkerAt(PLAIN_WALK, track, timeline, s)).toEqual(fix);
    }
    expect(walkedWay(PLAIN_WALK, timeline, 2600)).toBeCloseTo(2500, 6);
    expect(walkedWay(PLAIN_WALK, timeline, 1e6)).toBe(timeline.endS);
  });
  it('place and strap can be lost for a while, and the walker can stray', () => {
    const walk = {
      ...PLAIN_WALK,
      gpsLost: [100, 200] as const,
      strapLost: [300, 400] as const,
      off: { fromS: 500, toS: 600, metres: 200 },
    };
    const gps = (s: number) => walkerAt(walk, track, timeline, s) !== null;
    const strap = (s: number) => strapAt(walk, AVERAGE_PERSON, timeline, s) !== null;
    expect([gps(99), gps(100), gps(199), gps(200)]).toEqual([true, false, false, true]);
    expect([strap(299), strap(300), strap(399), strap(400)]).toEqual([true, false, false, true]);
    const off = (s: number) => findOn(track, walkerAt(walk, track, timeline, s)!, metresAt(timeline, s))!.offM;
    expect(off(499)).toBeLessThan(20);
    expect(off(550)).toBeGreaterThan(150);
  });
  it('the strap sends the pulse that goes with the work, as bytes any strap sends', () => {
    const beat = readHeartRate(strapAt(PLAIN_WALK, AVERAGE_PERSON, timeline, 1800)!)!;
    const { restBpm, maxBpm, vo2maxMl, massKg } = AVERAGE_PERSON;
    const planned = stretchAt(timeline, walkedWay(PLAIN_WALK, timeline, 1800)).metabolicW;
    expect(Math.abs(metabolicFromHeartRate(beat.bpm, restBpm, maxBpm, vo2maxMl, massKg) / planned - 1)).toBeLessThan(
      0.06,
    );
    expect(beat.contact).toBe('yes');
    expect(beat.beatsS[0]).toBeCloseTo(60 / beat.bpm, 2);
  });
  it('the strap runs down by the hour, and not below nothing', () => {
    expect([0, 7200, 1e7].map(strapBatteryAt)).toEqual([76, 73, 0]);
  });
  it('the thermometer says the air there', () => {
    const air = stretchAt(timeline, 1800).airC;
    expect(Math.abs(thermometerAt(PLAIN_WALK, timeline, 1800) - air)).toBeLessThan(1.5);
  });
});
