import { gpxOf } from '@/formats/gpxOut';
import { fileNameOf } from '@/formats/fileName';
import { refuse } from '@/formats/problem';
import { getOuting, routeOf } from '@/store/outings';
import { listPlans } from '@/store/plans';
import { checkId, door } from '@/app/api/door';

type Context = { params: Promise<{ id: string }> };

/** An outing to keep or hand on: `?as=json` with legs, forecast and plans (schemas/outing.schema.json), `?as=gpx` its route. */
export async function GET(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const as = new URL(request.url).searchParams.get('as') ?? 'json';
    const outing = await getOuting(athlete.id, id);
    if (!outing) return null;
    if (as === 'gpx') {
      const route = await routeOf(athlete.id, id);
      if (route.length === 0) refuse('Export', 'route', 'none: these legs were given by hand', 'the outing as JSON');
      return file(gpxOf(outing.name, route), 'application/gpx+xml', fileNameOf(outing.name, 'gpx'));
    }
    if (as !== 'json') refuse('Export', 'as', as, 'json, gpx');
    const { id: _id, profile: _profile, version: _version, ...plain } = outing;
    const plans = (await listPlans(athlete.id, id)).map((p) => ({ name: p.name, plan: p.plan }));
    return file(JSON.stringify({ outing: plain, plans }, null, 1), 'application/json', fileNameOf(outing.name, 'json'));
  });
}

const file = (body: string, type: string, name: string): Response =>
  new Response(body, {
    headers: { 'content-type': `${type}; charset=utf-8`, 'content-disposition': `attachment; filename="${name}"` },
  });
