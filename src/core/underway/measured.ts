import { timelineOf } from '@/core/outing/outing';
import { meanOver } from '@/core/outing/meanOver';
import { checkForecast, type ForecastHour } from '@/core/outing/forecast';
import type { Stretch } from '@/core/outing/timeline';
import { plannedStartMs, type Opened } from './pack';

/** Air, °C, and wind ten metres up, m/s, in the mean over some stretches. */
export interface Means {
  airC: number;
  windMs: number;
}
export const meansOf = (list: readonly Stretch[]): Means => ({
  airC: meanOver(list, (s) => s.airC),
  windMs: meanOver(list, (s) => s.wind10),
});

/** What a station measured: its height, m, and its hours, local wall clock. */
export interface Measured {
  eleM: number;
  hours: ForecastHour[];
}

/**
 * What a station measured, in the mean over an outing as it was gone: brought to the heights of its legs and into their shelter as a
 * forecast is, so that it can be held against what was forecast.
 * @param startMs ms since 1970 UTC; left out: as planned @returns null where the hours do not cover it @throws OutOfRange
 */
export function measuredOver(
  { pack, timeline }: Opened,
  measured: Measured,
  startMs = plannedStartMs(pack),
): Means | null {
  const { outing, person } = pack;
  const hours = checkForecast(measured.hours);
  const fromMs = startMs + outing.utcOffsetMin * 60_000;
  const last = hours[hours.length - 1];
  if (hours[0].timeMs > fromMs || last.timeMs < fromMs + timeline.endS * 1000) return null;
  return meansOf(
    timelineOf({ ...outing, startMs: fromMs, forecast: hours, forecastEleM: measured.eleM }, person).stretches,
  );
}
