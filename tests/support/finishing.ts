import { AVERAGE_PERSON } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Timeline } from '@/core/outing/timeline';
import { Course } from '@/core/search/course';
import type { Finishing } from '@/core/search/finishing';

/** The last stages of a search that is asked about a hike from such a closet. */
export function hikingIn(closet: Garment[], timeline: Timeline, mostCues = 12): Finishing {
  const course = new Course(AVERAGE_PERSON, timeline, undefined, undefined);
  return {
    request: { person: AVERAGE_PERSON, closet, timeline, sport: 'hike' },
    weights: course.weights,
    course,
    order: new Map(),
    stepS: 60,
    mostCues,
    beat: () => true,
  };
}
