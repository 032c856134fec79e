import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Sport } from '@/core/effort/activity';
import type { Weights } from '@/core/judge/cost';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/simulate/plan';

/** What a question about one plan rests on: who, from what, where, and how it is weighed. */
export interface Asked {
  person: Person;
  /** everything owned */
  closet: readonly Garment[];
  timeline: Timeline;
  sport: Sport;
  plan: Plan;
  /** water already in garments, g/m² by id */
  damp?: Record<string, number>;
  weights?: Weights;
  /** people who must wait while something is changed */
  waiting?: number;
}
