import { Home } from '@/features/home/Home';
import { dampWaterGm2, dryingMinutes, DRYING_PLACES } from '@/core/moisture/drying';
import { homeLine } from '@/features/home/lines';
import { currentAthlete } from '@/store/athlete';
import { listCloset } from '@/store/closet';
import { getOuting, listOutings } from '@/store/outings';
import { listPlans } from '@/store/plans';

/** Outings laid out and judged on the home screen; what lies further ahead is listed without. */
const MOST = 12;

export default async function Page() {
  const athlete = await currentAthlete();
  const [list, away, owned] = await Promise.all([
    listOutings(athlete.id),
    listOutings(athlete.id, 'put away'),
    listCloset(athlete.id, 'all'),
  ]);
  const current = new Set((await listCloset(athlete.id)).map((o) => o.garment.id));
  const closet = owned.filter((o) => current.has(o.garment.id));
  const garments = owned.map((o) => o.garment);
  const damp = Object.fromEntries(owned.filter((o) => o.dampGm2 > 0).map((o) => [o.garment.id, o.dampGm2]));
  const lines = await Promise.all(
    list.slice(0, MOST).map(async ({ id }) => {
      const [outing, plans] = await Promise.all([getOuting(athlete.id, id), listPlans(athlete.id, id)]);
      return outing && homeLine(outing, athlete.person, plans[plans.length - 1]?.plan ?? null, garments, damp);
    }),
  );
  return (
    <Home
      outings={lines.filter((l) => l !== null)}
      more={list.slice(MOST).map((o) => ({ id: o.id, name: o.name, startMs: o.startMs }))}
      away={away.map((o) => ({ id: o.id, name: o.name, startMs: o.startMs }))}
      units={athlete.units}
      damp={closet
        .filter((o) => o.dampGm2 > 0)
        .map((o) => ({
          name: o.garment.name,
          minutes: dryingMinutes(o.garment, dampWaterGm2(o.garment, o.dampGm2), DRYING_PLACES['on a line indoors']),
        }))}
      garments={closet.length}
    />
  );
}
