import { faults } from '../support/accessibility';
import { expect, SEARCH_MS, test, type Page } from '../support/browser';

const shown = (page: Page) => page.getByText(/\d+ of 3\d shown/);

test('the book: filters grey, a piece lights its days, causes can be called chance, keys go through the days', async ({
  page,
}) => {
  await page.goto('/book');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/of 34 days were right and dry/);
  await expect(shown(page)).toContainText('34 of 34');
  expect(await faults(page)).toEqual([]);
  // Typing, ways of going and feelings add up; nothing moves.
  await page.keyboard.press('/');
  await page.keyboard.type('larches');
  await expect(shown(page)).toContainText('1 of 34');
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('button', { name: /^run \d+$/ }).click();
  await page.getByRole('button', { name: /^too warm \d+$/ }).click();
  await expect(shown(page)).not.toContainText('34 of 34');
  await page.keyboard.press('Escape');
  await expect(shown(page)).toContainText('34 of 34');
  await page.getByRole('button', { name: 'Wind shell', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Wind shell', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Show all' }).click();
  // A cause is refused, and looked for again.
  const causes = page.getByRole('region', { name: /went wrong/ }).getByRole('article');
  const n = await causes.count();
  expect(n).toBeGreaterThan(0);
  const first = await causes.first().innerText();
  await causes.first().getByRole('button', { name: 'That is chance' }).click();
  await expect(page.getByText('One cause is called chance.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('One cause is called chance.')).toBeVisible();
  await page.getByRole('button', { name: 'Look for it again' }).click();
  await expect(causes.first()).toHaveText(first.replace(/\n+/g, ''), { useInnerText: false });
  // A cause is made a cue for the next winter, and taken off again.
  await causes.first().getByRole('button', { name: 'Make it a cue' }).click();
  await expect(causes.first().getByRole('button', { name: 'A cue: take it off' })).toBeVisible();
  await page.reload();
  await causes.first().getByRole('button', { name: 'A cue: take it off' }).click();
  await expect(causes.first().getByRole('button', { name: 'Make it a cue' })).toBeVisible();
  // The pointer's line runs through the lanes; a dragged stretch is drawn by itself, and the winter comes back.
  const lanes = page.getByRole('group', { name: /^Days of the winter/ });
  const box = (await lanes.boundingBox())!;
  await page.mouse.move(box.x + 100, box.y + 300);
  await expect(page.locator('line[stroke-dasharray="1 2"]')).toHaveCount(2);
  await page.mouse.down();
  await page.mouse.move(box.x + 200, box.y + 304, { steps: 4 });
  await page.mouse.move(box.x + 320, box.y + 306, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByText(/^\d+ of 34 days, \d/)).toBeVisible();
  expect(await lanes.getByRole('button').count()).toBeLessThan(20);
  await page.getByRole('button', { name: 'Whole winter' }).click();
  await expect(lanes.getByRole('button')).toHaveCount(34);
  await page.keyboard.press('w');
  await expect(page.getByText(/^\d+ of 34 days, \d/)).toBeVisible();
  await page.keyboard.press('w');
  await expect(lanes.getByRole('button')).toHaveCount(34);
  // Days by key; Enter opens the chosen one.
  const name = page.getByRole('region', { name: 'Lang Tarn' });
  await expect(name).toBeVisible();
  await page.locator('h1').click();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('region', { name: 'Long Shoulder from Mill Lane' })).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByRole('button', { name: /^right \d+$/ })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('1');
  await expect(shown(page)).not.toContainText('34 of 34');
  await page.keyboard.press('Escape');
  await expect(shown(page)).toContainText('34 of 34');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Table of what is shown, CSV' }).click(),
  ]);
  expect(csv.suggestedFilename()).toBe('book.csv');
  await page.locator('h1').click();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/after$/);
});

