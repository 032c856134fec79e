import type { CurvePoint } from './planRequest';
import type { Descent } from './descent';
import { WORN } from './descent';
import { firstDifference, type Dress } from './dress';
import { improve, withoutCues, withoutOneCue } from './improve';
import type { PathRun } from './pathRun';
import { MOST_CUES } from './wishes';

/** Integrator steps that a search has taken when its curve over the number of cues is over. */
const STEPS = 112_000;

/** The best plan for each number of cues: from the most the search wants down to none, the cheapest loss going first. @param most cues allowed */
export function fewerCues(run: PathRun, descent: Descent, most: number): CurvePoint[] {
  const point = (): CurvePoint => ({ cues: run.cuesOf(run.dresses).length, cost: run.total, plan: run.plan() });
  const points = [point()];
  while (points[0].cues > 0) {
    const { cues } = points[0];
    const tooMany = descent.within(STEPS) ? Math.ceil((cues - MOST_CUES) / 2) : Math.ceil(cues / 2);
    const fewer = tooMany > 1 ? manyFewer(run, tooMany) : oneFewer(run);
    // What is left may ask for a change where none can be made: then one dress all day, which is always possible.
    if (run.take(fewer) === Infinity) run.take(run.throughout(run.dresses[0]));
    improve(run, {
      free: WORN,
      maxCues: run.cuesOf(run.dresses).length,
      sweeps: 1,
      betweenCues: true,
      goOn: () => descent.within(STEPS),
    });
    points.unshift(point());
    descent.tell(0.6 + (0.04 * points.length) / MOST_CUES, 'Weighing each number of cues');
  }
  // A plan with fewer cues that costs no more takes the place of one with more.
  const useful = points.filter((p, i) => points.findIndex((q) => q.cues === p.cues) === i && p.cues <= most);
  return useful.filter((p, i) => useful.slice(0, i).every((q) => q.cost > p.cost + 1e-9));
}

/** The cheapest path with one cue fewer. */
function oneFewer(run: PathRun): Dress[] {
  const options = withoutOneCue(run, run.dresses);
  const cost = options.map((d) => run.cost(d, firstDifference(d, run.dresses), Infinity));
  const least = cost.indexOf(Math.min(...cost));
  return options[least] ?? run.throughout(run.dresses[0]);
}

/** The path without its `count` cheapest cues, each judged once: on days with more of them than anybody remembers. */
function manyFewer(run: PathRun, count: number): Dress[] {
  const cues = run.cuesOf(run.dresses);
  const cost = new Map(cues.map((p) => [p, run.cost(withoutCues(run, run.dresses, new Set([p])), p, Infinity)]));
  const cheapest = [...cues].sort((a, b) => cost.get(a)! - cost.get(b)!);
  // A jacket that must come off before the next climb is a cue whether or not it was dropped: then more are.
  for (let n = count; n <= cues.length; n++) {
    const fewer = withoutCues(run, run.dresses, new Set(cheapest.slice(0, n)));
    if (run.cuesOf(fewer).length < cues.length) return fewer;
  }
  return run.throughout(run.dresses[0]);
}
