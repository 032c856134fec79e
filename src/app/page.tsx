import { Home } from '@/features/home/Home';
import { dampWaterGm2, dryingMinutes, DRYING_PLACES } from '@/core/moisture/drying';
import { homeLine, type HomeLine } from '@/features/home/lines';
import { currentAthlete, type Athlete } from '@/store/athlete';
import { listCloset } from '@/store/closet';
import { keepLine, keptLines, type KeptLine } from '@/store/homeLines';
import { getOuting, listOutings, type OutingLine } from '@/store/outings';
import { listPlans } from '@/store/plans';
import { listTrash } from '@/store/trash';

/** Outings laid out and judged on the home screen; what lies further ahead is listed without. */
const MOST = 12;

export default async function Page() {
  const athlete = await currentAthlete();
  const [list, away, owned, kept, trash] = await Promise.all([
    listOutings(athlete.id),
    listOutings(athlete.id, 'put away'),
    listCloset(athlete.id),
    keptLines(athlete.id),
    listTrash(athlete.id),
  ]);
  const shown = list.slice(0, MOST);
  const known = new Map(kept.map((k) => [k.outingId, k]));
  const lines = shown.every((o) => known.get(o.id)?.line)
    ? shown.map((o) => known.get(o.id)!.line as HomeLine)
    : await workedOut(athlete, shown, known);
  return (
    <Home
      outings={lines.filter((l) => l !== null)}
      more={list.slice(MOST).map((o) => ({ id: o.id, name: o.name, startMs: o.startMs }))}
      away={away.map((o) => ({ id: o.id, name: o.name, startMs: o.startMs }))}
      units={athlete.units}
      damp={owned
        .filter((o) => o.dampGm2 > 0)
        .map((o) => ({
          name: o.garment.name,
          minutes: dryingMinutes(o.garment, dampWaterGm2(o.garment, o.dampGm2), DRYING_PLACES['on a line indoors']),
        }))}
      garments={owned.length}
      trash={trash}
    />
  );
}

/** The lines of outings, and each that is worked out anew is kept for the next time. */
async function workedOut(
  athlete: Athlete,
  outings: readonly OutingLine[],
  known: ReadonlyMap<string, KeptLine>,
): Promise<(HomeLine | null)[]> {
  const all = await listCloset(athlete.id, 'all');
  const garments = all.map((o) => o.garment);
  const damp = Object.fromEntries(all.filter((o) => o.dampGm2 > 0).map((o) => [o.garment.id, o.dampGm2]));
  return Promise.all(
    outings.map(async ({ id }) => {
      const kept = known.get(id);
      if (kept?.line) return kept.line as HomeLine;
      const [outing, plans] = await Promise.all([getOuting(athlete.id, id), listPlans(athlete.id, id)]);
      if (!outing) return null;
      const line = homeLine(outing, athlete.person, plans[plans.length - 1]?.plan ?? null, garments, damp);
      if (kept && line.problem === null) await keepLine({ ...kept, line });
      return line;
    }),
  );
}
