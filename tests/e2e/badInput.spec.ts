import { connect } from 'node:net';
import { expect, test, type APIRequestContext } from '../support/browser';
import { readFileSync } from 'node:fs';
import postgres from 'postgres';

/** Wrong and hostile input through the front door: a clear message, nothing stored, the server stays up. */
const good = {
  csv: readFileSync('src/demo/files/weekday-evening.csv', 'utf8'),
  gpx: readFileSync('src/demo/files/mill-lane-loop.gpx', 'utf8'),
};

const file = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });

async function bring(
  request: APIRequestContext,
  over: { csv?: string; gpx?: string; fields?: Record<string, string> },
) {
  return request.post('/api/outings', {
    multipart: {
      sport: 'run',
      forecast: file('day.csv', over.csv ?? good.csv),
      route: file('way.gpx', over.gpx ?? good.gpx),
      ...over.fields,
    },
  });
}

const outings = async (request: APIRequestContext) =>
  ((await (await request.get('/')).text()).match(/\/score"/g) ?? []).length;

test.afterEach(async ({ request }) => {
  expect((await request.get('/api/health')).ok()).toBe(true);
});

const BAD: [string, Parameters<typeof bring>[1], RegExp][] = [
  ['an empty forecast', { csv: ' ' }, /day\.csv.*content|empty/],
  [
    '400 °C',
    { csv: 'time,temperature_c,humidity_pct,wind_ms\n2027-01-12T18:00,400,80,3' },
    /"line":2.*temperature_c.*400/,
  ],
  ['a wind of −3', { csv: 'time,temperature_c,humidity_pct,wind_ms\n2027-01-12T18:00,-4,80,-3' }, /wind_ms.*-3/],
  ['wrong units', { csv: 'time,temperature_k,humidity_pct,wind_ms\n2027-01-12T18:00,268,80,3' }, /temperature_k/],
  [
    'hours twice',
    { csv: 'time,temperature_c,humidity_pct,wind_ms\n2027-01-12T18:00,-4,80,3\n2027-01-12T18:00,-4,80,3' },
    /each hour once/,
  ],
  [
    'time backwards',
    { csv: 'time,temperature_c,humidity_pct,wind_ms\n2027-01-12T18:00,-4,80,3\n2027-01-12T17:00,-4,80,3' },
    /rise from line to line/,
  ],
  ['a latitude of 95', { gpx: good.gpx.replace(/lat="[\d.]+"/, 'lat="95"') }, /latitude of point 1.*95/],
  ['broken GPX', { gpx: '<gpx><trk>' }, /way\.gpx/],
  [
    'an entity bomb',
    { gpx: '<!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><gpx>&b;</gpx>' },
    /document type/,
  ],
  ['a sport nobody does', { fields: { sport: 'curling' } }, /curling/],
  ['exertion of 40', { fields: { effortBy: 'exertion', effortValue: '40' } }, /How hard.*40.*0 to 10/],
  ['a start outside the forecast', { fields: { start: '2031-01-01T08:00' } }, /within the forecast/],
  ['a pack of −5 kg', { fields: { loadKg: '-5' } }, /Pack beyond clothes.*-5/],
];

for (const [name, over, says] of BAD)
  test(`${name} is refused and nothing is stored`, async ({ request }) => {
    const before = await outings(request);
    const answer = await bring(request, over);
    expect(answer.status()).toBe(400);
    expect(await answer.text()).toMatch(says);
    expect(await outings(request)).toBe(before);
  });

test('a 50 MB file is refused by its size', async ({ request }) => {
  const answer = await bring(request, { gpx: 'x'.repeat(50 * 1024 * 1024) });
  expect([400, 413]).toContain(answer.status());
  expect(await answer.text()).toContain('MB');
});

test('JSON endpoints refuse what they do not know, by field', async ({ request }) => {
  const put = (path: string, data: unknown) =>
    request.put(path, { data: data as object, headers: { 'content-type': 'application/json' } });
  const bad = await put('/api/athlete', { name: 'x', units: 'metric', person: { massKg: 900 } });
  expect(bad.status()).toBe(400);
  expect(await (await put('/api/athlete', Buffer.from('{"name": '))).text()).toContain('JSON');
  const plain = await request.put('/api/athlete', { data: '{}', headers: { 'content-type': 'text/plain' } });
  expect([plain.status(), await plain.text()]).toEqual([400, expect.stringContaining('application/json')]);
  expect((await put('/api/outings/not-an-id', {})).status()).toBe(400);
  expect((await put('/api/outings/00000000-0000-4000-8000-000000000000', {})).status()).toBe(400);
  expect((await request.delete('/api/plans/00000000-0000-4000-8000-000000000000')).status()).toBe(404);
  expect((await request.post('/api/garments', { data: { catalogueId: 'cape' } })).status()).toBe(400);
});

test('another site may not write here', async ({ request }) => {
  const answer = await request.post('/api/garments', {
    data: { catalogueId: 'wind-shell' },
    headers: { origin: 'http://elsewhere.example' },
  });
  expect(answer.status()).toBe(403);
});

test('an outing of ten thousand legs is refused', async ({ request }) => {
  const made = await bring(request, { fields: { name: 'Legs' } });
  const { id } = await made.json();
  const leg = {
    name: 'x',
    sport: 'run',
    minutes: 5,
    distanceM: 500,
    climbM: 0,
    effort: { by: 'usual' },
    shelter: 'open',
    packOn: false,
    noStopping: false,
  };
  const answer = await request.put(`/api/outings/${id}`, {
    data: { outing: { legs: Array.from({ length: 10000 }, () => leg) }, version: 1 },
  });
  expect(answer.status()).toBe(400);
  expect((await request.delete(`/api/outings/${id}`)).ok()).toBe(true);
});

test('an outing that is saved as a file is taken back as it stands, and changes of it are checked', async ({
  request,
}) => {
  const { id } = await (await bring(request, { fields: { name: 'There and back' } })).json();
  const path = `/api/outings/${id}`;
  const saved = await (await request.get(`${path}/export?as=json`)).json();
  expect(saved.outing.name).toBe('There and back');
  const put = (version: number) => request.put(path, { data: { outing: saved.outing, version } });
  expect(await (await put(1)).json()).toEqual({ version: 2 });
  expect((await put(1)).status()).toBe(409);
  expect(await (await request.get(`${path}/export?as=json`)).json()).toEqual(saved);
  expect(await (await request.get(`${path}/export?as=gpx`)).text()).toContain('<trkpt');
  expect((await request.get(`${path}/export?as=exe`)).status()).toBe(400);
  for (const data of [
    { name: '' },
    { name: 'x'.repeat(121) },
    { archived: 'yes' },
    { deleted: true },
    {},
    { name: 'a', archived: true },
  ])
    expect((await request.patch(path, { data })).status()).toBe(400);
  expect((await request.patch(path, { data: { deleted: false } })).status()).toBe(404);
  expect((await request.delete(path)).ok()).toBe(true);
  expect((await request.get(`${path}/export?as=json`)).status()).toBe(404);
  expect((await put(2)).status()).toBe(404);
  expect((await request.patch(path, { data: { deleted: false } })).ok()).toBe(true);
  expect(await (await request.get(`${path}/export?as=json`)).json()).toEqual(saved);
  await request.delete(path);
});

test('two windows cannot silently overwrite each other', async ({ request }) => {
  const { id } = await (await bring(request, { fields: { name: 'Two windows' } })).json();
  const plan = { worn: [], carried: [], openings: {}, cues: [] };
  const made = await (await request.post(`/api/outings/${id}/plans`, { data: { name: 'Plan A', plan } })).json();
  const save = (version: number) => request.put(`/api/plans/${made.id}`, { data: { name: 'Plan A', plan, version } });
  expect((await save(1)).ok()).toBe(true);
  const late = await save(1);
  expect(late.status()).toBe(409);
  expect(await late.text()).toContain('changed in another window');
  expect((await late.json()).now).toEqual({ version: 2, value: { name: 'Plan A', plan } });
  await request.delete(`/api/outings/${id}`);
});

test('HTML in a name is shown as text', async ({ page, request }) => {
  const { id } = await (await bring(request, { fields: { name: '<img src=x onerror=alert(1)><b>Bold</b>' } })).json();
  let alerted = false;
  page.on('dialog', (d) => {
    alerted = true;
    void d.dismiss();
  });
  await page.goto(`/outing/${id}`);
  await expect(page.getByLabel('Name of the outing')).toHaveValue('<img src=x onerror=alert(1)><b>Bold</b>');
  await page.goto('/outings');
  await expect(page.getByText('<img src=x onerror=alert(1)>').first()).toBeVisible();
  expect(alerted).toBe(false);
  await request.delete(`/api/outings/${id}`);
});

test('a refused form says why on the page and keeps what was typed', async ({ page }) => {
  await page.goto('/outing/new');
  await page.getByLabel('Name').fill('My day');
  await page.getByLabel('Hourly forecast').setInputFiles({
    name: 'sat.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('time,temperature_c,humidity_pct,wind_ms\n2027-01-12T18:00,400,80,3'),
  });
  await page.locator('input[name=route]').setInputFiles('src/demo/files/mill-lane-loop.gpx');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'sat.csv, line 2' })).toContainText(
    'temperature_c is 400. It may be: -60 to 40 °C.',
  );
  await expect(page.getByLabel('Name')).toHaveValue('My day');
});

