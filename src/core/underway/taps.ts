import type { BodyWeights } from '@/core/calibrate/bodyLoss';
import type { Feeling } from '@/core/calibrate/votes';
import type { Felt, Part } from '@/core/calibrate/words';
import type { Cue, KitAction, Plan } from '@/core/kit/plan';

/** How the sky looks against the forecast, in steps. */
export const AIR_STEPS = ['colder', 'as said', 'warmer'] as const;
export const WIND_STEPS = ['less', 'as said', 'more'] as const;
export const FALL_STEPS = ['as said', 'dry', 'wet'] as const;
export interface Sky {
  air: (typeof AIR_STEPS)[number];
  wind: (typeof WIND_STEPS)[number];
  falls: (typeof FALL_STEPS)[number];
}
export const AS_SAID: Sky = { air: 'as said', wind: 'as said', falls: 'as said' };

export const isAsSaid = ({ air, wind, falls }: Sky): boolean =>
  air === 'as said' && wind === 'as said' && falls === 'as said';

/** Why a cue cannot be done now. */
export const REASONS = ['not yet', 'no shelter', 'hands too cold', 'group moves'] as const;
export type Reason = (typeof REASONS)[number];

/** What somebody who cannot go on may see on the other. */
export const SIGNS = ['white skin', 'fumbles', 'mumbles', 'no shiver'] as const;
export type Sign = (typeof SIGNS)[number];

/** How somebody is stuck: with how many, in what shelter (null: as they are), and when help may come, h from when they stopped. */
export interface StuckSo {
  people: number;
  shelter: string | null;
  helpFromH: number;
  helpToH: number;
}
/** More than these go as a group of their own. */
export const MOST_STUCK = 12;
/** Hours that are looked at. */
export const STUCK_FOR_H = 12;
/** Callers to mountain rescue wait two to four hours and longer in bad weather (common practice, no published source). */
export const ALONE: StuckSo = { people: 1, shelter: null, helpFromH: 2, helpToH: 6 };

/** Where on the body, or in the clothes, something was seen at home. */
export const SEEN_AT = ['chest', 'back', 'under the pack', 'shell inside', 'mouth cover', 'gloves', 'socks'] as const;
export const SEEN = ['wet', 'frost', 'ice'] as const;
/** What was seen when the clothes came off: sweat, frost in the cloth, ice on what covers the mouth. */
export interface Saw {
  what: (typeof SEEN)[number];
  where: (typeof SEEN_AT)[number];
}

/** A while on the wrist, s since the start. */
export interface While {
  fromS: number;
  toS: number;
}

/** One moment of a recorded track: s since the start; metres along the route, pulse, °C and W where it had them. */
export interface RecordedMoment {
  atS: number;
  metres: number | null;
  bpm: number | null;
  airC: number | null;
  powerW: number | null;
  /** steps or turns a minute */
  cadence: number | null;
}
/** As many moments say how an outing was gone, and no more are kept. */
export const MOST_RECORDED = 1500;

/** What was tapped, or what the phone noticed by itself. */
export type Told =
  | { kind: 'sky'; sky: Sky }
  /** a thing of the checklists, by garment id or by the words of the list */
  | { kind: 'ticked'; item: string; on: boolean }
  /** a garment that is not to be had after all, or is after all */
  | { kind: 'with'; garment: string; along: boolean }
  /** the plan that holds from here on: made at the door, whole; its cues on the clock of the way */
  | { kind: 'dressed'; plan: Plan }
  | { kind: 'started'; by: 'button' | 'moving' }
  | { kind: 'done'; cue: string }
  /** done beside the plan: what danger asked for, or what one did by oneself */
  | { kind: 'did'; actions: KitAction[] }
  | { kind: 'later'; cue: string; reason: Reason }
  | { kind: 'feels'; feels: Feeling }
  | { kind: 'stopped' }
  | { kind: 'going' }
  | { kind: 'late'; minutes: number }
  /** cues that hold from here on, on the clock of the way */
  | { kind: 'replanned'; cues: Cue[] }
  /** how far along the route, and how far off it, m */
  | { kind: 'fix'; metres: number; offM: number }
  | { kind: 'pulse'; bpm: number }
  | { kind: 'stuck' }
  | { kind: 'stuck so'; so: StuckSo }
  | { kind: 'unstuck' }
  | { kind: 'sign'; sign: Sign; seen: boolean }
  | { kind: 'turned back' }
  /** a danger was read and the way is gone on: why */
  | { kind: 'goes on'; danger: string; why: string }
  | { kind: 'home' }
  /** how a part felt: all the time, or in a while of it */
  | { kind: 'felt'; part: Part; felt: Felt; during?: While }
  | { kind: 'weighed'; garment: string; grams: number }
  | { kind: 'hung'; garment: string; hung: boolean }
  /** how wet a piece came home, beyond dry storage, g/m² of cloth: the closet knows it from then on */
  | { kind: 'wet'; garment: string; dampGm2: number }
  | { kind: 'kept' }
  /** what was seen at home, or not after all */
  | { kind: 'saw'; saw: Saw; seen: boolean }
  | { kind: 'body'; weights: BodyWeights }
  /** what one would change, in one's own words */
  | { kind: 'note'; text: string }
  /** the weather that really was, in the mean over the outing; null: as forecast */
  | { kind: 'was'; airC: number | null; windMs: number | null }
  /** how it was gone, from a watch: its clock counts instead of the taps' */
  | { kind: 'recorded'; startMs: number; endMs: number; moments: RecordedMoment[] }
  /** takes back another tap */
  | { kind: 'undo'; tap: string };

/** One thing that was told, with its own name and time: told twice it counts once, and order follows time. */
export interface Tap {
  id: string;
  /** wall clock of the phone, ms since 1970 UTC */
  atMs: number;
  /** which phone */
  device: string;
  told: Told;
}

/** Two taps of one phone are told apart by their times: one that comes in the same moment as the last is put right after it. */
const SAME_MOMENT_MS = 5000;

/** When the next tap of a phone is, ms. @param list what it has @param nowMs its clock, which may have been set back a little */
export function nextTapMs(list: readonly Tap[], device: string, nowMs: number): number {
  const last = list.reduce((m, t) => (t.device === device && t.atMs > m ? t.atMs : m), -Infinity);
  return nowMs <= last && last - nowMs < SAME_MOMENT_MS ? last + 1 : nowMs;
}

/** Taps that are sent at once. */
export const MOST_TAPS = 500;

/** All taps once, in the order they were made, without those taken back. Two phones agree on it whatever came first. */
export function inForce(taps: readonly Tap[]): Tap[] {
  const once = new Map(taps.map((t) => [t.id, t]));
  const sorted = [...once.values()].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1));
  const gone = new Set<string>();
  // The newest first: what takes back may itself be taken back.
  for (const t of [...sorted].reverse())
    if (t.told.kind === 'undo' && !gone.has(t.id)) {
      gone.add(t.told.tap);
      gone.add(t.id);
    }
  return sorted.filter((t) => !gone.has(t.id) && t.told.kind !== 'undo');
}
