// What a fresh machine lacks: packages, PostgreSQL's server, a browser for the tests. Plain Node, no dependencies.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
export const isRoot = process.getuid?.() === 0;

export function say(text) {
  process.stdout.write(`ember: ${text}\n`);
}

/** Ends with a message that names the fix. */
export class Stop extends Error {}

export function run(command, args, options = {}) {
  const r = spawnSync(command, args, { stdio: 'inherit', cwd: ROOT, ...options });
  if (r.error) throw new Stop(`${command} could not be run: ${r.error.message}`);
  return r.status ?? 1;
}

const hashOf = (text) => createHash('sha256').update(text).digest('hex').slice(0, 24);

/** Installs packages from the lockfile when they are missing or the lockfile has changed. */
export function ensurePackages() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) throw new Stop(`Node ${process.versions.node} is too old; Node 20.9 or newer is needed`);
  const stamp = join(ROOT, 'node_modules', '.ember-stamp');
  const want = hashOf(readFileSync(join(ROOT, 'package-lock.json'), 'utf8') + process.versions.node);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === want) return;
  say('installing packages (a minute or two the first time)');
  if (
    run('npm', ['ci', '--no-audit', '--no-fund'], {
      env: { ...process.env, NODE_ENV: 'development' },
      stdio: ['ignore', 2, 2],
    }) !== 0
  )
    throw new Stop('npm ci failed; its message is above');
  writeFileSync(stamp, want);
}

/** Folder of the PostgreSQL server programs; installs Debian's package where it may. */
export function ensurePostgres() {
  const found = findPostgres();
  if (found) return found;
  aptInstall(['postgresql'], 'PostgreSQL');
  const now = findPostgres();
  if (!now) throw new Stop('PostgreSQL was installed but its server programs were not found under /usr/lib/postgresql');
  return now;
}

function findPostgres() {
  const home = '/usr/lib/postgresql';
  if (existsSync(home)) {
    const versions = readdirSync(home)
      .filter((v) => existsSync(join(home, v, 'bin', 'initdb')))
      .sort((a, b) => Number(b) - Number(a));
    if (versions.length > 0) return join(home, versions[0], 'bin');
  }
  const which = spawnSync('sh', ['-c', 'command -v initdb'], { encoding: 'utf8' });
  return which.status === 0 ? dirname(which.stdout.trim()) : null;
}

/** Path of Debian's Chromium. */
export function ensureChromium() {
  if (!existsSync('/usr/bin/chromium')) aptInstall(['chromium'], 'Chromium');
  return '/usr/bin/chromium';
}

function aptInstall(packages, what) {
  const command = `apt-get update && apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  const viaSudo = !isRoot && spawnSync('sudo', ['-n', 'true']).status === 0;
  if (!isRoot && !viaSudo) throw new Stop(`${what} is missing. Run once:  sudo sh -c '${command}'`);
  say(`installing ${what} from Debian's packages`);
  // Debian would start a cluster of its own; ours is the project's.
  mkdirSync('/tmp/ember-apt', { recursive: true });
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const before =
    'mkdir -p /etc/postgresql-common && [ -e /etc/postgresql-common/createcluster.conf ] || echo "create_main_cluster = false" > /etc/postgresql-common/createcluster.conf';
  const script = packages.includes('postgresql') ? `${before}; ${command}` : command;
  const status = viaSudo ? run('sudo', ['-n', 'sh', '-c', script], { env }) : run('sh', ['-c', script], { env });
  if (status !== 0) throw new Stop(`${what} could not be installed. Run by hand:  ${command}`);
}

/** Where `scripts/worker.mjs` puts the worker. */
export const WORKER_FILE = 'public/ember.worker.js';
export const PHONE_WORKER_FILE = 'public/outThere.worker.js';
export const SERVICE_WORKER_FILE = 'public/sw.js';
const MADE = [WORKER_FILE, PHONE_WORKER_FILE, SERVICE_WORKER_FILE].map((f) => join(ROOT, f));

/** Builds the application when its sources are newer than the last build. */
export function ensureBuild() {
  const stamp = join(ROOT, '.next', 'ember-stamp');
  const want = hashOf(sources().join('\n'));
  if (existsSync(join(ROOT, '.next', 'BUILD_ID')) && existsSync(stamp) && readFileSync(stamp, 'utf8') === want) return;
  say('building the application');
  if (run(process.execPath, ['scripts/worker.mjs']) !== 0) throw new Stop('the worker could not be bundled; see above');
  const status = run(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  if (status !== 0) throw new Stop('next build failed; its message is above');
  if (run(process.execPath, ['scripts/serviceWorker.mjs']) !== 0)
    throw new Stop('the service worker could not be bundled; see above');
  writeFileSync(stamp, want);
}

/** Every source file with its size and time, for build stamps. */
export function sources(folders = ['src', 'public']) {
  const list = ['package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'].map((f) =>
    describe(join(ROOT, f)),
  );
  const walk = (dir) => {
    if (!existsSync(dir)) return;
    for (const e of readdirSync(dir, { withFileTypes: true })) {
      const path = join(dir, e.name);
      if (e.isDirectory()) walk(path);
      else if (!MADE.includes(path)) list.push(describe(path));
    }
  };
  for (const f of folders) walk(join(ROOT, f));
  return list.sort();
}

function describe(path) {
  const s = existsSync(path) ? statSync(path) : null;
  return s ? `${path}:${s.size}:${Math.round(s.mtimeMs)}` : path;
}
