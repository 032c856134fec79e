import { outingAtDoor, type DoorDay } from '@/core/outing/doorDay';
import type { DoorAnswer, DoorTold } from '@/core/search/answer';
import { dayNow } from '@/features/front/state/dayNow';
import { mayLay, withAtOnce, withPart } from '@/features/front/state/withPart';

const NOW_MS = Date.UTC(2027, 0, 13, 7, 5);

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

test('an answer at once to an older question, come late, does not take the place of the exact one to the newest', () => {
  const [older, asked] = [-6, -12].map((airC) => ({ ...dayNow(null, NOW_MS), airC }));
  const of = (day: DoorDay, how: DoorAnswer['how']) => ({ how, outing: outingAtDoor(day, null) }) as DoorAnswer;
  const exact = { answer: of(asked, 'exact') };
  expect(withAtOnce(exact, of(older, 'at once'), asked)).toBe(exact);
  expect(withAtOnce(exact, of(asked, 'at once'), asked)).toBe(exact);
  // An exact answer to an older question makes room, and so does an answer at once.
  expect(withAtOnce(exact, of(older, 'at once'), older).answer!.how).toBe('at once');
  expect(withAtOnce({ answer: of(asked, 'at once') }, of(older, 'at once'), asked).answer!.outing).toEqual(
    outingAtDoor(older, null),
  );
});

test('laid out is an exact answer to the newest question, of a long day only what the whole planner ends with', () => {
  const short: DoorDay = { ...dayNow(null, NOW_MS), minutes: 60, stops: [] };
  const long: DoorDay = { ...short, minutes: 101 };
  const of = (day: DoorDay, how: DoorAnswer['how']) => ({ how, outing: outingAtDoor(day, null) }) as DoorAnswer;
  expect(mayLay(undefined, short, 'working')).toBe(false);
  expect(mayLay(of(short, 'at once'), short, 'whole')).toBe(false);
  expect(mayLay(of(short, 'exact'), short, 'working')).toBe(true);
  expect(mayLay(of(short, 'exact'), { ...short, airC: short.airC - 1 }, 'whole')).toBe(false);
  expect(mayLay(of(long, 'exact'), long, 'working')).toBe(false);
  expect(mayLay(of(long, 'searched'), long, 'working')).toBe(true);
  // Stopped, it is as good as it gets; a day of a hundred minutes is not looked at any further.
  expect(mayLay(of(long, 'exact'), long, 'whole')).toBe(true);
  const hundred = { ...short, minutes: 100 };
  expect(mayLay(of(hundred, 'exact'), hundred, 'working')).toBe(true);
});
