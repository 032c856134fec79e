import { UTCDate } from '@date-fns/utc';
import { casual } from 'chrono-node/en';
import { addDays } from 'date-fns';
import type { MomentReader } from './spokenLine';

/** The first date or time of day in a text, on the wall clock; null where there is none. */
export const momentIn: MomentReader = (text, nowMs) => {
  const reference = { instant: new Date(nowMs), timezone: 0 };
  for (const found of casual.parse(text, reference, { forwardDate: true })) {
    const at = found.start;
    const certain = (['hour', 'day', 'weekday'] as const).some((k) => at.isCertain(k));
    if (!certain) continue;
    const now = new UTCDate(nowMs);
    const moment = new UTCDate(
      at.get('year')!,
      at.get('month')! - 1,
      at.get('day')!,
      at.isCertain('hour') || at.get('hour') !== 12 ? at.get('hour')! : now.getHours(),
      at.isCertain('hour') ? (at.get('minute') ?? 0) : now.getMinutes(),
    );
    // A time of day that has just gone by is tomorrow's.
    const past = !at.isCertain('day') && !at.isCertain('weekday') && moment.getTime() < nowMs - 30 * 60_000;
    const ms = past ? addDays(moment, 1).getTime() : moment.getTime();
    return { ms, from: found.index, to: found.index + found.text.length };
  }
  return null;
};
