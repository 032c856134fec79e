import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Sport } from '@/core/effort/sports';
import type { Weights } from '@/core/judge/cost';
import type { Scored } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import type { Timeline } from '@/core/outing/timeline';
import type { AthleteSpread } from '@/core/questions/athleteSpread';
import type { CueReason } from '@/core/questions/cueReason';

/** What is asked of the planner. */
export interface PlanRequest {
  person: Person;
  closet: readonly Garment[];
  timeline: Timeline;
  sport: Sport;
  /** water already in garments, g/m² by id */
  damp?: Record<string, number>;
  /** the most cues that may be proposed, 0–12 */
  maxCues?: number;
  weights?: Partial<Weights>;
  /** people who must wait while something is changed, 0–30 */
  waiting?: number;
  /** days between forecast and start, for the spread; and how unsure the athlete is known */
  leadDays?: number;
  unsure?: AthleteSpread;
  /** vapour barriers on hands and feet; always a liner under the sock */
  barriers?: boolean;
  twoSocks?: boolean;
  /** the mouth covered all the way */
  mouthCovered?: boolean;
}

/** The best plan found with so many cues. */
export interface CurvePoint {
  cues: number;
  cost: number;
  plan: Plan;
}

export interface Planned {
  plan: Plan;
  scored: Scored;
  /** whether no alarm is left; the search prices alarms beyond any comfort, so false means it found no safe plan */
  safe: boolean;
  cues: CueReason[];
  /** index of the cue whose missing costs most; −1 without cues */
  mustNotMiss: number;
  /** cost against number of cues, fewest first: all from one search */
  curve: CurvePoint[];
  /** phases of the outing it simulated */
  simulations: number;
}

/**
 * Called now and then; return false to stop. The best plan so far is then returned. The first usable plan is handed over as
 * soon as there is one.
 */
export type Progress = (done: number, says: string, first?: Plan) => boolean;
