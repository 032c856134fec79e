import { vapourPressure } from '@/core/atmosphere/humidity';
import { AVERAGE_PERSON } from '@/core/body/person';
import { fromCatalogue } from '@/core/clothing/catalogue';
import { Simulator } from '@/core/simulate/simulator';
import { HEAD } from '@/core/simulate/state';

/** Core at which a survival prediction ends, °C. */
const ENDS_C = 30;

/** Hours until the core of somebody sitting in this air is at 30 °C; Infinity beyond two days. @param ids what is worn, all of it shut */
export function survives(airC: number, windMs: number, ids: readonly string[] = []): number {
  const garments = ids.map((id) => fromCatalogue(id)!);
  const sim = new Simulator(AVERAGE_PERSON, garments);
  const openings = Object.fromEntries(
    garments.map((g) => [g.id, Object.fromEntries(g.openings.map((o) => [o.id, 0]))]),
  );
  sim.start({ worn: [...ids], carried: [], openings, cues: [] });
  sim.dress({
    startS: 0,
    endS: 48 * 3600,
    pressurePa: 101325,
    sunWm2: 0,
    skyWm2: 0,
    precipitation: 'none',
    precipitationMmH: 0,
    pumping: 0,
    packOn: false,
    packUnder: false,
    wetting: null,
    airC,
    vapourPa: vapourPressure(airC, 0.7),
    relativeWind: windMs,
    sport: 'sit',
    metabolicW: 105,
    externalW: 0,
  });
  for (let minute = 1; minute <= 48 * 60; minute++) {
    sim.step(60);
    if (sim.state.head[HEAD.central] < ENDS_C) return minute / 60;
  }
  return Infinity;
}
