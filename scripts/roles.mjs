// Who may do what in the database. The superuser of the cluster makes these roles and nothing else; what migrations make belongs to
// one role; the application works under another, which owns nothing.
import { randomBytes } from 'node:crypto';
import { migrate } from './migrate.mjs';

const OWNER = 'ember_owner';
const APP = 'ember_app';

/** What the application's statements may take at most, ms: above it somebody waits for nothing, and a place is held that others need. */
const LIMITS = {
  statement_timeout: 20_000,
  lock_timeout: 10_000,
  idle_in_transaction_session_timeout: 30_000,
};

/**
 * Brings a database up to date, with its roles.
 * @param url of the superuser @returns {Promise<{owner: string, app: string, applied: string[]}>} addresses for both roles, with
 * passwords that hold until the next start; the migrations applied now
 */
export async function openDatabase(url) {
  const { default: postgres } = await import('postgres');
  const as = (role) => {
    const own = new URL(url);
    own.username = role.name;
    own.password = role.password;
    return own.href;
  };
  const role = (name) => ({ name, password: randomBytes(18).toString('hex') });
  const owner = role(OWNER);
  const app = role(APP);
  const sql = postgres(url, { max: 1, onnotice: () => {} });
  try {
    const { database } = (await sql`select current_database() as database`)[0];
    for (const { name, password } of [owner, app]) {
      if ((await sql`select 1 from pg_roles where rolname = ${name}`).length === 0)
        await sql.unsafe(`create role ${name} login nosuperuser nocreatedb nocreaterole`);
      await sql.unsafe(`alter role ${name} password '${password}'`);
    }
    for (const [limit, ms] of Object.entries(LIMITS)) await sql.unsafe(`alter role ${APP} set ${limit} = ${ms}`);
    await sql.unsafe(`revoke all on database ${database} from public`);
    await sql.unsafe(`grant connect on database ${database} to ${OWNER}, ${APP}`);
    await sql.unsafe(`revoke create on schema public from public; grant usage, create on schema public to ${OWNER}`);
    // Earlier versions made their tables as the superuser.
    for (const { name } of await sql`
      select format('%I.%I', schemaname, tablename) as name from pg_tables
      where schemaname = 'public' and tableowner <> ${OWNER}`)
      await sql.unsafe(`alter table ${name} owner to ${OWNER}`);
    const applied = await migrate(as(owner));
    await sql.unsafe(`grant usage on schema public to ${APP}`);
    await sql.unsafe(`grant select, insert, update, delete on all tables in schema public to ${APP}`);
    await sql.unsafe(`revoke insert, update, delete on schema_version from ${APP}`);
    return { owner: as(owner), app: as(app), applied };
  } finally {
    await sql.end();
  }
}
