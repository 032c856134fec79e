import { ZONE_TABLE, zoneIndex } from '@/core/body/zones';
import { run } from './runCase';

const WORN = [
  'midweight-merino-base',
  'standby-puffy',
  'brushed-tights',
  'puffy-overtrousers',
  'wool-socks',
  'winter-boots',
  'warm-mitts',
];
const MINUTES = 40;

/** What the bare scalp of somebody warmly dressed loses after forty minutes of sitting in still air, W/m². */
export function bareHeadLoss(airC: number): number {
  const legs = [{ minutes: MINUTES, sport: 'sit', metabolicW: 120, worn: WORN }];
  const { series } = run({ airC, humidity: 0.6, wind: 0.15, legs }).scored;
  return series.zoneLossWm2[MINUTES * ZONE_TABLE.length + zoneIndex('scalp')];
}
