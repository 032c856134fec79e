// Starts the application against a database and stops what it started.
import { createServer } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { execa } from 'execa';
import { hasSetpriv } from './cluster.mjs';
import { ROOT, Stop } from './install.mjs';

export async function ensurePortFree(port) {
  const error = await new Promise((done) => {
    const s = createServer();
    s.once('error', (e) => done(e));
    s.listen(port, '127.0.0.1', () => s.close(() => done(null)));
  });
  if (error) throw new Stop(`port ${port} on 127.0.0.1 is in use (${error.code}); choose another with --port`);
}

/** @param mode 'start' or 'dev' */
export async function startApplication(mode, port, url) {
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
  const [command, ...args] = hasSetpriv() ? ['setpriv', '--pdeathsig', 'SIGTERM', '--', ...server] : server;
  const child = execa(command, args, {
    cwd: ROOT,
    env,
    stdio: ['ignore', mode === 'dev' ? 'inherit' : 'ignore', 'inherit'],
    reject: false,
    forceKillAfterDelay: 3000,
  });
  let ended = false;
  const ends = child.then(() => (ended = true));
  const address = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 600 && !ended; i++) {
    const answer = await fetch(`${address}/api/health`).catch(() => null);
    if (answer?.ok) break;
    await wait(100);
  }
  if (ended) throw new Stop('the application ended while starting; its message is above');
  return {
    address,
    ended: ends,
    stop: async () => {
      if (ended) return;
      child.kill('SIGTERM');
      await ends;
    },
  };
}
