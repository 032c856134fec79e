/** @jest-environment node */
import { createHash } from 'node:crypto';
import { execFileSync, spawn, spawnSync, type ChildProcess } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  renameSync,
  rmSync,
  writeFileSync,
  chmodSync,
  readFileSync,
  readdirSync,
} from 'node:fs';
import { join, resolve } from 'node:path';
import postgres from 'postgres';

/**
 * The database of the project's own: made, migrated, loaded once, killed at bad moments, and nothing lost.
 * The launcher's plain-JavaScript modules are driven through small Node programs, as bin/demo drives them.
 */
jest.setTimeout(120_000);
const ROOT = resolve(__dirname, '../..');
let data: string;

beforeAll(() => {
  data = mkdtempSync('/var/tmp/ember-install-');
  chmodSync(data, 0o755);
});
const children: ChildProcess[] = [];
afterAll(async () => {
  for (const child of children) {
    if (child.exitCode !== null || child.signalCode !== null) continue;
    child.kill('SIGTERM');
    await gone(child);
  }
  rmSync(data, { recursive: true, force: true });
});

interface Running {
  child: ChildProcess;
  url: string;
}

/** Starts the cluster the way bin/demo does (start, migrate, load the demo) and keeps it until killed. */
function start(folder = data): Promise<Running> {
  const program = `
    const { startCluster } = await import(${JSON.stringify(join(ROOT, 'scripts/cluster.mjs'))});
    const { ensurePostgres } = await import(${JSON.stringify(join(ROOT, 'scripts/install.mjs'))});
    const { migrate } = await import(${JSON.stringify(join(ROOT, 'scripts/migrate.mjs'))});
    const { loadDemoInto } = await import(${JSON.stringify(join(ROOT, 'scripts/demo.mjs'))});
    const cluster = await startCluster(ensurePostgres(), ${JSON.stringify(folder)});
    await migrate(cluster.url);
    const loaded = await loadDemoInto(cluster.url, 'if empty');
    console.log(JSON.stringify({ url: cluster.url, loaded }));
    process.on('SIGTERM', async () => { await cluster.stop(); process.exit(0); });
    setInterval(() => {}, 1000);`;
  const child = spawn(process.execPath, ['--input-type=module', '-e', program], {
    stdio: ['ignore', 'pipe', 'pipe'],
    cwd: ROOT,
  });
  children.push(child);
  return new Promise((done, fail) => {
    let out = '';
    child.stdout!.on('data', (d) => {
      out += d;
      const line = out.split('\n').find((l) => l.startsWith('{'));
      if (line) done({ child, url: (JSON.parse(line) as { url: string }).url });
    });
    let err = '';
    child.stderr!.on('data', (d) => (err += d));
    child.once('exit', (code) => fail(new Error(`the launcher ended with ${code}: ${out} ${err}`)));
  });
}

/** Migrates as bin/demo does. @returns what it says: the files applied, or why not */
function migrate(url: string, folder: string): string {
  const program = `
    const { migrate } = await import(${JSON.stringify(join(ROOT, 'scripts/migrate.mjs'))});
    try { console.log(JSON.stringify(await migrate(${JSON.stringify(url)}, ${JSON.stringify(folder)}))); }
    catch (e) { console.log(e.message); }`;
  const told = execFileSync(process.execPath, ['--input-type=module', '-e', program], { cwd: ROOT, encoding: 'utf8' });
  return told.trim();
}

const gone = (child: ChildProcess) =>
  new Promise((done) => (child.exitCode !== null || child.signalCode !== null ? done(null) : child.once('exit', done)));

async function ask<T>(url: string, work: (sql: postgres.Sql) => Promise<T>): Promise<T> {
  const sql = postgres(url, { max: 1, onnotice: () => {} });
  try {
    return await work(sql);
  } finally {
    await sql.end();
  }
}

test('an acknowledged row survives kill -9 of the launcher and of the database, and the demo is loaded only once', async () => {
  let running = await start();
  const id = await ask(running.url, async (sql) => {
    const [a] = await sql`select id from athlete`;
    const [row] =
      await sql`insert into outing (athlete_id, name, sport, start_local, utc_offset_min, load_kg, forecast_ele_m, start_ele_m, albedo)
      values (${a.id}, 'kept', 'run', '2027-01-16 08:00', 60, 0, 0, 0, 0.6) returning id`;
    return row.id as string;
  });
  const kept = (url: string) => ask(url, async (sql) => (await sql`select name from outing where id = ${id}`).length);

  running.child.kill('SIGKILL');
  await gone(running.child);
  running = await start();
  expect(await kept(running.url)).toBe(1);

  const pid = Number(readFileSync(join(data, 'postgres/postmaster.pid'), 'utf8').split('\n')[0]);
  process.kill(pid, 'SIGKILL');
  running.child.kill('SIGKILL');
  await gone(running.child);
  running = await start();
  expect(await kept(running.url)).toBe(1);
  expect(await ask(running.url, async (sql) => (await sql`select count(*)::int as n from athlete`)[0].n)).toBe(1);

  running.child.kill('SIGTERM');
  await gone(running.child);
});

