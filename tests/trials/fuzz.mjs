// npm run fuzz [inputs] [seed]: hostile requests against every route and method of the application, on loopback, with the demo in a
// database of its own. No answer may be a 5xx, tell of our insides or take long; afterwards every page opens and everything that
// is stored holds to the published schemas.
import { request as ask } from 'node:http';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { ensurePackages, ROOT } from '../../scripts/install.mjs';
import { chance, hostileBody, hostileHeaders, hostileId } from './hostile.mjs';

/** Longer than this, ms, and somebody waits for nothing; where other tests keep the machine busy only what hangs is a fault. */
const PATIENCE_MS = 10_000;
export const BUSY_PATIENCE_MS = 90_000;
/** Requests under way at once. */
const AT_ONCE = 8;
const INSIDES =
  /node_modules|postgres:|\bat [\w.<>]+ \(|syntax error at or near|relation "|violates|\/work\/|\.ts:\d|PostgresError|ECONN/;

/** Every route with its methods, as the folders name them. */
function routes() {
  const found = [];
  const walk = (folder, path) => {
    for (const e of readdirSync(folder, { withFileTypes: true })) {
      if (e.isDirectory()) walk(join(folder, e.name), `${path}/${e.name}`);
      else if (e.name === 'route.ts') {
        const text = readFileSync(join(folder, e.name), 'utf8');
        found.push({ path, methods: [...text.matchAll(/export async function ([A-Z]+)\(/g)].map((m) => m[1]) });
      }
    }
  };
  walk(join(ROOT, 'src/app/api'), '/api');
  return found;
}

function send(address, patienceMs, { method, path, headers, body }) {
  const { hostname, port } = new URL(address);
  const started = performance.now();
  return new Promise((done) => {
    const answer = (status, text) => done({ status, text, ms: performance.now() - started });
    const req = ask({ hostname, port, method, path, headers: { host: `${hostname}:${port}`, ...headers } }, (res) => {
      let text = '';
      res.on('data', (d) => (text.length < 200_000 ? (text += d) : null));
      res.on('end', () => answer(res.statusCode, text));
      res.on('error', () => answer(0, text));
    });
    req.setTimeout(patienceMs, () => req.destroy(new Error('silent')));
    req.on('error', (e) => answer(e.message === 'silent' ? -1 : 0, e.message));
    req.end(body);
  });
}

/** Valid bodies to make wrong ones of: what the application itself would send. */
async function honest(address) {
  const zip = Buffer.from(await (await fetch(`${address}/api/archive`)).arrayBuffer());
  const { unzipSync, strFromU8 } = createRequire(import.meta.url)('fflate');
  const archive = JSON.parse(strFromU8(unzipSync(zip, { filter: (f) => f.name === 'archive.json' })['archive.json']));
  const { name, units, person, wishes, known = null } = archive.athlete;
  const me = { name, units, person };
  const taught = archive.outings.find((x) => x.lesson);
  const [o] = archive.outings;
  const outing = Object.fromEntries(Object.entries(o.outing).filter(([k]) => k !== 'profile'));
  const [g] = archive.garments;
  const plan = o.plans[0]?.plan ?? {
    worn: [g.id],
    carried: [],
    openings: {},
    cues: [{ atS: 60, actions: [{ do: 'putOn', garment: g.id }] }],
  };
  const made = await (
    await fetch(`${address}/api/outings/${o.id}/plans`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Fuzzed', plan }),
    })
  ).json();
  return {
    ids: { outings: archive.outings.map((x) => x.id), garments: archive.garments.map((x) => x.id), plans: [made.id] },
    archive,
    zip,
    bodies: {
      'PUT /api/athlete': { ...me, version: 1 },
      'PUT /api/athlete/wishes': { wishes, version: 1 },
      'PUT /api/outings/[id]/wishes': { own: wishes, version: 1 },
      'POST /api/lines': { line: 'run 50 min −6', name: 'Tuesday run' },
      'PUT /api/outings/[id]/told': { felt: 'right' },
      'POST /api/outings/[id]/taps': {
        taps: [
          { id: '00000000-0000-4000-8000-00000000f022', atMs: 1.8e12, device: 'fuzz', told: { kind: 'dressed', plan } },
          {
            id: '00000000-0000-4000-8000-00000000f024',
            atMs: 1.8e12,
            device: 'fuzz',
            told: {
              kind: 'body',
              weights: { beforeKg: 70, afterKg: 69, drankL: 0.5, ateKg: 0, passedL: 0 },
            },
          },
          {
            id: '00000000-0000-4000-8000-00000000f023',
            atMs: 1.8e12,
            device: 'fuzz',
            told: { kind: 'pulse', bpm: 90 },
          },
        ],
      },
      'PATCH /api/learning': { outing: o.id, leftOut: true },
      'PUT /api/learning': {
        version: 1,
        known,
        lessons: taught ? [{ outingId: taught.id, lesson: taught.lesson.taught }] : [],
        how: 'beside',
      },
      'PATCH /api/book': { cause: 'fast', chance: true },
      'POST /api/outings/laid': { outing: { ...o.outing, profile: undefined }, plan },
      'POST /api/first-run': { pieces: ['wind-shell'], units: 'metric', warmth: 0, sweatGain: 1, constriction: 1 },
      'PUT /api/weather': { station: 'lang-tarn' },
      'POST /api/garments': { catalogueId: g.catalogueId ?? 'wind-shell' },
      'PUT /api/garments/[id]': { garment: g.garment, dampGm2: g.dampGm2, version: 1 },
      'PATCH /api/garments/[id]': { removed: false, hung: 'by the stove' },
      'PUT /api/outings/[id]': { outing, version: 1 },
      'PATCH /api/outings/[id]': { name: 'Fuzzed' },
      'POST /api/outings/[id]/plans': { name: 'Fuzzed', plan },
      'PUT /api/plans/[id]': { name: 'Fuzzed', plan, version: 1 },
      'PATCH /api/plans/[id]': { deleted: false },
    },
  };
}

/** A form for a new outing, with something wrong in it. */
function hostileForm(c) {
  const part = (name, value, file) =>
    `--x\r\ncontent-disposition: form-data; name="${name}"${file ? `; filename="${file}"` : ''}\r\n\r\n${value}\r\n`;
  const csv = readFileSync(join(ROOT, 'src/demo/files/saturday-tarnholt.csv'), 'utf8');
  const gpx = '<gpx><trk><trkseg><trkpt lat="54" lon="-3"/><trkpt lat="54.01" lon="-3"/></trkseg></trk></gpx>';
  const broken = (text) => {
    const at = c.whole(text.length);
    return (
      text.slice(0, at) +
      c.pick(['\0', '<', '"', '9'.repeat(400), '\ud800', '', '&x;', '<!DOCTYPE a>']) +
      text.slice(at + c.whole(20))
    );
  };
  const odd = () =>
    c.pick(['', 'x', '-1', '1e400', 'NaN', '\0', '2027-01-16T08:00', '9999-99-99T99:99', 'ski tour', '💧']);
  const fields = {
    sport: 'run',
    effortBy: 'usual',
    name: 'Fuzzed',
    start: '',
    loadKg: '0',
    utcOffsetH: '1',
    airC: '-5',
    minutes: '60',
  };
  const name = c.pick(Object.keys(fields));
  if (c.next() < 0.7) fields[name] = odd();
  let body = Object.entries(fields)
    .map(([k, v]) => part(k, v))
    .join('');
  if (c.next() < 0.8) body += part('forecast', c.next() < 0.5 ? broken(csv) : csv, 'f.csv');
  if (c.next() < 0.7) body += part('route', c.next() < 0.7 ? broken(gpx) : gpx, 'r.gpx');
  return c.next() < 0.05 ? body.slice(0, c.whole(body.length)) : `${body}--x--\r\n`;
}

/** @returns what was wrong, in words; empty: nothing */
export async function fuzz(address, inputs, { seed = 1, patienceMs = PATIENCE_MS } = {}) {
  const c = chance(seed);
  const all = routes().flatMap((r) => r.methods.map((method) => ({ ...r, method })));
  const { ids, bodies, zip, archive } = await honest(address);
  const faults = [];
  const statuses = {};
  let n = 0;
  const one = async () => {
    let route = c.pick(all);
    // What grows the database, or reads all of it, has its turn more seldom: time goes to what is not understood.
    while ((route.path.endsWith('/copy') || route.path === '/api/archive') && c.next() < 0.9) route = c.pick(all);
    // Most go where they belong; some try a method nobody offers.
    const method =
      c.next() < 0.06
        ? c.pick(['PUT', 'POST', 'DELETE', 'OPTIONS', 'HEAD', 'TRACE', 'PROPFIND', 'QUERY'])
        : route.method;
    const kind = route.path.split('/')[2];
    // Deleting everything would leave nothing to be hostile to.
    const id = method === 'DELETE' ? '00000000-0000-4000-8000-000000000000' : hostileId(ids[kind] ?? ids.outings, c);
    const query =
      c.next() < 0.1
        ? c.pick([
            '?as=%00',
            '?as=exe',
            '?as[]=x',
            '?sport=exe',
            '?shelter=%FF',
            '?since=1e9',
            '?since=-1',
            '?plan=x',
            `?${'a=b&'.repeat(500)}`,
            '?%',
          ])
        : '';
    const path =
      encodeURI(route.path.replace('[id]', '\u0001')).replace(
        '%01',
        /^[\x21-\x7e]*$/.test(id) ? id : encodeURIComponent(id),
      ) + query;
    const headers = hostileHeaders(c, `00000000-0000-4000-8000-${String(c.whole(50)).padStart(12, '0')}`);
    let body;
    if (method === 'POST' && route.path === '/api/outings') {
      body = hostileForm(c);
      if (c.next() < 0.9) headers['content-type'] = 'multipart/form-data; boundary=x';
    } else if (method === 'PUT' && kind === 'archive') {
      headers['content-type'] = 'application/zip';
      body = Buffer.from(zip.subarray(0, c.whole(2000)));
    } else if (method !== 'GET' && method !== 'HEAD') body = hostileBody(bodies[`${method} ${route.path}`] ?? {}, c);
    const number = n++;
    const answer = await send(address, patienceMs, { method, path, headers, body });
    statuses[answer.status] = (statuses[answer.status] ?? 0) + 1;
    const wrong =
      answer.status === -1
        ? 'no answer in time'
        : answer.status >= 500 && answer.status !== 503
          ? `answered ${answer.status}`
          : INSIDES.test(answer.text) && answer.status >= 400
            ? 'tells of our insides'
            : null;
    if (wrong)
      faults.push(
        `input ${number}: ${wrong}: ${method} ${path.slice(0, 120)} ${JSON.stringify(headers)} ${String(body ?? '').slice(0, 300)} -> ${answer.text.slice(0, 200)}`,
      );
  };
  while (n < inputs && faults.length < 20) await Promise.all(Array.from({ length: AT_ONCE }, one));
  faults.push(...(await stillWhole(address)));
  return { faults, statuses, athlete: archive.athlete.name };
}

/** Every page opens, and all that is stored holds to the published schemas. */
async function stillWhole(address) {
  const faults = [];
  const { unzipSync, strFromU8 } = createRequire(import.meta.url)('fflate');
  const answer = await fetch(`${address}/api/archive`);
  const zip = new Uint8Array(await answer.arrayBuffer());
  if (!answer.ok) return [`everything cannot be read any more: ${answer.status}`];
  const archive = JSON.parse(strFromU8(unzipSync(zip)['archive.json']));
  const { default: Ajv } = createRequire(import.meta.url)('ajv');
  const addFormats = createRequire(import.meta.url)('ajv-formats');
  const check = addFormats(new Ajv({ strict: false })).compile(
    JSON.parse(readFileSync(join(ROOT, 'schemas/archive.schema.json'), 'utf8')),
  );
  if (!check(archive)) faults.push(`what is stored breaks the schema: ${JSON.stringify(check.errors?.slice(0, 3))}`);
  const there = archive.outings.filter((o) => !o.deletedAt).slice(0, 40);
  const pages = [
    '/',
    '/outings',
    '/ladder',
    '/closet',
    '/me',
    '/out',
    '/outing/new',
    ...there.flatMap((o) => [`/outing/${o.id}`, `/outing/${o.id}/score`]),
  ];
  for (const page of pages) {
    const { status } = await fetch(address + page);
    if (status !== 200) faults.push(`${page} answers ${status}`);
  }
  return faults;
}

async function main() {
  ensurePackages();
  const [inputs, seed] = [Number(process.argv[2] ?? 10_000), Number(process.argv[3] ?? 1)];
  const { withDemo } = await import('../../scripts/withDemo.mjs');
  await withDemo(async ({ address }) => {
    const started = performance.now();
    const { faults, statuses } = await fuzz(address, inputs, { seed });
    for (const f of faults) console.log(JSON.stringify({ fault: f }));
    const seconds = Math.round((performance.now() - started) / 1000);
    const line = { name: 'hostile inputs', value: inputs, unit: 'requests', faults: faults.length, seconds, statuses };
    console.log(JSON.stringify(line));
    process.exitCode = faults.length > 0 ? 1 : 0;
  });
}

if (process.argv[1]?.endsWith('fuzz.mjs')) await main();
