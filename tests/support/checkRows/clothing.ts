import { ensemble } from '@/core/clothing/ensembleInsulation';
import { fromCatalogue } from '@/core/clothing/catalogue';
import { FIBRES, type Fibre } from '@/core/clothing/fibres';
import { regainOver65 } from '@/core/clothing/sorption';
import { requiredInsulation } from '@/core/judge/ireq';
import { dampAfter } from '@/core/moisture/drying';
import { CLO } from '@/core/quantity/units';
import { closedOutfit, wear } from '../streetClothes';
import type { CheckRow } from './row';

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

const ensembleRow = (quantity: string, clo: number, names: string[]): CheckRow => ({
  quantity: `total insulation, ${quantity}`,
  source: 'ISO 9920 / ISO 7730 / ASHRAE 55',
  theirs: clo + 0.7 / (1 + 0.28 * clo),
  ours: ensemble(wear(...names), STILL).totalM2KW / CLO,
  unit: 'clo',
  tolerance: 0.15,
});

const WORKER = { humidity: 0.85, windMs: 0.4, walkMs: 0.3, permeability: 8 };

/** The standard's charts are read from memory to about a tenth of their height. */
const ireqRow = (metabolicWm2: number, airC: number, clo: number): CheckRow => ({
  quantity: `IREQ neutral, ${metabolicWm2} W/m² and ${airC} °C`.replace('-', '−'),
  source: 'ISO 11079, chart (m)',
  theirs: clo,
  ours: requiredInsulation({ ...WORKER, metabolicWm2, airC }, 'neutral').ireqClo,
  unit: 'clo',
  tolerance: 0.2,
});

/** Water that 200 g/m² of cloth holds after two days in a room of 65 % humidity, of its dry mass. */
function regainRow(fibre: Fibre, theirs: number): CheckRow {
  const cloth = { ...fromCatalogue('thin-merino-base')!, fibre, weightGm2: 200 };
  const hung = dampAfter(cloth, 200, { airC: 20, humidity: 0.65, airMs: 1, faces: 2 }, 48);
  return {
    quantity: `water that ${fibre} settles at in 65 % humidity, of its mass`,
    source: 'Morton & Hearle; ISO/TR 6741-1',
    theirs,
    ours: (hung + 200 * FIBRES[fibre].regain65 * regainOver65(0.5)) / 200,
    unit: '1',
    tolerance: 0.05,
  };
}

const LONG = ['long underwear top', 'long underwear bottoms', 'thermo jacket', 'thermo trousers'];

export function clothingRows(): CheckRow[] {
  return [
    ensembleRow('trousers and long-sleeve shirt', 0.61, ['briefs', 'long-sleeve shirt', 'trousers', 'socks', 'shoes']),
    ensembleRow('long underwear, thermo jacket and trousers', 1.4, [...LONG, 'socks', 'shoes']),
    ensembleRow('the same with quilted parka and overalls', 2.55, [
      ...LONG,
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
    ireqRow(115, -10, 2.9),
    ireqRow(175, -10, 1.6),
    ireqRow(145, -30, 3.1),
    regainRow('wool', 0.16),
    regainRow('cotton', 0.08),
    regainRow('down', 0.12),
  ];
}
