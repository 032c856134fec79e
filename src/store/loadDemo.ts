import { CATALOGUE } from '@/core/clothing/catalogue';
import { buildDemoOutings, DEMO_DAMP, DEMO_PERSON } from '@/demo/scenario';
import { createAthlete } from './athlete';
import { addGarment } from './closet';
import { atomically, sql } from './db';
import { createOuting } from './outings';

/** Loads the Tarnholt demo into an empty database. `anew` clears everything first. All or nothing. @returns whether it loaded */
export async function loadDemo(readFile: (name: string) => string, how: 'if empty' | 'anew'): Promise<boolean> {
  const outings = buildDemoOutings(readFile, DEMO_PERSON);
  return atomically(async () => {
    if (how === 'anew') await sql()`truncate athlete cascade`;
    const [{ n }] = await sql()<{ n: number }[]>`select count(*)::int as n from athlete`;
    if (n > 0) return false;
    const athlete = await createAthlete('Demo athlete', DEMO_PERSON);
    for (const g of CATALOGUE) await addGarment(athlete, g, g.id, DEMO_DAMP[g.id] ?? 0);
    for (const { outing, route } of outings) await createOuting(athlete, outing, route);
    return true;
  });
}
