import { expect, type APIRequestContext } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';

const headers = { origin: process.env.EMBER_URL ?? 'http://127.0.0.1:3000' };

/** Ids of the athlete's own pieces by their names in the catalogue. */
async function catalogueIds(request: APIRequestContext): Promise<Map<string, string>> {
  const zip = await request.get('/api/archive');
  const files = unzipSync(new Uint8Array(await zip.body()));
  const archive = JSON.parse(strFromU8(files['archive.json'])) as { garments: { id: string; catalogueId: string }[] };
  return new Map(archive.garments.map((g) => [g.catalogueId, g.id]));
}

/** Stores a plan for one of the demo's outings, made of pieces by their catalogue names. @returns the outing's id */
export async function storePlan(
  request: APIRequestContext,
  outing: string,
  name: string,
  plan: object,
): Promise<string> {
  const page = await (await request.get('/outings')).text();
  const ids = [...new Set([...page.matchAll(/\/outing\/([0-9a-f-]{36})/g)].map((m) => m[1]))];
  for (const id of ids) {
    const whole = await (await request.get(`/api/outings/${id}/export`)).json();
    if (whole.outing.name !== outing) continue;
    const ofCatalogue = await catalogueIds(request);
    const named = JSON.parse(JSON.stringify(plan), (_, v) => (typeof v === 'string' ? (ofCatalogue.get(v) ?? v) : v));
    // Openings are named by their piece as well.
    named.openings = Object.fromEntries(
      Object.entries(named.openings).map(([piece, set]) => [ofCatalogue.get(piece) ?? piece, set]),
    );
    const made = await request.post(`/api/outings/${id}/plans`, { headers, data: { name, plan: named } });
    expect(made.ok(), await made.text()).toBe(true);
    return id;
  }
  throw new Error(`the demo has no outing ${outing}`);
}

/** The plan that the golden numbers keep of a demo outing: what the planner itself makes of it, without waiting for it. */
export function goldenPlan(outing: string): object {
  const kept = JSON.parse(readFileSync('tests/golden/numbers.json', 'utf8')) as { outing: string; plan: object }[];
  return kept.find((k) => k.outing === outing)!.plan;
}

/** Stores the planner's own plan for a demo outing, so that a test that is about something else need not wait for it. */
export const storeGolden = (request: APIRequestContext, outing: string): Promise<string> =>
  storePlan(request, outing, 'Planned before', goldenPlan(outing));
