import type { Plan } from '@/core/kit/plan';
import { deletePlan, getPlan, restorePlan, savePlan } from '@/store/plans';
import { checkPlan, planChange } from '@/app/api/plans/checkPlan';
import { Changed, checkId, door, readBody } from '@/app/api/door';
import { object } from '@/formats/schemaParts';
import { validated } from '@/formats/validate';

type Context = { params: Promise<{ id: string }> };

export async function PUT(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const body = validated<{ name: string; plan: Plan; version: number }>(planChange, await readBody(request), 'Plan');
    await checkPlan(athlete.id, body.plan);
    const saved = await savePlan(athlete.id, id, body.version, body.name, body.plan);
    if (saved) return saved;
    const now = await getPlan(athlete.id, id);
    if (!now) return null;
    throw new Changed('Plan', body.version, { version: now.version, value: { name: now.name, plan: now.plan } });
  });
}

const back = object({ deleted: { const: false } }, ['deleted']);

/** Brings a deleted plan back. */
export async function PATCH(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    validated(back, await readBody(request), 'Plan');
    return (await restorePlan(athlete.id, id)) ? { ok: true } : null;
  });
}

export async function DELETE(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) =>
    (await deletePlan(athlete.id, checkId((await context.params).id))) ? { ok: true } : null,
  );
}
