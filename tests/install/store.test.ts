/** @jest-environment node */
import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import postgres from 'postgres';
import { KeyTaken, once } from '@/store/answered';
import type { AddressInfo } from 'node:net';
import { outingAtDoor } from '@/core/outing/doorDay';
import type { Ladder } from '@/core/search/ladderTerms';
import { outedOf } from '@/core/underway/outed';
import { outThere } from '@/core/underway/outThere';
import { openPack, type Pack } from '@/core/underway/pack';
import type { Tap } from '@/core/underway/taps';
import { packArchive, unpackArchive } from '@/formats/archive';
import { stationWeather } from '@/standins/weather/simulate';
import { createServer } from 'node:http';
import { stationWeatherJson } from '@/formats/stationJson';
import { SITES } from '@/standins/weather/stations';
import { weatherService } from '@/standins/weather/server';
import { readAll, replaceAll } from '@/store/archive';
import { callChance, remindOf, currentAthlete, saveAthlete, saveWishes } from '@/store/athlete';
import { listCloset, updateGarment } from '@/store/closet';
import { keepLadder, keptLadder, ladderMark } from '@/store/ladders';
import { forgetLine, keepRegular, listLines, MOST_REGULARS, rememberLine } from '@/store/lines';
import { lastUntold, tell } from '@/store/told';
import { MOST_NEAR, NEAR_KM, weatherAround, weatherOf } from '@/store/weather';
import { atomically, OutcomeUnknown, sql } from '@/store/db';
import { keptLines } from '@/store/homeLines';
import { copyOuting } from '@/store/outingMoves';
import { createOuting, forecastHeardMs, getOuting, listOutings, updateOuting } from '@/store/outings';
import { outingWishes, saveOutingWishes } from '@/store/outingWishes';
import { knownCloset } from '@/store/knownCloset';
import { packFor } from '@/store/packs';
import { createPlan, deletePlan, listPlans } from '@/store/plans';
import { isInside } from '@/core/afterwards/miss';
import { readBook, type BookEntry } from '@/store/book';
import { keepLessons, leaveOut, lessonKept, lessonsKept, listTeaching, toldOuting } from '@/store/learning';
import { countTaps, keepTaps, tapsOf } from '@/store/taps';
import { listTrash } from '@/store/trash';
import { aDoorDay } from '#tests/support/door';

/** The store against a database of its own, as the application's role. */
jest.setTimeout(120_000);
const ROOT = resolve(__dirname, '../..');
let data: string;
let cluster: ChildProcess;
let superuser: string;

beforeAll(async () => {
  data = mkdtempSync('/var/tmp/ember-store-');
  chmodSync(data, 0o755);
  const script = (name: string) => JSON.stringify(join(ROOT, 'scripts', name));
  const program = `
    const { startCluster } = await import(${script('cluster.mjs')});
    const { ensurePostgres } = await import(${script('install.mjs')});
    const { openDatabase } = await import(${script('roles.mjs')});
    const { loadDemoInto } = await import(${script('demo.mjs')});
    const cluster = await startCluster(ensurePostgres(), ${JSON.stringify(data)});
    const { owner, app } = await openDatabase(cluster.url);
    await loadDemoInto(owner, 'if empty');
    console.log(JSON.stringify({ superuser: cluster.url, app }));
    process.on('SIGTERM', async () => { await cluster.stop(); process.exit(0); });
    setInterval(() => {}, 1000);`;
  cluster = spawn(process.execPath, ['--input-type=module', '-e', program], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 2],
  });
  const told = await new Promise<{ superuser: string; app: string }>((done) => {
    let out = '';
    cluster.stdout!.on('data', (d) => {
      out += d;
      const line = out.split('\n').find((l) => l.startsWith('{'));
      if (line) done(JSON.parse(line));
    });
  });
  superuser = told.superuser;
  process.env.DATABASE_URL = told.app;
});

afterAll(async () => {
  await globalThis.emberSql?.end({ timeout: 1 });
  await globalThis.emberTransactions?.end({ timeout: 1 });
  const ended = new Promise((done) => cluster.once('exit', done));
  cluster.kill('SIGTERM');
  await ended;
  rmSync(data, { recursive: true, force: true });
});

async function asSuperuser<T>(work: (s: postgres.Sql) => Promise<T>): Promise<T> {
  const s = postgres(superuser, { max: 1, onnotice: () => {} });
  try {
    return await work(s);
  } finally {
    await s.end();
  }
}