test('pages that are not there say so', async ({ page }) => {
  const answer = await page.goto('/outing/00000000-0000-4000-8000-000000000000');
  expect(answer!.status()).toBe(404);
  await expect(page.getByRole('link', { name: /outings|home/i }).first()).toBeVisible();
});

test('a simulation that cannot be loaded says so, names the way out, and is whole again after it', async ({ page }) => {
  const worker = '**/ember.worker.js';
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  await page.route(worker, (route) => route.abort());
  // Here the worker only practises: nobody asked for it, so nothing is said.
  await page.goto('/outing/new');
  await page.getByLabel('Name').fill('Anything');
  await expect(page.getByRole('alert').filter({ hasText: /./ })).toHaveCount(0);
  await page.goto('/outings');
  await page.getByRole('link', { name: 'Skarn Head round' }).click();
  await expect(page.getByText('reload the page; what you changed is stored')).toBeVisible();
  await page.unroute(worker);
  await page.reload();
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: 45_000 });
  await expect(page.getByText('reload the page')).toBeHidden();
  expect(errors).toEqual([]);
});

test('the same request sent twice with one key is done once; the key may not stand for another', async ({
  request,
}) => {
  const key = '7d3c0000-0000-4000-8000-' + String(Date.now()).slice(-12);
  const send = (name: string) =>
    request.post('/api/garments', { data: { catalogueId: name }, headers: { 'idempotency-key': key } });
  const [first, second] = await Promise.all([send('wind-shell'), send('wind-shell')]);
  expect(await first.json()).toEqual(await second.json());
  expect(await (await send('wind-shell')).json()).toEqual(await first.json());
  expect((await send('thin-cap')).status()).toBe(422);
  const { id } = await first.json();
  expect((await request.patch(`/api/garments/${id}`, { data: { removed: true } })).ok()).toBe(true);
  const bad = await request.post('/api/garments', { data: {}, headers: { 'idempotency-key': 'no key' } });
  expect(bad.status()).toBe(400);
});

