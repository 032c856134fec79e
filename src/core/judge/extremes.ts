import { shareAbove } from '@/core/quantity/shareAbove';
import { chillingWater } from './chillingWater';
import { coldTorso } from './sensation';
import type { Metrics } from './metrics';
import { ALARM, LIMIT, SETTLE_S, SHIVERS_W, WEAK } from './limits';
import { clamp } from '@/core/quantity/range';
import type { Moment } from './moment';

/**
 * The worst values of a run so far, in one small array that is copied with a snapshot. What a run's findings call an alarm
 * is an alarm here too.
 */
export const EXTREME = {
  faceC: 0,
  fingersC: 1,
  toesC: 2,
  coreLowC: 3,
  hotCoreC: 4,
  torsoMarginK: 5,
  shiverMinutes: 6,
  heatDebtWhM2: 7,
  /** heat lost since the start on arrival at the present stop, Wh/m², and the most lost at any stop */
  arrivedDebt: 8,
  stopLossWhM2: 9,
  waterG: 10,
  hotMinutes: 11,
  /** shivering, W, and sensation a moment ago */
  shiverW: 12,
  sensation: 13,
  /** shivering now, min: see `bout` */
  shiverBout: 14,
  /** core on arrival at the present stop, °C, and the most heat lost at it so far, Wh/m² */
  arrivedCoreC: 15,
  hereLossWhM2: 16,
  feltC: 17,
  feltBareC: 18,
} as const;
export function newExtremes(): Float64Array {
  const w = new Float64Array(19);
  w[EXTREME.faceC] = w[EXTREME.fingersC] = w[EXTREME.toesC] = w[EXTREME.coreLowC] = w[EXTREME.torsoMarginK] = Infinity;
  w[EXTREME.feltC] = w[EXTREME.feltBareC] = Infinity;
  w[EXTREME.hotCoreC] = -Infinity;
  return w;
}

/** Each minute without shivering takes away so much of a bout (engineering value). */
const RECOVERS = 0.5;

/**
 * Minutes of shivering at a stretch, after `minutes` more of which a share shivers: short pauses do not end a bout, long ones do, and
 * spells hours apart are not added up.
 * @param begins with what those minutes begin: a pause before a bout takes nothing from it
 */
export const bout = (before: number, minutes: number, share: number, begins: 'shivering' | 'at rest'): number => {
  const shivers = minutes * share;
  const pause = RECOVERS * (minutes - shivers);
  return begins === 'shivering' ? Math.max(0, before + shivers - pause) : Math.max(0, before - pause) + shivers;
};

/** Whether so much is shivering, W. */
export const shiversAt = (watts: number): 'shivering' | 'at rest' => (watts > SHIVERS_W ? 'shivering' : 'at rest');

/** Takes note of a moment that lasts `hours`; `debtWhM2` is the heat the body has lost since the start. */
export function noteMoment(w: Float64Array, m: Moment, warmth: number, debtWhM2: number, hours: number): void {
  w[EXTREME.faceC] = Math.min(w[EXTREME.faceC], m.faceC);
  w[EXTREME.fingersC] = Math.min(w[EXTREME.fingersC], m.fingersC);
  w[EXTREME.toesC] = Math.min(w[EXTREME.toesC], m.toesC);
  w[EXTREME.coreLowC] = Math.min(w[EXTREME.coreLowC], m.coreC);
  w[EXTREME.hotCoreC] = Math.max(w[EXTREME.hotCoreC], m.hotCoreC);
  w[EXTREME.torsoMarginK] = Math.min(w[EXTREME.torsoMarginK], m.torsoC + warmth - coldTorso(m.heatWm2));
  w[EXTREME.heatDebtWhM2] = Math.max(w[EXTREME.heatDebtWhM2], debtWhM2);
  w[EXTREME.feltC] = Math.min(w[EXTREME.feltC], m.feelsC);
  w[EXTREME.feltBareC] = Math.min(w[EXTREME.feltBareC], m.feelsBareC);
  w[EXTREME.waterG] = Math.max(w[EXTREME.waterG], chillingWater(m));
  if (m.timeS >= SETTLE_S)
    w[EXTREME.hotMinutes] += hours * 60 * shareAbove(w[EXTREME.sensation], m.sensation, WEAK.feltHot);
  const shivers = shareAbove(w[EXTREME.shiverW], m.shiverW, SHIVERS_W);
  w[EXTREME.shiverBout] = bout(w[EXTREME.shiverBout], hours * 60, shivers, shiversAt(w[EXTREME.shiverW]));
  w[EXTREME.shiverMinutes] = Math.max(w[EXTREME.shiverMinutes], w[EXTREME.shiverBout]);
  w[EXTREME.sensation] = m.sensation;
  w[EXTREME.shiverW] = m.shiverW;
}

/** How many things are not safe. */
export function alarms(w: Float64Array): number {
  return (
    Number(w[EXTREME.faceC] < ALARM.faceC) +
    Number(w[EXTREME.fingersC] < ALARM.fingersC) +
    Number(w[EXTREME.toesC] < ALARM.toesC) +
    Number(w[EXTREME.coreLowC] < ALARM.coreLowC) +
    Number(w[EXTREME.hotCoreC] > ALARM.coreHighC) +
    Number(w[EXTREME.torsoMarginK] < ALARM.torsoMarginK) +
    Number(w[EXTREME.heatDebtWhM2] > ALARM.heatDebtWhM2) +
    Number(w[EXTREME.shiverMinutes] > ALARM.shiverMinutes) +
    Number(w[EXTREME.feltC] < LIMIT.chillSevere) +
    Number(w[EXTREME.feltBareC] < LIMIT.chillVeryHigh)
  );
}

/** From where on each worst value begins to weigh, and where it is a weak point by name. */
const WEIGHS: readonly [at: number, from: number, weak: number][] = [
  [EXTREME.faceC, LIMIT.facePain + 2, WEAK.faceC],
  [EXTREME.fingersC, LIMIT.fingerComfort, WEAK.fingersC],
  [EXTREME.toesC, LIMIT.fingerComfort, WEAK.toesC],
  [EXTREME.torsoMarginK, 3, WEAK.torsoMarginK],
  [EXTREME.heatDebtWhM2, 0, WEAK.heatDebtWhM2],
  [EXTREME.shiverMinutes, 0, WEAK.shiverMinutes],
  [EXTREME.stopLossWhM2, 0, WEAK.stopLossWhM2],
  [EXTREME.waterG, 0, WEAK.waterG],
  [EXTREME.hotMinutes, 0, WEAK.hotMinutes],
  [EXTREME.feltBareC, LIMIT.chillModerate, LIMIT.chillHigh],
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
export function extremesOf(m: Metrics): Float64Array {
  const w = newExtremes();
  w[EXTREME.faceC] = m.face.value;
  w[EXTREME.fingersC] = m.fingers.value;
  w[EXTREME.toesC] = m.toes.value;
  w[EXTREME.coreLowC] = m.coreLow.value;
  w[EXTREME.hotCoreC] = m.hotCore.value;
  w[EXTREME.torsoMarginK] = m.torsoMargin.value;
  w[EXTREME.shiverMinutes] = m.shiverMinutes;
  w[EXTREME.heatDebtWhM2] = m.heatDebt.value;
  w[EXTREME.stopLossWhM2] = m.stopLoss.value;
  w[EXTREME.waterG] = m.chillingWater.value;
  w[EXTREME.hotMinutes] = m.hotMinutes;
  w[EXTREME.feltC] = m.felt.value;
  w[EXTREME.feltBareC] = m.feltBare.value;
  return w;
}
