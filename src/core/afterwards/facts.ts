import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { maximalMetabolicRate, reserveOf } from '@/core/effort/fromAthlete';
import { isStop } from '@/core/effort/sports';
import { settingAt, wornAt } from '@/core/kit/replay';
import type { Plan } from '@/core/kit/plan';
import { isUnderRoof } from '@/core/outing/leg';
import { stretchAt } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import type { OutThere } from '@/core/underway/outThere';
import { meanOver } from '@/core/outing/meanOver';

/** What may have made a day go wrong, as numbers: patterns are looked for in these. */
export interface Facts {
  /** mean metabolic rate of the first half hour, as a share of the athlete's most */
  firstHalfHour: number;
  /** the same while going, all day long, as a share of oxygen-uptake reserve */
  going: number;
  /** a shell for wind or storm over the torso is worn and shut after ten minutes */
  shellShut: boolean;
  /** the longest stop outside, s, and the wind there, m/s at 10 m */
  longestStopS: number;
  stopWindMs: number;
  /** at that stop something thicker than a liner is on the hands */
  handsWarmAtStop: boolean;
  /** the warm jacket is on at that stop */
  jacketAtStop: boolean;
  /** the warm jacket is worn after ten minutes of going */
  jacketGoing: boolean;
  /** layers over the chest after ten minutes */
  layers: number;
  windMs: number;
  /** mm in all */
  fallsMm: number;
  /** share of it after sunset or before sunrise, by the sun; 0 where nobody knows the place */
  darkShare: number;
  /** cues of the plan, and those that were not done */
  cues: number;
  missedCues: number;
  lateS: number;
  seconds: number;
}

/** A day to come, as far as its plan says it. */
export const factsOfPlan = (day: Omit<Parameters<typeof factsOf>[0], 'out'>): Facts =>
  factsOf({ ...day, out: { cues: [], lateS: 0 } });

const DRESSED_S = 600;
const FIRST_S = 1800;
/** A shell this tight keeps wind out, mm/s at 100 Pa; one open by more than this is not shut. */
const TIGHT = 100;
const OPEN = 0.3;

/** Whether it is a layer over the chest: it covers more than a strap or a collar does. */
export const overChest = (g: Garment): boolean => (g.panels.chest?.coverage ?? 0) > 0.3;

/** Reads what may matter of a day that was gone. */
export function factsOf({
  timeline,
  plan,
  closet,
  out,
  person: { vo2maxMl, massKg },
}: {
  timeline: Timeline;
  plan: Plan;
  closet: readonly Garment[];
  out: Pick<OutThere, 'cues' | 'lateS'>;
  person: Person;
}): Facts {
  const { stretches, legs, legStartS, endS } = timeline;
  const first = stretches.filter((s) => s.startS < FIRST_S);
  const moving = stretches.filter((s) => s.speedMs > 0);
  const lasting = (list: typeof stretches, of: (s: (typeof stretches)[number]) => number) =>
    list.reduce((sum, s) => sum + of(s) * (s.endS - s.startS), 0);
  const spent = (list: typeof stretches) =>
    Math.max(
      1,
      lasting(list, () => 1),
    );
  const onAt = (atS: number) => {
    const on = wornAt(plan, atS);
    return closet.filter((g) => on.has(g.id));
  };
  const dressed = onAt(DRESSED_S);
  const stop = legs
    .map((l, i) => ({ l, fromS: legStartS[i], seconds: legStartS[i + 1] - legStartS[i] }))
    .filter(({ l }) => isStop(l) && !isUnderRoof(l))
    .sort((a, b) => b.seconds - a.seconds)[0];
  // Things are put on on arrival: a third of the way through the stop one stands as one stands there.
  const atStop = stop ? onAt(stop.fromS + stop.seconds / 3) : [];
  const isJacket = (g: Garment) => g.group === 'torso' && g.role === 'warm';
  return {
    firstHalfHour: lasting(first, (s) => s.metabolicW) / spent(first) / maximalMetabolicRate(vo2maxMl, massKg),
    going: reserveOf(lasting(moving, (s) => s.metabolicW) / spent(moving), vo2maxMl, massKg),
    shellShut: dressed.some(
      (g) =>
        g.group === 'torso' &&
        g.airPermeability < TIGHT &&
        g.openings.every((o) => o.kind !== 'vent' || settingAt(plan, g, o.id, DRESSED_S) <= OPEN),
    ),
    longestStopS: stop?.seconds ?? 0,
    stopWindMs: stop ? stretchAt(timeline, stop.fromS + stop.seconds / 2).wind10 : 0,
    handsWarmAtStop: atStop.some((g) => g.group === 'hands' && g.role !== 'liner' && g.role !== 'heater'),
    jacketAtStop: atStop.some(isJacket),
    jacketGoing: dressed.some(isJacket),
    layers: dressed.filter((g) => g.group === 'torso' && overChest(g)).length,
    windMs: meanOver(stretches, (s) => s.wind10),
    fallsMm: lasting(stretches, (s) => s.precipitationMmH) / 3600,
    darkShare: lasting(stretches, (s) => (s.sunDeg !== undefined && s.sunDeg < 0 ? 1 : 0)) / Math.max(1, endS),
    cues: plan.cues.length,
    missedCues: out.cues.filter((c) => c.stands !== 'done').length,
    lateS: out.lateS,
    seconds: endS,
  };
}
