import { run, type Run } from '../runCase';
import { sweatCell } from '../sweatGrid';
import type { CheckRow } from './row';

function phsRow(airC: number, metWm2: number, airMs: number): CheckRow {
  const { ours, theirs } = sweatCell(airC, metWm2, airMs);
  return {
    quantity: `water from the skin in two hours, ${airC} °C, ${metWm2} W/m², ${airMs} m/s`,
    source: 'ISO 7933 (reference library)',
    theirs: theirs.waterG,
    ours: ours.waterG,
    unit: 'g',
    tolerance: 0.2,
  };
}

const GRID: readonly (readonly [airC: number, metWm2: number])[] = [15, 25, 35].flatMap((airC) =>
  [150, 250, 350].map((met) => [airC, met] as const),
);

/** Sweat in the second hour of somebody in shirt and shorts, g/h. */
const secondHour = (r: Run): number => r.mean(r.scored.series.sweatGh, 60, 120);
const LIGHT = ['synthetic-tee', 'running-shorts', 'running-shoes', 'thin-socks'];

/** The position stand's table of people of 70 kg who run; its equation is known to run high where little must evaporate (Gonzalez 2009). */
function runnerRow(kmh: number, airC: number, theirs: number, tolerance: number): CheckRow {
  const r = run({
    airC,
    humidity: 0.4,
    wind: kmh / 3.6,
    athlete: { massKg: 70, vo2maxMl: 55 },
    legs: [{ minutes: 120, sport: 'run', speedMs: kmh / 3.6, worn: LIGHT }],
  });
  return {
    quantity: `sweat of a runner of 70 kg, ${kmh} km/h in ${airC} °C`,
    source: 'ACSM position stand 2007 (m)',
    theirs,
    ours: secondHour(r),
    unit: 'g/h',
    tolerance,
  };
}

export function waterRows(): CheckRow[] {
  return [
    ...GRID.map(([airC, met]) => phsRow(airC, met, 0.3)),
    ...GRID.map(([airC, met]) => phsRow(airC, met, 0.6)),
    ...GRID.map(([airC, met]) => phsRow(airC, met, 1)),
    runnerRow(10, 28, 890, 0.3),
    runnerRow(10, 18, 790, 0.35),
    runnerRow(15, 18, 1250, 0.35),
  ];
}
