import type { Moment } from './cost';
import { shareAbove } from './crossing';
import { coldTorso } from './sensation';
import type { Metrics } from './metrics';
import { ALARM, LIMIT, SHIVERS_W, WEAK } from './thresholds';
import { clamp } from '@/core/quantity/range';

/**
 * The worst values of a run so far, in one small array that is copied with a snapshot. What a run's findings call an alarm
 * is an alarm here too.
 */
export const WATCH = {
  faceC: 0,
  fingersC: 1,
  toesC: 2,
  coreLowC: 3,
  coreHighC: 4,
  torsoMarginK: 5,
  shiverMinutes: 6,
  heatDebtWhM2: 7,
  /** torso skin on arrival at the present stop, °C, and the deepest fall at any stop, K */
  arrivedC: 8,
  afterChillK: 9,
  waterG: 10,
  hotMinutes: 11,
  /** shivering, W, and sensation a moment ago */
  shiverW: 12,
  sensation: 13,
} as const;
/** The first ten minutes do not count as hot, s. */
const SETTLE_S = 600;

export function newWatch(): Float64Array {
  const w = new Float64Array(14);
  w[WATCH.faceC] = w[WATCH.fingersC] = w[WATCH.toesC] = w[WATCH.coreLowC] = w[WATCH.torsoMarginK] = Infinity;
  w[WATCH.coreHighC] = -Infinity;
  return w;
}

/** Takes note of a moment that lasts `hours`; `debtWhM2` is the heat the body has lost since the start. */
export function watchMoment(w: Float64Array, m: Moment, warmth: number, debtWhM2: number, hours: number): void {
  w[WATCH.faceC] = Math.min(w[WATCH.faceC], m.faceC);
  w[WATCH.fingersC] = Math.min(w[WATCH.fingersC], m.fingersC);
  w[WATCH.toesC] = Math.min(w[WATCH.toesC], m.toesC);
  w[WATCH.coreLowC] = Math.min(w[WATCH.coreLowC], m.coreC);
  w[WATCH.coreHighC] = Math.max(w[WATCH.coreHighC], m.coreC);
  w[WATCH.torsoMarginK] = Math.min(w[WATCH.torsoMarginK], m.torsoC + warmth - coldTorso(m.heatWm2));
  w[WATCH.heatDebtWhM2] = Math.max(w[WATCH.heatDebtWhM2], debtWhM2);
  w[WATCH.waterG] = Math.max(w[WATCH.waterG], m.waterG);
  if (m.timeS >= SETTLE_S)
    w[WATCH.hotMinutes] += hours * 60 * shareAbove(w[WATCH.sensation], m.sensation, WEAK.feltHot);
  w[WATCH.shiverMinutes] += hours * 60 * shareAbove(w[WATCH.shiverW], m.shiverW, SHIVERS_W);
  w[WATCH.sensation] = m.sensation;
  w[WATCH.shiverW] = m.shiverW;
}

/** How many things are not safe. */
export function alarms(w: Float64Array): number {
  return (
    Number(w[WATCH.faceC] < ALARM.faceC) +
    Number(w[WATCH.fingersC] < ALARM.fingersC) +
    Number(w[WATCH.toesC] < ALARM.toesC) +
    Number(w[WATCH.coreLowC] < ALARM.coreLowC) +
    Number(w[WATCH.coreHighC] > ALARM.coreHighC) +
    Number(w[WATCH.torsoMarginK] < ALARM.torsoMarginK) +
    Number(w[WATCH.heatDebtWhM2] > ALARM.heatDebtWhM2) +
    Number(w[WATCH.shiverMinutes] > ALARM.shiverMinutes)
  );
}

/** From where on each worst value begins to weigh, and where it is a weak point by name. */
const WEIGHS: readonly [at: number, from: number, weak: number][] = [
  [WATCH.faceC, LIMIT.facePain + 2, WEAK.faceC],
  [WATCH.fingersC, LIMIT.fingerComfort, WEAK.fingersC],
  [WATCH.toesC, LIMIT.fingerComfort, WEAK.toesC],
  [WATCH.torsoMarginK, 3, WEAK.torsoMarginK],
  [WATCH.heatDebtWhM2, 0, WEAK.heatDebtWhM2],
  [WATCH.shiverMinutes, 0, WEAK.shiverMinutes],
  [WATCH.afterChillK, 0, WEAK.afterChillK],
  [WATCH.waterG, 0, WEAK.waterG],
  [WATCH.hotMinutes, 0, WEAK.hotMinutes],
];
/** Beyond this much of the way to a weak point, and past it, what is worse is left to the alarms. */
const MOST = 1.5;

/** How near each worst value comes to being a weak point, or how far it is past: the sum of the fourth powers, 1 each at the limit. */
export function weakness(w: Float64Array): number {
  let sum = 0;
  for (const [at, from, weak] of WEIGHS) {
    const way = clamp((w[at] - from) / (weak - from), 0, MOST);
    sum += way * way * way * way;
  }
  return sum;
}

/** The same of a whole run. */
export function watchOf(m: Metrics): Float64Array {
  const w = newWatch();
  w[WATCH.faceC] = m.face.value;
  w[WATCH.fingersC] = m.fingers.value;
  w[WATCH.toesC] = m.toes.value;
  w[WATCH.coreLowC] = m.coreLow.value;
  w[WATCH.coreHighC] = m.coreHigh.value;
  w[WATCH.torsoMarginK] = m.torsoMargin.value;
  w[WATCH.shiverMinutes] = m.shiverMinutes;
  w[WATCH.heatDebtWhM2] = m.heatDebt.value;
  w[WATCH.afterChillK] = m.afterChill.value;
  w[WATCH.waterG] = m.waterPeak.value;
  w[WATCH.hotMinutes] = m.hotMinutes;
  return w;
}