test('a full disk is said in a sentence, the same request goes through when there is room, and nothing is stored twice', async ({
  page,
  request,
}) => {
  const sql = postgres(process.env.EMBER_DATABASE!, { max: 1, onnotice: () => {} });
  const fill = (code: string) =>
    sql.unsafe(`create or replace function no_room() returns trigger language plpgsql as
      $$ begin raise exception 'no room' using errcode = '${code}'; end $$;
      create or replace trigger no_room before insert or update on garment for each row execute function no_room()`);
  const key = '7d3d0000-0000-4000-8000-' + String(Date.now()).slice(-12);
  const send = () =>
    request.post('/api/garments', { data: { catalogueId: 'wind-shell' }, headers: { 'idempotency-key': key } });
  const count = async () => Number((await sql`select count(*) as n from garment`)[0].n);
  const before = await count();
  const [shell] = await sql`select id from garment where name = 'Wind shell'`;
  try {
    // What PostgreSQL says when a write finds no room, and when it may only read.
    for (const [code, says] of [
      ['53100', 'the disk is full'],
      ['25006', 'can only be read now'],
    ]) {
      await fill(code);
      const refused = await send();
      expect(refused.status()).toBe(507);
      expect((await refused.json()).problems[0].allowed).toContain(says);
      expect(JSON.stringify(await refused.json())).not.toContain('no room');
    }
    // The pages go on answering, and an edit is kept on the device until there is room.
    await page.goto('/closet');
    await page.getByRole('button', { name: 'Wind shell', exact: true }).first().click();
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Wind shell, kept');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText(/kept here/i).first()).toBeVisible();
    await page.close();
  } finally {
    await sql`drop trigger no_room on garment`;
    await sql`drop function no_room`;
  }
  // The page may have tried once more as it was closed: the shell is called what it was, and what comes later finds a newer version.
  await sql`update garment set name = 'Wind shell', version = version + 1 where id = ${shell.id}`;
  expect(await count()).toBe(before);
  const made = await send();
  expect(made.ok()).toBe(true);
  expect(await (await send()).json()).toEqual(await made.json());
  expect(await count()).toBe(before + 1);
  await sql`delete from garment where id = ${(await made.json()).id}`;
  await sql.end();
});

