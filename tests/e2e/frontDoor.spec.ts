import { faults } from '../support/accessibility';
import { expect, SEARCH_MS, test, withoutLadders, type APIRequestContext, type Page } from '../support/browser';
import postgres from 'postgres';
import { spawnSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';

/** The front door and the ladder as somebody uses them: typing, dragging, keys, touch, paper. */
const LINE = 'run 50 min steady −6 wind 15 dry, traffic stops';
const line = (page: Page) => page.getByLabel('What you are about to do, and how it is outside');
const exact = (page: Page) =>
  expect(page.getByRole('button', { name: /Lay it out/ })).toBeEnabled({ timeout: SEARCH_MS });
/** The ladder's rungs are there: from then on the answer is the one that stays. */
const laddered = (page: Page) =>
  expect(page.getByText(/Rung \d+ of \d+ on your ladder/)).toBeVisible({ timeout: SEARCH_MS });

test('type the line, and it is answered; drag the wind, and the line, the clothes and what it feels like follow', async ({
  page,
}) => {
  await withoutLadders(page);
  await page.goto('/');
  await line(page).fill(LINE);
  await expect(page.getByText('7 said, 4 guessed')).toBeVisible();
  await exact(page);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/door/);
  await expect(page.getByRole('heading', { name: 'Start in' })).toBeVisible();
  const wind = page.getByRole('slider', { name: 'Wind', exact: true });
  const feels = page.getByRole('group', { name: 'Air, what it feels like, and wind' });
  const before = await feels.textContent();
  const box = (await wind.locator('circle').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 90, { steps: 6 });
  await page.mouse.up();
  await expect(line(page)).toHaveValue(/wind 2\d|wind 3\d/);
  expect(await feels.textContent()).not.toBe(before);
  // Undone by a key, outside the line.
  await page.getByRole('heading', { name: 'Outside' }).click();
  await page.keyboard.press('z');
  await expect(line(page)).toHaveValue(LINE);
  expect(await faults(page)).toEqual([]);
});

test('by keys alone: type, colder, harder, wet, lay it out as a score with its legs and plan', async ({ page }) => {
  await withoutLadders(page);
  await page.goto('/');
  await page.getByRole('heading', { name: 'Outside' }).click();
  await page.keyboard.press('/');
  await expect(line(page)).toBeFocused();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('run 40 min easy −2 calm dry, open, 2 x 5 min wait');
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowLeft');
  await expect(line(page)).toHaveValue(/−3°/);
  await page.keyboard.press('Shift+ArrowDown');
  await expect(line(page)).toHaveValue(/wind 9/);
  await page.keyboard.press('e');
  await expect(line(page)).toHaveValue(/effort 3.5/);
  await page.keyboard.press('w');
  await expect(line(page)).toHaveValue(/dry snow 1 mm/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await exact(page);
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/outing\/.+\/score/, { timeout: 60_000 });
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: SEARCH_MS });
  await page.getByRole('link', { name: /1 Outing/ }).click();
  await expect(page.getByLabel('Name of the outing')).toHaveValue(/Run/);
  await expect(page.getByText('Waiting').first()).toBeVisible();
  // What was laid out stands ready at the door again.
  await page.goto('/');
  await expect(line(page)).toHaveValue(/effort 3.5/);
  // What the whole planner ended with was laid out, not what stood there while it still looked.
  const laid = page.getByRole('article').filter({ hasText: '07:05' });
  await expect(laid.first()).toContainText('Run');
  await expect(laid.first()).not.toContainText('not safe');
});

test('what is typed before the page is at work is taken in when it is', async ({ page }) => {
  await withoutLadders(page);
  // A slow network: the page is there, its scripts are not yet.
  let go = () => {};
  const slow = new Promise<void>((r) => (go = r));
  await page.route(/\.js(\?|$)/, async (route) => {
    await slow;
    await route.continue();
  });
  await page.goto('/', { waitUntil: 'commit' });
  await line(page).fill(LINE);
  go();
  await expect(page.getByText('7 said, 4 guessed')).toBeVisible();
  await expect(line(page)).toHaveValue(LINE);
});

