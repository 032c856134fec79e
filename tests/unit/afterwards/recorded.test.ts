import { recordedOf, type RecordedPoint } from '@/core/afterwards/recorded';
import type { Track } from '@/core/outing/track';
import { MOST_RECORDED } from '@/core/underway/taps';
import { readGpx } from '@/formats/gpx';
import { readRecorded } from '@/formats/recordedFile';
import { Refused } from '@/formats/problem';

/** A degree of latitude is about 111.2 km (a sphere of 6371 km): a route due north, a sample every 100 m. */
const M = 1 / 111_195;
const track: Track = {
  stepM: 100,
  lat: Array.from({ length: 31 }, (_, i) => 60 + i * 100 * M),
  lon: Array.from({ length: 31 }, () => 10),
};
const point = (s: number, metres: number, over: Partial<RecordedPoint> = {}): RecordedPoint => ({
  timeMs: s * 1000,
  lat: 60 + metres * M,
  lon: 10,
  ...over,
});

describe('what a watch recorded', () => {
  it('lies on the route, metre for metre', () => {
    const r = recordedOf([point(100, 0), point(400, 950), point(1000, 3000)], track, 3000);
    expect(r).toMatchObject({ startMs: 100_000, endMs: 1_000_000, onRoute: 1 });
    expect(r.moments.map((m) => m.atS)).toEqual([0, 300, 900]);
    [0, 950, 3000].forEach((m, i) => expect(r.moments[i].metres!).toBeCloseTo(m, -1));
  });
  it('beside the route says nothing of the way, from sixty metres on', () => {
    const off = (metres: number) =>
      recordedOf([point(0, 0), point(100, 500, { lon: 10 + (metres * M) / Math.cos(Math.PI / 3) })], track, 3000);
    expect(off(55).moments[1].metres).not.toBeNull();
    expect(off(70).moments[1].metres).toBeNull();
    expect(off(70).onRoute).toBe(0.5);
  });
  it('there and back on one way is told apart by where one was before', () => {
    const there = Array.from({ length: 31 }, (_, i) => point(i * 60, i * 100));
    const back = Array.from({ length: 31 }, (_, i) => point(1860 + i * 60, 3000 - i * 100));
    const r = recordedOf([...there, ...back], track, 3000);
    const m = r.moments.map((x) => x.metres!);
    expect(Math.max(...m)).toBeCloseTo(3000, -2);
    expect(m[m.length - 1]).toBeLessThan(300);
  });
  it('without a route is stretched to the length of the outing; a pulse without a place has no way', () => {
    const r = recordedOf([point(0, 0), point(60, 500), point(120, 1000)], null, 4000);
    [0, 2000, 4000].forEach((m, i) => expect(r.moments[i].metres!).toBeCloseTo(m, 0));
    expect(r.onRoute).toBeNull();
    const pulse = recordedOf(
      [0, 60, 120].map((s) => ({ timeMs: s * 1000, lat: null, lon: null, bpm: 120 })),
      null,
      4000,
    );
    expect(pulse.moments.map((m) => m.metres)).toEqual([null, null, null]);
    expect(pulse.moments[0].bpm).toBe(120);
  });
  it('takes two points over a minute at least, in any order, and keeps a bounded number', () => {
    expect(() => recordedOf([point(0, 0)], null, 100)).toThrow(/recorded points/);
    expect(() => recordedOf([point(0, 0), point(59, 10)], null, 100)).toThrow();
    expect(recordedOf([point(60, 10), point(0, 0)], null, 100).startMs).toBe(0);
    const kept = (length: number) => {
      const { moments, startMs, endMs } = recordedOf(
        Array.from({ length }, (_, i) => point(i, i)),
        null,
        6000,
      );
      // However many there were, the first and the last are among them.
      expect(moments[0].atS).toBe(0);
      expect(moments[moments.length - 1].atS).toBe((endMs - startMs) / 1000);
      return moments.length;
    };
    expect(kept(MOST_RECORDED)).toBe(MOST_RECORDED);
    for (const more of [MOST_RECORDED + 1, 2 * MOST_RECORDED - 1, 2 * MOST_RECORDED, 4 * MOST_RECORDED])
      expect(kept(more)).toBeLessThanOrEqual(MOST_RECORDED);
  });
});

