import { ensemble } from '@/core/clothing/ensembleInsulation';
import { run, type Run } from './runCase';
import { wear } from './streetClothes';
import { twoNode } from './twoNode';

/** Standing at ease (ISO 8996: 70 W/m²) in shirt and trousers in still air: our run, and the two-node model's core by minute. */
export function standing(airC: number, minutes: number): { ours: Run; theirsC: (minute: number) => number } {
  const names = ['briefs', 'long-sleeve shirt', 'trousers', 'socks', 'shoes'];
  const garments = wear(...names).map((g) => ({ ...g }));
  const { intrinsicClo } = ensemble(garments, { airC, relativeWind: 0.15, pumping: 0, packOn: false });
  const legs = [{ minutes, sport: 'stand' as const, metabolicW: 70 * 1.87, worn: names }];
  return {
    ours: run({ airC, humidity: 0.5, wind: 0.15, garments, legs }),
    theirsC: (minute) => twoNode(minute, airC, 0.5, 0.15, 70, intrinsicClo).coreC,
  };
}