test('what is not understood, out of range or contradicts itself is said, and the rest is answered', async ({
  page,
}) => {
  await withoutLadders(page);
  await page.goto('/');
  await line(page).fill('rnu 50 min −8 rain wind 400');
  await expect(page.getByText('“rnu” is not understood.')).toBeVisible();
  await expect(page.getByText('Wind 400 km/h')).toBeVisible();
  await expect(page.getByText('rain does not fall in such air: dry snow is assumed.')).toBeVisible();
  await page.getByRole('button', { name: 'run', exact: true }).click();
  await expect(line(page)).toHaveValue(/^run 50/);
  await exact(page);
});

test('a line kept under a name is one tap away, and can be forgotten and brought back', async ({ page }) => {
  await withoutLadders(page);
  await page.goto('/');
  await line(page).fill('walk 30 min easy +1');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByLabel('Name of this line').fill('Evening walk');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await line(page).fill('run 20 min');
  await page.getByRole('button', { name: 'Evening walk', exact: true }).click();
  await expect(line(page)).toHaveValue('walk 30 min easy +1');
  await page.getByRole('button', { name: 'Forget Evening walk' }).click();
  await expect(page.getByRole('button', { name: 'Evening walk', exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Evening walk', exact: true })).toBeVisible();
});

test('the last outing is told in one tap, and taken back; an hour of the strip is when one leaves; a report may be pasted', async ({
  page,
}) => {
  await withoutLadders(page);
  await page.goto('/');
  await expect(page.getByText(/Mill Lane loop, .*how was it/)).toBeVisible();
  await page.getByRole('button', { name: 'Too cold' }).click();
  await expect(page.getByText('Kept: too cold.')).toBeVisible();
  await page.getByRole('button', { name: 'take it back' }).click();
  await expect(page.getByRole('button', { name: 'Too cold' })).toBeVisible();
  await line(page).fill('run 30 min easy');
  await page.getByRole('button', { name: /Leave at 11:00/ }).click({ timeout: 60_000 });
  await expect(line(page)).toHaveValue(/11:00/);
  await page.getByText('Paste a METAR, a TAF or a forecast instead').click();
  await page.getByLabel('METAR, TAF or forecast as CSV').fill('hello');
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByText('Not taken.')).toBeVisible();
  await page
    .getByLabel('METAR, TAF or forecast as CSV')
    .fill('METAR XXXX 130650Z 24012KT 9999 WIBBLE OVC012 M11/M13 Q1008');
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByText('WIBBLE')).toBeVisible();
  await expect(page.getByRole('slider', { name: 'Air', exact: true })).toHaveAttribute('aria-valuetext', '−11 °C');
});

test('the ladder climbs in the background, shows its cells, and one of them is tried at the door', async ({ page }) => {
  await page.goto('/ladder?sport=run');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/rungs? reach/, { timeout: SEARCH_MS });
  const frame = page.getByRole('button', { pressed: true }).first();
  await expect(frame).toBeVisible();
  // Cells that are not worked out yet are passed over by the arrow keys.
  await expect(page.getByRole('button', { name: 'Print it' })).toBeEnabled({ timeout: SEARCH_MS });
  await frame.focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('heading', { name: /−10° to −15°, breezy, dry/ })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: /−10° to −15°, windy, dry/ })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  const csv = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV' }).click();
  expect((await csv).suggestedFilename()).toBe('ladder-run-open.csv');
  await page.getByRole('link', { name: 'Try it at the front door' }).click();
  await expect(line(page)).toHaveValue(/^run 60 min steady −1[23]° wind 40 dry/);
  await laddered(page);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('by touch: answered, nothing runs off the page, chips are stepped', async ({ page }) => {
    await withoutLadders(page);
    await page.goto('/');
    await line(page).fill('run 50 min steady −6 wind 15 dry');
    await exact(page);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(390);
    await page.getByRole('button', { name: 'air: less' }).tap();
    await expect(line(page)).toHaveValue(/−7°/);
    await page.goto('/ladder');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });
});

