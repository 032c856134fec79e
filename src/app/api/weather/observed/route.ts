import { MOST_OBSERVED_H } from '@/formats/stationJson';
import { readLocalTime } from '@/formats/dates';
import { refuse } from '@/formats/problem';
import { observedAt } from '@/store/weather';
import { door } from '@/app/api/door';

const HOUR_MS = 3600_000;

/** What the athlete's station measured: `?from=2026-01-10T09:00&to=2026-01-10T13:00`, local wall clock; null: it says nothing of them. */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const asked = new URL(request.url).searchParams;
    const [fromMs, toMs] = ['from', 'to'].map((k) => readLocalTime(asked.get(k) ?? '', k));
    if (toMs < fromMs || toMs - fromMs > MOST_OBSERVED_H * HOUR_MS)
      refuse('Weather', 'to', asked.get('to') ?? '', `after from, by at most ${MOST_OBSERVED_H} hours`);
    return { observed: await observedAt(athlete.station, fromMs, toMs) };
  });
}
