'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { judge } from '@/core/judge/judgement';
import type { Plan } from '@/core/kit/plan';
import { outingAtDoor, type DoorDay, type DoorPlace } from '@/core/outing/doorDay';
import { timelineOf } from '@/core/outing/outing';
import { besideOf } from '@/core/questions/beside';
import { type DoorTold } from '@/core/search/answer';
import { type DoorHour } from '@/core/search/aroundDoor';
import type { AthleteSpread } from '@/core/questions/athleteSpread';
import type { Wishes } from '@/core/search/wishes';
import { doorVerdict } from '@/formats/doorWords';
import type { Units } from '@/formats/measures';
import { readLine, type DoorKey, type MomentReader, type Spoken, type Unsaid } from '@/formats/spokenLine';
import { rewriteLine } from '@/formats/spokenWrite';
import type { Heard } from '@/store/weather';
import { createEdited, useEdited } from '@/ui/edited';
import { DoorKeeper } from '@/workers/doorClient';
import { airOf, dayNow } from './dayNow';
import { useLadder } from '@/features/ladder/useLadder';
import { mayLay, withAtOnce, withPart } from './withPart';

/** What the page of the front door comes with. */
export interface DoorProps {
  person: Person;
  closet: Garment[];
  damp: Record<string, number>;
  wishes: Wishes;
  /** how unsure the athlete is known */
  unsure?: AthleteSpread;
  units: Units;
  /** local wall clock, ms */
  nowMs: number;
  heard: Heard | null;
  firstLine: string;
  /** 'none': nobody waits for a ladder of a closet that is only being ticked */
  ladder?: 'none';
}

/** How long a dial must rest before the exact answer is asked for, ms. */
const RESTS_MS = 180;
/** Hours of the strip: one behind and the rest ahead. */
const HOURS = 16;
const HOUR_MS = 3600_000;

/** The line, what it means, and the answer to it: at once while something moves, exactly when it rests. */
export function useDoor(p: DoorProps) {
  const [store] = useState(() => createEdited(p.firstLine));
  const edited = useEdited(store);
  const [moments, setMoments] = useState<MomentReader>();
  useEffect(() => void import('@/formats/moments').then((m) => setMoments(() => m.momentIn)), []);
  const unsaid: Unsaid = useMemo(
    () => ({ day: dayNow(p.heard, p.nowMs), nowMs: p.nowMs, units: p.units, moments }),
    [p.heard, p.nowMs, p.units, moments],
  );
  const spoken = useMemo(() => readLine(edited.shown, unsaid), [edited.shown, unsaid]);
  const { day } = spoken;
  const place: DoorPlace | null = useMemo(() => {
    const s = p.heard?.weather.station;
    return s ? { latitude: s.latitude, longitude: s.longitude, utcOffsetMin: s.utcOffsetMin, eleM: s.eleM } : null;
  }, [p.heard]);
  const ladder = useLadder({ sport: day.sport, shelter: 'open', units: p.units }, p.ladder ?? 'wanted');
  // Rungs are taken when a ladder is whole: half a ladder would give another answer than the whole.
  const held = ladder.data?.holds ? ladder.data.ladder : null;
  const rungs = useMemo(() => held?.rungs ?? [], [held]);
  const answered = useAnswer(p, place, { day, rungs }, edited.dragging ? 'moving' : 'at rest');
  const timeline = useMemo(() => {
    try {
      return timelineOf(outingAtDoor(day, place), p.person);
    } catch {
      return null;
    }
  }, [day, place, p.person]);

  const { told } = answered;
  const floorC = p.wishes.floorC ?? undefined;
  const judged =
    told.answer &&
    judge(
      told.answer.scored.findings,
      told.answer.scored.metrics,
      besideOf({ timeline: told.answer.timeline }, { floorC, ...told }),
    );
  const verdict = judged && told.answer && doorVerdict(judged, told.answer.felt, told.answer, p.units);

  const { state } = answered;
  const layable = useMemo(() => mayLay(told.answer, day, state), [told.answer, day, state]);

  const withThing = (key: DoorKey, change: Partial<DoorDay>): string =>
    rewriteLine(spokenOf(edited.value, unsaid), key, { ...day, ...change }, unsaid).text;
  return {
    ...edited,
    spoken,
    day,
    place,
    timeline,
    unsaid,
    ladder,
    rungs,
    judged,
    verdict,
    ...answered,
    /** whether the answer is the one to lay out */
    layable,
    /** another value of one thing: the line is written anew */
    set: (key: DoorKey, change: Partial<DoorDay>) => edited.commit(withThing(key, change)),
    /** the same while it is dragged */
    drag: (key: DoorKey, change: Partial<DoorDay>) => edited.preview(withThing(key, change)),
    /** ends a drag where it stands */
    drop: () => {
      const live = store.getState().live;
      if (live !== null) edited.commit(live);
    },
    garments: useMemo(() => new Map(p.closet.map((g) => [g.id, g])), [p.closet]),
    person: p.person,
  };
}

