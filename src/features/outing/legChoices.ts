import type { Effort, Leg } from '@/core/outing/leg';

/** Shelter and side of the valley as one choice. */
export const PLACES: Record<string, { label: string; leg: Pick<Leg, 'shelter' | 'side'> }> = {
  open: { label: 'Open', leg: { shelter: 'open', side: undefined } },
  'open shaded': { label: 'Open, in the shade', leg: { shelter: 'open', side: 'shaded' } },
  forest: { label: 'Forest', leg: { shelter: 'forest', side: undefined } },
  'forest sunny': { label: 'Forest, sunny glades', leg: { shelter: 'forest', side: 'sunny' } },
  ridge: { label: 'Ridge', leg: { shelter: 'ridge', side: undefined } },
  'ridge shaded': { label: 'Ridge, in the shade', leg: { shelter: 'ridge', side: 'shaded' } },
  street: { label: 'Streets', leg: { shelter: 'street', side: undefined } },
  'street shaded': { label: 'Streets, in the shade', leg: { shelter: 'street', side: 'shaded' } },
  indoor: { label: 'Indoors', leg: { shelter: 'indoor', side: undefined } },
};

export const placeOf = (leg: Leg): string => {
  const sided = `${leg.shelter} ${leg.side}`;
  return sided in PLACES ? sided : leg.shelter;
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
