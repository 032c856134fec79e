import { AVERAGE_PERSON, bodyArea } from '@/core/body/person';
import { ensemble } from '@/core/clothing/ensembleInsulation';
import { Simulator } from '@/core/simulate/simulator';
import { referencePhs } from './referencePhs';
import { run } from './runCase';
import { STREET, wear } from './streetClothes';

const NAMES = ['briefs', 'long-sleeve shirt', 'trousers', 'socks', 'shoes'];
const MINUTES = 120;
/** The standard asks for the insulation that a manikin shows standing in still air (ISO 9920) and does its own correction for wind and walking, m/s. */
const STILL_MS = 0.15;

/** Two hours of work in shirt and trousers: water that leaves the skin, g, and the core at the end, ours and ISO 7933's. */
export interface SweatCell {
  ours: { waterG: number; coreC: number };
  theirs: { waterG: number; coreC: number };
}

/**
 * One cell of the grid. The standard's sweat rate is all that must evaporate, so that ours counts what diffuses through dry
 * skin too; and it lets people move their limbs the more the harder they work (0.0052 (M − 58), at most 0.7 m/s), so ours walk at that speed.
 */
export function sweatCell(airC: number, metWm2: number, airMs: number): SweatCell {
  const { massKg, heightM } = AVERAGE_PERSON;
  const clo = ensemble(wear(...NAMES), { airC, relativeWind: STILL_MS, pumping: 0, packOn: false }).intrinsicClo;
  const r = run({
    airC,
    humidity: 0.5,
    wind: airMs,
    garments: NAMES.map((n) => ({ ...STREET[n] })),
    legs: [
      {
        minutes: MINUTES,
        sport: 'walk',
        speedMs: Math.min(0.7, 0.0052 * (metWm2 - 58)),
        metabolicW: metWm2 * bodyArea(AVERAGE_PERSON),
        externalW: 0,
        worn: NAMES,
      },
    ],
  });
  const sim = new Simulator(r.input.person, r.input.garments);
  sim.start(r.input.plan);
  sim.run(r.input.timeline.stretches, r.input.plan);
  const phs = referencePhs({ airC, humidity: 0.5, airMs, metWm2, clo, minutes: MINUTES, massKg, heightM });
  return {
    ours: { waterG: sim.ledger.produced, coreC: r.core(MINUTES) },
    theirs: { waterG: phs.sweatG, coreC: phs.rectalC },
  };
}
