import seedrandom from 'seedrandom';
import { heartRateAt } from '@/core/effort/fromAthlete';
import { placeOf, type Fix, type Track } from '@/core/outing/track';
import { metresAt } from '@/core/outing/wayClock';
import { stretchAt } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import type { Person } from '@/core/body/person';
import { writeHeartRate } from '@/formats/heartRate';

/** Where a simulated day goes otherwise than planned. */
export interface Walk {
  seed: number;
  /** going takes so much longer than planned, as a share of it */
  slower: number;
  /** the place is not heard between these, s; the strap slips between these */
  gpsLost?: readonly [number, number];
  strapLost?: readonly [number, number];
  /** away from the route between these, by so many metres */
  off?: { fromS: number; toS: number; metres: number };
}

export const PLAIN_WALK: Walk = { seed: 7, slower: 0.04 };

/** One throw of the dice that is always the same for a seed and a second. */
const dice = (seed: number, atS: number): number => seedrandom(`${seed} ${Math.floor(atS)}`)();
const within = (span: readonly [number, number] | undefined, s: number): boolean =>
  span !== undefined && s >= span[0] && s < span[1];

/** Where on the way the simulated walker is at a second on the wrist. */
export const walkedWay = (walk: Walk, timeline: Timeline, atS: number): number =>
  Math.min(timeline.endS, atS / (1 + walk.slower));

/** A satellite fix wanders by so much, m; degrees of latitude in a metre. */
const WANDER_M = 6;
const DEGREES_A_METRE = 1 / 111_195;

/** What the walker's phone would say of its place; null: nothing to be heard. */
export function walkerAt(walk: Walk, track: Track, timeline: Timeline, atS: number): Fix | null {
  if (within(walk.gpsLost, atS)) return null;
  const { lat, lon } = placeOf(track, metresAt(timeline, walkedWay(walk, timeline, atS)));
  const north = (dice(walk.seed, atS) - 0.5) * 2 * WANDER_M;
  const aside = walk.off && atS >= walk.off.fromS && atS < walk.off.toS ? walk.off.metres : 0;
  const east = (dice(walk.seed + 1, atS) - 0.5) * 2 * WANDER_M + aside;
  return {
    lat: lat + north * DEGREES_A_METRE,
    lon: lon + (east * DEGREES_A_METRE) / Math.cos((lat * Math.PI) / 180),
    accuracyM: WANDER_M + 4 * dice(walk.seed + 2, atS),
  };
}

/** A pulse follows the work within a minute and wanders by so many beats. */
const WANDER_BPM = 3;

/** What the walker's strap sends, as the bytes of a Heart Rate Measurement; null: it slipped. */
export function strapAt(walk: Walk, person: Person, timeline: Timeline, atS: number): DataView | null {
  if (within(walk.strapLost, atS)) return null;
  const here = stretchAt(timeline, walkedWay(walk, timeline, atS));
  const bpm = Math.round(
    heartRateAt(here.metabolicW / person.metabolicBias, person) + (dice(walk.seed + 3, atS) - 0.5) * 2 * WANDER_BPM,
  );
  return writeHeartRate({ bpm, contact: 'yes', beatsS: [60 / bpm] });
}

/** A strap's battery, %: three quarters full at the start, and a little less each hour. */
const BATTERY = { full: 76, perHour: 1.5 } as const;
export const strapBatteryAt = (atS: number): number =>
  Math.max(0, Math.round(BATTERY.full - (BATTERY.perHour * atS) / 3600));

/** What a thermometer on the pack says, °C: the air there, a little warmed by the sun. */
export function thermometerAt(walk: Walk, timeline: Timeline, atS: number): number {
  const here = stretchAt(timeline, walkedWay(walk, timeline, atS));
  const read = here.airC + 0.01 * here.sunWm2 + (dice(walk.seed + 4, atS) - 0.5) * 0.4;
  return Math.round(read * 10) / 10;
}
