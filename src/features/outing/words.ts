import type { Shelter } from '@/core/atmosphere/windAtBody';
import type { Effort } from '@/core/outing/leg';

const SPORT: Record<string, string> = {
  run: 'Run',
  walk: 'Walk',
  hike: 'Hike',
  snowshoe: 'Snowshoe',
  'classic ski': 'Classic ski',
  'skate ski': 'Skate ski',
  'ski tour': 'Ski tour',
  'downhill ski': 'Downhill ski',
  chairlift: 'Chairlift',
  cycle: 'Ride',
  stand: 'Standing stop',
  sit: 'Sitting stop',
  camp: 'Camp chores',
  hut: 'Hut break',
  drive: 'Drive',
  sleep: 'Sleep',
};

export const sportWord = (sport: string): string => SPORT[sport] ?? sport;

export const SHELTER_WORDS: Record<Shelter, string> = {
  open: 'Open',
  forest: 'Forest',
  ridge: 'Ridge',
  street: 'Streets',
  indoor: 'Indoors',
};

export const EFFORT_WORDS: Record<
  Effort['by'],
  { label: string; unit: string; low: number; high: number; step: number; start: number }
> = {
  usual: { label: 'As usual', unit: '', low: 0, high: 0, step: 1, start: 0 },
  exertion: { label: 'Effort /10', unit: '', low: 0, high: 10, step: 0.1, start: 4 },
  heartRate: { label: 'Heart rate', unit: 'bpm', low: 40, high: 220, step: 1, start: 135 },
  power: { label: 'Power', unit: 'W', low: 20, high: 600, step: 5, start: 150 },
  speed: { label: 'Speed', unit: 'm/s', low: 0.1, high: 30, step: 0.1, start: 2 },
  metabolic: { label: 'Metabolic rate', unit: 'W', low: 40, high: 2500, step: 10, start: 500 },
};
