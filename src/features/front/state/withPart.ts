import { isOfDay, type DoorDay } from '@/core/outing/doorDay';
import type { DoorAnswer, DoorTold } from '@/core/search/answer';
import { isLong } from '@/core/search/longDay';

/**
 * What is told of a question once another part of it has come. What was told of other clothes does not stand beside new ones: chances and
 * being stuck out are of one plan, and come again for the next.
 */
export function withPart(told: Partial<DoorTold>, part: Partial<DoorTold>): Partial<DoorTold> {
  const { answer } = part;
  const others = answer && told.answer && JSON.stringify(answer.plan) !== JSON.stringify(told.answer.plan);
  return others ? { around: told.around, ...part } : { ...told, ...part };
}

/**
 * What is told once an answer at once has come, to the newest question or to one before it. Another worker makes the exact one and may be first:
 * that stays, or the newest question would never have an exact answer.
 * @param asked the newest question
 */
export function withAtOnce(told: Partial<DoorTold>, answer: DoorAnswer, asked: DoorDay): Partial<DoorTold> {
  const now = told.answer;
  return now && now.how !== 'at once' && isOfDay(now.outing, asked) ? told : { answer, around: told.around };
}

/**
 * Whether an answer may be laid out as a score: exact, to the newest question, and not one that the whole planner still looks at, since what it
 * finds may be safe where this is not.
 * @param asked the newest question  @param state whether more of the answer is coming
 */
export const mayLay = (answer: DoorAnswer | undefined, asked: DoorDay, state: 'working' | 'whole'): boolean =>
  answer !== undefined &&
  answer.how !== 'at once' &&
  isOfDay(answer.outing, asked) &&
  (answer.how === 'searched' || state === 'whole' || !isLong(asked));
