import { AVERAGE_PERSON } from '@/core/body/person';
import { vapourPressure } from '@/core/atmosphere/humidity';
import { fromCatalogue } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import { Simulator } from '@/core/simulate/simulator';
import { HEAD } from '@/core/simulate/state';

/** Hours until the core of somebody sitting in this air is at 30 °C; Infinity beyond two days. */
function survives(airC: number, windMs: number, ids: string[] = []): number {
  const garments: Garment[] = ids.map((id) => fromCatalogue(id)!);
  const sim = new Simulator(AVERAGE_PERSON, garments);
  const openings = Object.fromEntries(
    garments.map((g) => [g.id, Object.fromEntries(g.openings.map((o) => [o.id, 0]))]),
  );
  sim.start({ worn: ids, carried: [], openings, cues: [] });
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
    if (sim.state.head[HEAD.central] < 30) return minute / 60;
  }
  return Infinity;
}

/**
 * Tikuisis, "Predicting survival time for cold exposure", Int J Biometeorol 39:94, 1995 (from memory of the abstract): sitting nude
 * in calm air a healthy man reaches 30 °C of core after these hours. Nothing in the model was fitted to them. Within 30 %.
 */
test.each([
  [-30, 1.8],
  [-20, 2.5],
  [-10, 4.1],
  [0, 9.0],
])('nude in calm air of %d °C survival is about %d h', (airC, hours) => {
  expect(survives(airC, 0.15) / hours).toBeWithin(0.7, 1.3);
});

test('nude in calm air of 10 °C it is most of a day or more', () => {
  expect(survives(10, 0.15)).toBeGreaterThan(18);
});

/** The same, in two to three layers of loose clothing: 15.6 h at −30 °C and 20 h at −20 °C; ours brackets them by what is worn. */
test.each([
  [-30, 15.6],
  [-20, 20],
])('dressed, at %d °C, survival lies on both sides of %d h with little and with much on', (airC, hours) => {
  const layers = [
    'midweight-merino-base',
    'pile-fleece',
    'wind-shell',
    'brushed-tights',
    'soft-trousers',
    'wool-socks',
    'winter-boots',
    'warm-hat',
    'fleece-mitts',
  ];
  const light = survives(airC, 1.4, layers);
  const full = survives(airC, 1.4, [...layers, 'belay-parka', 'puffy-overtrousers']);
  expect(light).toBeLessThan(hours);
  expect(full).toBeGreaterThan(hours);
  expect(light).toBeGreaterThan(hours / 3);
});

/** Nobody shivers hard for half a day: in a gale at −40 °C without shelter it ends within hours (from memory of the field). */
test('in a gale at −40 °C shivering does not last the night', () => {
  expect(
    survives(-40, 13, ['midweight-merino-base', 'pile-fleece', 'wind-shell', 'soft-trousers', 'winter-boots']),
  ).toBeLessThan(4);
});