export type Door = ReturnType<typeof useDoor>;

const spokenOf = (text: string, unsaid: Unsaid): Spoken => readLine(text, unsaid);

/** What has been told of the newest question, and whether more is coming. */
function useAnswer(
  p: DoorProps,
  place: DoorPlace | null,
  asked: { day: DoorDay; rungs: DoorAnswerRungs },
  pace: 'moving' | 'at rest',
) {
  const [told, setTold] = useState<Partial<DoorTold>>({});
  const [hours, setHours] = useState<DoorHour[]>([]);
  const [state, setState] = useState<'working' | 'whole'>('working');
  const [problem, setProblem] = useState<string | null>(null);
  const keeper = useRef<DoorKeeper | null>(null);
  const { person, unsure, closet, damp, wishes, heard, nowMs } = p;
  useEffect(() => {
    const made = new DoorKeeper({ person, unsure, closet, damp, wishes, place, nowMs }, (e) => setProblem(e.message));
    keeper.current = made;
    return () => made.close();
  }, [person, unsure, closet, damp, wishes, place, nowMs]);

  const newest = useRef<DoorDay | null>(null);
  // The same day in other words is no new question.
  const mark = JSON.stringify(asked.day);
  const { rungs } = asked;
  useEffect(() => {
    const day = JSON.parse(mark) as DoorDay;
    setState('working');
    setProblem(null);
    newest.current = day;
    keeper.current?.atOnce({ day, rungs }, (answer) => setTold((t) => withAtOnce(t, answer, newest.current ?? day)));
    if (pace === 'moving') return undefined;
    const timer = setTimeout(() => {
      keeper.current?.exactly(
        { day, rungs },
        (part) => setTold((t) => withPart(t, part)),
        () => setState('whole'),
      );
    }, RESTS_MS);
    return () => clearTimeout(timer);
    // Another athlete or closet is another question of the same day.
  }, [mark, rungs, pace, place, person, closet, damp, wishes, nowMs]);

  const plan: Plan | null = told.answer && told.answer.how !== 'at once' ? told.answer.plan : null;
  useEffect(() => {
    if (!plan || !heard) return undefined;
    let over = false;
    const day = JSON.parse(mark) as DoorDay;
    const first = Math.floor((nowMs - HOUR_MS) / HOUR_MS) * HOUR_MS;
    const days = heard.weather.hours
      .filter((h) => h.timeMs >= first && h.timeMs < first + HOURS * HOUR_MS)
      .map((h) => ({ ...day, ...airOf(h), startMs: h.timeMs }));
    void keeper.current?.hours(day, plan, days).then(
      (list) => !over && setHours(list),
      () => {},
    );
    return () => {
      over = true;
    };
  }, [plan, heard, mark, nowMs]);

  return {
    told,
    hours,
    state,
    problem,
    stop: () => {
      keeper.current?.stop();
      setState('whole');
    },
  };
}

type DoorAnswerRungs = Parameters<DoorKeeper['atOnce']>[0]['rungs'];
