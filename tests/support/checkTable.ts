import { RULES } from '@/core/judge/findings';
import { ALARM, LIMIT, WEAK } from '@/core/judge/limits';
import { PRICE } from '@/core/judge/prices';
import psychrolib from 'psychrolib';
import { airConductivity, pressureAt, waterConductivity } from '@/core/atmosphere/air';
import { saturationPressure, wetBulb } from '@/core/atmosphere/humidity';
import { windChillC, windChillF } from '@/core/atmosphere/windChill';
import { AVERAGE_PERSON, bodyArea } from '@/core/body/person';
import { bodyParameters } from '@/core/body/bodyParameters';
import { neutralState } from '@/core/body/neutral';
import { ensemble } from '@/core/clothing/ensembleInsulation';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import {
  acsmRunning,
  acsmWalking,
  runningCost,
  runningMetabolicRate,
  walkingCost,
  WATTS_PER_LITRE_MIN,
} from '@/core/effort/gait';
import { onFootRate } from '@/core/effort/load';
import { CLO } from '@/core/quantity/units';
import { sweatCell } from './sweatGrid';
import { run } from './runCase';
import { standing } from './standing';
import { closedOutfit, wear } from './streetClothes';
import { twoNode } from './twoNode';

/** One line of the table in docs/model.md. `tolerance` is absolute when `absolute`, else a share of theirs. */
export interface CheckRow {
  quantity: string;
  source: string;
  theirs: number;
  ours: number;
  unit: string;
  tolerance: number;
  absolute?: boolean;
}

const STILL = { airC: 20, relativeWind: 0.15, pumping: 0, packOn: false };

function dynamicRow(p: number, v: number, w: number): CheckRow {
  const theirs = (v1: number, w1: number) =>
    0.54 * Math.exp(0.075 * Math.log(p) - 0.15 * v1 - 0.22 * w1) - 0.06 * Math.log(p) + 0.5;
  const ours = (v1: number, w1: number) =>
    ensemble(closedOutfit(p), { airC: -5, relativeWind: v1, pumping: w1, packOn: false }).totalM2KW;
  return {
    quantity: `insulation kept, outer layer ${p} L/m²s, wind ${v} m/s, walking ${w} m/s`,
    source: 'ISO 11079 / 9920 correction',
    theirs: theirs(v, w) / theirs(0.4, 0),
    ours: ours(v, w) / ours(0.4, 0),
    unit: '1',
    tolerance: 0.15,
  };
}

function ensembleRow(quantity: string, clo: number, names: string[]): CheckRow {
  return {
    quantity: `total insulation, ${quantity}`,
    source: 'ISO 9920 / ISO 7730 / ASHRAE 55',
    theirs: clo + 0.7 / (1 + 0.28 * clo),
    ours: ensemble(wear(...names), STILL).totalM2KW / CLO,
    unit: 'clo',
    tolerance: 0.15,
  };
}

function phsRow(airC: number, metWm2: number): CheckRow {
  const { ours, theirs } = sweatCell(airC, metWm2, 0.3);
  return {
    quantity: `water from the skin in two hours, ${airC} °C, ${metWm2} W/m²`,
    source: 'ISO 7933 (reference library)',
    theirs: theirs.waterG,
    ours: ours.waterG,
    unit: 'g',
    tolerance: 0.2,
  };
}

function coreRow(share: number): CheckRow {
  const most = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);
  const worn = ['synthetic-tee', 'running-shorts', 'running-shoes', 'thin-socks'];
  const r = run({
    airC: 10,
    humidity: 0.5,
    wind: 2,
    legs: [{ minutes: 60, sport: 'run', metabolicW: share * most, worn }],
  });
  return {
    quantity: `core after an hour at ${Math.round(share * 100)} % of maximum`,
    source: 'Saltin & Hermansen 1966 (m)',
    theirs: 36.5 + 3 * share,
    ours: r.core(60),
    unit: '°C',
    tolerance: 0.4,
    absolute: true,
  };
}

