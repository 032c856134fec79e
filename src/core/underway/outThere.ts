import type { Heard } from '@/core/calibrate/votes';
import { metabolicFromHeartRate } from '@/core/effort/fromAthlete';
import { leaveGarment } from '@/core/kit/edit';
import type { Cue, Plan } from '@/core/kit/plan';
import { tidy } from '@/core/kit/replay';
import { isOff } from '@/core/outing/track';
import { marked, metresAt, wayAt, wayOfMetres, wristAt, type WayMark } from '@/core/outing/wayClock';
import type { Opened } from './pack';
import { AS_SAID, inForce, type Felt, type Part, type Reason, type Sign, type Sky, type Tap } from './taps';

/** How a cue stands. `missed`: so long over that it is no longer what is right. */
export type CueStands = 'done' | 'ahead' | 'near' | 'due' | 'overdue' | 'missed';

export interface CueNow {
  /** its name as long as its plan holds */
  key: string;
  cue: Cue;
  /** number on the screen, from 1 */
  number: number;
  /** when it is due on the wrist, s, and how far that is along the route, m */
  dueS: number;
  metres: number;
  stands: CueStands;
  /** when it was done, s */
  doneS: number | null;
  /** put off: why, and when it is asked for again, s */
  later: { reason: Reason; untilS: number } | null;
}

/** All that is known of somebody who is out there, from the pack and the taps alone: whoever reads the same taps knows the same. */
export interface OutThere {
  stage: 'door' | 'way' | 'home';
  sky: Sky;
  ticked: ReadonlySet<string>;
  /** ids of garments that are not to be had after all */
  notWith: ReadonlySet<string>;
  /** the plan that holds, its cues on the clock of the way */
  plan: Plan;
  /** ms since 1970 UTC; null: not begun */
  startMs: number | null;
  /** on the wrist, s; of somebody who is home the time they took */
  nowS: number;
  wayS: number;
  lateS: number;
  marks: WayMark[];
  /** standing since, s; null: going */
  stoppedS: number | null;
  cues: CueNow[];
  /** what was done, on the wrist, in plans that no longer hold too */
  done: Cue[];
  next: CueNow | null;
  heard: Heard[];
  place: { atS: number; metres: number; offM: number; off: boolean } | null;
  gps: 'none' | 'good' | 'lost';
  pulse: { atS: number; bpm: number } | null;
  strap: 'none' | 'good' | 'lost';
  stuckS: number | null;
  signs: ReadonlySet<Sign>;
  /** where on the way somebody turned back, s; null: they did not */
  turnedBackWayS: number | null;
  /** dangers that were read and answered, and when, s */
  answered: ReadonlyMap<string, number>;
  felt: Partial<Record<Part, Felt>>;
  weighed: Record<string, number>;
  hung: ReadonlySet<string>;
  kept: boolean;
}

/** A cue is near within this, due from this before, overdue after, and missed after, s (engineering values). */
export const CUE_S = { near: 300, due: 60, overdue: 60, missed: 900 } as const;
/** How long a cue is put off for each reason, s: as long as what helps against it takes. */
export const LATER_S: Record<Reason, number> = {
  'not yet': 120,
  'no shelter': 300,
  'hands too cold': 180,
  'group moves': 240,
};
/** A phone that has said nothing of its place, or a strap of the heart, for this long is lost, s. */
const SILENT_S = { gps: 180, strap: 60 } as const;
/** A pulse counts as one observation in so many seconds: its error does not average away. The body lags work, so its first minutes say little. */
const PULSE_EVERY_S = 600;
const PULSE_FROM_S = 240;

interface Memory {
  startMs: number | null;
  homeMs: number | null;
  plan: Plan;
  generation: number;
  doneBy: Map<string, number>;
  laterBy: Map<string, { reason: Reason; atS: number }>;
}

/** What taps say whatever the clock: made once after each tap. */
export type Told = ReturnType<typeof foldTaps>;

/** Reads taps in their order. Those of a phone whose clock is ahead count too. */
export function foldTaps({ pack, timeline }: Opened, taps: readonly Tap[]) {
  const list = inForce(taps);
  const m: Memory = {
    startMs: null,
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
    place: null as OutThere['place'],
    pulse: null as OutThere['pulse'],
    stuckS: null as number | null,
    signs: new Set<Sign>(),
    turnedBackWayS: null as number | null,
    answered: new Map<string, number>(),
    felt: {} as OutThere['felt'],
    weighed: {} as Record<string, number>,
    hung: new Set<string>(),
    kept: false,
  };
  let pulses: { atS: number; bpm: number }[] = [];
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
        // On the way back the metres run down again.
        if (!out.place.off && out.stoppedS === null && out.turnedBackWayS === null)
          mark({ atS, wayS: wayOfMetres(timeline, told.metres, clockS) });
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
        out.signs.clear();
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
        m.homeMs ??= atMs;
        break;
      case 'felt':
        out.felt[told.part] = told.felt;
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
  return { memory: m, out };
}