const gpx = (body: string) =>
  `<gpx xmlns="http://www.topografix.com/GPX/1/1" xmlns:a="urn:a" xmlns:b="urn:b"><trk><trkseg>${body}</trkseg></trk></gpx>`;
const trkpt = (s: number, inside = '') =>
  `<trkpt lat="${60 + s * M}" lon="10"><time>2027-01-16T08:${String(10 + Math.floor(s / 60)).padStart(2, '0')}:00Z</time>${inside}</trkpt>`;
const START = Date.UTC(2027, 0, 16, 8, 10);
const read = (text: string, name = 'run.gpx') =>
  readRecorded({
    file: { name, bytes: new TextEncoder().encode(text) },
    track: null,
    lengthM: 600,
    startMs: START,
    utcOffsetMin: 60,
  });
const why = (work: () => unknown): string => {
  try {
    work();
  } catch (e) {
    if (e instanceof Refused) return e.message;
    throw e;
  }
  return 'taken';
};

describe('a recorded file', () => {
  it('brings pulse, cadence, power and temperature in whatever namespace they stand', () => {
    const ext =
      '<extensions><a:x><a:hr>141</a:hr><a:cad>88</a:cad><b:atemp>-6</b:atemp></a:x><power>210</power></extensions>';
    const r = read(gpx(trkpt(0, ext) + trkpt(300) + trkpt(600)));
    expect(r.moments[0]).toMatchObject({ bpm: 141, cadence: 88, airC: -6, powerW: 210 });
    expect(r.moments[1]).toMatchObject({ bpm: null, cadence: null });
    expect(readGpx(gpx(trkpt(0) + trkpt(60)), 'x.gpx').measured).toEqual([]);
  });
  it('a sensor that slipped is left out, on both sides of what can be', () => {
    const hr = (v: string) =>
      read(gpx(trkpt(0, `<extensions><a:hr>${v}</a:hr></extensions>`) + trkpt(300))).moments[0].bpm;
    expect([hr('20'), hr('250'), hr('19'), hr('251'), hr('abc'), hr('')]).toEqual([20, 250, null, null, null, null]);
  });
  it('of another day is refused, beyond a day and a half', () => {
    const later = (h: number) => why(() => readRecorded({ ...on, startMs: START - h * 3600_000 }));
    const on = {
      file: { name: 'run.gpx', bytes: new TextEncoder().encode(gpx(trkpt(0) + trkpt(300))) },
      track: null,
      lengthM: 600,
      startMs: START,
      utcOffsetMin: 60,
    };
    expect(later(36)).toBe('taken');
    expect(later(36.1)).toMatch(/first time is 2027-01-16 09:10; allowed: within 36 hours/);
  });
  it('without times is no recording', () => {
    expect(why(() => read(gpx('<trkpt lat="60" lon="10"/><trkpt lat="60.1" lon="10"/>')))).toMatch(/times is none/);
  });
  it('as CSV has time and pulse: ISO with and without a zone, h:mm:ss, or seconds', () => {
    const at = (list: string[]) => read(`time,pulse\n${list.map((t, i) => `${t},${120 + i}`).join('\n')}`, 'pulse.csv');
    expect(at(['0', '60', '120']).moments.map((m) => m.bpm)).toEqual([120, 121, 122]);
    expect(at(['0:00:00', '0:02:30']).endMs).toBe(START + 150_000);
    expect(at(['2027-01-16T08:10:00Z', '2027-01-16T08:20:00Z']).startMs).toBe(START);
    // The place's own clock is an hour ahead of UTC there.
    expect(at(['2027-01-16 09:10:00', '2027-01-16 09:20:00']).startMs).toBe(START);
  });
  it('as CSV names line, column and what is allowed', () => {
    const csv = (text: string) => why(() => read(text, 'pulse.csv'));
    expect(csv('time,pulse\n0,120\n60,300')).toMatch(/line 3: pulse is 300; allowed: 20 to 250 bpm/);
    expect(csv('time,pulse\n0,120\nsoon,130')).toMatch(/line 3: time is soon/);
    expect(csv('when,pulse\n0,120')).toMatch(/column time/);
    expect(csv('time,mood\n0,good')).toMatch(/column pulse/);
    expect(csv('')).toMatch(/empty/);
    expect(csv('time,pulse\n0,\n60,130')).toBe('taken');
  });
});
