import { airDensity } from '@/core/atmosphere/air';
import { peakShivering } from '@/core/body/shivering';
import { AVERAGE_PERSON } from '@/core/body/person';
import {
  acsmRunning,
  acsmWalking,
  runningCost,
  runningMetabolicRate,
  walkingCost,
  WATTS_PER_LITRE_MIN,
} from '@/core/effort/gait';
import { legEffort } from '@/core/effort/legEffort';
import { onFootRate } from '@/core/effort/load';
import { skiMetabolicRate } from '@/core/effort/skiing';
import { sustainableShare } from '@/core/effort/sustainable';
import type { CheckRow } from './row';

const MASS_KG = 70;
const onFoot = (speedMs: number, slope: number): number =>
  onFootRate({ massKg: MASS_KG, loadKg: 0, speedMs, slope, terrain: 1 });
const percent = (slope: number): string => `${Math.round(slope * 100)} %`.replace('-', '−');

/** Walking down, W/kg: Minetti's measured costs (J/kg/m, net) at 1.3 m/s with rest added. */
const downhillRow = (slope: number, netCost: number): CheckRow => ({
  quantity: `walking 1.3 m/s at ${percent(slope)}`,
  source: 'Minetti 2002, measured (m)',
  theirs: netCost * 1.3 + 1.5,
  ours: onFoot(1.3, slope) / MASS_KG,
  unit: 'W/kg',
  tolerance: 0.2,
});

/** The equation of Looney et al. 2019, 1.44 + 1.94 S^0.43 + 0.24 S⁴ + 0.34 S G (1 − 1.05^(1 − 1.1^(G + 32))), worked by hand, W/kg. */
const lcdaRow = (speedMs: number, slope: number, theirs: number): CheckRow => ({
  quantity: `walking ${speedMs} m/s at ${percent(slope)}`,
  source: 'LCDA 2019 (m), by hand',
  theirs,
  ours: onFoot(speedMs, slope) / MASS_KG,
  unit: 'W/kg',
  tolerance: 0.05,
});

const heldRow = (minutes: number, share: number, source: string): CheckRow => ({
  quantity: `share of the maximum that runners who race hold for ${minutes} min`,
  source,
  theirs: share,
  ours: sustainableShare(minutes, 60),
  unit: '1',
  tolerance: 0.02,
  absolute: true,
});

function skiRow(style: 'classic' | 'skate'): CheckRow {
  const how = { massKg: 75, speedMs: 3, slope: 0, style, airDensity: airDensity(-5) } as const;
  return {
    quantity: `${style} skiing 3 m/s on the level, above rest`,
    source: 'Saibene 1989 (m)',
    theirs: 2.75,
    ours: (skiMetabolicRate(how, 73) - 1.5 * 73) / (75 * 3),
    unit: 'J/kg/m',
    tolerance: 0.55,
    absolute: true,
  };
}

const RIDER = { massKg: MASS_KG, bodyAreaM2: 1.85, vo2maxMl: 50, restBpm: 50, maxBpm: 185 };
const litres = (mlKgMin: number): number => (mlKgMin * MASS_KG * WATTS_PER_LITRE_MIN) / 1000;

export function effortRows(): CheckRow[] {
  return [
    {
      quantity: 'running, slope −20 %',
      source: 'Minetti 2002, measured',
      theirs: 1.73,
      ours: runningCost(-0.2),
      unit: 'J/kg/m',
      tolerance: 0.36,
      absolute: true,
    },
    {
      quantity: 'walking, slope 20 %',
      source: 'Minetti 2002, measured',
      theirs: 8.07,
      ours: walkingCost(0.2),
      unit: 'J/kg/m',
      tolerance: 0.57,
      absolute: true,
    },
    {
      quantity: 'running 3 m/s at 2 %',
      source: 'ACSM equation',
      theirs: litres(acsmRunning(3, 0.02)),
      ours: runningMetabolicRate(MASS_KG, 3, 0.02),
      unit: 'W',
      tolerance: 0.15,
    },
    lcdaRow(0.5, 0, 2.895),
    lcdaRow(1.3, -0.1, 2.997),
    lcdaRow(1.3, -0.2, 3.421),
    lcdaRow(1.3, -0.3, 4.162),
    downhillRow(-0.1, 0.81),
    downhillRow(-0.2, 1.3),
    downhillRow(-0.3, 2.05),
    {
      quantity: 'walking 1.2 m/s at 5 %',
      source: 'ACSM equation',
      theirs: litres(acsmWalking(1.2, 0.05)),
      ours: onFoot(1.2, 0.05),
      unit: 'W',
      tolerance: 0.2,
    },
    {
      quantity: 'cycling at 150 W',
      source: 'ACSM equation, by hand',
      theirs: 747,
      ours: legEffort(RIDER, { sport: 'cycle', powerW: 150 }).metabolicW,
      unit: 'W',
      tolerance: 0.1,
    },
    skiRow('classic'),
    skiRow('skate'),
    heldRow(60, 0.888, 'Daniels & Gilbert 1979 (m)'),
    heldRow(151, 0.82, 'Davies & Thompson 1979 (m)'),
    heldRow(408, 0.67, 'Davies & Thompson 1979 (m)'),
    {
      quantity: 'most that an average person shivers, with rest',
      source: 'Eyolfson 2001 (m), by hand',
      theirs: 17.5 / 3.5,
      ours: 1 + peakShivering(AVERAGE_PERSON) / ((3.5 * AVERAGE_PERSON.massKg * 348) / 1000),
      unit: 'met',
      tolerance: 0.3,
      absolute: true,
    },
  ];
}
