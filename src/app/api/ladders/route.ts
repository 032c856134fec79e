import { type Ladder, IMPERIAL_BANDS, METRIC_BANDS } from '@/core/search/ladderTerms';
import type { LadderProgress } from '@/core/search/ladder';
import type { Athlete } from '@/store/athlete';
import { knownCloset } from '@/store/knownCloset';
import { keepLadder, keptLadder, ladderMark, type LadderKey } from '@/store/ladders';
import { log, traceOf } from '@/store/log';
import { ladderUnderWay, workOutLadder } from '@/workers/ladders';
import { door } from '@/app/api/door';
import { ladderKey } from './key';

/** What is said of a ladder: how far it is, and the newest there is; `holds` false: of an older closet, athlete or model. */
export interface LadderSaid {
  ladder: Ladder | null;
  holds: boolean;
  working: Pick<LadderProgress, 'done' | 'says'> | null;
}

/** The ladder of `?sport=&shelter=&units=` as it is now; nothing is begun by asking. */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => said(athlete, ladderKey(request), await ladderMark(athlete.id)));
}

/** Begins to work the ladder out where none that holds is there, and says how far it is. */
export async function POST(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const key = ladderKey(request);
    const mark = await ladderMark(athlete.id);
    const now = await said(athlete, key, mark);
    if (now.holds || now.working) return now;
    await begin(athlete, key, mark);
    return said(athlete, key, mark);
  });
}

const nameOf = (athlete: Athlete, { sport, shelter, units }: LadderKey): string =>
  [athlete.id, sport, shelter, units].join(' ');

async function said(athlete: Athlete, key: LadderKey, mark: string): Promise<LadderSaid> {
  const kept = await keptLadder(athlete.id, key);
  const holds = kept !== null && kept.mark === mark;
  if (holds) return { ladder: kept.ladder, holds, working: null };
  const working = ladderUnderWay(nameOf(athlete, key), mark);
  if (working === null) return { ladder: kept?.ladder ?? null, holds, working };
  if (working === 'begun') return { ladder: kept?.ladder ?? null, holds, working: { done: 0, says: 'Dressing' } };
  const { done, says, ladder } = working;
  return { ladder, holds, working: { done, says } };
}

async function begin(athlete: Athlete, key: LadderKey, mark: string): Promise<void> {
  const owned = await knownCloset(athlete);
  // The outfits of a sport are the same in every place: those of the open are taken where they are known.
  const open = await keptLadder(athlete.id, { ...key, shelter: 'open' });
  const rungs = open && open.mark === mark ? open.ladder.rungs : undefined;
  const { person, wishes } = athlete;
  workOutLadder(
    {
      key: nameOf(athlete, key),
      mark,
      request: {
        person,
        closet: owned.map((o) => o.garment),
        sport: key.sport,
        shelter: key.shelter,
        weights: wishes.weights,
        mouthBelowC: wishes.mouthBelowC,
        bands: key.units === 'imperial' ? IMPERIAL_BANDS : METRIC_BANDS,
        rungs,
      },
    },
    (ladder) => keepLadder(athlete.id, mark, key.units, ladder),
    (e) => log.error({ ...traceOf(e) }, 'a ladder could not be worked out'),
  );
}
