import { CATALOGUE } from '@/core/clothing/catalogue';
import { buildDemoOutings, DEMO_DAMP, DEMO_PERSON } from '@/demo/scenario';
import { WINTER_FILE, winterWith, type Winter } from '@/demo/winter';
import { createAthlete, currentAthlete } from './athlete';
import { readBook } from './book';
import { addGarment } from './closet';
import { atomically, sql } from './db';
import { keepLessons } from './learning';
import { createOuting } from './outings';
import { createPlan } from './plans';
import { keepTaps } from './taps';

/** Loads the Tarnholt demo into an empty database. `anew` clears everything first. All or nothing. @returns whether it loaded */
export async function loadDemo(readFile: (name: string) => string, how: 'if empty' | 'anew'): Promise<boolean> {
  const outings = buildDemoOutings(readFile, DEMO_PERSON);
  return atomically(async () => {
    if (how === 'anew') await sql()`truncate athlete cascade`;
    const [{ n }] = await sql()<{ n: number }[]>`select count(*)::int as n from athlete`;
    if (n > 0) return false;
    const athlete = await createAthlete('Demo athlete', DEMO_PERSON);
    const idOf = new Map<string, string>();
    for (const g of CATALOGUE) idOf.set(g.id, await addGarment(athlete, g, g.id, DEMO_DAMP[g.id] ?? 0));
    for (const { outing, route } of outings) await createOuting(athlete, outing, route);
    await loadWinter(athlete, winterWith(readFile(WINTER_FILE), idOf));
    // Worked out now, so that no page waits for a whole winter the first time.
    await readBook(await currentAthlete());
    return true;
  });
}

/** The logged winter: outings as they were gone and told, and what they taught. */
async function loadWinter(athlete: string, { days, lessons }: Winter): Promise<void> {
  for (const { id, outing, plan, taps } of days) {
    await createOuting(athlete, outing, null, id);
    await createPlan(athlete, id, 'Plan A', plan);
    await keepTaps(athlete, id, taps);
  }
  const known = lessons.length > 0 ? lessons[lessons.length - 1].lesson.after : null;
  await keepLessons(athlete, { version: 1, known, lessons, how: 'instead' });
}
