import { NAME_LENGTH } from '@/core/clothing/garment';
import { SPORTS } from '@/core/effort/sports';
import type { ForecastHour } from '@/core/outing/forecast';
import type { Effort, Leg } from '@/core/outing/leg';
import type { Outing } from '@/core/outing/outing';
import { buildProfile, type Profile, type RoutePoint } from '@/core/outing/route';
import { wallClock } from './clock';
import { atomically, sql } from './db';
import { insertPoints, pointsOf } from './routePoints';

export interface StoredOuting extends Outing {
  id: string;
  /** rises with every change */
  version: number;
}

/** One line of the list on the home screen. */
export interface OutingLine {
  id: string;
  name: string;
  sport: Outing['sport'];
  startMs: number;
  plans: number;
}

/** A stored sport that this version does not know is read as a hike, and the name says so: the rest of the outing is as it was. */
function withSport<T extends { name: string; sport: Outing['sport'] }>(row: T): Pick<T, 'name' | 'sport'> {
  if (SPORTS.includes(row.sport)) return { name: row.name, sport: row.sport };
  const says = ` (“${String(row.sport).slice(0, 20)}” is not known here, read as a hike)`;
  return { name: row.name.slice(0, NAME_LENGTH - says.length) + says, sport: 'hike' };
}

// Wall-clock timestamps travel as text so that no driver shifts them by the server's zone.
const toLocal = (ms: number): string => new Date(ms).toISOString().slice(0, 19);
const fromLocal = (text: string): number => Date.parse(`${text.replace(' ', 'T')}Z`);

/** Who came home and said so: from then on the outing is in the book, and no longer ahead. */
export const isOver = () => sql()`exists (select 1 from tap t where t.outing_id = o.id and t.told->>'kind' = 'kept')`;

/** How many outings are over and in the book. */
export async function countOver(athleteId: string): Promise<number> {
  const [{ n }] = await sql()<{ n: number }[]>`
    select count(*)::int as n from outing o where o.athlete_id = ${athleteId} and o.deleted_at is null and ${isOver()}`;
  return n;
}

/** The athlete's outings by their start, without those that are in the book. @param which those at hand, or those put away */
export async function listOutings(athleteId: string, which: 'at hand' | 'put away' = 'at hand'): Promise<OutingLine[]> {
  const rows = await sql()<{ id: string; name: string; sport: Outing['sport']; start: string; plans: number }[]>`
    select o.id, o.name, o.sport, o.start_local::text as start,
      (select count(*)::int from plan p where p.outing_id = o.id and p.deleted_at is null) as plans
    from outing o
    where o.athlete_id = ${athleteId} and o.deleted_at is null and (o.archived_at is not null) = ${which === 'put away'}
      and not ${isOver()}
    order by o.start_local`;
  return rows.map((r) => ({ id: r.id, ...withSport(r), startMs: fromLocal(r.start), plans: r.plans }));
}

interface HourRow {
  at: string;
  air_c: number;
  humidity: number;
  wind_ms: number;
  gust_ms: number;
  from_deg: number;
  precipitation_mm_h: number;
  kind: ForecastHour['kind'];
  cloud: number;
}

interface LegRow {
  name: string;
  sport: Leg['sport'];
  minutes: number;
  distance_m: number;
  climb_m: number;
  effort_by: Effort['by'];
  effort_value: number | null;
  shelter: Leg['shelter'];
  pack_on: boolean;
  no_stopping: boolean;
  detail: { externalW?: number } & Pick<
    Leg,
    'surface' | 'footprintCm' | 'packUnder' | 'wetting' | 'side' | 'air' | 'profileFrom' | 'profileTo'
  >;
}

export const getOuting = (athleteId: string, id: string): Promise<StoredOuting | null> => read(athleteId, id, 'there');

/** The same, also when it was deleted. */
export const outingOrDeleted = (athleteId: string, id: string): Promise<StoredOuting | null> =>
  read(athleteId, id, 'any');

