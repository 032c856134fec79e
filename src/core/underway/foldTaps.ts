import type { BodyWeights } from '@/core/calibrate/bodyLoss';
import type { Heard } from '@/core/calibrate/votes';
import type { Felt, Part } from '@/core/calibrate/words';
import { metabolicFromHeartRate } from '@/core/effort/fromAthlete';
import type { Cue, Plan } from '@/core/kit/plan';
import { isOff } from '@/core/outing/track';
import { marked, wayAt, wayOfMetres, type WayMark } from '@/core/outing/wayClock';
import type { Opened } from './pack';
import { backWay, wayOfMetresBack, type BackWay } from './wayHome';
import {
  ALONE,
  AS_SAID,
  inForce,
  type Reason,
  type RecordedMoment,
  type Saw,
  type Sign,
  type Tap,
  type While,
} from './taps';

/** A pulse counts as one observation in so many seconds: its error does not average away. The body lags work, so its first minutes say little. */
const PULSE_EVERY_S = 600;
const PULSE_FROM_S = 240;

/** What has become of plan and cues so far. */
export interface Memory {
  startMs: number | null;
  homeMs: number | null;
  plan: Plan;
  generation: number;
  doneBy: Map<string, number>;
  laterBy: Map<string, { reason: Reason; atS: number }>;
}

/** What taps say whatever the clock: made once after each tap. */
export type Folded = ReturnType<typeof foldTaps>;

/** Reads taps in their order. Those of a phone whose clock is ahead count too. */
export function foldTaps(opened: Opened, taps: readonly Tap[]) {
  const { pack, timeline } = opened;
  const list = inForce(taps);
  const watch = list.findLast((t) => t.told.kind === 'recorded')?.told;
  const m: Memory = {
    startMs: watch?.kind === 'recorded' ? watch.startMs : null,
    homeMs: null,
    plan: pack.plan,
    generation: 0,
    doneBy: new Map(),
    laterBy: new Map(),
  };
  const out = {
    sky: AS_SAID,
    ticked: new Set<string>(),
    notWith: new Set<string>(),
    marks: [] as WayMark[],
    stoppedS: null as number | null,
    done: [] as Cue[],
    heard: [] as Heard[],
    place: null as { atS: number; metres: number; offM: number; off: boolean } | null,
    pulse: null as { atS: number; bpm: number } | null,
    stuckS: null as number | null,
    stuckSo: ALONE,
    signs: new Set<Sign>(),
    turnedBackWayS: null as number | null,
    answered: new Map<string, number>(),
    felt: {} as Partial<Record<Part, Felt>>,
    feltIn: [] as { part: Part; word: Felt; fromS: number; toS: number }[],
    saw: [] as Saw[],
    body: null as BodyWeights | null,
    note: '',
    was: null as { airC: number | null; windMs: number | null } | null,
    recorded: null as RecordedMoment[] | null,
    weighed: {} as Record<string, number>,
    hung: new Set<string>(),
    kept: false,
  };
  let pulses: { atS: number; bpm: number }[] = [];
  let back: BackWay | null = null;
  const mark = (next: WayMark) => (out.marks = marked(out.marks, next));
  for (const { atMs, told } of list) {
    const atS = m.startMs === null ? 0 : Math.max(0, (atMs - m.startMs) / 1000);
    switch (told.kind) {
      case 'sky':
        out.sky = told.sky;
        break;
      case 'ticked':
        out.ticked[told.on ? 'add' : 'delete'](told.item);
        break;
      case 'with':
        out.notWith[told.along ? 'delete' : 'add'](told.garment);
        break;
      case 'dressed':
        m.plan = told.plan;
        m.generation++;
        break;
      case 'started':
        m.startMs ??= atMs;
        break;
      case 'done': {
        const cue = cueByKey(m, told.cue);
        if (!cue || m.doneBy.has(told.cue)) break;
        m.doneBy.set(told.cue, atS);
        out.done.push(shifted(cue, atS));
        break;
      }
      case 'did':
        if (m.startMs !== null) out.done.push({ atS, actions: told.actions });
        break;
      case 'later':
        m.laterBy.set(told.cue, { reason: told.reason, atS });
        break;
      case 'feels':
        if (m.startMs !== null) out.heard.push({ atS, feels: told.feels });
        break;
      case 'stopped':
        out.stoppedS ??= atS;
        mark({ atS, wayS: wayAt(out.marks, atS) });
        break;
      case 'going':
        if (out.stoppedS === null) break;
        mark({ atS, wayS: wayAt(out.marks, out.stoppedS) });
        out.stoppedS = null;
        break;
      case 'late':
        mark({ atS, wayS: wayAt(out.marks, atS) - told.minutes * 60 });
        break;
      case 'replanned':
        m.plan = { ...m.plan, cues: told.cues };
        m.generation++;
        m.laterBy.clear();
        break;
      case 'fix': {
        const clockS = wayAt(out.marks, atS);
        out.place = { atS, metres: told.metres, offM: told.offM, off: isOff(told, { accuracyM: 0 }) };
        // Off the route the clock goes on: nobody knows how far it still is.
        if (out.place.off || out.stoppedS !== null) break;
        if (out.turnedBackWayS === null) mark({ atS, wayS: wayOfMetres(timeline, told.metres, clockS) });
        else {
          back ??= backWay(opened, out.turnedBackWayS);
          mark({ atS, wayS: wayOfMetresBack(back, told.metres, clockS) });
        }
        break;
      }
      case 'pulse':
        out.pulse = { atS, bpm: told.bpm };
        pulses.push({ atS, bpm: told.bpm });
        if (atS - pulses[0].atS >= PULSE_EVERY_S) {
          out.heard.push(...pulseHeard(pulses, pack.person));
          pulses = [];
        }
        break;
      case 'stuck':
        out.stuckS ??= atS;
        break;
      case 'unstuck':
        out.stuckS = null;
        out.stuckSo = { ...ALONE, people: out.stuckSo.people };
        out.signs.clear();
        break;
      case 'stuck so':
        out.stuckSo = told.so;
        break;
      case 'sign':
        out.signs[told.seen ? 'add' : 'delete'](told.sign);
        break;
      case 'turned back':
        out.turnedBackWayS ??= wayAt(out.marks, atS);
        break;
      case 'goes on':
        out.answered.set(told.danger, atS);
        break;
      case 'home':
        if (!out.recorded) m.homeMs ??= atMs;
        break;
      case 'felt':
        if (!told.during) out.felt[told.part] = told.felt;
        else out.feltIn = [...out.feltIn.filter((f) => !isSame(f, told)), feltThen(told.part, told.felt, told.during)];
        break;
      case 'saw':
        out.saw = out.saw.filter((s) => s.what !== told.saw.what || s.where !== told.saw.where);
        if (told.seen) out.saw.push(told.saw);
        break;
      case 'body':
        out.body = told.weights;
        break;
      case 'note':
        out.note = told.text;
        break;
      case 'was':
        out.was = told;
        break;
      case 'recorded':
        out.recorded = told.moments;
        // The watch knows when it ended, whatever was tapped.
        m.homeMs = told.endMs;
        break;
      case 'weighed':
        out.weighed[told.garment] = told.grams;
        break;
      case 'hung':
        out.hung[told.hung ? 'add' : 'delete'](told.garment);
        break;
      case 'wet':
        // The closet's business: nothing on the way follows from it.
        break;
      case 'kept':
        out.kept = true;
        break;
    }
  }
  if (out.recorded) readRecorded(out, out.recorded, { pack, timeline });
  return { memory: m, out };
}

