import { AVERAGE_PERSON } from '@/core/body/person';
import type { DoorDay } from '@/core/outing/doorDay';
import { type DoorQuestion } from '@/core/search/doorQuestion';
import { PLAIN_WISHES } from '@/core/search/wishes';
import { garmentsOf } from './outings';

/** An ordinary run from the door, in the dark of the year. */
export const aDoorDay = (over: Partial<DoorDay> = {}): DoorDay => ({
  sport: 'run',
  minutes: 50,
  exertion: 5,
  airC: -6,
  windMs: 15 / 3.6,
  falls: { kind: 'none', mmH: 0 },
  sky: 'some cloud',
  shelter: 'street',
  stops: [],
  startMs: Date.UTC(2027, 0, 12, 7, 5),
  packKg: 0,
  ...over,
});

/** What hangs in a runner's hallway: enough for a winter, and no more. */
export const HALLWAY = garmentsOf(
  'thin-synthetic-base',
  'thin-merino-base',
  'grid-fleece',
  'wind-shell',
  'light-rain-shell',
  'standby-puffy',
  'briefs',
  'thin-tights',
  'brushed-tights',
  'wind-trousers',
  'thin-socks',
  'wool-socks',
  'running-shoes',
  'liner-gloves',
  'wind-gloves',
  'warm-mitts',
  'head-band',
  'thin-cap',
  'warm-hat',
  'neck-tube',
);

export const atTheDoor = (over: Partial<DoorQuestion> = {}): DoorQuestion => ({
  person: AVERAGE_PERSON,
  closet: HALLWAY,
  wishes: PLAIN_WISHES,
  day: aDoorDay(),
  place: null,
  rungs: [],
  ...over,
});
