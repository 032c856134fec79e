import { bodyParameters } from '@/core/body/bodyParameters';
import { neutralState } from '@/core/body/neutral';
import { AVERAGE_PERSON, bodyArea } from '@/core/body/person';
import { respiratoryHeat } from '@/core/body/respiration';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { bareHeadLoss } from '../bareHead';
import { exercising } from '../exercising';
import { run, type Run } from '../runCase';
import { standing } from '../standing';
import { survives } from '../survives';
import { twoNode } from '../twoNode';
import type { CheckRow } from './row';

/** Maximum of an average person, W. */
const MOST = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);

function coreRow(share: number): CheckRow {
  const worn = ['synthetic-tee', 'running-shorts', 'running-shoes', 'thin-socks'];
  const r = run({
    airC: 10,
    humidity: 0.5,
    wind: 2,
    legs: [{ minutes: 60, sport: 'run', metabolicW: share * MOST, worn }],
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

/** At rest in nothing but briefs for an hour. */
const nude = (airC: number): Run =>
  run({
    airC,
    humidity: 0.5,
    wind: 0.15,
    garments: ['briefs'],
    legs: [{ minutes: 60, sport: 'sit', metabolicW: 58.2 * 1.87, worn: [] }],
  });

const nudeRow = (airC: number): CheckRow => ({
  quantity: `mean skin, nude at rest an hour in ${airC} °C`,
  source: 'Gagge two-node 1986 (m)',
  theirs: twoNode(60, airC, 0.5, 0.15, 58.2, 0).skinC,
  ours: nude(airC).meanSkin(60),
  unit: '°C',
  tolerance: 1.6,
  absolute: true,
});

/** What the two-node model shivers is 19.4 W/m² for each kelvin of cold skin and kelvin of cold core. */
function shiverRow(airC: number): CheckRow {
  const theirs = twoNode(60, airC, 0.5, 0.15, 58.2, 0);
  const { series } = nude(airC).scored;
  return {
    quantity: `shivering, nude at rest an hour in ${airC} °C`,
    source: 'Gagge two-node 1986 (m)',
    theirs: 19.4 * Math.max(0, 33.7 - theirs.skinC) * Math.max(0, 36.8 - theirs.coreC),
    ours: series.shiverW[series.rows - 1] / bodyArea(AVERAGE_PERSON),
    unit: 'W/m²',
    tolerance: 10,
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

function exerciseRow(airC: number, metWm2: number): CheckRow {
  const { ours, theirs } = exercising(airC, 0.5, metWm2);
  return {
    quantity: `core after an hour lightly dressed, ${airC} °C and ${metWm2} W/m²`,
    source: 'Gagge two-node 1986 (m)',
    theirs: theirs.coreC,
    ours: ours.core(60),
    unit: '°C',
    tolerance: 0.6,
    absolute: true,
  };
}

/** A bare head in still air: 284.8 − 7.55 T kcal/m² h. */
const headRow = (airC: number): CheckRow => ({
  quantity: `bare head of somebody sitting in still air of ${airC} °C`.replace('-', '−'),
  source: 'Froese & Burton 1957 (m)',
  theirs: ((284.8 - 7.55 * airC) * 4186.8) / 3600,
  ours: bareHeadLoss(airC),
  unit: 'W/m²',
  tolerance: 0.25,
});

/** Hours until the core of somebody nude in calm air is at 30 °C. */
const survivalRow = (airC: number, hours: number): CheckRow => ({
  quantity: `survival, nude in calm air of ${airC} °C`.replace('-', '−'),
  source: 'Tikuisis 1995 (m)',
  theirs: hours,
  ours: survives(airC, 0.15),
  unit: 'h',
  tolerance: 0.3,
});

export function bodyRows(): CheckRow[] {
  return [
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
    {
      quantity: 'heat of the breath, 100 W/m² in 20 °C and 1200 Pa',
      source: 'ISO 7730',
      theirs: 1.7e-5 * 100 * (5867 - 1200) + 0.0014 * 100 * (34 - 20),
      ours: respiratoryHeat(100, 20, 1200),
      unit: 'W/m²',
      tolerance: 0.15,
    },
    nudeRow(27),
    nudeRow(24),
    shiverRow(24),
    shiverRow(20),
    standingRow(20),
    exerciseRow(0, 300),
    exerciseRow(10, 300),
    coreRow(0.3),
    coreRow(0.6),
    headRow(-20),
    headRow(-4),
    headRow(10),
    survivalRow(-30, 1.8),
    survivalRow(-20, 2.5),
    survivalRow(-10, 4.1),
    survivalRow(0, 9),
  ];
}