/** Starts, looks whether the demo athlete's row of before is there, and stops. */
async function athleteOf(folder: string): Promise<string> {
  const running = await start(folder);
  const [{ id }] = await ask(running.url, (sql) => sql`select id from athlete`);
  running.child.kill('SIGTERM');
  await gone(running.child);
  return id as string;
}

test('the database is found again wherever its data folder is moved to, and never made anew over one that is missed', async () => {
  const home = mkdtempSync('/var/tmp/ember-moved-');
  // Private: where root starts it, the database's own user has to keep its files elsewhere.
  chmodSync(home, 0o700);
  const [a, b, c] = ['a', 'b', 'c'].map((n) => join(home, n));
  const noted = (folder: string) => JSON.parse(readFileSync(join(folder, 'cluster.json'), 'utf8'));
  const away: string[] = [];
  try {
    const id = await athleteOf(a);
    if (noted(a).folder) away.push(resolve(noted(a).folder, '..'));
    renameSync(a, b);
    expect(await athleteOf(b)).toBe(id);
    if (away.length > 0) {
      cpSync(b, c, { recursive: true });
      await expect(start(c)).rejects.toThrow(`is a copy of ${b}`);
      // The file system loses it: nothing new is made, and the note and secret stay as they are.
      const note = readFileSync(join(b, 'cluster.json'), 'utf8');
      renameSync(away[0], `${away[0]}.lost`);
      await expect(start(b)).rejects.toThrow('is not there');
      expect(readFileSync(join(b, 'cluster.json'), 'utf8')).toBe(note);
      renameSync(`${away[0]}.lost`, away[0]);
      // As an earlier version left it: the cluster straight under /var/lib, the secret in the data folder, no note; then moved.
      const old = `${away[0]}0ld`;
      away.push(old);
      renameSync(join(away[0], 'postgres'), old);
      renameSync(join(away[0], 'secret'), join(b, 'postgres.secret'));
      rmSync(join(b, 'cluster.json'));
      expect(await athleteOf(b)).toBe(id);
      rmSync(`${old}.owner.json`);
    }
    const missing = join(home, 'missing');
    mkdirSync(missing);
    writeFileSync(join(missing, 'postgres.secret'), 'of another one');
    await expect(start(missing)).rejects.toThrow('belongs to a database that is not found');
    expect(readFileSync(join(missing, 'postgres.secret'), 'utf8')).toBe('of another one');
  } finally {
    for (const folder of [home, ...away]) rmSync(folder, { recursive: true, force: true });
  }
});

test('a backup holds everything, is made beside a running application, and is never written over anything', async () => {
  const running = await start();
  const file = join(data, 'all.backup');
  const run = (name: string, ...args: string[]) =>
    spawnSync(join(ROOT, 'bin', name), args, { encoding: 'utf8', cwd: ROOT });
  const all = (url: string) =>
    ask(url, async (sql) => [
      await sql`select * from garment order by id`,
      await sql`select * from outing order by id`,
      await sql`select md5(string_agg(p::text, ' ' order by outing_id, seq)) as points from route_point p`,
    ]);
  expect(run('backup', file, '--data', data)).toMatchObject({ status: 0 });
  expect(run('backup', file, '--data', data).stderr).toContain('is there already');
  const before = await all(running.url);
  expect(run('restore', file, '--data', data).stderr).toMatch(/holds a database already/);
  const fresh = join(data, 'restored');
  expect(run('restore', file, '--data', fresh)).toMatchObject({ status: 0 });
  const second = await start(fresh);
  expect(await all(second.url)).toEqual(before);
  for (const r of [running, second]) {
    r.child.kill('SIGTERM');
    await gone(r.child);
  }
});

