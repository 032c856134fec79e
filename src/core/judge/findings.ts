import type { Timeline } from '@/core/outing/timeline';
import type { Metrics } from './metrics';
import { ALARM, LIMIT, WEAK } from './thresholds';

export type FindingKind =
  | 'frozen face'
  | 'face'
  | 'head'
  | 'fingers'
  | 'toes'
  | 'core cold'
  | 'torso cold'
  | 'after-chill'
  | 'soaked base'
  | 'damp base'
  | 'too hot'
  | 'overheated'
  | 'shivering'
  | 'wet layers'
  | 'heat debt'
  | 'ice'
  | 'fog'
  | 'iced mouth';

/** One thing that goes wrong: where, when, how much, and what the number is held against. */
export interface Finding {
  kind: FindingKind;
  /** 1 note, 2 weak point, 3 alarm */
  severity: 1 | 2 | 3;
  atS: number;
  value: number;
  unit: '°C' | 'K' | 'share' | 'Wh/m²' | 'g' | 'min';
  limit: number;
  /** the part of the body or kit, for a heading */
  what: string;
  /** what it means, without the number */
  means: string;
}

/** Eyewear that fogs for longer than this is worth a word, min. */
const FOG_MINUTES = 5;

/** Reads metrics into findings, worst first. Health limits come before comfort. */
export function findings(m: Metrics, timeline: Timeline): Finding[] {
  const out: Finding[] = [];
  const add = (f: Finding) => out.push(f);
  const low = (
    kind: FindingKind,
    what: string,
    e: { value: number; atS: number },
    steps: [number, 1 | 2 | 3, string][],
  ) => {
    for (const [limit, severity, means] of steps)
      if (e.value < limit) {
        add({ kind, severity, atS: e.atS, value: e.value, unit: '°C', limit, what, means });
        return;
      }
  };
  low('face', 'Your face', m.face, [
    [ALARM.faceC, 3, 'bare skin can freeze'],
    [WEAK.faceC, 2, 'cheeks go numb; check each other for white spots'],
    [LIMIT.facePain, 1, 'stings'],
  ]);
  low('head', 'Your head', m.scalp, [[LIMIT.earPain, 1, 'ears ache']]);
  low('fingers', 'Your fingers', m.fingers, [
    [ALARM.fingersC, 3, 'numb: you could not work a zip or a phone'],
    [WEAK.fingersC, 2, 'clumsy'],
  ]);
  low('toes', 'Your toes', m.toes, [
    [ALARM.toesC, 3, 'numb'],
    [WEAK.toesC, 2, 'painfully cold'],
  ]);
  low('core cold', 'Your core', m.coreLow, [[ALARM.coreLowC, 3, 'hypothermia begins near here']]);
  if (m.torsoMargin.value < WEAK.torsoMarginK)
    add({
      kind: 'torso cold',
      severity: m.torsoMargin.value < ALARM.torsoMarginK ? 3 : 2,
      atS: m.torsoMargin.atS,
      value: m.torsoMargin.torsoC,
      unit: '°C',
      limit: m.torsoMargin.torsoC - m.torsoMargin.value,
      what: 'Your torso',
      means: 'chilled through for what you are doing',
    });
  if (m.heatDebt.value > WEAK.heatDebtWhM2)
    add({
      kind: 'heat debt',
      severity: m.heatDebt.value > ALARM.heatDebtWhM2 ? 3 : 2,
      atS: m.heatDebt.atS,
      value: m.heatDebt.value,
      unit: 'Wh/m²',
      limit: LIMIT.heatDebt,
      what: 'Your body heat',
      means: 'more heat lost than you can make up',
    });
  if (m.afterChill.value > 2.5)
    add({
      kind: 'after-chill',
      severity: m.afterChill.value > WEAK.afterChillK ? 2 : 1,
      atS: m.afterChill.atS,
      value: m.afterChill.value,
      unit: 'K',
      limit: 2.5,
      what: 'The stop',
      means: 'chills you',
    });
  if (m.basePeak.value > LIMIT.baseDamp) {
    const soaked = m.basePeak.value > LIMIT.baseSoaked;
    add({
      kind: soaked ? 'soaked base' : 'damp base',
      severity: soaked ? 2 : 1,
      atS: m.basePeak.atS,
      value: m.basePeak.value,
      unit: 'share',
      limit: soaked ? LIMIT.baseSoaked : LIMIT.baseDamp,
      what: 'Your base layer',
      means: soaked ? 'soaked' : 'damp',
    });
  }
  if (m.shiverMinutes > WEAK.shiverMinutes)
    add({
      kind: 'shivering',
      severity: m.shiverMinutes > ALARM.shiverMinutes ? 3 : 2,
      atS: m.feltCold.atS,
      value: m.shiverMinutes,
      unit: 'min',
      limit: 10,
      what: 'Shivering',
      means: 'dressed too thinly for standing or going this easily',
    });
  if (m.hotMinutes > WEAK.hotMinutes)
    add({
      kind: 'overheated',
      severity: 2,
      atS: m.feltHot.atS,
      value: m.hotMinutes,
      unit: 'min',
      limit: 10,
      what: 'Heat',
      means: 'too hot for that long: open up, take a layer off or slow down',
    });
  if (m.waterPeak.value > WEAK.waterG)
    add({
      kind: 'wet layers',
      severity: 2,
      atS: m.waterPeak.atS,
      value: m.waterPeak.value,
      unit: 'g',
      limit: LIMIT.wetLayersG,
      what: 'Water in your layers',
      means: 'enough to chill you at the next stop and to stay wet all day',
    });
  if (m.coreHigh.value > LIMIT.coreHot)
    add({
      kind: 'too hot',
      severity: m.coreHigh.value > ALARM.coreHighC ? 3 : 1,
      atS: m.coreHigh.atS,
      value: m.coreHigh.value,
      unit: '°C',
      limit: LIMIT.coreHot,
      what: 'Your core',
      means: 'working hot',
    });
  if (m.fogMinutes > FOG_MINUTES)
    add({
      kind: 'fog',
      severity: 2,
      atS: m.fogAtS,
      value: m.fogMinutes,
      unit: 'min',
      limit: FOG_MINUTES,
      what: 'Your eyewear',
      means: 'fogs or freezes over: take the cover off your mouth, or wear a vented one',
    });
  if (m.mouthIce.value > LIMIT.mouthIced)
    add({
      kind: 'iced mouth',
      severity: 1,
      atS: m.mouthIce.atS,
      value: m.mouthIce.value,
      unit: 'share',
      limit: LIMIT.mouthIced,
      what: 'What covers your mouth',
      means: 'full of ice from your breath; turn it, or carry a second',
    });
  const icy = timeline.stretches.find(
    (s) =>
      s.precipitationMmH > 0.05 &&
      s.airC < 0.5 &&
      (s.precipitation === 'rain' || s.precipitation === 'freezing drizzle' || s.precipitation === 'sleet'),
  );
  if (icy)
    add({
      kind: 'ice',
      severity: 2,
      atS: icy.startS,
      value: icy.airC,
      unit: '°C',
      limit: 0.5,
      what: 'The ground',
      means: 'rain on frozen ground makes ice: no fast session on it',
    });
  return out.sort((a, b) => b.severity - a.severity || gap(b) - gap(a));
}

/** How much past a limit counts as one step worse, by unit. */
const STEP: Record<Finding['unit'], number> = { '°C': 5, K: 2, share: 0.3, 'Wh/m²': 15, g: 200, min: 40 };

/** How far past its limit, in comparable terms. */
function gap(f: Finding): number {
  return Math.abs(f.value - f.limit) / STEP[f.unit];
}