test('on paper it is one page with the line, and no knobs', async ({ page }) => {
  await withoutLadders(page);
  await page.goto('/');
  await line(page).fill(LINE);
  await exact(page);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: /Lay it out/ })).toBeHidden();
  await expect(page.getByText(LINE).last()).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Start in' })).toBeVisible();
  const pdf = await page.pdf({ format: 'A4' });
  expect((pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g) ?? []).length).toBeLessThanOrEqual(1);
});

/** Screen and command line say the same for the same question, athlete and closet. */
async function agree(page: Page, request: APIRequestContext): Promise<void> {
  const asked = 'run 45 min steady −9 wind 12 dry, open, overcast';
  await line(page).fill(asked);
  await laddered(page);
  await exact(page);
  await expect(page.getByText(/other days|^1 in|^\d in \d|^in every|^nearly/).first()).toBeVisible({ timeout: 60_000 });
  mkdirSync(test.info().outputDir, { recursive: true });
  const archive = join(test.info().outputDir, 'mine.zip');
  writeFileSync(archive, await (await request.get('/api/archive')).body());
  // The page stands at its station: its light and height belong to the question.
  const { heard } = (await (await request.get('/api/weather')).json()) as {
    heard: { weather: { station: { latitude: number; longitude: number; eleM: number } } };
  };
  const { latitude, longitude, eleM } = heard.weather.station;
  const r = spawnSync(
    resolve('bin/ember'),
    ['answer', asked, '--mine', archive, '--now', '2027-01-13T07:05', '--place', `${latitude},${longitude},${eleM}`],
    { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 },
  );
  expect(r.stderr).toBe('');
  const said = JSON.parse(r.stdout) as { rung: number; rest: string; startIn: { pieces: string[] }[] };
  await expect(page.getByText(new RegExp(`Rung ${said.rung} of`))).toBeVisible();
  await expect(page.getByText(said.rest.split('. ')[0]).first()).toBeVisible();
  const start = page.getByRole('region', { name: 'Start in' });
  for (const piece of said.startIn.flatMap((p) => p.pieces))
    await expect(start.getByRole('listitem').filter({ hasText: piece }).first()).toBeVisible();
}

test('with nothing in the closet: five questions and an answer that follows each tick; then the front door, which says what the command line says', async ({
  page,
  request,
}) => {
  const sql = postgres(process.env.EMBER_DATABASE!, { max: 1, onnotice: () => {} });
  await sql`update garment set removed_at = now(), damp_gm2 = damp_gm2 where removed_at is null and catalogue_id is not null`;
  try {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: /Five questions/ })).toBeVisible();
    const start = page.getByRole('region', { name: 'Start in' });
    await expect(start).toBeVisible({ timeout: 60_000 });
    // Which of the two pairs depends on the weather of the hour.
    const gloves = start.getByRole('listitem').filter({ hasText: /Liner gloves|Windproof gloves/ });
    await expect(gloves.first()).toBeVisible({ timeout: 60_000 });
    await page.getByRole('checkbox', { name: 'Liner gloves' }).click();
    await page.getByRole('checkbox', { name: 'Windproof gloves' }).click();
    await expect(start.getByRole('listitem').filter({ hasText: 'Hands' })).toContainText('bare', { timeout: 60_000 });
    expect(await faults(page)).toEqual([]);
    await page.getByRole('checkbox', { name: 'Insulated mitts' }).click();
    await page.getByRole('radio', { name: 'cold first' }).click();
    await page.getByRole('button', { name: 'Use it, go to the front door' }).click();
    await expect(line(page)).toBeVisible({ timeout: 60_000 });
    const [{ n }] = await sql<{ n: number }[]>`select count(*)::int as n from garment where removed_at is null`;
    expect(n).toBe(11);
    const [me] = await sql<{ constriction: number }[]>`select constriction from athlete`;
    expect(me.constriction).toBe(1.4);
    await agree(page, request);
  } finally {
    await sql`delete from garment where removed_at is null`;
    await sql`update garment set removed_at = null where removed_at > now() - interval '10 minutes'`;
    await sql`update athlete set constriction = 1.15, sweat_gain = 1.1, warmth_k = 0`;
    await sql.end();
  }
});