test('a database of another version, or without its secret, is left as it is and says what to do', async () => {
  const before = await athleteOf(data);
  const version = join(data, 'postgres/PG_VERSION');
  const made = readFileSync(version, 'utf8');
  writeFileSync(version, '9\n');
  await expect(start()).rejects.toThrow(/made by PostgreSQL 9, which is not on this machine.*bin\/restore/s);
  writeFileSync(version, made);
  const secret = join(data, 'postgres.secret');
  renameSync(secret, `${secret}.away`);
  await expect(start()).rejects.toThrow(`the secret that opens the database is missing: ${secret}`);
  renameSync(`${secret}.away`, secret);
  expect(await athleteOf(data)).toBe(before);
});

test('a number that belongs to somebody else by now is no server and no lock', async () => {
  const before = await athleteOf(data);
  writeFileSync(
    join(data, 'postgres/postmaster.pid'),
    `${process.pid}\n${join(data, 'postgres')}\n1\n5432\n\n127.0.0.1\n\nready\n`,
  );
  expect(await athleteOf(data)).toBe(before);
});

test('the application works under a role that owns nothing and may change no table', async () => {
  const running = await start();
  const program = `
    const { openDatabase } = await import(${JSON.stringify(join(ROOT, 'scripts/roles.mjs'))});
    console.log(JSON.stringify(await openDatabase(${JSON.stringify(running.url)})));`;
  const told = execFileSync(process.execPath, ['--input-type=module', '-e', program], { cwd: ROOT, encoding: 'utf8' });
  const { app, owner } = JSON.parse(told) as { app: string; owner: string };
  await ask(app, async (sql) => {
    const [me] = await sql`select rolsuper, rolcreatedb, rolcreaterole from pg_roles where rolname = current_user`;
    expect(me).toEqual({ rolsuper: false, rolcreatedb: false, rolcreaterole: false });
    expect(await sql`select tablename from pg_tables where tableowner = current_user`).toHaveLength(0);
    expect(await sql`select 1 from athlete`).toHaveLength(1);
    for (const wrong of [
      'drop table athlete',
      'create table x (id int)',
      'truncate athlete',
      'delete from schema_version',
    ])
      await expect(sql.unsafe(wrong)).rejects.toThrow(/permission denied|must be owner/);
    expect((await sql`show statement_timeout`)[0].statement_timeout).toBe('20s');
  });
  await ask(owner, async (sql) => {
    expect((await sql`select rolsuper from pg_roles where rolname = current_user`)[0].rolsuper).toBe(false);
    const others =
      await sql`select tablename from pg_tables where schemaname = 'public' and tableowner <> current_user`;
    expect(others).toHaveLength(0);
  });
  running.child.kill('SIGTERM');
  await gone(running.child);
});

test('the schema itself refuses what no form should let through, and stores nothing of a failed whole', async () => {
  const running = await start();
  await ask(running.url, async (sql) => {
    const [a] = await sql`select id from athlete`;
    await expect(sql`update athlete set mass_kg = 900`).rejects.toThrow(/check constraint/);
    await expect(sql`update athlete set max_bpm = rest_bpm`).rejects.toThrow(/check constraint/);
    await expect(sql`update garment set thickness_mm = -1`).rejects.toThrow(/check constraint/);
    await expect(
      sql`insert into plan (athlete_id, outing_id, name, content) values (${a.id}, gen_random_uuid(), 'x', '{}')`,
    ).rejects.toThrow(/foreign key/);
    const before = (await sql`select count(*)::int as n from outing`)[0].n;
    await sql
      .begin(async (tx) => {
        await tx`insert into outing (athlete_id, name, sport, start_local, utc_offset_min, load_kg, forecast_ele_m, start_ele_m, albedo)
          values (${a.id}, 'half', 'run', '2027-01-16 08:00', 60, 0, 0, 0, 0.6)`;
        await tx`insert into outing_leg (outing_id, seq, name, sport, minutes, distance_m, climb_m, effort_by, shelter, pack_on, no_stopping)
          values (gen_random_uuid(), 0, 'x', 'run', -5, 0, 0, 'usual', 'open', false, false)`;
      })
      .catch(() => {});
    expect((await sql`select count(*)::int as n from outing`)[0].n).toBe(before);
  });
  running.child.kill('SIGTERM');
  await gone(running.child);
});

