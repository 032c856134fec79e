'use client';
import { useMemo } from 'react';
import { winterCues } from '@/core/afterwards/causes';
import { factsOfPlan } from '@/core/afterwards/facts';
import { type DoorAnswer } from '@/core/search/answer';
import type { Units } from '@/formats/measures';
import { WinterCues } from '@/ui/WinterCues';
import { Beside3, Cautions, Needs, Pocket } from './panels/Answer';
import { StartIn } from './panels/StartIn';
import { Way } from './panels/Way';
import type { Door } from './state/useDoor';

/** Everything of the answer below its headline. */
export function AnswerBody({
  door,
  answer,
  cue,
  onCue,
  winterCues: ids,
  units,
}: {
  door: Door;
  answer: DoorAnswer;
  cue: number | null;
  onCue: (i: number) => void;
  /** causes in the book that were made a cue of */
  winterCues: readonly string[];
  units: Units;
}) {
  const { timeline, plan } = answer;
  const says = useMemo(
    () =>
      winterCues(ids, () => factsOfPlan({ timeline, plan, closet: [...door.garments.values()], person: door.person })),
    [ids, timeline, plan, door.garments, door.person],
  );
  return (
    <>
      <StartIn scored={answer.scored} plan={answer.plan} garments={door.garments} airC={door.day.airC} units={units} />
      <Pocket door={door} units={units} />
      <Needs door={door} />
      <WinterCues says={says} className="mt-1 text-[12.5px] leading-snug" />
      <Way answer={answer} cueAt={cue} onCue={onCue} units={units} />
      <Beside3 door={door} units={units} />
      <Cautions door={door} />
    </>
  );
}
