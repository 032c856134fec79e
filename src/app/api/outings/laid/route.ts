import type { Plan } from '@/core/kit/plan';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { atDoor } from '@/formats/problem';
import { object } from '@/formats/schemaParts';
import { outingSchema, planSchema } from '@/formats/schemas';
import { validated } from '@/formats/validate';
import { atomically } from '@/store/db';
import { createOuting } from '@/store/outings';
import { createPlan } from '@/store/plans';
import { checkPlan } from '@/app/api/plans/checkPlan';
import { door, readBody } from '@/app/api/door';

const schema = object({ outing: outingSchema, plan: planSchema }, ['outing', 'plan']);

/** An outing without a route, as it was answered at the door, with its plan. Stored whole or not at all. */
export async function POST(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const body = validated<{ outing: Omit<Outing, 'profile'>; plan: Plan }>(schema, await readBody(request), 'Outing');
    const outing: Outing = { ...body.outing, profile: null };
    atDoor('Outing', () => timelineOf(outing, athlete.person));
    await checkPlan(athlete.id, body.plan);
    const id = await atomically(async () => {
      const made = await createOuting(athlete.id, outing, null);
      await createPlan(athlete.id, made, 'From the door', body.plan);
      return made;
    });
    return { id };
  });
}
