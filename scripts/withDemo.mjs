// The built application with the demo in a database of its own, for as long as something is tried on it.
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { freePort, startCluster } from './cluster.mjs';
import { loadDemoInto } from './demo.mjs';
import { ensureBuild, ensurePostgres } from './install.mjs';
import { openDatabase } from './roles.mjs';
import { startApplication } from './serve.mjs';

/** @param work is told the address and port of the application */
export async function withDemo(work) {
  ensureBuild();
  const data = mkdtempSync('/var/tmp/ember-trial-');
  chmodSync(data, 0o755);
  const cluster = await startCluster(ensurePostgres(), data);
  try {
    const { owner, app: url } = await openDatabase(cluster.url);
    await loadDemoInto(owner, 'if empty');
    const port = await freePort();
    const app = await startApplication('start', port, { url });
    try {
      await work({ address: app.address, port });
    } finally {
      await app.stop();
    }
  } finally {
    await cluster.stop();
    rmSync(data, { recursive: true, force: true });
  }
}
