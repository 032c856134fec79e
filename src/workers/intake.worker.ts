import { Refused, type Problem } from '@/formats/problem';
import { takeIn, type Brought, type Taken } from '@/formats/intake';

/** What a thread of the pool answers: a refusal is an answer, since its class does not survive the way. */
export type Answered = { taken: Taken } | { problems: Problem[] };

/** One new outing, read in a thread of its own: whatever it is, the server goes on answering. */
export default function intake(brought: Brought): Answered {
  try {
    return { taken: takeIn(brought) };
  } catch (e) {
    if (e instanceof Refused) return { problems: e.problems };
    throw e;
  }
}
