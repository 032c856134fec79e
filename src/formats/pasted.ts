import { readAviation, type Around, type Aviation } from './aviation';
import { localTimeText } from './dates';
import { readForecastCsv } from './forecastCsv';
import { refuse } from './problem';

/** What was pasted in the place of what a station says: a report in the aviation codes, or hours of a forecast as CSV. */
export type Pasted = Omit<Aviation, 'kind'> & { kind: Aviation['kind'] | 'forecast' };

const WHERE = 'The forecast';
const HOUR_MS = 3600_000;

/** A forecast as CSV begins with a head that names its time. */
const isCsv = (text: string): boolean => /^\s*\uFEFF?\s*"?time"?\s*[,;\t]/i.test(text);

/** Reads what was pasted, whichever it is. @throws Refused with its reasons */
export function readPasted(text: string, around: Around): Pasted {
  if (!isCsv(text)) return readAviation(text, around);
  const hours = readForecastCsv(text, WHERE);
  const last = hours[hours.length - 1].timeMs;
  if (last < around.nowMs - HOUR_MS)
    refuse(WHERE, 'last hour', localTimeText(last).replace('T', ' '), 'hours from now on: this one is over');
  return { kind: 'forecast', station: 'yours', now: null, hours, notRead: [], taken: [] };
}
