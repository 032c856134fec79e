import type { Plan } from '@/core/kit/plan';
import { createPlan } from '@/store/plans';
import { checkPlan, planBody } from '@/app/api/plans/checkPlan';
import { checkId, door, readBody } from '@/app/api/door';
import { validated } from '@/formats/validate';

export async function POST(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const body = validated<{ name: string; plan: Plan }>(planBody, await readBody(request), 'Plan');
    await checkPlan(athlete.id, body.plan);
    return createPlan(athlete.id, id, body.name, body.plan);
  });
}
