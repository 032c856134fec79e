import type { RoutePoint } from '@/core/outing/route';
import { sql } from './db';

/** Every point of an outing's route in its order; whose outing it is has been looked at before. */
export async function pointsOf(id: string): Promise<RoutePoint[]> {
  const points = await sql()<{ lat: number; lon: number; ele_m: number | null; recorded_at: Date | null }[]>`
    select lat, lon, ele_m, recorded_at from route_point where outing_id = ${id} order by seq`;
  return points.map((p) => ({
    lat: p.lat,
    lon: p.lon,
    eleM: p.ele_m,
    timeMs: p.recorded_at ? p.recorded_at.getTime() : null,
  }));
}

/** Points sent at once: one list for each column, which costs a fraction of a value for each place. */
const POINTS_AT_ONCE = 20_000;

export async function insertPoints(id: string, route: readonly RoutePoint[]): Promise<void> {
  const t = sql();
  for (let from = 0; from < route.length; from += POINTS_AT_ONCE) {
    const part = route.slice(from, from + POINTS_AT_ONCE);
    // As text: the driver's own arrays take several times as long, and keep every number as an object.
    const list = (of: (p: RoutePoint) => number | null) => `{${part.map((p) => of(p) ?? 'NULL').join(',')}}`;
    await t`
      insert into route_point (outing_id, seq, lat, lon, ele_m, recorded_at)
      select ${id}, ${from} + n - 1, lat, lon, ele, to_timestamp(ms / 1000)
      from unnest(
        ${list((p) => p.lat)}::text::double precision[], ${list((p) => p.lon)}::text::double precision[],
        ${list((p) => p.eleM)}::text::double precision[], ${list((p) => p.timeMs)}::text::double precision[]
      ) with ordinality as point (lat, lon, ele, ms, n)`;
  }
}