const feltThen = (part: Part, word: Felt, { fromS, toS }: While) => ({ part, word, fromS, toS });
const isSame = (a: { part: Part; fromS: number }, b: { part: Part; during?: While }): boolean =>
  a.part === b.part && a.fromS === b.during?.fromS;

/** A watch knows the way better than taps do: its clock, and where it had a strap, the work. */
function readRecorded(
  out: { marks: WayMark[]; heard: Heard[] },
  moments: readonly RecordedMoment[],
  { pack, timeline }: Pick<Opened, 'pack' | 'timeline'>,
): void {
  const placed = moments.filter((m) => m.metres !== null);
  if (placed.length > 1)
    out.marks = placed.reduce<WayMark[]>(
      (marks, m) => marked(marks, { atS: m.atS, wayS: wayOfMetres(timeline, m.metres!, wayAt(marks, m.atS)) }),
      [],
    );
  const heard: Heard[] = [];
  let pulses: { atS: number; bpm: number }[] = [];
  for (const { atS, bpm } of moments) {
    if (bpm === null) continue;
    pulses.push({ atS, bpm });
    if (atS - pulses[0].atS < PULSE_EVERY_S) continue;
    heard.push(...pulseHeard(pulses, pack.person));
    pulses = [];
  }
  if (heard.length > 0) out.heard = [...out.heard.filter((h) => 'feels' in h), ...heard].sort((a, b) => a.atS - b.atS);
}

/** A cue by the plan it belongs to and its second: pieces that are not to be had change neither. */
export const keyOf = (generation: number, cue: Cue): string => `${generation}:${Math.round(cue.atS)}`;

const cueByKey = (m: Memory, key: string): Cue | null =>
  m.plan.cues.find((cue) => keyOf(m.generation, cue) === key) ?? null;

/** What ten minutes of pulse say of the work, where it is of somebody working: W. */
function pulseHeard(list: readonly { atS: number; bpm: number }[], person: Opened['pack']['person']): Heard[] {
  const settled = list.filter((p) => p.atS >= PULSE_FROM_S);
  if (settled.length < 3) return [];
  const bpm = settled.reduce((sum, p) => sum + p.bpm, 0) / settled.length;
  if (bpm < person.restBpm + 15) return [];
  const { restBpm, maxBpm, vo2maxMl, massKg } = person;
  const metabolicW = metabolicFromHeartRate(bpm, restBpm, maxBpm, vo2maxMl, massKg) * person.metabolicBias;
  return [{ atS: settled[Math.floor(settled.length / 2)].atS, metabolicW }];
}

/** A cue at another time; what it says of pace and shelter lasts as long. */
export function shifted(cue: Cue, atS: number): Cue {
  const by = atS - cue.atS;
  return {
    ...cue,
    atS,
    ...(cue.pace ? { pace: { ...cue.pace, untilS: cue.pace.untilS + by } } : {}),
    ...(cue.shelter ? { shelter: { untilS: cue.shelter.untilS + by } } : {}),
  };
}