test('under a flood of queries nothing that was acknowledged rides in a transaction that is undone', async () => {
  await asSuperuser((s) => s.unsafe('create table flood (n int); grant all on flood to ember_app'));
  let acknowledged = 0;
  // Far more than a hundred in the pipeline of each connection.
  const plain = Array.from({ length: 1500 }, async (_, n) => {
    await sql()`insert into flood values (${n})`;
    acknowledged++;
  });
  const undone = Array.from({ length: 60 }, () =>
    atomically(async () => {
      await sql()`insert into flood values (-1)`;
      throw new Error('undo');
    }).catch((e: Error) => expect(e.message).toBe('undo')),
  );
  const kept = Array.from({ length: 60 }, () =>
    atomically(async () => {
      await sql()`insert into flood values (-2)`;
      await sql()`insert into flood values (-2)`;
      acknowledged += 2;
    }),
  );
  await Promise.all([...plain, ...undone, ...kept]);
  const [{ n, wrong }] = await sql()<{ n: number; wrong: number }[]>`
    select count(*)::int as n, count(*) filter (where n = -1)::int as wrong from flood`;
  expect({ n, wrong }).toEqual({ n: acknowledged, wrong: 0 });
});

test('a transaction in which a failed statement was passed over is not called stored', async () => {
  const passedOver = atomically(async () => {
    await sql()`insert into flood values (-3)`;
    await sql()`insert into flood values ('x')`.catch(() => {});
  });
  await expect(passedOver).rejects.toThrow(/invalid input syntax/);
  expect(await sql()`select 1 from flood where n = -3`).toHaveLength(0);
});

test('a connection that breaks in the middle is not given to others, and the next transaction has a whole one', async () => {
  for (let i = 0; i < 12; i++) {
    const broken = atomically(async () => {
      const [{ pid }] = await sql()`select pg_backend_pid() as pid`;
      await asSuperuser((s) => s`select pg_terminate_backend(${pid})`);
      await sql()`insert into flood values (-4)`;
    });
    await expect(broken).rejects.toThrow(OutcomeUnknown);
  }
  expect(await atomically(async () => (await sql()`select 1 as one`)[0].one)).toBe(1);
  expect(await sql()`select 1 from flood where n = -4`).toHaveLength(0);
});

test('statements under way when all connections break are answered, and so is every one after them', async () => {
  for (let i = 0; i < 5; i++) {
    const asked = Array.from({ length: 40 }, () =>
      sql()`select pg_sleep(0.3)`.then(
        () => 'done',
        () => 'refused',
      ),
    );
    await new Promise((go) => setTimeout(go, 100));
    await asSuperuser((s) => s`select pg_terminate_backend(pid) from pg_stat_activity where usename = 'ember_app'`);
    const after = Array.from({ length: 40 }, () =>
      sql()`select 1 as one`.then(
        () => 'done',
        () => 'refused',
      ),
    );
    const late = new Promise<string>((go) => setTimeout(go, 9000, 'never answered'));
    for (const answer of [...asked, ...after]) expect(await Promise.race([answer, late])).toMatch(/done|refused/);
    expect((await sql()`select 1 as one`)[0].one).toBe(1);
  }
});

test('what has a key is done once, also of two at the same moment; what throws leaves the key free', async () => {
  const { id } = await currentAthlete();
  const key = '11111111-2222-4333-8444-555555555555';
  let done = 0;
  const work = async () => {
    done++;
    await new Promise((go) => setTimeout(go, 100));
    return { status: 200, body: { done } };
  };
  await expect(once(id, key, 'a', () => Promise.reject(new Error('not now')))).rejects.toThrow('not now');
  const answers = await Promise.all([1, 2, 3].map(() => once(id, key, 'a', work)));
  expect(answers).toEqual(Array(3).fill({ status: 200, body: { done: 1 } }));
  await expect(once(id, key, 'b', work)).rejects.toThrow(KeyTaken);
  expect(done).toBe(1);
});