async function read(athleteId: string, id: string, which: 'there' | 'any'): Promise<StoredOuting | null> {
  const [o] = await sql()<
    {
      id: string;
      name: string;
      sport: Outing['sport'];
      start: string;
      utc_offset_min: number;
      load_kg: number;
      forecast_ele_m: number;
      start_ele_m: number;
      albedo: number;
      profile: Profile | null;
      latitude: number | null;
      longitude: number | null;
      version: number;
    }[]
  >`select *, start_local::text as start from outing where id = ${id} and athlete_id = ${athleteId} ${which === 'any' ? sql()`` : sql()`and deleted_at is null`}`;
  if (!o) return null;
  const [legs, forecast] = await Promise.all([
    sql()<LegRow[]>`select * from outing_leg where outing_id = ${id} order by seq`,
    hoursOf(id),
  ]);
  return {
    id: o.id,
    version: o.version,
    ...withSport(o),
    startMs: fromLocal(o.start),
    utcOffsetMin: o.utc_offset_min,
    loadKg: o.load_kg,
    forecastEleM: o.forecast_ele_m,
    startEleM: o.start_ele_m,
    albedo: o.albedo,
    legs: legs.map(({ detail: { externalW, ...detail }, ...l }) => ({
      ...withSport(l),
      minutes: l.minutes,
      distanceM: l.distance_m,
      climbM: l.climb_m,
      effort:
        l.effort_by === 'usual'
          ? { by: 'usual' }
          : { by: l.effort_by, value: l.effort_value!, ...(externalW === undefined ? {} : { externalW }) },
      shelter: l.shelter,
      packOn: l.pack_on,
      noStopping: l.no_stopping,
      ...detail,
    })),
    forecast,
    profile: o.profile ?? (await resampled(id)),
    ...(o.latitude === null ? {} : { place: { latitude: o.latitude, longitude: o.longitude! } }),
  };
}

/** The forecast of an outing, hour by hour; whose outing it is has been looked at before. */
async function hoursOf(id: string): Promise<ForecastHour[]> {
  const hours = await sql()<
    HourRow[]
  >`select *, at_local::text as at from forecast_hour where outing_id = ${id} order by at_local`;
  return hours.map((h) => ({
    timeMs: fromLocal(h.at),
    airC: h.air_c,
    humidity: h.humidity,
    wind: h.wind_ms,
    // Earlier versions took a gust below its wind.
    gust: Math.max(h.gust_ms, h.wind_ms),
    fromDeg: h.from_deg,
    precipitationMmH: h.precipitation_mm_h,
    kind: h.kind,
    cloud: h.cloud,
  }));
}

/** When the forecast of an outing was heard or brought in, ms since 1970 UTC. */
export async function forecastHeardMs(id: string): Promise<number | null> {
  const [row] = await sql()<{ heard: Date | null }[]>`select forecast_heard_at as heard from outing where id = ${id}`;
  return row?.heard?.getTime() ?? null;
}

/** The profile of an outing that was stored before profiles were: made from its points, and kept. */
async function resampled(id: string): Promise<Profile | null> {
  const route = await pointsOf(id);
  if (route.length === 0) return null;
  const profile = buildProfile(route);
  await sql()`update outing set profile = ${sql().json(profile as never)} where id = ${id}`;
  return profile;
}

/** Every point of the route as it was taken in, for export; empty for legs by hand or an outing of somebody else. */
export async function routeOf(athleteId: string, id: string): Promise<RoutePoint[]> {
  const [own] = await sql()`select 1 from outing where id = ${id} and athlete_id = ${athleteId}`;
  return own ? pointsOf(id) : [];
}

/**
 * Stores a new outing whole, or nothing.
 * @param route every point of it, where it came from one @param id left out: a new one
 */
