import type { Lesson } from '@/core/calibrate/learn';
import type { ArchivedOuting, Whole } from '@/formats/archive';
import { routeFile } from '@/formats/archive';
import { currentAthlete, saveAthlete, saveWishes } from './athlete';
import { addGarment, listCloset } from './closet';
import { atomically, sql } from './db';
import { createOuting, outingOrDeleted, routeOf } from './outings';
import type { Plan } from '@/core/kit/plan';
import type { Wishes } from '@/core/search/wishes';

/** A time in whole, as the database has it: to a microsecond. */
const ISO = `'YYYY-MM-DD"T"HH24:MI:SS.US"Z"'`;
const iso = (column: string) => sql().unsafe(`to_char(${column} at time zone 'UTC', ${ISO})`);

/** Everything of an athlete as it is at one moment. */
export async function readAll(athleteId: string): Promise<Whole> {
  return atomically(async () => {
    await sql()`set transaction isolation level repeatable read`;
    const { name, units, given, known, wishes, calledChance, winterCues } = await currentAthlete();
    const closet = await listCloset(athleteId, 'all');
    const times = await sql()<{ id: string; created: string; removed: string | null }[]>`
      select id, ${iso('created_at')} as created, ${iso('removed_at')} as removed from garment where athlete_id = ${athleteId}`;
    const timeOf = new Map(times.map((t) => [t.id, t]));
    const rows = await sql()<
      {
        id: string;
        created: string;
        archived: string | null;
        deleted: string | null;
        heard: string | null;
        learned: string | null;
        leftOut: boolean;
        wishes: Wishes | null;
      }[]
    >`
      select id, ${iso('created_at')} as created, ${iso('forecast_heard_at')} as heard, ${iso('learned_at')} as learned,
        left_out as "leftOut", wishes, ${iso('archived_at')} as archived, ${iso('deleted_at')} as deleted
      from outing where athlete_id = ${athleteId} order by created_at, id`;
    const routes: Whole['routes'] = {};
    const outings: ArchivedOuting[] = [];
    for (const row of rows) {
      const stored = await outingOrDeleted(athleteId, row.id);
      if (!stored) continue;
      const { id, version: _version, ...outing } = stored;
      const points = await routeOf(athleteId, id);
      if (points.length > 0) routes[id] = points;
      outings.push({
        id,
        createdAt: row.created,
        archivedAt: row.archived,
        deletedAt: row.deleted,
        forecastHeardAt: row.heard,
        ...(row.learned ? { learnedAt: row.learned } : {}),
        ...(row.leftOut ? { leftOut: true } : {}),
        ...(row.wishes ? { wishes: row.wishes } : {}),
        outing,
        route: points.length > 0 ? routeFile(id, outing.name) : null,
        plans: await plansOf(id),
        ...(await toldOf(id)),
        ...(await tapsIn(id)),
        ...(await lessonIn(id)),
      });
    }
    const garments = closet
      .map(({ garment, catalogueId, dampGm2, hung }) => ({
        id: garment.id,
        catalogueId,
        dampGm2: hung ? hung.fromGm2 : dampGm2,
        ...(hung ? { hung: { place: hung.place, since: new Date(hung.sinceMs).toISOString() } } : {}),
        removedAt: timeOf.get(garment.id)!.removed,
        createdAt: timeOf.get(garment.id)!.created,
        garment,
      }))
      .sort((a, b) => (a.createdAt + a.id < b.createdAt + b.id ? -1 : 1));
    const athlete = {
      name,
      units,
      person: given,
      ...(known ? { known } : {}),
      ...(calledChance.length > 0 ? { calledChance } : {}),
      ...(winterCues.length > 0 ? { winterCues } : {}),
      wishes,
    };
    return {
      archive: {
        format: 'lofted-ember archive',
        version: 1,
        athlete,
        garments,
        outings,
        lines: await linesOf(athleteId),
      },
      routes,
    };
  });
}

async function plansOf(outingId: string): Promise<ArchivedOuting['plans']> {
  const rows = await sql()<{ id: string; name: string; content: Plan; created: string; deleted: string | null }[]>`
    select id, name, content, ${iso('created_at')} as created, ${iso('deleted_at')} as deleted
    from plan where outing_id = ${outingId} order by plan.created_at, id`;
  return rows.map((r) => ({ id: r.id, name: r.name, createdAt: r.created, deletedAt: r.deleted, plan: r.content }));
}

async function toldOf(outingId: string): Promise<Pick<ArchivedOuting, 'told'>> {
  const [told] = await sql()<{ felt: string; toldAt: string }[]>`
    select felt, ${iso('told_at')} as "toldAt" from told where outing_id = ${outingId}`;
  return told ? { told: { ...told } } : {};
}

