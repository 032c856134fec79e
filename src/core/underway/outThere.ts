import type { BodyWeights } from '@/core/calibrate/bodyLoss';
import type { Heard } from '@/core/calibrate/votes';
import type { Felt, Part } from '@/core/calibrate/words';
import { leaveGarment } from '@/core/kit/edit';
import type { Cue, Plan } from '@/core/kit/plan';
import { tidy } from '@/core/kit/replay';
import { marked, metresAt, wayAt, wristAt, type WayMark } from '@/core/outing/wayClock';
import { foldTaps, keyOf, shifted, type Folded, type Memory } from './foldTaps';
import type { Opened } from './pack';
import type { Reason, RecordedMoment, Saw, Sign, Sky, StuckSo, Tap } from './taps';

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
  stuckSo: StuckSo;
  signs: ReadonlySet<Sign>;
  /** where on the way somebody turned back, s; null: they did not */
  turnedBackWayS: number | null;
  /** dangers that were read and answered, and when, s */
  answered: ReadonlyMap<string, number>;
  felt: Partial<Record<Part, Felt>>;
  /** the same in whiles of it, s on the wrist */
  feltIn: { part: Part; word: Felt; fromS: number; toS: number }[];
  saw: Saw[];
  body: BodyWeights | null;
  note: string;
  was: { airC: number | null; windMs: number | null } | null;
  recorded: RecordedMoment[] | null;
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
/** All that is known now. @param nowMs wall clock, ms since 1970 UTC */
export const outThere = (opened: Opened, taps: readonly Tap[], nowMs: number): OutThere =>
  standingAt(opened, foldTaps(opened, taps), nowMs);

/** The same of taps that are read already. */
export function standingAt({ timeline }: Opened, { memory: m, out: told }: Folded, nowMs: number): OutThere {
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
