import type { Planned, PlanRequest, Progress } from './planRequest';
import { descendFromOther } from './otherStarts';
import { askedOn, lookAlone, Search } from './search';

/**
 * Finds start kit, pack and cues by simulating candidates from the closet.
 *
 * 1. A plain kit is dressed phase by phase: the first usable plan.
 * 2. Part by part every candidate is simulated as the others are worn now; the promising are tried with their own best wearing.
 * 3. With the garments fixed, a beam search over the natural moments and then small moves choose how they are worn in each
 *    phase and how the phase is gone.
 * 4. Cues are dropped one by one, cheapest loss first, and what is left bettered, which gives the cost for each number of
 *    cues. The knee of that curve is proposed, or a neighbour that holds better over the spread of forecast and athlete.
 * 5. All of that on the nearest of evenly spaced days; what comes of it is adapted to the day itself. Where that costs much, the day is looked at by itself too.
 * 6. Each cue is missed once on purpose to learn what missing it costs.
 * @throws OutOfRange when the closet lacks a part nobody can go without
 */
export function makePlan(request: PlanRequest, progress: Progress = () => true): Planned {
  const search = new Search(request, progress);
  const goOn = () => search.goesOn();
  const even = askedOn('even day', request);
  search.begin();
  // Where it was stopped by then, no other start is dressed.
  search.meet(goOn() ? descendFromOther(even, goOn) : null);
  return search.last(search.end() ? lookAlone(request, search.tellAlone) : null);
}
