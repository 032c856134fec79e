import { OutOfRange } from '@/core/quantity/range';
import { LAPSE_K_PER_M, weatherAt, type ForecastHour } from './forecast';
import type { Outing } from './outing';

/** What a weather station says of the hours to come, and how high it stands, m. */
export interface StationHours {
  name: string;
  eleM: number;
  hours: readonly ForecastHour[];
}

/** What of a station's weather an outing's forecast is made from. */
export const stationHours = ({
  station: { name, eleM },
  hours,
}: {
  station: { name: string; eleM: number };
  hours: readonly ForecastHour[];
}): StationHours => ({ name, eleM, hours });

const HOUR_MS = 3600_000;
/** Hours that are kept before the start and after the end: room to leave earlier or later. */
const ROOM_H = 12;

/**
 * Wind at a height, m/s: between two stations on the straight line between them, below the lowest and above the highest as there. Up
 * there it blows harder, and by how much is measured better than any profile would say it (engineering choice).
 * @param at stations with their wind at one hour
 */
export function windAtHeight(at: readonly { eleM: number; wind: number }[], eleM: number): number {
  const sorted = [...at].sort((a, b) => a.eleM - b.eleM);
  const above = sorted.findIndex((s) => s.eleM >= eleM);
  if (above === 0) return sorted[0].wind;
  if (above < 0) return sorted[sorted.length - 1].wind;
  const [low, high] = [sorted[above - 1], sorted[above]];
  return low.wind + ((high.wind - low.wind) * (eleM - low.eleM)) / (high.eleM - low.eleM);
}

/**
 * A station's forecast brought to another height: air by the lapse rate, what falls by what that makes of it, wind between the stations.
 * @param own the station one looks to @param others stations about it, whose wind counts where they say the same hour
 */
export function forecastAtHeight(own: StationHours, others: readonly StationHours[], eleM: number): ForecastHour[] {
  return own.hours.map((h) => {
    const there = others.flatMap((o) => {
      const same = o.hours.find((x) => x.timeMs === h.timeMs);
      return same ? [{ eleM: o.eleM, wind: same.wind }] : [];
    });
    const brought = weatherAt([h], h.timeMs, eleM - own.eleM);
    const wind = Math.min(60, windAtHeight([{ eleM: own.eleM, wind: h.wind }, ...there], eleM));
    const gusts = h.wind > 0 ? h.gust / h.wind : 1;
    return { ...brought, wind, gust: Math.min(90, Math.max(wind, wind * gusts)) };
  });
}

/** Height that a forecast is wanted for, m: the mean of the route; null: legs by hand, at nobody knows what height. */
export const heightOf = ({ profile }: Pick<Outing, 'profile'>): number | null =>
  profile ? profile.eleM.reduce((a, b) => a + b, 0) / profile.eleM.length : null;

/**
 * The outing in the weather that stations forecast. @param seconds how long it takes
 * @throws OutOfRange where the forecast does not reach
 */
export function withStations(
  outing: Outing,
  own: StationHours,
  others: readonly StationHours[],
  seconds: number,
): Outing {
  const eleM = heightOf(outing) ?? own.eleM;
  const fromMs = outing.startMs - ROOM_H * HOUR_MS;
  const toMs = outing.startMs + seconds * 1000 + ROOM_H * HOUR_MS;
  const hours = own.hours.filter((h) => h.timeMs >= fromMs && h.timeMs <= toMs);
  const first = own.hours[0].timeMs - HOUR_MS;
  const last = own.hours[own.hours.length - 1].timeMs;
  const early = (first - outing.startMs) / HOUR_MS;
  const late = (outing.startMs + seconds * 1000 - last) / HOUR_MS;
  if (hours.length < 2 || early > 0 || late > 0) {
    const off = early > 0 ? `${early.toFixed(0)} h before its first hour` : `${late.toFixed(0)} h past its last`;
    throw new OutOfRange('start', off, `within the forecast of ${own.name}, ${own.hours.length} hours`);
  }
  return {
    ...outing,
    forecast: forecastAtHeight({ ...own, hours }, others, eleM),
    forecastEleM: eleM,
    // Legs by hand begin where the station stands: nothing else is known of their height.
    startEleM: outing.profile ? outing.startEleM : own.eleM,
  };
}

/** How a forecast was brought to a height, in words. */
export function forecastStated(
  own: StationHours,
  others: readonly StationHours[],
  eleM: number,
): { air: string; wind: string } {
  const sorted = [own, ...others].sort((a, b) => a.eleM - b.eleM);
  const above = sorted.findIndex((s) => s.eleM >= eleM);
  const between = above > 0 ? `between ${sorted[above - 1].name} and ${sorted[above].name}` : null;
  const one = above === 0 ? sorted[0] : sorted[sorted.length - 1];
  return {
    air: Math.abs(eleM - own.eleM) < 1 ? 'as there' : `by ${1000 * LAPSE_K_PER_M} K a kilometre`,
    wind: between ?? `as at ${one.name}`,
  };
}
