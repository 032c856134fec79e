import { adapt } from '@/core/search/adapt';
import type { Plan } from '@/core/kit/plan';
import { mouthRuleHolds, MOUTH_COVERED } from '@/core/search/wishes';
import { takeGarment } from '@/core/kit/edit';
import { planDifference } from '@/core/kit/difference';
import { meantNow } from './gone';
import type { OutThere } from './outThere';
import type { Opened } from './pack';

/** Another piece must save this at the door, and another way of wearing one, points: nobody undresses in the hall for a trifle. */
const LEAST = { kit: 0.25, wearing: 0.08 } as const;
const ROUNDS = 2;

/**
 * The plan re-made at the door for the sky that was seen and without what is not to be had: as few changes as will do.
 * @throws OutOfRange
 */
export function redress(
  opened: Opened,
  out: Pick<OutThere, 'sky' | 'notWith' | 'turnedBackWayS' | 'was' | 'plan'>,
): Plan {
  const { pack } = opened;
  const { timeline } = meantNow(opened, out);
  const may = new Set(pack.inCloset);
  const closet = pack.closet.filter((g) => may.has(g.id) && !out.notWith.has(g.id));
  const { wishes } = pack;
  const asked = {
    person: pack.person,
    closet,
    timeline,
    sport: pack.outing.sport,
    damp: pack.damp,
    weights: wishes.weights,
    waiting: wishes.waiting,
  };
  const along = out.plan.worn.concat(out.plan.carried);
  const kept = closet.concat(pack.closet.filter((g) => along.includes(g.id) && !may.has(g.id)));
  const mouth = closet.find((g) => g.group === 'face' && g.mouthCover >= MOUTH_COVERED);
  const from =
    mouth && mouthRuleHolds(wishes, timeline, closet) && !along.includes(mouth.id)
      ? takeGarment(out.plan, mouth.id, 'worn')
      : out.plan;
  const { plan } = adapt({ ...asked, closet: kept }, from, { ...LEAST, maxCues: wishes.maxCues, rounds: ROUNDS });
  return plan;
}

/** Whether two plans ask for anything different. */
export function isAnother(a: Plan, b: Plan): boolean {
  const d = planDifference(a, b);
  return [d.worn, d.carried, d.cues].some(([x, y]) => x.length > 0 || y.length > 0) || !sameOpenings(a, b);
}
const sameOpenings = (a: Plan, b: Plan): boolean => JSON.stringify(a.openings) === JSON.stringify(b.openings);
