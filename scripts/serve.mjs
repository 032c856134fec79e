// Starts the application against a database and stops what it started.
import { closeSync, openSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { execa } from 'execa';
import { as, hasSetpriv, runAs } from './cluster.mjs';
import { isRoot, ROOT, say, Stop } from './install.mjs';

export async function ensurePortFree(port) {
  const error = await new Promise((done) => {
    const s = createServer();
    s.once('error', (e) => done(e));
    s.listen(port, '127.0.0.1', () => s.close(() => done(null)));
  });
  if (error) throw new Stop(`port ${port} on 127.0.0.1 is in use (${error.code}); choose another with --port`);
}

/** Where we run as root, the application does not: as this user, who may do nothing. */
const NOBODY = { uid: 65534, gid: 65534 };

/** Who the application runs as. Where nobody else can read the project, it has to be the one who started it. */
function applicationUser(mode) {
  if (!isRoot || mode === 'dev' || !hasSetpriv()) return null;
  const needed = [process.execPath, join(ROOT, '.next/BUILD_ID'), join(ROOT, 'node_modules/next/package.json')];
  if (needed.every((file) => runAs(NOBODY, 'test', ['-r', file]).exitCode === 0)) return NOBODY;
  say(`the application runs as root: another user cannot read ${ROOT} (a folder above it is private)`);
  return null;
}

/**
 * @param mode 'start' or 'dev' @param to.url the database's, for the application's role @param to.log where it writes what happens;
 * left out: this terminal
 */
export async function startApplication(mode, port, { url, log }) {
  await ensurePortFree(port);
  const env = {
    DATABASE_URL: url,
    NEXT_TELEMETRY_DISABLED: '1',
    NODE_ENV: mode === 'dev' ? 'development' : 'production',
  };
  if (mode === 'dev')
    execa(process.execPath, ['scripts/worker.mjs', '--watch'], { cwd: ROOT, stdio: ['pipe', 'inherit', 'inherit'] });
  const next =
    mode === 'dev'
      ? ['node_modules/next/dist/bin/next', 'dev', '-H', '127.0.0.1', '-p', String(port)]
      : ['scripts/server.mjs', '--port', String(port)];
  const server = [process.execPath, ...next];
  const [command, ...args] = hasSetpriv()
    ? ['setpriv', ...as(applicationUser(mode)), '--pdeathsig', 'SIGTERM', '--', ...server]
    : server;
  const out = log && mode !== 'dev' ? openSync(log, 'a', 0o600) : 'inherit';
  const child = execa(command, args, {
    cwd: ROOT,
    env,
    stdio: ['ignore', out, out],
    reject: false,
    forceKillAfterDelay: 3000,
  });
  if (typeof out === 'number') closeSync(out);
  let ended = false;
  const ends = child.then(() => {
    ended = true;
  });
  const address = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 600 && !ended; i++) {
    const answer = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(2500) }).catch(() => null);
    if (answer?.ok) break;
    await wait(100);
  }
  if (ended)
    throw new Stop(`the application ended while starting; ${log ? `${log} says why` : 'its message is above'}`);
  return {
    address,
    ended: ends,
    kill: () => child.kill('SIGKILL'),
    stop: async () => {
      if (ended) return;
      child.kill('SIGTERM');
      await ends;
    },
  };
}
