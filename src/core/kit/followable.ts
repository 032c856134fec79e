import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import {
  coversUnderwear,
  fewEnoughLayers,
  fewEnoughOnHands,
  hasEssentials,
  isTorsoBase,
  oneAtATime,
} from '@/core/clothing/purpose';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { ramp } from '@/core/quantity/range';
import { askedAt, haltsNobody, underRoof } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import { onTheMove } from './changing';
import { operations } from './difference';
import type { Cue, Plan } from './plan';
import { carryOut } from './replay';
import { rolledBeneath } from './sleeves';

/**
 * What people carry out of one cue (common practice, no published source): in a race, going on, halting for it, standing there in any case,
 * and under a roof, where one undresses and dresses at leisure; and the share of the maximum from which it is a race.
 */
const MOST_OPERATIONS = { race: 1, move: 3, halt: 6, stop: 9, roof: 12 } as const;
const RACE_SHARE = 0.7;

/** Whether somebody who is asked to work at this rate, W, is in a race. */
export const isRace = ({ vo2maxMl, massKg }: Pick<Person, 'vo2maxMl' | 'massKg'>, askedW: number): boolean =>
  askedW / maximalMetabolicRate(vo2maxMl, massKg) >= RACE_SHARE;

/** Between which shares of the maximum a minute lost comes to count as it does in a race (engineering values). */
const RACES = [0.6, 0.8] as const;

/** How much each minute between two moments, s, counts by what one is asked to do there: in the mean, 0 on an outing, 1 in a race. */
export function racingOver(
  timeline: Timeline,
  person: Pick<Person, 'vo2maxMl' | 'massKg'>,
  fromS: number,
  untilS: number,
): number {
  const most = maximalMetabolicRate(person.vo2maxMl, person.massKg);
  let raced = 0;
  for (const { startS, endS } of timeline.stretches) {
    const from = Math.max(startS, fromS);
    const seconds = Math.min(endS, untilS) - from;
    if (seconds > 0) raced += seconds * ramp(askedAt(timeline, from + seconds / 2) / most, RACES);
  }
  return untilS > fromS ? raced / (untilS - fromS) : 0;
}

/** Under a roof, standing there in any case, halting for what the cue asks, or going on. */
export type Hands = 'indoors' | 'halted' | 'halting' | 'moving';

/** How many things one cue may ask for: of somebody who is asked to work at this rate, W. Nobody halts in a race to dress. */
export function operationsAt(person: Pick<Person, 'vo2maxMl' | 'massKg'>, askedW: number, hands: Hands): number {
  if (hands === 'indoors') return MOST_OPERATIONS.roof;
  if (hands === 'halted') return MOST_OPERATIONS.stop;
  if (isRace(person, askedW)) return MOST_OPERATIONS.race;
  return hands === 'halting' ? MOST_OPERATIONS.halt : MOST_OPERATIONS.move;
}

/**
 * Whether people carry out what a cue asks for where it falls.
 * @param garments by id; given, a change that nobody makes on the move counts as a halt
 */
export function followable(
  timeline: Timeline,
  person: Pick<Person, 'vo2maxMl' | 'massKg'>,
  garments?: ReadonlyMap<string, Garment>,
): (cue: Cue) => boolean {
  const halted = haltsNobody(timeline);
  return (cue) => {
    const halts = cue.actions.some((a) => {
      const g = a.do === 'set' ? undefined : garments?.get(a.garment);
      return g !== undefined && !onTheMove(g);
    });
    const hands = underRoof(timeline, cue.atS) ? 'indoors' : halted(cue.atS) ? 'halted' : halts ? 'halting' : 'moving';
    return operations(cue.actions) <= operationsAt(person, askedAt(timeline, cue.atS + 0.5), hands);
  };
}

/**
 * Tells whether a plan can be worn as it stands, at the start and after every cue: shoes, a base beneath what is worn over it, no underwear outermost, not
 * too many layers, of what is worn one at a time no two, no warmers in bare hands, and no sleeves rolled up beneath a layer.
 * @param garments by id
 */
export function staysWearable(garments: ReadonlyMap<string, Garment>): (plan: Plan) => boolean {
  const owned = {
    footwear: [...garments.values()].some((g) => g.role === 'footwear'),
    base: [...garments.values()].some(isTorsoBase),
  };
  const can = (on: ReadonlySet<string>) => {
    const worn = [...on].flatMap((id) => garments.get(id) ?? []);
    return (
      hasEssentials(worn, owned) &&
      coversUnderwear(worn) &&
      fewEnoughLayers(worn) &&
      fewEnoughOnHands(worn) &&
      holdsWarmers(worn) &&
      worn.every((a, i) => worn.every((b, j) => j <= i || !oneAtATime(a, b)))
    );
  };
  return (plan) => {
    const on = new Set(plan.worn);
    return (
      can(on) &&
      rolledBeneath(plan, garments).length === 0 &&
      plan.cues.every((cue) => {
        carryOut(on, cue.actions);
        return can(on);
      })
    );
  };
}

/** Warmers for the hands want something to lie in, be it a liner. */
function holdsWarmers(worn: readonly Garment[]): boolean {
  const hands = worn.filter((g) => g.group === 'hands' && g.role !== 'over');
  return hands.length === 0 || hands.some((g) => g.role !== 'heater');
}

/** Tells of a plan that was changed whether people carry out its cues, or whether those that ask for too much ask for no more than they did. */
export function staysFollowable(
  timeline: Timeline,
  person: Pick<Person, 'vo2maxMl' | 'massKg'>,
  garments?: ReadonlyMap<string, Garment>,
): (from: Plan, to: Plan) => boolean {
  const can = followable(timeline, person, garments);
  const asksNoMore = (cue: Cue, from: Plan) => {
    const was = from.cues.find((c) => c.atS === cue.atS);
    return was !== undefined && !can(was) && operations(cue.actions) <= operations(was.actions);
  };
  return (from, to) => to.cues.every((c) => can(c) || asksNoMore(c, from));
}

/**
 * Tells whether a plan that was changed can still be worn as it stands and carried out cue by cue, as far as it could before: another piece at
 * a cue may be one that nobody halts for, and then the cue asks for too much.
 */
export function staysPossible(
  timeline: Timeline,
  person: Pick<Person, 'vo2maxMl' | 'massKg'>,
  garments: ReadonlyMap<string, Garment>,
): (from: Plan, to: Plan) => boolean {
  const wearable = staysWearable(garments);
  const follows = staysFollowable(timeline, person, garments);
  return (from, to) => (!wearable(from) || wearable(to)) && follows(from, to);
}
