import { refuse } from '@/formats/problem';
import { packFor } from '@/store/packs';
import { checkId, door } from '@/app/api/door';

/** An outing with everything it needs on the way, for a phone to keep: `?plan=` which of its plans, else the one changed last. */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const plan = new URL(request.url).searchParams.get('plan');
    const packed = await packFor(athlete, id, plan === null ? null : checkId(plan, 'plan'));
    if (packed === 'no plan') refuse('Pack', 'plan', plan ?? 'none', 'a plan of this outing: let it be planned first');
    return packed;
  });
}
