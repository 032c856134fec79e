'use client';
import { type DoorAnswer } from '@/core/search/answer';
import type { Units } from '@/formats/measures';
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
  units,
}: {
  door: Door;
  answer: DoorAnswer;
  cue: number | null;
  onCue: (i: number) => void;
  units: Units;
}) {
  return (
    <>
      <StartIn scored={answer.scored} plan={answer.plan} garments={door.garments} airC={door.day.airC} units={units} />
      <Pocket door={door} units={units} />
      <Needs door={door} />
      <Way answer={answer} cueAt={cue} onCue={onCue} units={units} />
      <Beside3 door={door} units={units} />
      <Cautions door={door} />
    </>
  );
}
