// Starts the application against a database and stops what it started.
import { spawn, spawnSync } from 'node:child_process';
import { createServer } from 'node:net';
import { ROOT, Stop } from './install.mjs';

const wait = (ms) => new Promise((done) => setTimeout(done, ms));

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
    ...process.env,
    DATABASE_URL: url,
    NEXT_TELEMETRY_DISABLED: '1',
    NODE_ENV: mode === 'dev' ? 'development' : 'production',
  };
  if (mode === 'dev')
    spawn(process.execPath, ['scripts/worker.mjs', '--watch'], { cwd: ROOT, stdio: ['pipe', 'inherit', 'inherit'] });
  const next = [process.execPath, 'node_modules/next/dist/bin/next', mode, '-H', '127.0.0.1', '-p', String(port)];
  const setpriv = spawnSync('setpriv', ['--version']).status === 0;
  const [command, ...args] = setpriv ? ['setpriv', '--pdeathsig', 'SIGTERM', '--', ...next] : next;
  const child = spawn(command, args, {
    cwd: ROOT,
    env,
    stdio: ['ignore', mode === 'dev' ? 'inherit' : 'ignore', 'inherit'],
  });
  let ended = false;
  child.once('exit', () => (ended = true));
  const address = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 600 && !ended; i++) {
    try {
      const r = await fetch(`${address}/api/health`);
      if (r.ok) break;
    } catch {
      // not up yet
    }
    await wait(100);
  }
  if (ended) throw new Stop('the application ended while starting; its message is above');
  return {
    address,
    ended: new Promise((done) => child.once('exit', done)),
    stop: async () => {
      if (ended) return;
      child.kill('SIGTERM');
      for (let k = 0; k < 60 && !ended; k++) await wait(50);
      if (!ended) child.kill('SIGKILL');
    },
  };
}
