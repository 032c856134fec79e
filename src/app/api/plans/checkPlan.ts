import type { Plan } from '@/core/kit/plan';
import { refuse } from '@/formats/problem';
import { text, VERSION } from '@/formats/schemaParts';
import { planSchema } from '@/formats/schemas';
import { listCloset } from '@/store/closet';

export const planBody = {
  type: 'object',
  properties: {
    name: text,
    plan: planSchema,
    version: VERSION,
  },
  required: ['name', 'plan'],
  additionalProperties: false,
};

/** The same with the version it was edited from. */
export const planChange = { ...planBody, required: ['name', 'plan', 'version'] };

/** Every garment and opening a plan names must be the athlete's. @throws Refused */
export async function checkPlan(athleteId: string, plan: Plan): Promise<void> {
  const owned = new Map((await listCloset(athleteId, 'all')).map((o) => [o.garment.id, o.garment]));
  const garment = (id: string) => owned.get(id) ?? refuse('Plan', 'garment', id, 'garments of your own closet');
  const opening = (id: string, o: string) => {
    if (!garment(id).openings.some((x) => x.id === o))
      refuse(
        'Plan',
        `opening of ${garment(id).name}`,
        o,
        garment(id)
          .openings.map((x) => x.id)
          .join(', ') || 'none',
      );
  };
  [...plan.worn, ...plan.carried].forEach(garment);
  for (const [id, set] of Object.entries(plan.openings)) for (const o of Object.keys(set)) opening(id, o);
  for (const cue of plan.cues)
    for (const a of cue.actions) {
      garment(a.garment);
      if (a.do === 'set') opening(a.garment, a.opening);
    }
}
