import { createHash } from 'node:crypto';
import { atomically, sql } from './db';

/** What was answered to a request, as it went out. */
export interface Answer {
  status: number;
  body: unknown;
}

/** How long an answer is kept: longer than any queue of edits waits to be sent. */
const KEPT = '60 days';

/** A key stands for one request; it came with another. */
export class KeyTaken extends Error {}

/**
 * Does something once for a key, and answers the same when it is asked again: for a sender who did not hear the first answer.
 * What is done and its answer are stored in one transaction; what throws leaves neither. Of two at the same time the second
 * waits for the first.
 * @param request method, path and body of it @throws KeyTaken when the key came with another request before
 */
export async function once(
  athleteId: string,
  key: string,
  request: string,
  work: () => Promise<Answer>,
): Promise<Answer> {
  const digest = createHash('sha256').update(request).digest('hex');
  return atomically(async () => {
    await sql()`delete from answered where answered_at < now() - ${KEPT}::interval`;
    const mine = await sql()`
      insert into answered (athlete_id, key, request, status, body) values (${athleteId}, ${key}, ${digest}, 0, 'null')
      on conflict do nothing returning key`;
    if (mine.length === 0) {
      const [known] = await sql()<(Answer & { request: string })[]>`
        select request, status, body from answered where athlete_id = ${athleteId} and key = ${key}`;
      if (known.request !== digest) throw new KeyTaken(key);
      return { status: known.status, body: known.body };
    }
    const answer = await work();
    await sql()`
      update answered set status = ${answer.status}, body = ${sql().json(answer.body as never)}
      where athlete_id = ${athleteId} and key = ${key}`;
    return answer;
  });
}