test('with a thousand athletes, what one is shown is found by index and never by reading through everybody’s', async () => {
  const athlete = await currentAthlete();
  await asSuperuser((s) =>
    s.unsafe(`
      insert into athlete (name, mass_kg, height_m, fat_percent, vo2max_ml_kg_min, rest_bpm, max_bpm, created_at)
      select 'Athlete ' || n, 70, 1.75, 15, 50, 50, 185, now() + n * interval '1 second' from generate_series(1, 1000) n;
      create temp table names as select string_agg('g.' || quote_ident(column_name), ',') as list, string_agg(quote_ident(column_name), ',') as plain from information_schema.columns
        where table_name = 'garment' and column_name not in ('id', 'athlete_id');
      do $$ declare l text; p text; begin select list, plain into l, p from names;
        execute 'insert into garment (athlete_id, ' || p || ') select a.id, ' || l || ' from athlete a
          cross join lateral (select * from garment where athlete_id = (select id from athlete order by created_at limit 1) limit 30) g
          where a.name like ''Athlete %'''; end $$;
      insert into outing (athlete_id, name, sport, start_local, utc_offset_min, load_kg, forecast_ele_m, start_ele_m, albedo)
        select id, 'Run ' || n, 'run', '2027-01-16 08:00', 60, 0, 0, 0, 0.6 from athlete, generate_series(1, 10) n
        where name like 'Athlete %';
      insert into plan (athlete_id, outing_id, name, content) select athlete_id, id, 'Plan A', '{}' from outing
        where name like 'Run %';
      insert into outing_leg (outing_id, seq, name, sport, minutes, distance_m, climb_m, effort_by, shelter, pack_on, no_stopping)
        select id, 0, 'x', 'run', 60, 0, 0, 'usual', 'open', false, false from outing where name like 'Run %';
      insert into forecast_hour select id, timestamp '2027-01-16 08:00', 0, 0.7, 3, 5, 0, 0, 'none', 1 from outing
        where name like 'Run %';
      insert into home_line select id, 'x', '{}' from outing where name like 'Run %';
      analyze;`),
  );
  const scans = async () => {
    await new Promise((go) => setTimeout(go, 1200));
    const rows = await asSuperuser(
      (s) => s<{ relname: string; seq_scan: string }[]>`select relname, seq_scan from pg_stat_user_tables`,
    );
    return Object.fromEntries(rows.map((r) => [r.relname, Number(r.seq_scan)]));
  };
  const before = await scans();
  const [first] = await listOutings(athlete.id);
  for (let i = 0; i < 5; i++)
    await Promise.all([
      listCloset(athlete.id),
      listCloset(athlete.id, 'all'),
      listOutings(athlete.id),
      listOutings(athlete.id, 'put away'),
      getOuting(athlete.id, first.id),
      listPlans(athlete.id, first.id),
      keptLines(athlete.id),
      listTrash(athlete.id),
    ]);
  // Connections tell what they did when they are idle for a moment, or end.
  await globalThis.emberSql!.end();
  globalThis.emberSql = undefined;
  const after = await scans();
  for (const table of ['garment', 'plan', 'outing', 'outing_leg', 'forecast_hour', 'home_line'])
    expect({ table, scans: after[table] - before[table] }).toEqual({ table, scans: 0 });
});

test('the log tells what failed and where, and nothing that was typed', () => {
  const program = `
    const { build } = await import('esbuild');
    await build({ entryPoints: ['src/store/log.ts'], bundle: true, platform: 'node', format: 'esm', outfile: '${data}/log.mjs', external: ['pino'] });`;
  execFileSync(process.execPath, ['--input-type=module', '-e', program], { cwd: ROOT });
  const say = `
    import { createRequire } from 'node:module';
    const e = Object.assign(new TypeError('a name: Secret Person'), { code: '22P02', detail: 'Secret Person' });
    const { log, traceOf } = await import('${data}/log.mjs');
    log.error({ route: '/api/athlete', ...traceOf(e) }, 'a request failed');`;
  execFileSync('ln', ['-sfn', join(ROOT, 'node_modules'), join(data, 'node_modules')]);
  const line = execFileSync(process.execPath, ['--input-type=module', '-e', say], { cwd: ROOT, encoding: 'utf8' });
  expect(JSON.parse(line)).toMatchObject({ kind: 'TypeError', code: '22P02', route: '/api/athlete' });
  expect(line).not.toContain('Secret');
});

const NOW = Date.UTC(2027, 0, 16, 20);

test('the last five lines are kept by when they were used, regulars by their name, and both can be forgotten', async () => {
  const { id } = await currentAthlete();
  for (const n of [1, 2, 3, 4, 5, 6, 7]) await rememberLine(id, `run ${n}0 min`);
  await rememberLine(id, 'run 30 min');
  let lines = await listLines(id);
  expect(lines.map((l) => l.line)).toEqual(['run 30 min', 'run 70 min', 'run 60 min', 'run 50 min', 'run 40 min']);
  await keepRegular(id, 'Tuesday run', 'run 50 min −6');
  const again = await keepRegular(id, 'Tuesday run', 'run 55 min −6');
  lines = await listLines(id);
  expect(lines[0]).toMatchObject({ name: 'Tuesday run', line: 'run 55 min −6', id: again!.id });
  expect(await forgetLine(id, again!.id)).toBe(true);
  expect(await forgetLine(id, again!.id)).toBe(false);
  for (let n = 0; n < MOST_REGULARS; n++) expect(await keepRegular(id, `Regular ${n}`, 'run')).not.toBeNull();
  expect(await keepRegular(id, 'One too many', 'run')).toBeNull();
  expect(await keepRegular(id, 'Regular 0', 'run 2 h')).not.toBeNull();
});

