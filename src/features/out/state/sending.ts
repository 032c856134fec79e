import type { Problem } from '@/formats/problem';
import { believedClock, readPhoneClock, type PhoneClock } from '@/core/underway/phoneClock';
import { MOST_TAPS, type Tap } from '@/core/underway/taps';
import { NotDone, ask } from '@/ui/api';
import { kept, type KeptTap } from './kept';

const strip = ({ id, atMs, device, told }: KeptTap): Tap => ({ id, atMs, device, told });

interface Answer {
  kept: string[];
  refused: { id: string; problems: Problem[] }[];
}

/**
 * Sends what the server does not have yet, the oldest first, a few hundred at a time; a tap that is sent twice does no harm. What the
 * server refuses stays here with its reason, and is not sent again.
 * @returns taps whose place changed
 */
export async function sendTaps(send = post): Promise<{ changed: KeptTap[]; offline: boolean }> {
  const changed: KeptTap[] = [];
  const byOuting = new Map<string, KeptTap[]>();
  for (const t of await kept.unsent()) byOuting.set(t.session, [...(byOuting.get(t.session) ?? []), t]);
  for (const [outing, all] of byOuting)
    for (let from = 0; from < all.length; from += MOST_TAPS) {
      const part = all.slice(from, from + MOST_TAPS);
      const settle = async (of: (t: KeptTap) => Partial<KeptTap>) => {
        const now = part.map((t) => ({ ...t, ...of(t) }));
        await kept.putTaps(now);
        changed.push(...now);
      };
      try {
        const answer = await send(outing, part.map(strip));
        const why = new Map(answer.refused.map((r) => [r.id, r.problems]));
        await settle((t) => (why.has(t.id) ? { place: 'refused', problems: why.get(t.id) } : { place: 'sent' }));
      } catch (e) {
        if (!(e instanceof NotDone) || e.mayPass) return { changed, offline: true };
        // The outing is gone, or the whole is not to be read: the same words again would not help.
        const { problems } = e;
        await settle(() => ({ place: 'refused', problems }));
      }
    }
  return { changed, offline: false };
}

const post = (outing: string, taps: Tap[]): Promise<Answer> =>
  ask<Answer>('POST', `/api/outings/${outing}/taps`, { body: { taps } });

/** What is known of this phone's clock; null: it was never held against another. */
export const knownClock = async (): Promise<PhoneClock | null> => (await kept.own<PhoneClock>('clock')) ?? null;

/**
 * Taps of the same outing by another phone, since the last time, and how this phone's clock stands against the server's.
 * @returns those that are new here
 */
export async function fetchTaps(
  outing: string,
  here: ReadonlySet<string>,
): Promise<{ fresh: KeptTap[]; clock: PhoneClock }> {
  const session = await kept.session(outing);
  const askedMs = Date.now();
  const answer = await ask<{ taps: (Tap & { seq: number })[]; last: number; nowMs: number }>(
    'GET',
    `/api/outings/${outing}/taps?since=${session.lastSeq ?? 0}`,
    {},
  );
  const clock = believedClock(await knownClock(), readPhoneClock({ askedMs, heardMs: Date.now() }, answer.nowMs));
  await kept.putOwn('clock', clock);
  const fresh = answer.taps
    .filter((t) => !here.has(t.id))
    .map(({ seq: _seq, ...t }): KeptTap => ({ ...t, session: outing, place: 'sent' }));
  if (fresh.length > 0) await kept.putTaps(fresh);
  if (answer.last !== (session.lastSeq ?? 0)) await kept.putSession({ ...session, lastSeq: answer.last });
  return { fresh, clock };
}
