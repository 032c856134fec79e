import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Plan } from '@/core/kit/plan';
import { timelineOf, type Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import type { Track } from '@/core/outing/track';
import type { AthleteSpread } from '@/core/questions/athleteSpread';
import type { Wishes } from '@/core/search/wishes';

/** Everything an outing needs on the way, when nobody else can be asked. */
export interface Pack {
  outingId: string;
  /** the plan it was packed from */
  planId: string;
  planVersion: number;
  /** when it was packed, ms since 1970 UTC */
  packedMs: number;
  /** when the forecast was last heard or brought in, ms since 1970 UTC; null: nobody knows */
  forecastMs: number | null;
  outing: Outing;
  person: Person;
  /** how unsure the athlete is known; left out by packs of earlier versions: as anybody */
  unsure?: AthleteSpread;
  units: 'metric' | 'imperial';
  /** what is owned now and what the plan names, as outings found it: at the door pieces may still be swapped */
  closet: Garment[];
  /** pieces of it that outings found other than their numbers say, by those numbers; left out by packs of earlier versions: none */
  given?: Garment[];
  /** ids of what is in the closet now */
  inCloset: string[];
  damp: Record<string, number>;
  wishes: Wishes;
  /** causes that were made a cue of, by their ids; left out by packs of earlier versions: none */
  winterCues?: string[];
  plan: Plan;
  /** null: legs by hand */
  track: Track | null;
}

/** A pack that is opened: with its outing laid out on the clock of the way, once. */
export interface Opened {
  pack: Pack;
  timeline: Timeline;
}

/** @throws OutOfRange as `timelineOf` */
export const openPack = (pack: Pack): Opened => ({ pack, timeline: timelineOf(pack.outing, pack.person) });

/** Start as planned, ms since 1970 UTC. */
export const plannedStartMs = ({ outing }: Pick<Pack, 'outing'>): number =>
  outing.startMs - outing.utcOffsetMin * 60_000;

const DAY_MS = 24 * 3600_000;
/** Days from the forecast to the start, 0–10: what is a day old is as unsure as a forecast a day ahead. */
export function leadDaysOf(pack: Pick<Pack, 'forecastMs' | 'packedMs' | 'outing'>, startMs: number): number {
  const days = (startMs - (pack.forecastMs ?? pack.packedMs)) / DAY_MS;
  return Math.min(10, Math.max(0, days));
}
/** A forecast older than this is said to be old, h (engineering value: a day has turned since). */
export const OLD_FORECAST_H = 18;