test('the last outing that is over waits to be told, once, and not for ever', async () => {
  const { id } = await currentAthlete();
  const untold = await lastUntold(id, NOW);
  expect(untold!.name).toBe('Skarn Head round');
  expect(await tell(id, untold!.id, 'too cold')).toBe(true);
  expect((await lastUntold(id, NOW))!.name).toBe('Mill Lane loop');
  expect(await tell(id, untold!.id, null)).toBe(true);
  expect((await lastUntold(id, NOW))!.name).toBe('Skarn Head round');
  expect(await lastUntold(id, Date.UTC(2027, 0, 12, 12))).toBeNull();
  expect(await lastUntold(id, NOW + 60 * 24 * 3600_000)).toBeNull();
  expect(await tell(id, '00000000-0000-4000-8000-000000000000', 'right')).toBe(false);
});

test('an outing from the door keeps where it is, for the sun', async () => {
  const { id } = await currentAthlete();
  const place = { latitude: 54.5, longitude: -2.6, utcOffsetMin: 0, eleM: 210 };
  const made = await createOuting(id, outingAtDoor(aDoorDay(), place), null);
  const read = await getOuting(id, made);
  expect(read!.place).toEqual({ latitude: 54.5, longitude: -2.6 });
  expect(read!.profile).toBeNull();
  const [first] = await listOutings(id);
  expect((await getOuting(id, first.id))!.place === undefined || first.id === made).toBe(true);
});

test('a ladder holds until athlete, wishes or a piece changes; that a piece is damp changes nothing', async () => {
  const { id, version, wishesVersion, wishes, name, units, given } = await currentAthlete();
  const mark = () => ladderMark(id);
  const before = await mark();
  const ladder = { sport: 'run', shelter: 'open', bands: [], rungs: [], cells: [], reach: [] } as Ladder;
  await keepLadder(id, before, 'metric', ladder);
  const key = { sport: 'run', shelter: 'open', units: 'metric' } as const;
  expect(await keptLadder(id, key)).toMatchObject({ ladder, mark: before });
  expect(await keptLadder(id, { ...key, units: 'imperial' })).toBeNull();
  const [piece] = await listCloset(id);
  const damp = await updateGarment(id, piece.garment.id, piece.version, { ...piece, dampGm2: 33 });
  expect(await mark()).toBe(before);
  await updateGarment(id, piece.garment.id, damp!, { garment: { ...piece.garment, massG: 333 }, dampGm2: 0 });
  const changed = await mark();
  expect(changed).not.toBe(before);
  await saveWishes(id, wishesVersion, { ...wishes, mouthBelowC: -7 });
  expect((await currentAthlete()).wishes.mouthBelowC).toBe(-7);
  expect(await mark()).not.toBe(changed);
  await saveAthlete(id, version, { name, units, given: { ...given, warmth: 1 } });
  expect(new Set([before, changed, await mark()]).size).toBe(3);
});

test('a weather service that is silent stops nothing: what it last said stands, with its age; one never heard is null', async () => {
  const service = weatherService().listen(0, '127.0.0.1');
  await new Promise((go) => service.once('listening', go));
  process.env.EMBER_WEATHER = `http://127.0.0.1:${(service.address() as AddressInfo).port}`;
  const at = Date.UTC(2027, 0, 12, 7, 5);
  const heard = await weatherOf('lang-tarn', at);
  expect(heard).toMatchObject({ state: 'heard', ageMs: 0 });
  expect(heard!.weather).toEqual(stationWeather('lang-tarn', at, 12));
  service.closeAllConnections();
  await new Promise((go) => service.close(go));
  expect((await weatherOf('lang-tarn', at))!.state).toBe('heard');
  const later = await weatherOf('lang-tarn', at + 3600_000);
  expect(later!.state).toBe('silent');
  expect(later!.weather).toEqual(heard!.weather);
  expect(await weatherOf('skarn-head', at)).toBeNull();
});

