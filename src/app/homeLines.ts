import { homeLine, type HomeLine } from '@/features/home/lines';
import type { Athlete } from '@/store/athlete';
import { knownCloset } from '@/store/knownCloset';
import { keepLine, keptLines, type KeptLine } from '@/store/homeLines';
import { getOuting, listOutings, type OutingLine } from '@/store/outings';
import { listPlans } from '@/store/plans';

/** Outings laid out and judged on a page; what lies further ahead is listed without. */
const MOST = 12;

/** The athlete's outings at hand with what each comes to, by their start, and those further ahead by name only. */
export async function homeLines(athlete: Athlete): Promise<{ lines: HomeLine[]; more: OutingLine[] }> {
  const [list, kept] = await Promise.all([listOutings(athlete.id), keptLines(athlete.id)]);
  const shown = list.slice(0, MOST);
  const known = new Map(kept.map((k) => [k.outingId, k]));
  const lines = shown.every((o) => known.get(o.id)?.line)
    ? shown.map((o) => known.get(o.id)!.line as HomeLine)
    : await workedOut(athlete, shown, known);
  return { lines: lines.filter((l) => l !== null), more: list.slice(MOST) };
}

/** The lines of outings, and each that is worked out anew is kept for the next time. */
async function workedOut(
  athlete: Athlete,
  outings: readonly OutingLine[],
  known: ReadonlyMap<string, KeptLine>,
): Promise<(HomeLine | null)[]> {
  const all = await knownCloset(athlete, 'all');
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
