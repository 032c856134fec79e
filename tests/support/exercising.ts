import { ensemble } from '@/core/clothing/ensembleInsulation';
import { run, type Run } from './runCase';
import { STREET, wear } from './streetClothes';
import { twoNode, type TwoNode } from './twoNode';

const NAMES = ['briefs', 'tee', 'shorts', 'socks', 'shoes'];

/** An hour of work in shirt and shorts at so many W/m², air at 1 m/s: our run, and the two-node model at its end. */
export function exercising(airC: number, humidity: number, metWm2: number): { ours: Run; theirs: TwoNode } {
  const garments = NAMES.map((n) => ({ ...STREET[n] }));
  const legs = [{ minutes: 60, sport: 'run', metabolicW: metWm2 * 1.87, externalW: 0, worn: NAMES }];
  const { intrinsicClo } = ensemble(wear(...NAMES), { airC, relativeWind: 1, pumping: 1, packOn: false });
  return {
    ours: run({ airC, humidity, wind: 1, garments, legs }),
    theirs: twoNode(60, airC, humidity, 1, metWm2, intrinsicClo),
  };
}