test('stations about one’s own say the wind where they are near, as many as are asked', async () => {
  const at = Date.UTC(2027, 0, 12, 7, 5);
  const [{ station: own }] = SITES;
  const kmNorth = (km: number) => own.latitude + km / 111.195;
  const far = (id: string, km: number) => ({ ...own, id, name: id, latitude: kmNorth(km) });
  let list = [own, far('near', NEAR_KM - 0.1), far('too-far', NEAR_KM + 0.1)];
  const service = createServer((req, res) => {
    const id = /stations\/([a-z0-9-]+)\/weather/.exec(req.url!)?.[1];
    const station = list.find((s) => s.id === id);
    const said = stationWeatherJson(stationWeather(own.id, at, 12));
    res.end(JSON.stringify(id ? { ...said, station } : { stations: list }));
  }).listen(0, '127.0.0.1');
  await new Promise((go) => service.once('listening', go));
  process.env.EMBER_WEATHER = `http://127.0.0.1:${(service.address() as AddressInfo).port}`;
  const others = async () => (await weatherAround(own.id, at))!.others.map((o) => o.weather.station.id);
  // A station that says nothing for two seconds is left out: a machine that stands still so long is asked again.
  const inTime = async (many: number) => {
    let found = await others();
    for (let again = 0; again < 3 && found.length < many; again++) found = await others();
    return found;
  };
  expect(await inTime(1)).toEqual(['near']);
  list = [own, ...Array.from({ length: MOST_NEAR + 1 }, (_, i) => far(`n${i}`, 5 + i))];
  expect(await inTime(MOST_NEAR)).toEqual(list.slice(1, MOST_NEAR + 1).map((s) => s.id));
  service.closeAllConnections();
  await new Promise((go) => service.close(go));
});

test('taps are kept once, in the order they came in, and only for an outing of the athlete', async () => {
  const { id } = await currentAthlete();
  const [outing, other] = await listOutings(id);
  const tap = (n: number): Tap => ({
    id: `00000000-0000-4000-8000-00000000000${n}`,
    atMs: 1.8e12 + n,
    device: 'phone',
    told: { kind: 'feels', feels: 'fine' },
  });
  expect(await keepTaps(id, outing.id, [tap(2), tap(1)])).toEqual([]);
  expect(await keepTaps(id, outing.id, [tap(1), tap(3)])).toEqual([]);
  const all = (await tapsOf(id, outing.id, 0))!;
  expect(all.map((t) => t.id)).toEqual([tap(2), tap(1), tap(3)].map((t) => t.id));
  expect((await tapsOf(id, outing.id, all[1].seq))!.map((t) => t.id)).toEqual([tap(3).id]);
  expect(await countTaps(outing.id)).toBe(3);
  // A name that another outing has already is told back, not moved.
  expect(await keepTaps(id, other.id, [tap(1)])).toEqual([tap(1).id]);
  expect(await countTaps(other.id)).toBe(0);
  // What came home wet is damp in the closet, once: set dry by hand, the same tap sent again wets it no more.
  const [piece] = await listCloset(id);
  const wet: Tap = { ...tap(5), told: { kind: 'wet', garment: piece.garment.id, dampGm2: 41 } };
  await keepTaps(id, outing.id, [wet]);
  const damp = (await listCloset(id)).find((o) => o.garment.id === piece.garment.id)!;
  expect(damp).toMatchObject({ dampGm2: 41, version: piece.version + 1 });
  await updateGarment(id, piece.garment.id, damp.version, { garment: damp.garment, dampGm2: 0 });
  await keepTaps(id, outing.id, [wet]);
  expect((await listCloset(id)).find((o) => o.garment.id === piece.garment.id)!.dampGm2).toBe(0);
  const nobody = '00000000-0000-4000-8000-000000000000';
  expect(await keepTaps(nobody, outing.id, [tap(4)])).toBeNull();
  expect(await tapsOf(nobody, outing.id, 0)).toBeNull();
});

test('an outing is packed with its plan, its pieces, its route and the age of its forecast', async () => {
  const athlete = await currentAthlete();
  const line = (await listOutings(athlete.id)).find((o) => o.name === 'Skarn Head round')!;
  expect(await packFor(athlete, line.id, null)).toBe('no plan');
  const closet = await listCloset(athlete.id);
  const [a, b] = [closet[0].garment.id, closet[1].garment.id];
  const plan = (worn: string) => ({ worn: [worn], carried: [], openings: {}, cues: [] });
  const first = await createPlan(athlete.id, line.id, 'One', plan(a));
  const second = await createPlan(athlete.id, line.id, 'Two', plan(b));
  const newest = (await packFor(athlete, line.id, null)) as Pack;
  expect(newest.planId).toBe(second!.id);
  const asked = (await packFor(athlete, line.id, first!.id)) as Pack;
  expect(asked.plan.worn).toEqual([a]);
  expect(asked.inCloset).toHaveLength(closet.length);
  expect(asked.track!.lat).toHaveLength(asked.outing.profile!.distanceM.length);
  expect(asked.forecastMs).toBeGreaterThan(0);
  // Legs alone leave the forecast as old as it is; another forecast is a new one.
  const { id, version, ...outing } = (await getOuting(athlete.id, line.id))!;
  await sql()`update outing set forecast_heard_at = ${new Date(0)} where id = ${id}`;
  const next = await updateOuting(athlete.id, id, version, { ...outing, loadKg: 9 });
  expect(await forecastHeardMs(id)).toBe(0);
  const [hour, ...hours] = outing.forecast;
  await updateOuting(athlete.id, id, next!, { ...outing, forecast: [{ ...hour, airC: hour.airC - 1 }, ...hours] });
  expect(await forecastHeardMs(id)).toBeGreaterThan(0);
  expect(await packFor(athlete, '00000000-0000-4000-8000-000000000000', null)).toBeNull();
});

