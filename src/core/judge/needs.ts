import type { Garment } from '@/core/clothing/garment';
import { closesAnkle } from '@/core/clothing/purpose';
import type { DoorDay } from '@/core/outing/doorDay';
import type { Timeline } from '@/core/outing/timeline';
import { LIMIT } from './limits';

/** What is not clothing and matters on the way. */
export type NeedKind = 'light' | 'reflective' | 'traction' | 'drink' | 'gaiters';

export interface Need {
  kind: NeedKind;
  /** what to take, and why, in a line */
  says: string;
  why: string;
}

/** Sun below this is too dark to see a root or be seen, degrees (civil twilight ends at −6). */
export const DIM_DEG = -3;
/** Air below which an ordinary bottle freezes over an hour or more, °C and min. */
const FREEZES = { airC: -4, minutes: 45 } as const;
/** Ground is icy from such air down where it is wet or trodden, °C. */
const ICY_C = 1;
const SNOWY: ReadonlySet<string> = new Set(['hike', 'ski tour', 'snowshoe']);
const AFOOT: ReadonlySet<string> = new Set(['run', 'walk', 'hike']);

/** What to take beside the clothes that are along, with the reason (common practice, no published source; the limits are engineering values). */
export function needsOf(day: DoorDay, timeline: Timeline, along: readonly Garment[]): Need[] {
  const out: Need[] = [];
  const darkest = Math.min(...timeline.stretches.map((s) => s.sunDeg ?? Infinity));
  const dark = darkest < DIM_DEG;
  if (dark)
    out.push({
      kind: 'light',
      says: darkest < LIMIT.darkDeg ? 'Lamp, battery against the body' : 'Small lamp',
      why: darkest < LIMIT.darkDeg ? 'it is night on the way' : 'it is dusk on the way',
    });
  if (dark && day.shelter === 'street')
    out.push({ kind: 'reflective', says: 'Something reflective', why: 'traffic, and no daylight' });
  const wet = timeline.stretches.some((s) => s.precipitationMmH > LIMIT.iceFallMmH);
  if (day.airC <= ICY_C && AFOOT.has(day.sport))
    out.push({
      kind: 'traction',
      says: 'Studs or spikes',
      why: wet ? 'what falls freezes or packs underfoot' : 'what thawed by day is ice',
    });
  if (day.airC <= FREEZES.airC && timeline.endS >= FREEZES.minutes * 60)
    out.push({ kind: 'drink', says: 'Warm drink, bottle under a layer', why: 'an open bottle freezes' });
  const snow = timeline.stretches.some((s) => s.precipitationMmH > 0 && s.precipitation.includes('snow'));
  if (snow && SNOWY.has(day.sport) && !along.some(closesAnkle))
    out.push({ kind: 'gaiters', says: 'Gaiters', why: 'fresh snow gets in at the ankle' });
  return out;
}
