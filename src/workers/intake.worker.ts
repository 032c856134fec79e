import { packArchive, unpackArchive, type Whole } from '@/formats/archive';
import { takeIn, type Brought, type TextFile } from '@/formats/intake';
import { readRecorded, type RecordedOn } from '@/formats/recordedFile';
import { Refused, type Problem } from '@/formats/problem';

/** What a thread of the pool answers: a refusal is an answer, since its class does not survive the way. */
export type Answered<T> = { taken: T } | { problems: Problem[] };

function answered<T>(work: () => T): Answered<T> {
  try {
    return { taken: work() };
  } catch (e) {
    if (e instanceof Refused) return { problems: e.problems };
    throw e;
  }
}

/** What the server has done in a thread of its own: whatever comes in, it goes on answering. */
export const work = {
  /** a new outing from files */
  intake: (brought: Brought) => answered(() => takeIn(brought)),
  /** how an outing was gone, from a watch */
  recorded: (on: RecordedOn) => answered(() => readRecorded(on)),
  pack: (whole: Whole) => answered(() => packArchive(whole)),
  unpack: ({ name, bytes }: TextFile) => answered(() => unpackArchive(bytes, name)),
};

export type Work = typeof work;