test('outings that were told teach until they are kept or left out; a tap before the start teaches nothing', async () => {
  const athlete = await currentAthlete();
  const line = (await listOutings(athlete.id)).find((o) => o.name === 'Skarn Head round')!;
  const tap = (n: number, told: Tap['told']): Tap => ({
    id: `00000000-0000-4000-8000-0000000001${String(n).padStart(2, '0')}`,
    atMs: line.startMs + n * 1000,
    device: 'phone',
    told,
  });
  await keepTaps(athlete.id, line.id, [tap(1, { kind: 'felt', part: 'hands', felt: 'cold' })]);
  const mine = async () => (await listTeaching(athlete.id)).find((o) => o.id === line.id);
  expect(await mine()).toBeUndefined();
  await keepTaps(athlete.id, line.id, [tap(2, { kind: 'started', by: 'button' })]);
  expect(await mine()).toMatchObject({ name: 'Skarn Head round', stands: 'waits' });
  expect((await toldOuting(athlete, line.id))!.taps).toHaveLength(2);
  expect(await leaveOut(athlete.id, line.id, { out: true })).toBe(true);
  expect(await mine()).toMatchObject({ stands: 'left out' });
  expect(await leaveOut('00000000-0000-4000-8000-000000000000', line.id, { out: false })).toBe(false);
  // An earlier version wrote what it learned into the athlete's own numbers.
  await leaveOut(athlete.id, line.id, { out: false });
  await sql()`update outing set learned_at = now() where id = ${line.id}`;
  expect(await mine()).toMatchObject({ stands: 'in the numbers' });
  await leaveOut(athlete.id, line.id, { out: true });
});

test('what outings taught is kept over a known version, all of it or nothing, and everything counts with it', async () => {
  const athlete = await currentAthlete();
  const lessons = await lessonsKept(athlete.id);
  const winter = (await listTeaching(athlete.id)).filter((o) => o.stands === 'kept');
  expect(lessons.map((l) => l.outingId).sort()).toEqual(winter.map((o) => o.id).sort());
  expect(lessons).toHaveLength(33);
  // A test before this one changed what is given of warmth: the mean moved with it, how sure it is did not.
  expect(athlete.known!.covariance).toEqual(lessons[lessons.length - 1].lesson.after.covariance);
  expect(athlete.person.sweatGain).toBeCloseTo(athlete.given.sweatGain * Math.exp(athlete.known!.mean[0]), 9);
  const [first, second] = lessons;
  const put = (over: Partial<Parameters<typeof keepLessons>[1]>) =>
    keepLessons(athlete.id, { version: athlete.version, known: null, lessons: [], how: 'beside', ...over });
  expect(await put({ version: athlete.version - 1, how: 'instead' })).toBeNull();
  expect(await put({ lessons: [{ ...first, outingId: '00000000-0000-4000-8000-000000000000' }] })).toBe('unknown');
  expect(await lessonsKept(athlete.id)).toHaveLength(33);
  // Taken back, an outing waits again; left out, it does not.
  const next = (await put({ known: first.lesson.after, drop: [second.outingId], leftOut: [first.outingId] })) as number;
  expect(next).toBe(athlete.version + 1);
  const stands = async (id: string) => (await listTeaching(athlete.id)).find((o) => o.id === id)!.stands;
  expect([await stands(first.outingId), await stands(second.outingId)]).toEqual(['left out', 'waits']);
  expect(await lessonKept(athlete.id, first.outingId)).toBeNull();
  // Instead of all of it: as it was, in its order.
  await put({ version: next, known: athlete.known, lessons, how: 'instead' });
  expect((await lessonsKept(athlete.id)).map((l) => l.outingId)).toEqual(lessons.map((l) => l.outingId));
  expect(await stands(first.outingId)).toBe('kept');
  // Whoever gives another number of themselves: outings stay as sure of the truth as they were.
  const now = await currentAthlete();
  await saveAthlete(now.id, now.version, { ...now, given: { ...now.given, sweatGain: now.given.sweatGain * 1.2 } });
  const moved = await currentAthlete();
  expect(moved.known!.covariance).toEqual(now.known!.covariance);
  expect(Math.abs(Math.log(moved.person.sweatGain / now.person.sweatGain))).toBeLessThan(0.3 * Math.log(1.2));
  await saveAthlete(now.id, moved.version, { ...now });
});