function nudeRow(airC: number): CheckRow {
  const r = run({
    airC,
    humidity: 0.5,
    wind: 0.15,
    garments: ['briefs'],
    legs: [{ minutes: 60, sport: 'sit', metabolicW: 58.2 * 1.87, worn: [] }],
  });
  return {
    quantity: `mean skin, nude at rest an hour in ${airC} °C`,
    source: 'Gagge two-node 1986 (m)',
    theirs: twoNode(60, airC, 0.5, 0.15, 58.2, 0).skinC,
    ours: r.meanSkin(60),
    unit: '°C',
    tolerance: 1.6,
    absolute: true,
  };
}

/** Cool air closes the skin and leaves the core where it is. */
function standingRow(airC: number): CheckRow {
  const { ours, theirsC } = standing(airC, 20);
  return {
    quantity: `core, standing lightly dressed 20 min in ${airC} °C`,
    source: 'Gagge two-node 1986 (m)',
    theirs: theirsC(20),
    ours: ours.core(20),
    unit: '°C',
    tolerance: 0.3,
    absolute: true,
  };
}

/** Walking down, W/kg: Minetti's measured costs (J/kg/m, net) at 1.3 m/s with rest added. */
function downhillRow(slope: number): CheckRow {
  const measured: Record<string, number> = { '-0.1': 0.81, '-0.2': 1.3, '-0.3': 2.05 };
  return {
    quantity: `walking 1.3 m/s at ${slope * 100} %`,
    source: 'Minetti 2002, measured (m)',
    theirs: measured[String(slope)] * 1.3 + 1.5,
    ours: onFootRate({ massKg: 70, loadKg: 0, speedMs: 1.3, slope, terrain: 1 }) / 70,
    unit: 'W/kg',
    tolerance: 0.2,
  };
}

/** Every row, computed now. */
export function checkRows(): CheckRow[] {
  psychrolib.SetUnitSystem(psychrolib.SI);
  const acsm = (acsmRunning(3, 0.02) * 70 * WATTS_PER_LITRE_MIN) / 1000;
  return [
    {
      quantity: 'wind chill, 0 °F and 15 mph',
      source: 'US NWS chart',
      theirs: -19,
      ours: windChillF(0, 15),
      unit: '°F',
      tolerance: 0.5,
      absolute: true,
    },
    {
      quantity: 'wind chill, −25 °C and 40 km/h',
      source: 'Environment Canada chart',
      theirs: -41,
      ours: windChillC(-25, 40),
      unit: '°C',
      tolerance: 0.5,
      absolute: true,
    },
    {
      quantity: 'saturation pressure over ice, −10 °C',
      source: 'psychrolib (ASHRAE)',
      theirs: psychrolib.GetSatVapPres(-10),
      ours: saturationPressure(-10),
      unit: 'Pa',
      tolerance: 1e-4,
    },
    {
      quantity: 'wet bulb, 5 °C and 70 %',
      source: 'psychrolib (ASHRAE)',
      theirs: psychrolib.GetTWetBulbFromRelHum(5, 0.7, 101325),
      ours: wetBulb(5, 0.7),
      unit: '°C',
      tolerance: 0.05,
      absolute: true,
    },
    {
      quantity: 'air pressure at 1184 m',
      source: 'psychrolib (ASHRAE)',
      theirs: psychrolib.GetStandardAtmPressure(1184),
      ours: pressureAt(1184),
      unit: 'Pa',
      tolerance: 1e-4,
    },
    {
      quantity: 'water over air, conductivity',
      source: 'handbook; common practice',
      theirs: 25,
      ours: waterConductivity(10) / airConductivity(10),
      unit: '1',
      tolerance: 0.1,
    },
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
      theirs: acsm,
      ours: runningMetabolicRate(70, 3, 0.02),
      unit: 'W',
      tolerance: 0.15,
    },
    ...[-0.1, -0.2, -0.3].map(downhillRow),
    {
      quantity: 'walking 1.2 m/s at 5 %',
      source: 'ACSM equation',
      theirs: (acsmWalking(1.2, 0.05) * 70 * WATTS_PER_LITRE_MIN) / 1000,
      ours: onFootRate({ massKg: 70, loadKg: 0, speedMs: 1.2, slope: 0.05, terrain: 1 }),
      unit: 'W',
      tolerance: 0.2,
    },
    {
      quantity: 'body surface, 70 kg and 1.70 m',
      source: 'Du Bois 1916',
      theirs: 1.81,
      ours: bodyArea({ massKg: 70, heightM: 1.7 }),
      unit: 'm²',
      tolerance: 0.01,
      absolute: true,
    },
    {
      quantity: 'neutral air, nude at rest',
      source: 'ASHRAE Fundamentals ch. 9',
      theirs: 30,
      ours: neutralState(bodyParameters(AVERAGE_PERSON)).airC,
      unit: '°C',
      tolerance: 2,
      absolute: true,
    },
    nudeRow(27),
    nudeRow(24),
    standingRow(20),
    ensembleRow('trousers and long-sleeve shirt', 0.61, ['briefs', 'long-sleeve shirt', 'trousers', 'socks', 'shoes']),
    ensembleRow('long underwear, thermo jacket and trousers', 1.4, [
      'long underwear top',
      'long underwear bottoms',
      'thermo jacket',
      'thermo trousers',
      'socks',
      'shoes',
    ]),
    ensembleRow('the same with quilted parka and overalls', 2.55, [
      'long underwear top',
      'long underwear bottoms',
      'thermo jacket',
      'thermo trousers',
      'quilted parka',
      'quilted overalls',
      'socks',
      'shoes',
      'cap',
      'gloves',
    ]),
    dynamicRow(1, 4, 0),
    dynamicRow(8, 2, 0.6),
    dynamicRow(50, 8, 1.2),
    dynamicRow(1000, 4, 0.6),
    ...[15, 25, 35].flatMap((airC) => [150, 250, 350].map((met) => phsRow(airC, met))),
    coreRow(0.3),
    coreRow(0.6),
  ];
}