/** All that is known now. @param nowMs wall clock, ms since 1970 UTC */
export const outThere = (opened: Opened, taps: readonly Tap[], nowMs: number): OutThere =>
  standingAt(opened, foldTaps(opened, taps), nowMs);

/** The same of taps that are read already. */
export function standingAt({ timeline }: Opened, { memory: m, out: told }: Told, nowMs: number): OutThere {
  const out = { ...told };
  const stage = m.homeMs !== null ? 'home' : m.startMs !== null ? 'way' : 'door';
  const nowS = m.startMs === null ? 0 : Math.max(0, ((m.homeMs ?? nowMs) - m.startMs) / 1000);
  if (out.stoppedS !== null) out.marks = marked(out.marks, { atS: nowS, wayS: wayAt(out.marks, out.stoppedS) });
  const wayS = wayAt(out.marks, nowS);
  // What is not to be had is not in the plan, whatever became of it later.
  const plan = tidy([...out.notWith].reduce(leaveGarment, m.plan));
  const cues = cuesNow({ ...m, plan }, out.marks, nowS, (s) => metresAt(timeline, s));
  const silent = (at: number | undefined, s: number) => (at === undefined ? 'none' : nowS - at > s ? 'lost' : 'good');
  return {
    ...out,
    stage,
    plan,
    startMs: m.startMs,
    nowS,
    wayS,
    lateS: nowS - wayS,
    cues,
    next: stage === 'home' ? null : (cues.find((c) => c.stands !== 'done' && c.stands !== 'missed') ?? null),
    gps: silent(out.place?.atS, SILENT_S.gps),
    strap: silent(out.pulse?.atS, SILENT_S.strap),
  };
}

/** A cue by the plan it belongs to and its second: pieces that are not to be had change neither. */
const keyOf = (generation: number, cue: Cue): string => `${generation}:${Math.round(cue.atS)}`;

const cueByKey = (m: Memory, key: string): Cue | null =>
  m.plan.cues.find((cue) => keyOf(m.generation, cue) === key) ?? null;

function cuesNow(m: Memory, marks: readonly WayMark[], nowS: number, metres: (wayS: number) => number): CueNow[] {
  return m.plan.cues.map((cue, i): CueNow => {
    const key = keyOf(m.generation, cue);
    const dueS = wristAt(marks, cue.atS);
    const put = m.laterBy.get(key);
    const later = put ? { reason: put.reason, untilS: put.atS + LATER_S[put.reason] } : null;
    const doneS = m.doneBy.get(key) ?? null;
    const over = nowS - Math.max(dueS, later?.untilS ?? -Infinity);
    const stands: CueStands =
      doneS !== null
        ? 'done'
        : nowS - dueS > CUE_S.missed
          ? 'missed'
          : over > CUE_S.overdue
            ? 'overdue'
            : over > -CUE_S.due
              ? 'due'
              : over > -CUE_S.near
                ? 'near'
                : 'ahead';
    return { key, cue, number: i + 1, dueS, metres: metres(cue.atS), stands, doneS, later };
  });
}

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

/** What becomes of cues that are overdue or missed, for a run: done a minute from now, or never. */
export type Overdue = 'now' | 'never';

/** The plan as it was and will be worn, on the wrist's clock: what was done when it was done, what is ahead when it is due. */
export function wornPlan(out: OutThere, overdue: Overdue): Plan {
  const soon = out.nowS + 60;
  const ahead = out.cues.flatMap((c): Cue[] => {
    if (c.stands === 'done') return [];
    const late = c.dueS <= out.nowS;
    if (late && (overdue === 'never' || c.stands === 'missed')) return [];
    const atS = late ? soon : Math.max(c.dueS, c.later?.untilS ?? 0);
    return [shifted(c.cue, atS)];
  });
  const had = (c: Cue): Cue => ({ ...c, actions: c.actions.filter((a) => !out.notWith.has(a.garment)) });
  const cues = [...out.done.map(had), ...ahead].sort((a, b) => a.atS - b.atS);
  return { ...out.plan, cues };
}

/** A cue at another time; what it says of pace and shelter lasts as long. */
function shifted(cue: Cue, atS: number): Cue {
  const by = atS - cue.atS;
  return {
    ...cue,
    atS,
    ...(cue.pace ? { pace: { ...cue.pace, untilS: cue.pace.untilS + by } } : {}),
    ...(cue.shelter ? { shelter: { untilS: cue.shelter.untilS + by } } : {}),
  };
}