test('a piece that outings found thinner counts as that in plans and packs; the closet keeps its own numbers', async () => {
  const athlete = await currentAthlete();
  const [taught] = Object.entries(athlete.known!.garments!).find(([, g]) => Math.abs(g.loft.mean) > 0.005)!;
  const given = (await listCloset(athlete.id, 'all')).find((o) => o.garment.id === taught)!.garment;
  const loft = Math.exp(athlete.known!.garments![taught].loft.mean);
  const counted = (await knownCloset(athlete, 'all')).find((o) => o.garment.id === taught)!.garment;
  expect(counted.thicknessMm / given.thicknessMm).toBeCloseTo(loft, 9);
  expect({ ...counted, thicknessMm: 0, panels: {} }).toEqual({ ...given, thicknessMm: 0, panels: {} });
  const [outing] = await listOutings(athlete.id);
  const plan = { worn: [taught], carried: [], openings: {}, cues: [] };
  const made = (await createPlan(athlete.id, outing.id, 'Thinner', plan))!;
  const pack = (await packFor(athlete, outing.id, made.id)) as Pack;
  expect(pack.closet.find((g) => g.id === taught)).toEqual(counted);
  // What is learned next is learned against the piece's own numbers, not twice.
  expect(pack.given!.find((g) => g.id === taught)).toEqual(given);
  const opened = openPack(pack);
  const outed = outedOf(opened, outThere(opened, [], pack.packedMs));
  expect(outed.closet.find((g) => g.id === taught)).toEqual(given);
  expect(await knownCloset({ ...athlete, known: null }, 'all')).toEqual(await listCloset(athlete.id, 'all'));
  await deletePlan(athlete.id, made.id);
});

test('the book has every day that was told, works each out once, and names what cannot be laid out any more', async () => {
  const athlete = await currentAthlete();
  const [book, beside] = await Promise.all([readBook(athlete), readBook(athlete)]);
  expect(book).toHaveLength(35);
  expect(book.filter((e) => e.day === null)).toEqual([]);
  // Two who ask at once share the work.
  expect(beside.every((e, i) => e.day === book[i].day)).toBe(true);
  expect(book.filter((e) => e.kept)).toHaveLength(33);
  expect(book.filter((e) => e.miss && !isInside(e.miss)).length).toBeLessThan(12);
  const [one] = book;
  await sql()`delete from forecast_hour where outing_id = ${one.id}`;
  await sql()`update outing set version = version + 1 where id = ${one.id}`;
  // A piece that was changed makes only those days new that name it.
  const marks = async () =>
    new Map((await sql()`select outing_id as id, mark from book_day`).map((r) => [r.id, r.mark]));
  const names = (e: BookEntry, id: string) => [...e.day!.worn, ...e.day!.carried].includes(id);
  const [piece] = book.at(-1)!.day!.worn.filter((id) => book.some((e) => !names(e, id) && e !== one));
  const without = book.find((e) => !names(e, piece) && e !== one)!;
  const old = await marks();
  await sql()`update garment set version = version + 1 where id = ${piece}`;
  const again = await readBook(athlete);
  expect(again.find((e) => e.id === one.id)).toMatchObject({ name: one.name, day: null });
  const now = await marks();
  expect(now.get(without.id)).toBe(old.get(without.id));
  expect(now.get(book.at(-1)!.id)).not.toBe(old.get(book.at(-1)!.id));
  await callChance(athlete.id, 'fast', { chance: true });
  await callChance(athlete.id, 'fast', { chance: true });
  expect((await currentAthlete()).calledChance).toEqual(['fast']);
  await callChance(athlete.id, 'fast', { chance: false });
  await callChance(athlete.id, 'in the dark', { chance: true });
  expect((await currentAthlete()).calledChance).toEqual(['in the dark']);
  await remindOf(athlete.id, 'fast', { cue: true });
  await remindOf(athlete.id, 'fast', { cue: true });
  await remindOf(athlete.id, 'windy', { cue: true });
  await remindOf(athlete.id, 'fast', { cue: false });
  expect((await currentAthlete()).winterCues).toEqual(['windy']);
  await sql()`delete from outing where id = ${one.id}`;
});

