import { type Ladder } from '@/core/search/ladderTerms';
import type { MessagePort } from 'node:worker_threads';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { plainGarment } from '@/core/clothing/garment';
import { buildLadder, type LadderProgress, type LadderRequest } from '@/core/search/ladder';

/** What a thread is given: the question, and where it tells how far it is. */
export interface LadderTask {
  request: Omit<LadderRequest, 'more'>;
  port: MessagePort;
}

/** The server's own: a whole ladder in a thread beside it, told on the way. */
export default function ladderTask({ request, port }: LadderTask): Ladder {
  const closet = request.closet.map(plainGarment);
  let last: LadderProgress | null = null;
  for (const p of buildLadder({ ...request, closet, more: CATALOGUE })) {
    last = p;
    port.postMessage(p);
  }
  port.close();
  return last!.ladder;
}
