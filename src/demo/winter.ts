import type { Lesson } from '@/core/calibrate/learn';
import type { Plan } from '@/core/kit/plan';
import type { Outing } from '@/core/outing/outing';
import type { Tap } from '@/core/underway/taps';

/**
 * The logged winter of the demo athlete, as `npm run winter` makes it: outings, how they were gone and told, and what each taught. Garments
 * are named as the catalogue names them.
 */
export interface Winter {
  days: { id: string; outing: Outing; plan: Plan; taps: Tap[] }[];
  lessons: { outingId: string; lesson: Lesson }[];
}

export const WINTER_FILE = 'winter.json';

/** A winter read, with the garments under the ids they have in a closet. @param idOf of a piece by its catalogue id */
export function winterWith(text: string, idOf: ReadonlyMap<string, string>): Winter {
  // Ids stand at many places, as values and as keys; none of them is part of another word in quotes.
  const named = text.replace(/"([a-z]+(?:-[a-z]+)*)"/g, (whole, id: string) => {
    const to = idOf.get(id);
    return to ? `"${to}"` : whole;
  });
  return JSON.parse(named) as Winter;
}
