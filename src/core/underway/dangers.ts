import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import type { Person } from '@/core/body/person';
import { ALARM } from '@/core/judge/limits';
import { coldTorso } from '@/core/judge/sensation';
import type { Scored } from '@/core/judge/scorePlan';

export type DangerKind = 'turn back' | 'face' | 'fingers' | 'toes' | 'cold' | 'hot';

/** Something that is not safe, now or soon. */
export interface Danger {
  kind: DangerKind;
  /** s since the start */
  atS: number;
  /** °C, of the torso skin for `cold` and of the core for `hot`; s to go for `turn back` */
  value: number;
}

/** Danger is full screen from so long ahead, s: time to stop, put something on, and warm up again (engineering value). */
export const DANGER_AHEAD_S = 900;

const FINGERS = zoneIndex('fingers');
const TOES = zoneIndex('toes');

type Bodily = Exclude<DangerKind, 'turn back'>;
type Run = Pick<Scored, 'series' | 'metrics'> & { person: Pick<Person, 'warmth'> };
type Read = (run: Run, row: number) => { value: number; bad: boolean };
const under = (value: number, limit: number) => ({ value, bad: value < limit });

/** The alarms of the judgement, read at each moment. */
const READS: Record<Bodily, Read> = {
  face: ({ series }, r) => under(series.bareFaceC[r], ALARM.faceC),
  fingers: ({ series }, r) => under(series.skinC[r * ZONE_COUNT + FINGERS], ALARM.fingersC),
  toes: ({ series }, r) => under(series.skinC[r * ZONE_COUNT + TOES], ALARM.toesC),
  cold: ({ series, metrics, person }, r) => {
    const margin = metrics.torsoSkin[r] + person.warmth - coldTorso(metrics.heatWm2[r]);
    const bad = series.coreC[r] < ALARM.coreLowC || margin < ALARM.torsoMarginK;
    return { value: metrics.torsoSkin[r], bad };
  },
  hot: ({ series, metrics }, r) => ({ value: series.coreC[r], bad: metrics.hotCoreC[r] > ALARM.coreHighC }),
};

/** What of the body becomes unsafe between now and a little later, the soonest first. */
export function dangersAhead(
  scored: Pick<Scored, 'series' | 'metrics'>,
  person: Pick<Person, 'warmth'>,
  nowS: number,
  aheadS = DANGER_AHEAD_S,
): Danger[] {
  const { series } = scored;
  const from = Math.max(0, Math.floor(nowS / series.stepS));
  const to = Math.min(series.rows - 1, Math.ceil((nowS + aheadS) / series.stepS));
  const out: Danger[] = [];
  for (const kind of Object.keys(READS) as Bodily[])
    for (let r = from; r <= to; r++) {
      const { value, bad } = READS[kind]({ ...scored, person }, r);
      if (!bad) continue;
      out.push({ kind, atS: Math.max(nowS, series.timeS[r]), value });
      break;
    }
  return out.sort((a, b) => a.atS - b.atS);
}
