import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { AVERAGE_PERSON, type Person } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import type { Sport } from '@/core/effort/sports';
import { timelineOf } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { buildDemoOutings, DEMO_DAMP, DEMO_PERSON } from '@/demo/scenario';
import { randomOuting } from '../support/randomOutings';

/** One of the outings whose numbers are kept. */
export interface GoldenOuting {
  name: string;
  person: Person;
  sport: Sport;
  closet: readonly Garment[];
  timeline: Timeline;
  damp: Record<string, number>;
}

const RANDOM = 16;

/** The four demo outings, which come through GPX, CSV and the clock, and sixteen seeded days. @param root of the project */
export function goldenOutings(root: string): GoldenOuting[] {
  const file = (name: string) => readFileSync(join(root, 'src/demo/files', name), 'utf8');
  const demo = buildDemoOutings(file, DEMO_PERSON).map(({ outing: o }): GoldenOuting => ({
    name: o.name,
    person: DEMO_PERSON,
    sport: o.sport,
    closet: CATALOGUE,
    timeline: timelineOf(o, DEMO_PERSON),
    damp: DEMO_DAMP,
  }));
  const random = Array.from({ length: RANDOM }, (_, i): GoldenOuting => {
    const r = randomOuting(7 * i + 3);
    return { ...r, name: `${i}: ${r.name}`, person: AVERAGE_PERSON, damp: {} };
  });
  return [...demo, ...random];
}