async function tapsIn(outingId: string): Promise<Pick<ArchivedOuting, 'taps'>> {
  const taps = await sql()<NonNullable<ArchivedOuting['taps']>>`
    select id, at_ms as "atMs", device, told from tap where outing_id = ${outingId} order by seq`;
  return taps.length > 0 ? { taps: taps.map((t) => ({ ...t })) } : {};
}

async function lessonIn(outingId: string): Promise<Pick<ArchivedOuting, 'lesson'>> {
  const [row] = await sql()<{ seq: string; lesson: Lesson; keptAt: string }[]>`
    select seq, lesson, ${iso('kept_at')} as "keptAt" from lesson where outing_id = ${outingId}`;
  return row ? { lesson: { order: Number(row.seq), keptAt: row.keptAt, taught: row.lesson } } : {};
}

async function linesOf(athleteId: string): Promise<NonNullable<Whole['archive']['lines']>> {
  const rows = await sql()<NonNullable<Whole['archive']['lines']>>`
    select id, line, name, ${iso('used_at')} as "usedAt", ${iso('created_at')} as "createdAt"
    from spoken_line where athlete_id = ${athleteId} order by spoken_line.created_at, id`;
  return rows.map((r) => ({ ...r }));
}

/** Puts an archive in the place of everything an athlete has: all of it, or nothing is changed. */
export async function replaceAll(athleteId: string, { archive, routes }: Whole): Promise<void> {
  // Times go as text: the driver's own keep no microseconds.
  await atomically(async () => {
    const tx = sql();
    await tx`delete from outing where athlete_id = ${athleteId}`;
    await tx`delete from garment where athlete_id = ${athleteId}`;
    await tx`delete from spoken_line where athlete_id = ${athleteId}`;
    await tx`delete from ladder where athlete_id = ${athleteId}`;
    const { wishes, person: given, known = null, calledChance = [], winterCues = [], ...me } = archive.athlete;
    const { version, wishesVersion } = await currentAthlete();
    await saveAthlete(athleteId, version, { ...me, given });
    await tx`
      update athlete set known = ${known && tx.json(known as never)}, called_chance = ${calledChance},
        winter_cues = ${winterCues} where id = ${athleteId}`;
    await saveWishes(athleteId, wishesVersion, wishes);
    for (const g of archive.garments) {
      await addGarment(athleteId, g.garment, g.catalogueId, g.dampGm2, g.id);
      await tx`
        update garment set created_at = ${g.createdAt}::text::timestamptz, removed_at = ${g.removedAt}::text::timestamptz,
          hung_place = ${g.hung?.place ?? null}, hung_since = ${g.hung?.since ?? null}::text::timestamptz
        where id = ${g.id}`;
    }
    for (const o of archive.outings) {
      await createOuting(athleteId, o.outing, routes[o.id] ?? null, o.id);
      await tx`
        update outing set created_at = ${o.createdAt}::text::timestamptz,
          archived_at = ${o.archivedAt}::text::timestamptz, deleted_at = ${o.deletedAt}::text::timestamptz,
          learned_at = ${o.learnedAt ?? null}::text::timestamptz, left_out = ${o.leftOut ?? false},
          wishes = ${o.wishes ? tx.json(o.wishes as never) : null},
          forecast_heard_at = ${o.forecastHeardAt ?? o.createdAt}::text::timestamptz
        where id = ${o.id}`;
      for (const p of o.plans)
        await tx`
          insert into plan (id, athlete_id, outing_id, name, content, created_at, deleted_at)
          values (${p.id}, ${athleteId}, ${o.id}, ${p.name}, ${tx.json(p.plan as never)}, ${p.createdAt}::text::timestamptz,
            ${p.deletedAt}::text::timestamptz)`;
      for (const t of o.taps ?? [])
        await tx`
          insert into tap (id, outing_id, at_ms, device, told) values (${t.id}, ${o.id}, ${t.atMs}, ${t.device},
            ${tx.json(t.told as never)})`;
      if (o.told)
        await tx`insert into told (outing_id, felt, told_at) values (${o.id}, ${o.told.felt}, ${o.told.toldAt}::text::timestamptz)`;
    }
    for (const l of archive.outings.flatMap(({ id, lesson }) => (lesson ? [{ id, ...lesson }] : [])))
      await tx`
        insert into lesson (outing_id, seq, lesson, kept_at)
        values (${l.id}, ${l.order}, ${tx.json(l.taught as never)}, ${l.keptAt}::text::timestamptz)`;
    for (const l of archive.lines ?? [])
      await tx`
        insert into spoken_line (id, athlete_id, line, name, used_at, created_at)
        values (${l.id}, ${athleteId}, ${l.line}, ${l.name}, ${l.usedAt}::text::timestamptz, ${l.createdAt}::text::timestamptz)`;
  });
}
