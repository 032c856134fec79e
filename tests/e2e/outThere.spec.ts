import { faults } from '../support/accessibility';
import { expect, test, type BrowserContext, type Locator, type Page } from '../support/browser';
import jsQR from 'jsqr';
import { randomUUID } from 'node:crypto';
import { createServer, request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { storePlan } from '../support/storedPlans';

/** The phone on the way: taken along, without a network, played to its end. */
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

const ORIGIN = process.env.EMBER_URL ?? 'http://127.0.0.1:3000';
const headers = { origin: ORIGIN };

const NAME = 'Lang Tarn hut and back';
const PLAN = {
  worn: [
    'thin-merino-base',
    'wind-shell',
    'briefs',
    'brushed-tights',
    'wool-socks',
    'running-shoes',
    'liner-gloves',
    'thin-cap',
  ],
  carried: ['standby-puffy', 'warm-mitts'],
  openings: {},
  cues: [
    { atS: 600, actions: [{ do: 'set', garment: 'wind-shell', opening: 'zip', setting: 1 }] },
    {
      atS: 2400,
      actions: [
        { do: 'putOn', garment: 'standby-puffy' },
        { do: 'putOn', garment: 'warm-mitts' },
      ],
    },
  ],
};

const packed = (page: Page) => expect(page.getByText('Packed: works without a network.')).toBeVisible();

/** How fast the clock of a rehearsal runs as it is kept on the phone; null: nothing is kept. */
const keptSpeed = (page: Page, session: string): Promise<number | null> =>
  page.evaluate(
    (key) =>
      new Promise<number | null>((done, fail) => {
        const open = indexedDB.open('lofted-ember-out');
        open.onsuccess = () => {
          const asked = open.result.transaction('sessions').objectStore('sessions').get(key);
          asked.onsuccess = () => (open.result.close(), done(asked.result?.clock?.speed ?? null));
          asked.onerror = () => fail(asked.error);
        };
      }),
    session,
  );

/** Puts taps into the phone's own database, as if they had been made there, so many seconds after the planned start. */
async function tapped(
  page: Page,
  session: string,
  startMs: number,
  taps: { atS: number; told: object }[],
  place = 'sent',
) {
  const rows = taps.map((t) => ({
    id: randomUUID(),
    atMs: startMs + t.atS * 1000,
    device: 'phone',
    told: t.told,
    session,
    place,
  }));
  await page.evaluate(
    (list) =>
      new Promise<void>((done, fail) => {
        const open = indexedDB.open('lofted-ember-out');
        open.onsuccess = () => {
          const tx = open.result.transaction('taps', 'readwrite');
          list.forEach((row) => tx.objectStore('taps').put(row));
          tx.oncomplete = () => (open.result.close(), done());
          tx.onerror = () => fail(tx.error);
        };
      }),
    rows,
  );
}

let outing = '';
let startMs = 0;
test.beforeAll(async ({ request }) => {
  outing = await storePlan(request, NAME, 'For the phone', PLAN);
  const pack = await (await request.get(`/api/outings/${outing}/pack`)).json();
  startMs = pack.outing.startMs - pack.outing.utcOffsetMin * 60_000;
});

test('the code on the screen is the link that packs the outing', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`/outing/${outing}/score`);
  await page.getByRole('button', { name: 'Send to phone' }).click();
  const svg = page.getByRole('img', { name: /^Code of/ });
  await expect(svg).toBeVisible();
  const shot = await svg.screenshot();
  const { data, width, height } = await page
    .evaluate(async (png) => {
      const image = await createImageBitmap(await (await fetch(`data:image/png;base64,${png}`)).blob());
      const canvas = new OffscreenCanvas(image.width, image.height);
      const g = canvas.getContext('2d')!;
      g.drawImage(image, 0, 0);
      const d = g.getImageData(0, 0, image.width, image.height);
      return { data: [...d.data], width: d.width, height: d.height };
    }, shot.toString('base64'))
    .catch(() => ({ data: [] as number[], width: 0, height: 0 }));
  // The page's own policy may forbid data: addresses; then the words of the code are what is read.
  const link =
    data.length > 0
      ? jsQR(Uint8ClampedArray.from(data), width, height)?.data
      : (await svg.textContent())?.replace('Code of ', '');
  expect(link).toContain(`/out?outing=${outing}`);
  await context.close();
});