const figure = (v: number) => (Math.abs(v) >= 1000 ? v.toFixed(0) : v.toPrecision(4));

/** The table as Markdown, for docs/model.md. */
export function checkTable(): string {
  const lines = checkRows().map((r) => {
    const difference = r.ours - r.theirs;
    const said = r.absolute
      ? `${difference >= 0 ? '+' : '−'}${figure(Math.abs(difference))}`
      : `${difference >= 0 ? '+' : '−'}${Math.abs((100 * difference) / r.theirs).toFixed(1)} %`;
    const allowed = r.absolute ? `±${r.tolerance}` : `±${(100 * r.tolerance).toFixed(r.tolerance < 0.001 ? 2 : 0)} %`;
    return `| ${r.quantity} | ${r.source} | ${figure(r.theirs)} ${r.unit} | ${figure(r.ours)} ${r.unit} | ${said} | ${allowed} |`;
  });
  return ['| quantity | source | theirs | ours | difference | allowed |', '|---|---|---|---|---|---|', ...lines].join(
    '\n',
  );
}

/** The tables of limits and prices as Markdown, for docs/model.md. */
export function limitTable(): string {
  const rows = (name: string, table: Readonly<Record<string, number>>) =>
    Object.entries(table).map(([key, v]) => `| ${name} | ${key} | ${Number(v.toPrecision(6))} |`);
  const steps = RULES.flatMap((r) =>
    r.steps.map((s) => {
      const grave = ['', 'note', 'weak point', 'alarm'][s.severity];
      return `| ${s.kind ?? r.kind} | ${r.bad} ${s.limit} ${r.unit} | ${grave} | ${s.means} |`;
    }),
  );
  return [
    '| finding | from | is a | means |',
    '|---|---|---|---|',
    ...steps,
    '',
    '| table | name | value |',
    '|---|---|---|',
    ...rows('LIMIT', LIMIT),
    ...rows('ALARM', ALARM),
    ...rows('WEAK', WEAK),
    ...rows('PRICE, points', PRICE),
  ].join('\n');
}
