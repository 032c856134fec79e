import { unsureOf } from '@/core/calibrate/unsure';
import { trackOf } from '@/core/outing/track';
import type { Pack } from '@/core/underway/pack';
import type { Athlete } from './athlete';
import { listCloset } from './closet';
import { wallClock } from './clock';
import { asFound } from './knownCloset';
import { forecastHeardMs, getOuting, routeOf } from './outings';
import { outingWishes } from './outingWishes';
import { listPlans } from './plans';

/** What an athlete owns, and with it what they owned once. */
export interface Closets {
  owned: Awaited<ReturnType<typeof listCloset>>;
  all: Awaited<ReturnType<typeof listCloset>>;
}

export async function closetsOf(athleteId: string): Promise<Closets> {
  const [owned, all] = await Promise.all([listCloset(athleteId), listCloset(athleteId, 'all')]);
  return { owned, all };
}

/**
 * Packs an outing for the way.
 * @param planId which plan; null: the one that was changed last @param closets where they are read already: many outings share them
 * @returns null for no such outing; `no plan` where it has none
 */
export async function packFor(
  athlete: Athlete,
  outingId: string,
  planId: string | null,
  closets?: Closets,
): Promise<Pack | 'no plan' | null> {
  const stored = await getOuting(athlete.id, outingId);
  if (!stored) return null;
  const { id, version: _version, ...outing } = stored;
  const plans = (await listPlans(athlete.id, id)).sort((a, b) => b.updatedMs - a.updatedMs);
  const chosen = planId === null ? plans[0] : plans.find((p) => p.id === planId);
  if (!chosen) return 'no plan';
  const [{ owned, all }, points, forecastMs, wishes] = await Promise.all([
    closets ?? closetsOf(athlete.id),
    routeOf(athlete.id, id),
    forecastHeardMs(id),
    outingWishes(athlete.id, id),
  ]);
  const inCloset = new Set(owned.map((o) => o.garment.id));
  const named = new Set([...chosen.plan.worn, ...chosen.plan.carried]);
  const along = all.filter((o) => inCloset.has(o.garment.id) || named.has(o.garment.id));
  return {
    outingId: id,
    planId: chosen.id,
    planVersion: chosen.version,
    packedMs: wallClock(0),
    forecastMs,
    outing,
    person: athlete.person,
    unsure: unsureOf(athlete.known),
    units: athlete.units,
    closet: along.map((o) => asFound(o.garment, athlete)),
    given: along.map((o) => o.garment).filter((g) => asFound(g, athlete) !== g),
    inCloset: [...inCloset],
    damp: Object.fromEntries(along.flatMap((o) => (o.dampGm2 > 0 ? [[o.garment.id, o.dampGm2]] : []))),
    wishes: wishes?.own ?? athlete.wishes,
    winterCues: athlete.winterCues,
    plan: chosen.plan,
    track: points.length > 1 && outing.profile ? trackOf(points, outing.profile) : null,
  };
}