test('a database of the first version comes up with nothing lost, and is migrated only once', async () => {
  const running = await start();
  await ask(running.url, (sql) => sql`create database old`);
  const old = running.url.replace(/ember$/, 'old');
  await ask(old, async (sql) => {
    await sql`create table migration (name text primary key, checksum text not null, applied_at timestamptz not null default now())`;
    for (const file of ['001.do.first_light.sql', '002.do.heaters.sql', '003.do.wishes.sql']) {
      const text = readFileSync(join(ROOT, 'src/store/migrations', file), 'utf8');
      await sql.unsafe(text);
      const checksum = createHash('sha256').update(text).digest('hex');
      await sql`insert into migration (name, checksum) values (${file.replace('.do.', '_')}, ${checksum})`;
    }
    const [a] =
      await sql`insert into athlete (name, mass_kg, height_m, fat_percent, vo2max_ml_kg_min, rest_bpm, max_bpm)
      values ('Early', 70, 1.75, 15, 50, 50, 185) returning id`;
    const [o] =
      await sql`insert into outing (athlete_id, name, sport, start_local, utc_offset_min, load_kg, forecast_ele_m, start_ele_m, albedo)
      values (${a.id}, 'kept', 'run', '2027-01-16 08:00', 60, 0, 0, 0, 0.6) returning id`;
    for (const seq of [0, 1])
      await sql`insert into route_point (outing_id, seq, lat, lon, ele_m) values (${o.id}, ${seq}, ${60 + seq / 1000}, 10, 500)`;
  });
  const since = readdirSync(join(ROOT, 'src/store/migrations'))
    .filter((f) => f >= '004')
    .sort();
  expect(migrate(old, join(ROOT, 'src/store/migrations'))).toBe(JSON.stringify(since));
  expect(migrate(old, join(ROOT, 'src/store/migrations'))).toBe('[]');
  await ask(old, async (sql) => {
    expect((await sql`select name from outing`)[0].name).toBe('kept');
    expect((await sql`select count(*)::int as n from route_point`)[0].n).toBe(2);
    expect((await sql`select count(*)::int as n from migration`)[0].n).toBe(3);
  });
  running.child.kill('SIGTERM');
  await gone(running.child);
});

test('a migration is applied once, in order, and refused when its file was changed or is gone', async () => {
  const running = await start();
  const folder = join(data, 'migrations');
  mkdirSync(folder);
  cpSync(join(ROOT, 'src/store/migrations'), folder, { recursive: true });
  writeFileSync(join(folder, '900.do.more.sql'), 'create table more (id int primary key);');
  expect(migrate(running.url, folder)).toBe('["900.do.more.sql"]');
  expect(migrate(running.url, folder)).toBe('[]');
  writeFileSync(join(folder, '901.do.broken.sql'), 'create table other (id int); select nonsense;');
  expect(migrate(running.url, folder)).toContain('nonsense');
  await ask(running.url, async (sql) => expect((await sql`select to_regclass('other') as t`)[0].t).toBeNull());
  rmSync(join(folder, '901.do.broken.sql'));
  writeFileSync(join(folder, '900.do.more.sql'), 'create table more (id bigint primary key);');
  expect(migrate(running.url, folder)).toContain('900.do.more.sql was changed after it was applied');
  rmSync(join(folder, '900.do.more.sql'));
  expect(migrate(running.url, folder)).toContain('its file is gone');
  running.child.kill('SIGTERM');
  await gone(running.child);
});

test('a second launcher on one folder is refused while the first lives, and let in after it was killed', async () => {
  const folder = join(data, 'locked');
  const program = `
    const { lockFolder } = await import(${JSON.stringify(join(ROOT, 'scripts/lock.mjs'))});
    try { await lockFolder(${JSON.stringify(folder)}); console.log('in'); setInterval(() => {}, 1000); }
    catch (e) { console.log(e.message); }`;
  const launch = () => {
    const child = spawn(process.execPath, ['--input-type=module', '-e', program], { cwd: ROOT });
    children.push(child);
    const says = new Promise<string>((done) => child.stdout.once('data', (d: Buffer) => done(String(d).trim())));
    return { child, says };
  };
  const first = launch();
  expect(await first.says).toBe('in');
  const second = launch();
  expect(await second.says).toContain(`bin/demo is already running on ${folder}`);
  first.child.kill('SIGKILL');
  await gone(first.child);
  // Another process under the number that was noted is not the one that was noted.
  writeFileSync(join(folder, 'launcher.json'), JSON.stringify({ pid: process.pid, start: 1 }));
  const next = launch();
  expect(await next.says).toBe('in');
  // Many at once on a new folder: one gets in.
  next.child.kill('SIGKILL');
  await gone(next.child);
  const many = await Promise.all([1, 2, 3, 4].map(() => launch().says));
  expect(many.filter((m) => m === 'in')).toHaveLength(1);
});
