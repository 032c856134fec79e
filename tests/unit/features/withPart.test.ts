import type { DoorTold } from '@/core/search/answer';
import { withPart } from '@/features/front/state/withPart';

const answer = (worn: string[]) =>
  ({ plan: { worn, carried: [], openings: {}, cues: [] } }) as unknown as DoorTold['answer'];
const stuckOut = { stuck: [], safety: [] } as unknown as DoorTold['stuckOut'];

test('what is told of one plan stays while more of it comes, and goes when other clothes come', () => {
  const told = withPart({ answer: answer(['tee']) }, { stuckOut });
  expect(told.stuckOut).toBe(stuckOut);
  expect(withPart(told, { answer: answer(['tee']) }).stuckOut).toBe(stuckOut);
  const next = withPart(told, { answer: answer(['tee', 'fleece']) });
  expect(next.stuckOut).toBeUndefined();
  expect(next.answer!.plan.worn).toEqual(['tee', 'fleece']);
});