/** The application under an address of its own, which can be taken away for good. */
async function aServerToKill(): Promise<{ address: string; kill: () => Promise<void> }> {
  const to = new URL(ORIGIN);
  const server = createServer((req, res) => {
    const ask = httpRequest(
      { host: to.hostname, port: to.port, path: req.url, method: req.method, headers: req.headers },
      (r) => {
        res.writeHead(r.statusCode ?? 502, r.headers);
        r.pipe(res);
      },
    );
    ask.on('error', () => res.destroy());
    req.pipe(ask);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as AddressInfo;
  return {
    address: `http://127.0.0.1:${port}`,
    kill: () => new Promise((done) => (server.close(() => done()), server.closeAllConnections())),
  };
}

/** Large enough to be hit with mittens on. */
const isForMittens = (button: Locator) =>
  expect.poll(async () => (await button.boundingBox())?.height ?? 0).toBeGreaterThanOrEqual(84);

/** Makes the way there and back at sixty times the clock, doing what is asked. */
async function playToTheEnd(page: Page) {
  await page.getByRole('button', { name: '60×' }).click();
  for (let k = 0; k < 2; k++) {
    const done = page.getByRole('button', { name: 'Done', exact: true });
    await done.waitFor({ timeout: 120_000 });
    await isForMittens(done);
    await done.click();
    await expect(page.getByText('Done', { exact: true }).first()).toBeVisible();
  }
  await expect(page.getByText(/Nothing more to do|Nothing to do/).first()).toBeVisible();
  await page.getByRole('button', { name: 'I am home' }).click();
  await expect(page.getByRole('heading', { name: 'How was it?' })).toBeVisible();
}

test('packed once, it opens, plays an outing to its end and comes home without network or server', async ({
  page,
  context,
}) => {
  const server = await aServerToKill();
  await page.goto(`${server.address}/out?outing=${outing}&rehearse`);
  await packed(page);
  await expect(page.getByRole('button', { name: /^Start/ })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  // Nothing answers any more: not the network, and not the server behind it.
  await server.kill();
  await context.setOffline(true);
  await page.reload();
  await page.getByRole('checkbox', { name: /Torso/ }).click();
  await expect(page.getByRole('checkbox', { name: /Torso/ })).toBeChecked();
  await page.getByRole('button', { name: /^Start/ }).click();
  await expect(page.getByRole('heading', { name: 'Your body now' })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  for (const name of ['Too hot', 'Feet cold']) await isForMittens(page.getByRole('button', { name }));
  await playToTheEnd(page);
  await page.getByRole('radio', { name: 'cool' }).first().click();
  await page.getByRole('button', { name: 'A gram more' }).click();
  await page.getByRole('button', { name: /^Keep/ }).click();
  await expect(page.getByRole('button', { name: /^Kept/ })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  // Killed and opened again, all of it is there.
  await page.reload();
  await expect(page.getByRole('radio', { name: 'cool' }).first()).toBeChecked();
});

test('the sky is answered, the plan follows, and one word takes it back; what is not with me leaves the plan', async ({
  page,
}) => {
  await page.goto(`/out?outing=${outing}&rehearse`);
  await page.getByRole('radio', { name: 'it falls' }).click();
  await expect(page.getByRole('radio', { name: 'it falls' })).toBeChecked();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  const falls = page.getByRole('radiogroup', { name: 'Falls' });
  await expect(falls.getByRole('radio', { name: /as said/ })).toBeChecked();
  await page.getByRole('button', { name: 'Something is not with me' }).click();
  await page
    .getByRole('group', { name: 'What is not with you?' })
    .getByRole('button', { name: 'Standby puffy' })
    .click();
  await expect(page.getByText(/^Without Standby puffy/)).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'Standby puffy' })).toHaveCount(0);
  await page.getByRole('button', { name: 'They are here after all' }).click();
  await expect(page.getByRole('checkbox', { name: 'Standby puffy' })).toBeVisible();
});

test('overdue shows both ways on, a reason puts it off with its help, missed says so, and replanning answers', async ({
  page,
}) => {
  const session = `${outing} rehearsal`;
  const at = async (s: number, ...taps: { atS: number; told: object }[]) => {
    await page.goto(`/out?outing=${outing}&rehearse`);
    const hold = page.getByRole('button', { name: 'Hold' });
    await hold.waitFor();
    // One right after the other, before the disk has forgotten what was.
    await page.evaluate(() => {
      const button = (name: string) =>
        [...document.querySelectorAll('button')].find((b) => b.textContent?.trim() === name)!;
      button('Again').click();
      button('Hold').click();
    });
    await expect(hold).toHaveAttribute('aria-pressed', 'true');
    await expect.poll(() => keptSpeed(page, session)).toBe(0);
    await tapped(page, session, startMs, [
      { atS: 0, told: { kind: 'started', by: 'button' } },
      ...taps,
      // The last tap says what time it is: a rehearsal goes on from there.
      { atS: s, told: { kind: 'ticked', item: 'clock', on: true } },
    ]);
    await page.reload();
  };
  const first = { atS: 640, told: { kind: 'done', cue: '0:600' } };
  await at(2400 + 240, first);
  await expect(page.getByText('4 min overdue')).toBeVisible();
  await expect(page.getByRole('img', { name: /Fingers by .* if not/ })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.getByRole('button', { name: 'I cannot now' }).click();
  await page.getByRole('button', { name: /Hands too cold/ }).click();
  await expect(page.getByText(/Hands in your armpits, 3 min/)).toBeVisible();

  await at(2400 + 1000, first);
  await expect(page.getByText(/Missed/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Replan from here' }).click();
  await expect(page.getByText('Planned from here', { exact: true })).toBeVisible();
  await expect(page.getByText(/^Missed/)).toHaveCount(0);

  await at(1500, first, { atS: 1400, told: { kind: 'fix', metres: 900, offM: 300 } });
  await expect(page.getByText(/300 m off the route/)).toBeVisible();
  await page.getByRole('button', { name: 'We are stuck' }).click();
  await expect(page.getByText(/As you are, all on:/)).toBeVisible();
  await expect(page.getByRole('button', { name: /other close by/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'One more' }).click();
  await expect(page.getByText('2 people', { exact: true })).toBeVisible();
  const bag = page.getByRole('button', { name: /^a bivouac bag:/i });
  await bag.click();
  await expect(bag).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/With a bivouac bag, all on:/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^the other close by:/i })).toBeVisible();
  const latest = page.getByRole('slider', { name: 'Help comes, latest' });
  await latest.focus();
  await latest.press('ArrowRight');
  await expect(page.getByText(/help may take 2 to 6.5 h/)).toBeVisible();
  await page.getByRole('button', { name: 'No shiver' }).click();
  await expect(page.getByText(/Call for help now/)).toBeVisible();
  expect(await page.getByRole('link', { name: /Text to/ }).getAttribute('href')).toMatch(
    /^sms:\?&body=.*2%20people%20cannot%20go%20on\.%20With%20a%20bivouac%20bag/,
  );
  expect(await faults(page)).toEqual([]);
});

test('what is tapped without a network is sent when there is one, once, and another phone has it too', async ({
  page,
  context,
  browser,
  request,
}) => {
  await page.goto(`/out?outing=${outing}`);
  await packed(page);
  await context.setOffline(true);
  const told = { kind: 'ticked', item: 'Head', on: true };
  await tapped(page, outing, Date.now(), [{ atS: 0, told }], 'here');
  // One that the server will not have: the phone says why, and nothing else is held up.
  await tapped(page, outing, Date.now(), [{ atS: 1, told: { kind: 'weighed', garment: 'x', grams: -5 } }], 'here');
  await page.reload();
  await expect(page.getByText(/Kept here, 2 to send/)).toBeVisible();
  await context.setOffline(false);
  await page.reload();
  await expect(page.getByText(/Kept here and sent/)).toBeVisible();
  await expect(page.getByText(/1 not taken by the server/)).toBeVisible();
  const { taps } = await (await request.get(`/api/outings/${outing}/taps`)).json();
  expect(taps.filter((t: { told: { item?: string } }) => t.told.item === 'Head')).toHaveLength(1);
  // The same sent again, as after an answer that was not heard: nothing doubles.
  const again = await request.post(`/api/outings/${outing}/taps`, {
    headers,
    data: { taps: taps.map(({ seq: _, ...t }: { seq: number }) => t) },
  });
  expect((await again.json()).refused).toEqual([]);
  expect((await (await request.get(`/api/outings/${outing}/taps`)).json()).taps).toHaveLength(taps.length);
  const other: BrowserContext = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const second = await other.newPage();
  await second.goto(`${ORIGIN}/out?outing=${outing}`);
  await expect(second.getByRole('checkbox', { name: /^Head/ })).toBeChecked();
  await other.close();
  // A third whose clock is ten minutes ahead says so, and tells the right time.
  const wrong: BrowserContext = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const third = await wrong.newPage();
  await third.addInitScript(() => {
    const right = Date.now.bind(Date);
    Date.now = () => right() + 600_000;
  });
  await third.goto(`${ORIGIN}/out?outing=${outing}`);
  await expect(third.getByText(/This phone’s clock is 10 min ahead/)).toBeVisible();
  const before = Date.now();
  const sent = third.waitForRequest((r) => r.method() === 'POST' && r.url().endsWith('/taps'));
  await third.getByRole('checkbox', { name: /^Head/ }).click();
  await expect(third.getByRole('checkbox', { name: /^Head/ })).not.toBeChecked();
  await expect(third.getByText(/Kept here, 1 to send/)).toBeVisible();
  await third.evaluate(() => window.dispatchEvent(new Event('online')));
  const atMs = (await sent).postDataJSON().taps[0].atMs as number;
  expect(Math.abs(atMs - before)).toBeLessThan(60_000);
  await wrong.close();
});

test('what was told in the hall teaches: shown with how sure it is, left out, counted, kept, and taken back', async ({
  browser,
  request,
}) => {
  const pack = await (await request.get(`/api/outings/${outing}/pack`)).json();
  const tap = (atS: number, told: object) => ({ id: randomUUID(), atMs: startMs + atS * 1000, device: 'phone', told });
  const base = pack.closet.find(
    (g: { group: string; role: string; id: string }) =>
      g.group === 'torso' && g.role === 'base' && pack.plan.worn.includes(g.id),
  );
  const sent = await request.post(`/api/outings/${outing}/taps`, {
    headers,
    data: {
      taps: [
        tap(0, { kind: 'dressed', plan: pack.plan }),
        tap(1, { kind: 'started', by: 'button' }),
        tap(1800, { kind: 'feels', feels: 'too hot' }),
        tap(5000, { kind: 'home' }),
        ...(['torso', 'hands', 'feet'] as const).map((part, i) => tap(5010 + i, { kind: 'felt', part, felt: 'hot' })),
        tap(5020, { kind: 'weighed', garment: base.id, grams: Math.round(base.massG + 45) }),
      ],
    },
  });
  expect((await sent.json()).refused).toEqual([]);
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 900 } })).newPage();
  await page.goto(`${ORIGIN}/me`);
  const panel = page.getByRole('region', { name: /outings taught of you/ });
  await expect(panel.getByText(/adds .* to be kept/)).toBeVisible();
  const list = panel.getByRole('group');
  await panel.getByText(/outings behind it$/).click();
  const mine = list.getByRole('listitem').filter({ hasText: pack.outing.name }).first();
  await mine.getByRole('button', { name: 'Unusual: leave it out' }).click();
  await mine.getByRole('button', { name: 'Count it' }).click();
  await expect(mine.getByRole('button', { name: 'Unusual: leave it out' })).toBeVisible();
  await panel.getByRole('button', { name: /^Keep what .* taught$/ }).click();
  await expect(mine.getByRole('button', { name: 'Forget it' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(panel.getByRole('button', { name: /^Keep what .* taught$/ })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.context().close();
});
