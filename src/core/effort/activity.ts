import { within } from '@/core/quantity/range';

/** What a person is doing on a leg. */
export type Sport =
  | 'run'
  | 'walk'
  | 'hike'
  | 'snowshoe'
  | 'classic ski'
  | 'skate ski'
  | 'ski tour'
  | 'downhill ski'
  | 'chairlift'
  | 'cycle'
  | 'stand'
  | 'sit'
  | 'camp'
  | 'hut'
  | 'drive'
  | 'sleep';

export const SPORTS: Sport[] = [
  'run',
  'walk',
  'hike',
  'snowshoe',
  'classic ski',
  'skate ski',
  'ski tour',
  'downhill ski',
  'chairlift',
  'cycle',
  'stand',
  'sit',
  'camp',
  'hut',
  'drive',
  'sleep',
];

/**
 * METs where no mechanical relation is used (Compendium of Physical Activities 2011 codes in the comment; ISO 8996 for
 * rest). From memory of the published lists.
 */
export const ACTIVITY_MET: Record<Sport, number> = {
  run: 9.8, // 12050 running 6 mph
  walk: 3.5, // 17190 walking 2.8–3.2 mph, level, firm
  hike: 6.0, // 17080 hiking, cross country; 5.3–7.8 with load
  snowshoe: 5.3, // 19190 snow shoeing, moderate
  'classic ski': 9.0, // 19090 cross-country 4.0–4.9 mph, moderate
  'skate ski': 12.5, // 19110 5.0–7.9 mph brisk, skate technique higher
  'ski tour': 8.0, // 19080–19090 between slow and moderate, with skins uphill
  'downhill ski': 5.3, // 19160 downhill, moderate
  chairlift: 1.3, // sitting, cold
  cycle: 6.8, // 01018 10–12 mph leisure
  stand: 1.4, // ISO 8996 standing at rest 70 W/m², fidgeting
  sit: 1.0, // ISO 8996 sitting 55 W/m²
  camp: 2.5, // light standing work
  hut: 1.2, // sitting, eating
  drive: 1.5, // driving a car
  sleep: 0.9,
};

/** Sports that carry the athlete over ground by their own muscles. */
export function isMoving(sport: Sport): boolean {
  return (
    sport === 'run' ||
    sport === 'walk' ||
    sport === 'hike' ||
    sport === 'snowshoe' ||
    sport === 'classic ski' ||
    sport === 'skate ski' ||
    sport === 'ski tour' ||
    sport === 'downhill ski' ||
    sport === 'cycle'
  );
}

export function isIndoors(sport: Sport): boolean {
  return sport === 'hut' || sport === 'drive';
}

/**
 * Limb movement that pumps air through clothing, m/s of equivalent walking speed (the w of ISO 9920).
 * Cycling pumps little per pedal stroke; skiing and running like brisk walking, capped at the standard's 1.2 m/s.
 */
export function pumpingSpeed(sport: Sport, speedMs: number): number {
  within('speed', speedMs, 0, 40, 'm/s');
  switch (sport) {
    case 'run':
      return Math.min(1.2, 0.35 * speedMs);
    case 'walk':
    case 'hike':
    case 'snowshoe':
      return Math.min(1.2, speedMs);
    case 'classic ski':
    case 'skate ski':
      return 1.1;
    case 'ski tour':
      return 0.8;
    case 'cycle':
      return speedMs > 0.3 ? 0.5 : 0;
    case 'downhill ski':
      return 0.5;
    case 'camp':
      return 0.4;
    default:
      return 0;
  }
}