test('a garment, me and wishes are not overwritten from an older version, and a garment is changed whole', async ({
  request,
}) => {
  const { id } = await (await request.post('/api/garments', { data: { catalogueId: 'wind-shell' } })).json();
  const copy = await (await request.post('/api/garments', { data: { copyOf: id } })).json();
  const now = await (await request.put(`/api/garments/${id}`, { data: { removed: true } })).json();
  expect(JSON.stringify(now.problems)).toContain('garment');
  for (const over of [{ version: 0 }, { version: 2 ** 31 }, { version: 1.5 }])
    expect((await request.put('/api/athlete/wishes', { data: { wishes: {}, ...over } })).status()).toBe(400);
  for (const made of [id, copy.id])
    expect((await request.patch(`/api/garments/${made}`, { data: { removed: true } })).ok()).toBe(true);
});

test('everything goes out as one file and comes in again as it was, also what was deleted', async ({ request }) => {
  const { id } = await (await bring(request, { fields: { name: 'In the archive' } })).json();
  const plan = { worn: [], carried: [], openings: {}, cues: [] };
  const made = await (await request.post(`/api/outings/${id}/plans`, { data: { name: 'Plan A', plan } })).json();
  expect((await request.delete(`/api/plans/${made.id}`)).ok()).toBe(true);
  const before = await (await request.get('/api/archive')).body();
  const put = (data: Buffer, type = 'application/zip') =>
    request.put('/api/archive', { data, headers: { 'content-type': type } });
  expect((await put(before.subarray(0, 9000))).status()).toBe(400);
  expect((await put(before, 'text/plain')).status()).toBe(400);
  expect((await request.delete(`/api/outings/${id}`)).ok()).toBe(true);
  expect((await put(before)).ok()).toBe(true);
  expect((await (await request.get('/api/archive')).body()).equals(before)).toBe(true);
  expect((await request.patch(`/api/plans/${made.id}`, { data: { deleted: false } })).ok()).toBe(true);
  await request.delete(`/api/outings/${id}`);
});

test('what was deleted is listed and brought back from there', async ({ page, request }) => {
  const { id } = await (await bring(request, { fields: { name: 'Thrown away' } })).json();
  await request.delete(`/api/outings/${id}`);
  await page.goto('/outings');
  await page.getByText(/^Deleted or taken out: \d/).click();
  const row = page.getByRole('listitem').filter({ hasText: 'Thrown away' });
  await expect(row).toContainText('kept for 30 more days');
  await row.getByRole('button', { name: 'Bring back' }).click();
  await expect(page.getByRole('link', { name: 'Thrown away' })).toBeVisible();
  await request.delete(`/api/outings/${id}`);
});

/** Speaks to the server by hand. @returns the first line of what it says, and whether it let go afterwards */
function byHand(baseURL: string, text: string): Promise<{ says: string; closed: boolean }> {
  const { hostname, port } = new URL(baseURL);
  return new Promise((done) => {
    let says = '';
    const socket = connect(Number(port), hostname, () => socket.write(text));
    const timer = setTimeout(() => socket.destroy(), 5000);
    socket.on('data', (d) => (says += String(d)));
    socket.on('close', () => {
      clearTimeout(timer);
      done({ says: says.split('\r\n')[0], closed: !socket.destroyed || says !== '' });
    });
  });
}

test('nobody speaks to it under another name, over a web socket, or in an address that is none', async ({
  baseURL,
}) => {
  const ask = (line: string, headers: string) => byHand(baseURL!, `${line}\r\n${headers}\r\nConnection: close\r\n\r\n`);
  const { host } = new URL(baseURL!);
  expect((await ask('GET /me HTTP/1.1', `Host: ${host}`)).says).toContain('200');
  expect((await ask('GET /me HTTP/1.1', 'Host: evil.example')).says).toContain('421');
  expect((await ask('GET /api/archive HTTP/1.1', 'Host: evil.example')).says).toContain('421');
  expect((await ask('TRACE / HTTP/1.1', `Host: ${host}`)).says).toContain('405');
  expect((await ask('GET /outing/%E0%A4%A HTTP/1.1', `Host: ${host}`)).says).toContain('400');
  expect((await ask('nonsense', '')).says).toContain('400');
  const upgrade = await byHand(
    baseURL!,
    `GET /anything HTTP/1.1\r\nHost: ${host}\r\nConnection: Upgrade\r\nUpgrade: websocket\r\n\r\n`,
  );
  expect(upgrade).toEqual({ says: 'HTTP/1.1 426 Upgrade Required', closed: true });
});

test('answers are nobody else’s: not kept on the way, not read by other pages', async ({ request }) => {
  for (const path of ['/api/archive', '/api/health', '/me']) {
    const headers = (await request.get(path)).headers();
    expect(headers['cache-control']).toContain('no-store');
    expect(headers['cross-origin-resource-policy']).toBe('same-origin');
    expect(headers['cross-origin-opener-policy']).toBe('same-origin');
    expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
    expect(headers['x-powered-by']).toBeUndefined();
  }
});