test('afterwards: words, weights and a moved cue are kept at once, and what it taught is kept, undone and forgotten', async ({
  page,
}) => {
  await page.goto('/book');
  await page.getByRole('link', { name: 'Open the day' }).click();
  await expect(page.getByText('Said and felt')).toBeVisible();
  const scale = page.getByRole('region', { name: 'On the kitchen scale' });
  await expect(scale).toBeVisible({ timeout: 30_000 });
  expect(await faults(page)).toEqual([]);
  // A word, taken back, and another.
  const torso = page.getByRole('group', { name: /^Torso, Up through Birkshaw/ });
  await torso.getByRole('button', { name: 'cold' }).click();
  await expect(torso.getByRole('button', { name: 'cold' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('too cold somewhere', { timeout: 30_000 });
  await torso.getByRole('button', { name: 'fine' }).click();
  await expect(torso.getByRole('button', { name: 'fine' })).toHaveAttribute('aria-pressed', 'true');
  // The weather as the station measured it, in one tap.
  const weather = page.getByRole('group', { name: 'The weather that really was' });
  await expect(weather.getByText(/^Station .* measured −?\d/)).toBeVisible();
  await weather.getByRole('button', { name: 'Take it as it was' }).click();
  await expect(weather.getByText('Taken.')).toBeVisible();
  await expect(weather.getByRole('textbox', { name: 'Air, mean' })).not.toHaveValue('');
  // The cue by key, a minute at a time.
  const cue = page.getByRole('slider', { name: /^cue 1, done/ });
  const before = await cue.getAttribute('aria-valuenow');
  await cue.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(cue).not.toHaveAttribute('aria-valuenow', before!);
  await page.keyboard.press('Delete');
  await expect(page.getByRole('slider', { name: 'cue 1, not done' })).toBeVisible();
  // A weight out of its range says why, one within counts.
  const box = scale.getByRole('textbox').first();
  await box.fill('99999');
  await box.press('Enter');
  await expect(scale.getByText(/It may be/)).toBeVisible();
  await box.press('Escape');
  // All of it is there after a reload, without a button to save.
  await page.reload();
  await expect(page.getByRole('slider', { name: 'cue 1, not done' })).toBeVisible({ timeout: 30_000 });
  await page.getByRole('slider', { name: 'cue 1, not done' }).press('Enter');
  await expect(page.getByRole('slider', { name: /^cue 1, done/ })).toBeVisible();
  // Keep, undo, keep.
  const keep = page.getByRole('button', { name: 'Keep what it taught' });
  await expect(keep).toBeEnabled({ timeout: 30_000 });
  // Another window changed what is known meanwhile: this one's lesson rests on the older, so it is not put over that.
  const { known, version } = await (await page.request.get('/api/learning')).json();
  const other = await page.request.put('/api/learning', { data: { version, known, lessons: [], how: 'beside' } });
  expect(other.ok()).toBe(true);
  await keep.click();
  await expect(page.getByText('Not done.')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('Kept.', { exact: true })).toHaveCount(0);
  expect((await (await page.request.get('/api/learning')).json()).version).toBe(version + 1);
  // The page has the newer by then, and the next try is kept.
  await expect(keep).toBeEnabled({ timeout: 30_000 });
  await keep.click();
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(keep).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Unusual day: leave me as I was' }).click();
  await expect(page.getByText('Left out as an unusual day.')).toBeVisible();
  await page.getByRole('button', { name: 'Count it after all' }).click();
  await expect(keep).toBeEnabled({ timeout: 30_000 });
});

test('a track from a watch brings its clock, and a wrong one says what is wrong', async ({ page }) => {
  await page.goto('/book');
  await page.getByRole('link', { name: 'Open the day' }).click();
  const input = page.getByLabel('Recorded track, GPX or CSV of time and pulse');
  await expect(input).toBeAttached({ timeout: 30_000 });
  await input.setInputFiles({ name: 'pulse.csv', mimeType: 'text/csv', buffer: Buffer.from('time,pulse\n0,20000') });
  await expect(page.getByText(/20 to 250 bpm/)).toBeVisible();
  const rows = Array.from({ length: 150 }, (_, i) => `${i * 60},${118 + (i % 9)}`);
  await input.setInputFiles({
    name: 'pulse.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`seconds,heart_rate\n${rows.join('\n')}`),
  });
  await expect(page.getByText(/2:29 h, 150 moments, pulse 12\d in the mean/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(page.getByRole('button', { name: 'GPX, or CSV of time and pulse' })).toBeVisible();
});

test('an outing that nobody tapped is told by hand: gone as planned, then what was different', async ({ page }) => {
  // A copy of its own: other tests need the outing as it is.
  await page.goto('/outings');
  const href = (await page.getByRole('link', { name: 'Mill Lane loop' }).getAttribute('href'))!;
  const copied = await page.request.post(`/api${href.replace('/outing/', '/outings/').replace('/score', '/copy')}`);
  const { id } = (await copied.json()) as { id: string };
  await page.goto(`/outing/${id}/score`);
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: SEARCH_MS });
  const path = `/outing/${id}/after`;
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await page.goto(path);
  await expect(page.getByLabel('Recorded track, GPX or CSV of time and pulse')).toBeAttached();
  await page.getByRole('button', { name: 'It was gone as planned' }).click();
  await expect(page.getByText('Said and felt')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Not told yet.');
  const hands = page.getByRole('group', { name: /^Hands, / }).first();
  await hands.getByRole('button', { name: 'cold' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('too cold somewhere', { timeout: 30_000 });
  await page.goto('/book');
  await expect(page.getByRole('button', { name: /^Mill Lane loop.*, 12 January/ })).toBeVisible();
  // It is behind, and no longer ahead.
  await page.goto('/outings');
  await expect(page.locator(`a[href="/outing/${id}/score"]`)).toHaveCount(0);
});

test('the rack: hung, it says when it is dry; off again by undo; reminders as a calendar', async ({ page }) => {
  await page.goto('/closet');
  const rack = page.getByRole('region', { name: /On the rack/ });
  await rack.getByRole('combobox', { name: 'Where Wool pullover hangs' }).click();
  await page.getByRole('option', { name: 'on a line indoors' }).click();
  await expect(page.getByText('Wool pullover hangs on a line indoors.', { exact: true })).toBeVisible();
  await expect(rack.getByText(/^dry /).first()).toBeVisible();
  const [ics] = await Promise.all([
    page.waitForEvent('download'),
    rack.getByRole('link', { name: 'Reminders, iCalendar' }).click(),
  ]);
  expect(ics.suggestedFilename()).toBe('rack.ics');
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(rack.getByRole('combobox', { name: 'Where Wool pullover hangs' })).toContainText('in a heap');
});

test('on a phone the lanes scroll and nothing runs off the page', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ['/book', '/closet', '/me']) {
    await page.goto(path);
    await expect(page.locator('h1')).toBeVisible();
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(`${path} ${wide <= 391}`).toBe(`${path} true`);
  }
});