export async function createOuting(
  athleteId: string,
  o: Outing,
  route: RoutePoint[] | null,
  id?: string,
): Promise<string> {
  return atomically(async () => {
    const tx = sql();
    const columns = {
      athlete_id: athleteId,
      name: o.name,
      sport: o.sport,
      start_local: toLocal(o.startMs),
      utc_offset_min: o.utcOffsetMin,
      load_kg: o.loadKg,
      forecast_ele_m: o.forecastEleM,
      start_ele_m: o.startEleM,
      albedo: o.albedo,
      profile: o.profile && tx.json(o.profile as never),
      latitude: o.place?.latitude ?? null,
      longitude: o.place?.longitude ?? null,
      forecast_heard_at: new Date(wallClock(0)),
      ...(id ? { id } : {}),
    };
    const [row] = await tx<{ id: string }[]>`insert into outing ${tx(columns as never)} returning id`;
    await insertParts(row.id, o);
    if (route) await insertPoints(row.id, route);
    return row.id;
  });
}

/**
 * Replaces legs, forecast and head of an outing over a known version; its route stays.
 * @returns the new version, or null when it is gone or was changed elsewhere meanwhile
 */
export async function updateOuting(athleteId: string, id: string, version: number, o: Outing): Promise<number | null> {
  return atomically(async () => {
    const tx = sql();
    const rows = await tx<{ version: number }[]>`
      update outing set name = ${o.name}, sport = ${o.sport}, start_local = ${toLocal(o.startMs)}::timestamp,
        utc_offset_min = ${o.utcOffsetMin}, load_kg = ${o.loadKg}, forecast_ele_m = ${o.forecastEleM},
        start_ele_m = ${o.startEleM}, albedo = ${o.albedo}, latitude = ${o.place?.latitude ?? null},
        longitude = ${o.place?.longitude ?? null}, updated_at = now(), version = version + 1
      where id = ${id} and athlete_id = ${athleteId} and deleted_at is null and version = ${version}
      returning version`;
    if (rows.length !== 1) return null;
    if (JSON.stringify(await hoursOf(id)) !== JSON.stringify(o.forecast))
      await tx`update outing set forecast_heard_at = ${new Date(wallClock(0))} where id = ${id}`;
    await tx`delete from outing_leg where outing_id = ${id}`;
    await tx`delete from forecast_hour where outing_id = ${id}`;
    await insertParts(id, o);
    return rows[0].version;
  });
}

async function insertParts(id: string, o: Outing): Promise<void> {
  const t = sql();
  await t`insert into outing_leg ${t(
    o.legs.map((l, seq) => ({
      outing_id: id,
      seq,
      name: l.name,
      sport: l.sport,
      minutes: l.minutes,
      distance_m: l.distanceM,
      climb_m: l.climbM,
      effort_by: l.effort.by,
      effort_value: l.effort.by === 'usual' ? null : l.effort.value,
      shelter: l.shelter,
      pack_on: l.packOn,
      no_stopping: l.noStopping,
      detail: t.json(detailOf(l) as never),
    })),
  )}`;
  const hours = o.forecast.map((h) => ({
    outing_id: id,
    at_local: toLocal(h.timeMs),
    air_c: h.airC,
    humidity: h.humidity,
    wind_ms: h.wind,
    gust_ms: h.gust,
    from_deg: h.fromDeg,
    precipitation_mm_h: h.precipitationMmH,
    kind: h.kind,
    cloud: h.cloud,
  }));
  await t`insert into forecast_hour ${t(hours)}`;
}

const detailOf = (l: Leg) => ({
  ...(l.effort.by === 'metabolic' && l.effort.externalW !== undefined ? { externalW: l.effort.externalW } : {}),
  ...(l.surface ? { surface: l.surface } : {}),
  ...(l.footprintCm !== undefined ? { footprintCm: l.footprintCm } : {}),
  ...(l.packUnder ? { packUnder: true } : {}),
  ...(l.wetting ? { wetting: l.wetting } : {}),
  ...(l.side ? { side: l.side } : {}),
  ...(l.air ? { air: l.air } : {}),
  ...(l.profileFrom !== undefined ? { profileFrom: l.profileFrom } : {}),
  ...(l.profileTo !== undefined ? { profileTo: l.profileTo } : {}),
});
