import type { DoorTold } from '@/core/search/answer';

/**
 * What is told of a question once another part of it has come. What was told of other clothes does not stand beside new ones: chances and
 * being stuck out are of one plan, and come again for the next.
 */
export function withPart(told: Partial<DoorTold>, part: Partial<DoorTold>): Partial<DoorTold> {
  const { answer } = part;
  const others = answer && told.answer && JSON.stringify(answer.plan) !== JSON.stringify(told.answer.plan);
  return others ? { around: told.around, ...part } : { ...told, ...part };
}
