import { trackOf } from '@/core/outing/track';
import { buildProfile, type RoutePoint } from '@/core/outing/route';
import { outThere } from '@/core/underway/outThere';
import { openPack } from '@/core/underway/pack';
import type { Tap } from '@/core/underway/taps';
import { backWay, wayHome, wayOfMetresBack } from '@/core/underway/wayHome';
import { aPack, opened, T0, tap } from '#tests/support/aPack';

/** A degree of latitude is about 111.2 km: the route goes due north as far as the outing is long. */
const M = 1 / 111_195;
const points: RoutePoint[] = Array.from({ length: 97 }, (_, i) => ({
  lat: 56 + i * 100 * M,
  lon: 12,
  eleM: 300,
  timeMs: null,
}));
const north = openPack(aPack({ track: trackOf(points, buildProfile(points)) }));
const turned = [tap(0, { kind: 'started', by: 'button' }), tap(2400, { kind: 'turned back' })];
const at = (s: number, ...taps: Tap[]) => outThere(north, [...turned, ...taps], T0 + s * 1000);

describe('the way home of somebody who turned back', () => {
  // Up at one metre a second: 2400 m in forty minutes.
  it('nobody who goes on has one', () => {
    expect(wayHome(opened, { turnedBackWayS: null, wayS: 100, place: null })).toBeNull();
  });
  it('begins where they turned, and runs down to the start by the clock', () => {
    expect(backWay(north, 2400).turnM).toBeCloseTo(2400, -1);
    const [turn, half, end] = [2400, 3600, 4800].map((s) => wayHome(north, at(s))!.metres);
    expect(turn).toBeCloseTo(2400, -2);
    expect(half).toBeLessThan(turn - 600);
    expect(end).toBeLessThan(half);
    expect(wayHome(north, at(30_000))!.metres).toBe(0);
  });
  it('a place moves it: faster than thought one is nearer, and the clock of the way knows', () => {
    const fix = tap(3000, { kind: 'fix', metres: 400, offM: 5 });
    const home = wayHome(north, at(3000, fix))!;
    expect(home.metres).toBe(400);
    expect(home.goneM).toBeCloseTo(4400, -2);
    expect(at(3000, fix).wayS).toBeGreaterThan(at(3000).wayS + 600);
    // The metres of the way back count from the turn on, there and back.
    const way = backWay(north, 2400);
    expect(wayOfMetresBack(way, 400, 3000)).toBeGreaterThan(wayOfMetresBack(way, 1500, 3000));
  });
  it('off the route a place moves nothing', () => {
    const off = tap(3000, { kind: 'fix', metres: 400, offM: 300 });
    expect(at(3000, off).wayS).toBe(at(3000).wayS);
    expect(wayHome(north, at(3000, off))!.metres).toBeCloseTo(wayHome(north, at(3000))!.metres, 6);
  });
  it('leads south where the route went north, and nowhere known without a route or at the start', () => {
    const fix = (metres: number) => tap(3000, { kind: 'fix', metres, offM: 5 });
    expect(wayHome(north, at(3000, fix(1500)))!.towardsDeg!).toBeCloseTo(180, 0);
    expect(wayHome(north, at(3000, fix(0)))!.towardsDeg).toBeNull();
    expect(wayHome(opened, outThere(opened, [...turned, fix(1500)], T0 + 3000_000))!.towardsDeg).toBeNull();
    expect(wayHome(north, at(3000))!.towardsDeg).toBeNull();
  });
});
