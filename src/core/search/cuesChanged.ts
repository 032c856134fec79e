import { onTheMove } from '@/core/kit/changing';
import { followable } from '@/core/kit/followable';
import type { Cue, Plan } from '@/core/kit/plan';
import { tidy } from '@/core/kit/replay';
import { phases } from '@/core/outing/moments';
import { LEAST_SAVING } from '@/core/questions/propose';
import { pacesIn } from './course';
import type { PlanRequest } from './planRequest';
import { mayGoOn } from './haltChanges';
import type { Change } from './singleChanges';
import { goingWays } from './waysToWear';

/** A cue done at the natural moment before or after its own, where none is done yet and people can still carry it out. */
export function* cuesMoved(plan: Plan, { closet, timeline, person }: PlanRequest): Generator<Change> {
  const moments = phases(timeline);
  const byId = new Map(closet.map((g) => [g.id, g]));
  const can = followable(timeline, person, byId);
  const halts = (cue: Cue) => cue.actions.some((a) => a.do !== 'set' && !onTheMove(byId.get(a.garment)!));
  const taken = (atS: number) => plan.cues.some((c) => Math.abs(c.atS - atS) < 1);
  for (const cue of plan.cues) {
    const before = moments.filter((m) => m.startS < cue.atS - 1).pop();
    const after = moments.find((m) => m.startS > cue.atS + 1);
    for (const moment of [before, after]) {
      if (!moment || moment.startS === 0 || (moment.onTheMove && halts(cue))) continue;
      const atS = moment.startS;
      const goOn = cue.actions.flatMap((a) => (a.do === 'putOn' ? byId.get(a.garment)! : []));
      if (!goOn.every((g) => mayGoOn(g, timeline, moment))) continue;
      if (!taken(atS) && can({ ...cue, atS }))
        yield {
          name: `${cue.atS} at ${atS}`,
          of: 'going',
          warmer: 0,
          edit: (p) => tidy({ ...p, cues: p.cues.map((c) => (c.atS === cue.atS ? { ...c, atS } : c)) }),
        };
    }
  }
}

/** Easier or brisker from a natural moment on: for that stretch alone, and for as long as one may, where no other pace is asked. */
export function* pacesTried(
  plan: Plan,
  { timeline, person }: PlanRequest,
  until: 'next or last' | 'any' = 'next or last',
): Generator<Change> {
  const moments = phases(timeline);
  const may = moments.map((m, i) => pacesIn(timeline, person, m, moments[i + 1]));
  const asked = plan.cues.flatMap((c) => (c.pace ? [{ atS: c.atS, untilS: c.pace.untilS }] : []));
  for (const { going, pace } of goingWays()) {
    if (pace === undefined || (going !== 'easy' && going !== 'brisk')) continue;
    for (let i = 1; i < moments.length; i++) {
      if (!may[i][going]) continue;
      let last = i;
      while (last + 1 < moments.length && may[last + 1][going]) last++;
      const atS = moments[i].startS;
      const ends = until === 'any' ? moments.slice(i, last + 1) : [moments[i], moments[last]];
      for (const { endS } of new Set(ends))
        if (!asked.some((o) => o.atS < endS - 1 && o.untilS > atS + 1))
          yield {
            name: `${going} from ${atS} to ${endS}`,
            of: 'going',
            warmer: 0,
            edit: (p) => withPace(p, atS, { share: pace, untilS: endS }),
            // Another pace asks more of people than another glove.
            least: LEAST_SAVING,
          };
    }
  }
}

/** A pace that is asked for held until another natural moment: no longer than one may, nor into another pace. */
export function* pacesHeld(plan: Plan, { timeline, person }: PlanRequest): Generator<Change> {
  const moments = phases(timeline);
  const may = moments.map((m, i) => pacesIn(timeline, person, m, moments[i + 1]));
  for (const { atS, pace } of plan.cues) {
    if (!pace) continue;
    const first = moments.findIndex((m) => m.endS > atS + 1);
    for (let i = first; i >= 0 && i < moments.length && may[i][pace.share < 1 ? 'easy' : 'brisk']; i++) {
      const untilS = moments[i].endS;
      if (plan.cues.some((c) => c.pace && c.atS > atS + 1 && c.atS < untilS - 1)) break;
      if (Math.abs(untilS - pace.untilS) > 1)
        yield {
          name: `pace of ${atS} until ${untilS}`,
          of: 'going',
          warmer: 0,
          edit: (p) => withPace(p, atS, { share: pace.share, untilS }),
        };
    }
  }
}

/** A pace from a moment on, told by the cue that is there, or by one of its own. */
function withPace(plan: Plan, atS: number, pace: NonNullable<Cue['pace']>): Plan {
  const there = plan.cues.some((c) => Math.abs(c.atS - atS) < 1);
  const cues = there
    ? plan.cues.map((c) => (Math.abs(c.atS - atS) < 1 ? { ...c, pace } : c))
    : [...plan.cues, { atS, actions: [], pace }].sort((a, b) => a.atS - b.atS);
  return tidy({ ...plan, cues });
}
