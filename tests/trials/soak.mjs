// npm run soak [saves]: as many saves as a winter has and more, then many people at once; memory and waiting times as JSON lines.
// On loopback, with the demo in a database of its own.
import { readFileSync, readdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import { ensurePackages } from '../../scripts/install.mjs';

const PEOPLE = 50;
const EACH = 40;
const say = (name, value, unit) => console.log(JSON.stringify({ name, value: Math.round(value * 10) / 10, unit }));

/** Memory of the server, MB. */
function memoryMb(port) {
  const pid = readdirSync('/proc').find((n) => {
    if (!/^\d+$/.test(n)) return false;
    try {
      const said = readFileSync(`/proc/${n}/cmdline`, 'utf8').split('\0');
      return said.includes('scripts/server.mjs') && said.includes(String(port));
    } catch {
      return false;
    }
  });
  return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;
}

const json = (method, body) => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** Saves one plan again and again, eight at a time each with its own plan. @returns how many were not taken */
async function saves(address, count, port) {
  const { unzipSync, strFromU8 } = createRequire(import.meta.url)('fflate');
  const zip = new Uint8Array(await (await fetch(`${address}/api/archive`)).arrayBuffer());
  const archive = JSON.parse(strFromU8(unzipSync(zip)['archive.json']));
  const outing = archive.outings[0].id;
  const worn = archive.garments.slice(0, 12).map((g) => g.id);
  const plan = { worn, carried: [], openings: {}, cues: [] };
  let refused = 0;
  let done = 0;
  const started = performance.now();
  await Promise.all(
    Array.from({ length: 8 }, async (_, n) => {
      const made = await (
        await fetch(`${address}/api/outings/${outing}/plans`, json('POST', { name: `Soak ${n}`, plan }))
      ).json();
      let { version } = made;
      while (done < count) {
        const nth = ++done;
        const answer = await fetch(
          `${address}/api/plans/${made.id}`,
          json('PUT', { name: `Soak ${nth}`, plan, version }),
        );
        if (answer.ok) ({ version } = await answer.json());
        else refused++;
        if (nth % Math.ceil(count / 5) === 0) say(`memory of the server after ${nth} saves`, memoryMb(port), 'MB');
      }
      await fetch(`${address}/api/plans/${made.id}`, { method: 'DELETE' });
    }),
  );
  say('saves', count / ((performance.now() - started) / 1000), '1/s');
  return { refused, archive };
}

/** Many people at once, each doing something else. */
async function together(address, archive) {
  const outings = archive.outings.map((o) => o.id);
  const waits = [];
  let errors = 0;
  let busy = 0;
  const one = async (n) => {
    for (let i = 0; i < EACH; i++) {
      const id = outings[(n + i) % outings.length];
      const ask = [
        () => fetch(address),
        () => fetch(`${address}/closet`),
        () => fetch(`${address}/outing/${id}`),
        () => fetch(`${address}/outing/${id}/score`),
        () => fetch(`${address}/api/outings/${id}/export?as=json`),
        () => fetch(`${address}/api/outings/${id}`, json('PATCH', { name: `Together ${n}` })),
        () => fetch(`${address}/api/athlete/wishes`, json('PUT', { wishes: archive.athlete.wishes, version: 1 })),
      ][(n * 3 + i) % 7];
      const started = performance.now();
      const answer = await ask();
      await answer.arrayBuffer();
      waits.push(performance.now() - started);
      if (answer.status === 503) busy++;
      else if (answer.status >= 400 && answer.status !== 409) errors++;
      // Nobody clicks without a pause.
      await new Promise((go) => setTimeout(go, 1000 + ((n * 37) % 500)));
    }
  };
  await Promise.all(Array.from({ length: PEOPLE }, (_, n) => one(n)));
  waits.sort((a, b) => a - b);
  say(`${PEOPLE} people at once, half of the answers within`, waits[Math.floor(waits.length / 2)], 'ms');
  say(`${PEOPLE} people at once, 99 of 100 answers within`, waits[Math.floor(waits.length * 0.99)], 'ms');
  say(`${PEOPLE} people at once, told to come back`, busy, 'of ' + waits.length);
  return errors;
}

ensurePackages();
const { withDemo } = await import('../../scripts/withDemo.mjs');
await withDemo(async ({ address, port }) => {
  const { refused, archive } = await saves(address, Number(process.argv[2] ?? 20_000), port);
  const errors = await together(address, archive);
  say('memory of the server at the end', memoryMb(port), 'MB');
  say('saves refused, and errors', refused + errors, '');
  process.exitCode = refused + errors > 0 ? 1 : 0;
});