test('everything out and in again has the lines and what was told', async () => {
  const { id } = await currentAthlete();
  const untold = await lastUntold(id, NOW);
  await tell(id, untold!.id, 'wet');
  const before = await readAll(id);
  expect(before.archive.lines!.length).toBeGreaterThan(0);
  expect(before.archive.outings.find((o) => o.id === untold!.id)!.told!.felt).toBe('wet');
  expect(
    before.archive.outings.filter((o) => o.plans.length > 0 && !o.lesson).flatMap((o) => o.taps ?? []).length,
  ).toBeGreaterThan(5);
  expect(before.archive.outings.find((o) => o.leftOut)!.learnedAt).toBeDefined();
  expect(before.archive.outings.filter((o) => o.lesson)).toHaveLength(32);
  expect(before.archive.athlete.known!.outings).toBe(33);
  expect(before.archive.athlete.calledChance).toEqual(['in the dark']);
  expect(before.archive.athlete.winterCues).toEqual(['windy']);
  const packed = packArchive(before);
  await replaceAll(id, unpackArchive(packed, 'archive.zip'));
  expect(Buffer.compare(Buffer.from(packArchive(await readAll(id))), Buffer.from(packed))).toBe(0);
});

test('wishes belong to an outing: over a known version only, as usual without, copied, packed and archived with it', async () => {
  const { id, wishes } = await currentAthlete();
  const [outing, other] = await listOutings(id);
  const first = (await outingWishes(id, outing.id))!;
  expect(first.own).toBeNull();
  const [piece] = await listCloset(id);
  const content = { worn: [piece.garment.id], carried: [], openings: {}, cues: [] };
  const plan = (await createPlan(id, outing.id, 'One', content))!;
  const packed = async () => ((await packFor(await currentAthlete(), outing.id, plan.id)) as Pack).wishes;
  expect(await packed()).toEqual(wishes);
  const own = { ...wishes, waiting: 4, floorC: -12.5 };
  const version = await saveOutingWishes(id, outing.id, { own, version: first.version });
  expect(version).toBe(first.version + 1);
  // Written past the door and not to be read, they are as usual; the right ones come back.
  await sql()`update outing set wishes = '{"waiting": -3, "floorC": "cold"}' where id = ${outing.id}`;
  expect(await outingWishes(id, outing.id)).toEqual({ own: null, version });
  expect(await packed()).toEqual(wishes);
  await sql()`update outing set wishes = ${sql().json(own as never)} where id = ${outing.id}`;
  // A second window with the older version overwrites nothing; nor does somebody else.
  expect(await saveOutingWishes(id, outing.id, { own: null, version: first.version })).toBeNull();
  expect(await outingWishes('00000000-0000-4000-8000-000000000000', outing.id)).toBeNull();
  expect(await outingWishes(id, outing.id)).toEqual({ own, version });
  expect((await outingWishes(id, other.id))!.own).toBeNull();
  expect((await currentAthlete()).wishes).toEqual(wishes);
  expect(await packed()).toEqual(own);
  const copy = (await copyOuting(id, outing.id, (n) => `${n} again`))!;
  expect((await outingWishes(id, copy))!.own).toEqual(own);
  const whole = unpackArchive(packArchive(await readAll(id)), 'archive.zip');
  expect(whole.archive.outings.find((o) => o.id === copy)!.wishes).toEqual(own);
  await replaceAll(id, whole);
  expect((await outingWishes(id, copy))!.own).toEqual(own);
  expect((await outingWishes(id, other.id))!.own).toBeNull();
});

test('a stored sport that is not known takes nothing else with it: it is read as a hike, and the name says so', async () => {
  const { id } = await currentAthlete();
  const [line] = await listOutings(id);
  const before = (await getOuting(id, line.id))!;
  await sql()`update outing set sport = 'zorb' where id = ${line.id}`;
  await sql()`update outing_leg set sport = 'zorb' where outing_id = ${line.id} and seq = 0`;
  const odd = (await getOuting(id, line.id))!;
  expect([odd.sport, odd.legs[0].sport]).toEqual(['hike', 'hike']);
  expect(odd.name).toBe(`${before.name} (“zorb” is not known here, read as a hike)`);
  expect(odd.legs[0].name).toContain('zorb');
  expect(odd.legs.slice(1)).toEqual(before.legs.slice(1));
  expect((await listOutings(id)).find((o) => o.id === line.id)).toMatchObject({ name: odd.name, sport: 'hike' });
  await updateOuting(id, line.id, odd.version, before);
  expect(await getOuting(id, line.id)).toEqual({ ...before, version: odd.version + 1 });
});
