import { dryIn, maybeHot, missedBy, type Missed } from '@/core/afterwards/rack';
import type { DryingPlace } from '@/core/moisture/drying';
import type { Athlete } from './athlete';
import { wallClock } from './clock';
import { listCloset } from './closet';
import { listOutings } from './outings';
import { listPlans } from './plans';

/** One piece that is damp or hangs. */
export interface RackPiece {
  id: string;
  name: string;
  dampGm2: number;
  /** null: in a heap, as it was dropped */
  place: DryingPlace | null;
  /** when it is dry there, on the wall clock, ms; null: not within five days */
  dryMs: number | null;
  /** may stand by a stove */
  hot: boolean;
  footwear: boolean;
}

/** What hangs, and what the next outing with a plan will miss. Times on the clock of this server. */
export interface Rack {
  nowMs: number;
  pieces: RackPiece[];
  next: {
    id: string;
    name: string;
    startMs: number;
    missed: (Missed & { name: string; insteadName: string | null })[];
  } | null;
}

export async function readRack(athlete: Athlete): Promise<Rack> {
  const nowMs = wallClock(0);
  const owned = await listCloset(athlete.id);
  const closet = owned.map((o) => o.garment);
  const named = new Map(closet.map((g) => [g.id, g.name]));
  const damp = owned
    .filter((o) => o.dampGm2 > 0 || o.hung)
    .map((o) => ({ garment: o.garment, dampGm2: o.dampGm2, place: o.hung?.place ?? null }));
  const pieces = damp.map((d): RackPiece => {
    const minutes = d.dampGm2 > 0 ? dryIn(d) : 0;
    return {
      id: d.garment.id,
      name: d.garment.name,
      dampGm2: d.dampGm2,
      place: d.place,
      dryMs: Number.isFinite(minutes) ? nowMs + minutes * 60_000 : null,
      hot: maybeHot(d.garment),
      footwear: d.garment.role === 'footwear',
    };
  });
  const wet = damp.filter((d) => d.dampGm2 > 0);
  for (const line of await listOutings(athlete.id)) {
    // An outing's own clock is its place's; the rack's is this house's: the start is read as if both were one.
    const hours = (line.startMs - nowMs) / 3600_000;
    if (hours < 0 || line.plans === 0) continue;
    const plans = await listPlans(athlete.id, line.id);
    const newest = plans.reduce((a, b) => (b.updatedMs > a.updatedMs ? b : a));
    const missed = missedBy(newest.plan, wet, { hours, closet }).map((m) => ({
      ...m,
      name: named.get(m.garment) ?? '',
      insteadName: m.instead && 'garment' in m.instead ? (named.get(m.instead.garment) ?? null) : null,
    }));
    return { nowMs, pieces, next: { id: line.id, name: line.name, startMs: line.startMs, missed } };
  }
  return { nowMs, pieces, next: null };
}
