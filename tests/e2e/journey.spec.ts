import { expect, SEARCH_MS, test, type Locator, type Page } from '../support/browser';
import { goldenPlan, storeGolden, storePlan } from '../support/storedPlans';

/** The main job as a new athlete does it, in the real interface against the built application and its own database. */
const files = 'src/demo/files';

async function newOuting(page: Page, over: { name: string; sport: string; gpx?: string; csv: string; load?: string }) {
  await page.goto('/outing/new');
  await page.getByLabel('Hourly forecast').setInputFiles(`${files}/${over.csv}`);
  if (over.gpx) await page.locator('input[name=route]').setInputFiles(`${files}/${over.gpx}`);
  else await page.getByRole('radio', { name: 'Legs by hand' }).click();
  await choose(page, 'Sport', over.sport);
  await page.getByLabel('Name').fill(over.name);
  if (over.load) await page.getByLabel('Pack beyond clothes').fill(over.load);
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByLabel('Name of the outing')).toHaveValue(over.name);
}

/** Chooses from a list as a person does: opens it, takes a line. */
async function choose(page: Page, list: string, line: string) {
  await page.getByRole('combobox', { name: list }).click();
  await page.getByRole('option', { name: line, exact: true }).click();
}

/** Edits are stored by themselves; the page says when. */
async function saved(page: Page) {
  await page.getByRole('heading', { level: 1 }).click({ force: true });
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
}

const chosen = (page: Page, list: string) => page.getByRole('combobox', { name: list });

const verdict = (page: Page) => page.getByRole('heading', { level: 1 });

test('from a route and a forecast to a saved plan that is there again after a reload', async ({ page }) => {
  const errors: string[] = [];
  page.on('pageerror', (e) => errors.push(e.message));
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
  await newOuting(page, {
    name: 'Round the Rake',
    sport: 'Ski tour',
    gpx: 'lang-tarn-hut.gpx',
    csv: 'saturday-tarnholt.csv',
    load: '7',
  });
  await page.getByRole('button', { name: 'What to wear' }).click();
  await expect(page.getByRole('progressbar')).toBeVisible();
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: SEARCH_MS });
  await expect(verdict(page)).toContainText(/°C|of water|min|%/);
  // The best so far is shown while the search goes on; what it ends with is stored.
  await expect(page.getByTestId('save-state')).toHaveText('Saved', { timeout: SEARCH_MS });
  const said = await verdict(page).innerText();
  const cues = await page.getByRole('button', { name: /^Cue \d/ }).count();
  expect(cues).toBeLessThanOrEqual(8);
  await page.reload();
  await expect(verdict(page)).toHaveText(said.replace(/\s+/g, ' '), { timeout: 45_000 });
  expect(await page.getByRole('button', { name: /^Cue \d/ }).count()).toBe(cues);
  // A stored plan knows as well as a fresh one what missing each cue costs.
  const words = page.getByRole('region', { name: 'The plan in words' });
  await expect(words.getByText(/Missed: .* points/)).toHaveCount(cues, { timeout: 45_000 });
  await expect(words.getByText('the one not to miss')).toHaveCount(cues > 0 ? 1 : 0);
  await expect(words.getByText(/Seven minutes out you feel \w+/)).toBeVisible();
  expect(errors).toEqual([]);
});

test('a change by hand is simulated at once, stored, undone and redone by keys', async ({ page, request }) => {
  const id = await storeGolden(request, 'Mill Lane loop');
  await page.goto(`/outing/${id}/score`);
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: SEARCH_MS });
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  const fingers = () => page.locator('dt', { hasText: 'fingers, lowest' }).locator('xpath=../dd[1]').innerText();
  const before = await fingers();
  await page.getByRole('button', { name: 'Take another piece…' }).click();
  await page.getByRole('combobox', { name: 'Find a garment' }).fill('insulated mitts');
  await page
    .getByRole('option', { name: /Insulated mitts/ })
    .first()
    .click();
  const lane = page.getByRole('button', { name: /^Insulated mitts.*Select to change it/ });
  await lane.click();
  for (let i = 0; i < 8; i++) await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('p');
  await expect.poll(fingers).not.toBe(before);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('z');
  await expect(lane).toHaveCount(0);
  await expect.poll(fingers).toBe(before);
  await page.keyboard.press('Control+Shift+Z');
  await expect(lane).toHaveCount(1);
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await page.reload();
  await expect(lane).toHaveCount(1);
});

test('dragging a cue moves it and everything with it, dragging a lane’s diamond that change alone', async ({
  page,
  request,
}) => {
  const id = await storeGolden(request, 'Skarn Head round');
  await page.goto(`/outing/${id}/score`);
  const first = page.getByRole('button', { name: /^Cue 1 at/ });
  await expect(first).toBeVisible({ timeout: SEARCH_MS });
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  const dragged = async (what: Locator, from: { x: number; y: number }) => {
    const label = await what.getAttribute('aria-label');
    const box = (await what.boundingBox())!;
    await page.mouse.move(box.x + from.x, box.y + from.y);
    await page.mouse.down();
    await page.mouse.move(box.x + from.x + 30, box.y + from.y, { steps: 4 });
    await page.mouse.up();
    await expect.poll(() => what.getAttribute('aria-label')).not.toBe(label);
    return label!;
  };
  const undone = async (what: Locator, label: string) => {
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect.poll(() => what.getAttribute('aria-label')).toBe(label);
  };
  await undone(first, await dragged(first, { x: 10, y: 12 }));
  // Held in its middle, where the line of its cue runs through it.
  const diamond = page.getByRole('button', { name: /move this change alone/ }).first();
  const { width, height } = (await diamond.boundingBox())!;
  const label = await dragged(diamond, { x: width / 2, y: height / 2 });
  await undone(diamond, label);
  // By keys it keeps the focus, also where it becomes a cue of its own.
  await diamond.focus();
  for (const _ of [1, 2]) {
    const before = await diamond.getAttribute('aria-label');
    await page.keyboard.press('Shift+ArrowRight');
    await expect.poll(() => diamond.getAttribute('aria-label')).not.toBe(before);
    await expect(diamond).toBeFocused();
  }
});

test('a stored plan says which of its pieces are no longer in the closet', async ({ page, request }) => {
  const { id: piece } = await (await request.post('/api/garments', { data: { catalogueId: 'neck-tube' } })).json();
  const plan = goldenPlan('Mill Lane loop') as { carried: string[] };
  const id = await storePlan(request, 'Mill Lane loop', 'With a second tube', {
    ...plan,
    carried: [...plan.carried, piece],
  });
  expect((await request.patch(`/api/garments/${piece}`, { data: { removed: true } })).ok()).toBe(true);
  await page.goto(`/outing/${id}/score`);
  const said = page.getByText('No longer in your closet: Neck tube');
  await expect(said).toBeVisible({ timeout: SEARCH_MS });
  expect((await request.patch(`/api/garments/${piece}`, { data: { removed: false } })).ok()).toBe(true);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Replan' })).toBeVisible({ timeout: SEARCH_MS });
  await expect(said).toHaveCount(0);
});

test('planning can be cancelled and nothing is stored', async ({ page }) => {
  await newOuting(page, { name: 'Cancelled day', sport: 'Hike', gpx: 'lang-tarn-hut.gpx', csv: 'thaw-monday.csv' });
  await page.getByRole('button', { name: 'What to wear' }).click();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(verdict(page)).toHaveText('No plan for this outing yet.');
  await page.reload();
});

test('legs by hand: added, edited, saved', async ({ page }) => {
  await page.goto('/outing/new');
  await page.getByLabel('Hourly forecast').setInputFiles(`${files}/weekday-evening.csv`);
  await page.getByRole('radio', { name: 'Legs by hand' }).click();
  await choose(page, 'Sport', 'Classic ski');
  await page.getByLabel('Name').fill('Floodlit loop');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByLabel('Name of the outing')).toHaveValue('Floodlit loop');
  await page.getByRole('button', { name: 'Add a leg' }).click();
  await page.getByLabel('Name of leg 2').fill('Waiting for the others');
  await choose(page, 'Going of leg 2', 'Standing stop');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of leg 2')).toHaveValue('Waiting for the others');
  await expect(chosen(page, 'Going of leg 2')).toHaveText('Standing stop');
});

test('legs and air all by hand, no files at all', async ({ page }) => {
  await page.goto('/outing/new');
  await page.getByRole('radio', { name: 'Legs by hand' }).click();
  await page.getByLabel('Air, °C').fill('-14');
  await page.getByLabel('Wind, m/s').fill('4');
  await page.getByLabel('Climb, m').fill('200');
  await page.getByLabel('Start').fill('2027-02-01T09:00');
  await page.getByLabel('Name').fill('From memory');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByText(/Coldest −1[4-6] °C with 3 m\/s on you/)).toBeVisible();
  await page.getByLabel('Air of leg 1').fill('-20');
  await page.getByLabel('Wind of leg 1, at 10 m').focus();
  await expect(page.getByText(/Coldest −20 °C/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Air of leg 1')).toHaveValue('-20');
});

test('the forecast comes from the station: for a new route, and again for an outing that is there', async ({
  page,
}) => {
  await page.goto('/outing/new');
  await page.getByRole('radio', { name: 'From your station' }).click();
  await expect(page.getByText(/^Tarnholt valley, heard .* simulated: \d+ hours/)).toBeVisible();
  await expect(page.getByLabel('Hourly forecast')).toHaveCount(0);
  await page.getByLabel('Route').setInputFiles(`${files}/skarn-head-round.gpx`);
  await page.getByLabel('Name').fill('By the station');
  await page.getByRole('textbox', { name: 'Start' }).fill('2027-01-14T08:00');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByLabel('Name of the outing')).toHaveValue('By the station');
  await expect(page.getByRole('heading', { name: /^Forecast for [4-9]\d\d m$/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take the forecast of your station' }).click();
  await expect(page.getByText(/Brought to \d+ m: air by 6.5 K a kilometre; wind between /)).toBeVisible();
  // Beyond ten days nobody forecasts: said, with how far it goes, and nothing changes.
  await page.goto('/outings');
  const score = await page.getByRole('link', { name: 'Lang Tarn hut and back' }).first().getAttribute('href');
  await page.goto(score!.replace('/score', ''));
  await page.getByLabel('Start', { exact: true }).fill('2027-03-20T08:00');
  await page.getByLabel('Start', { exact: true }).blur();
  await page.getByRole('button', { name: 'Take the forecast of your station' }).click();
  await expect(page.getByText(/within the forecast of Tarnholt valley/)).toBeVisible();
  // Moved to where its own forecast does not reach, but the station's does, it can be gone again.
  await page.getByLabel('Start', { exact: true }).fill('2027-01-20T08:00');
  await page.getByLabel('Start', { exact: true }).blur();
  await expect(page.getByText('These legs cannot be walked as they stand.', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Take the forecast of your station' }).click();
  await expect(page.getByText('These legs cannot be walked as they stand.', { exact: false })).toHaveCount(0);
  await saved(page);
});

test('the closet: add from the catalogue, edit, damp, take out and put back', async ({ page }) => {
  await page.goto('/closet');
  const pieces = async () => Number((await verdict(page).innerText()).split(' ')[0]);
  const before = await pieces();
  await page.getByRole('button', { name: 'Add from the catalogue' }).click();
  await page.getByRole('dialog').getByRole('combobox').fill('grid fleece');
  await page
    .getByRole('option', { name: /Grid fleece/ })
    .first()
    .click();
  await page.keyboard.press('Escape');
  await expect.poll(pieces).toBe(before + 1);
  await page.getByLabel('Name').fill('Grid fleece, my second');
  await page.getByLabel('Damp now').fill('35');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /Grid fleece, my second.*damp, 35/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take out of the closet' }).click();
  await expect.poll(pieces).toBe(before);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'out of the closet' })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect.poll(pieces).toBe(before + 1);
});

test('the closet: a new name keeps the editor on its piece, and unsaved edits are kept when another is chosen', async ({
  page,
}) => {
  await page.goto('/closet');
  const name = page.getByLabel('Name', { exact: true });
  await page.waitForLoadState('networkidle');
  const first = await name.inputValue();
  expect(first).not.toBe('');
  await name.fill('Zz, the first piece');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Zz, the first piece is saved.').first()).toBeVisible();
  await page.waitForTimeout(500);
  await expect(name).toHaveValue('Zz, the first piece');
  await page.getByLabel('Mass').fill('133');
  await page.getByRole('button', { name: 'Thin fleece', exact: true }).click();
  await expect(name).toHaveValue('Thin fleece');
  await page.getByText('Not saved yet:').getByRole('button', { name: 'Zz, the first piece' }).click();
  await expect(page.getByLabel('Mass')).toHaveValue('133');
  await page.getByRole('button', { name: 'As it was' }).click();
  await expect(name).toHaveValue('Zz, the first piece');
  await name.fill(first);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(`${first} is saved.`).first()).toBeVisible();
});

test('the same moment feels the same on the home screen, the outing and the score', async ({ page }) => {
  await page.goto('/outings');
  const row = page.getByRole('article').filter({ hasText: 'Tarnholt valley ride' });
  const said = await row.locator('dt', { hasText: 'feels' }).locator('xpath=following-sibling::dd[1]').innerText();
  const up = await row.locator('dt', { hasText: 'up' }).locator('xpath=following-sibling::dd[1]').innerText();
  expect(said).toMatch(/^−\d+ °C$/);
  expect(up).toMatch(/^\d+ m$/);
  await row.getByRole('link', { name: 'route and weather' }).click();
  await expect(page.getByText(`feels like ${said}:`)).toBeVisible();
});

test('imperial everywhere, and back', async ({ page }) => {
  await page.goto('/me');
  await page.getByRole('radio', { name: '°F, mi, oz' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.').first()).toBeVisible();
  await page.goto('/outings');
  await expect(page.getByText(/\d mi\b/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Mill Lane loop' }).click();
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: SEARCH_MS });
  await expect(page.getByText('Wind on you, mph')).toBeVisible();
  await expect(page.getByText(/\d oz/).first()).toBeVisible();
  await page.goto('/me');
  await page.getByRole('radio', { name: '°C, km, g' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.').first()).toBeVisible();
});

test('the proposal is one change, taken with Enter, and can be undone', async ({ page, request }) => {
  await storeGolden(request, 'Tarnholt valley ride');
  await page.goto('/outings');
  await page.getByRole('link', { name: 'Tarnholt valley ride' }).click();
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: SEARCH_MS });
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  // With bare hands in that wind something is clearly worth proposing.
  const onHands = page.getByRole('button', { name: /(gloves|mitts|liners).*Select to change it/i });
  for (let left = await onHands.count(); left > 0; left--) {
    await onHands.first().click();
    await page.getByRole('button', { name: 'Leave at home' }).click();
    await expect(onHands).toHaveCount(left - 1);
  }
  await expect(verdict(page)).toContainText(/finger|hand/i);
  const proposal = page.getByRole('button', { name: /Enter$/ });
  await expect(proposal).toBeVisible({ timeout: SEARCH_MS });
  const said = await verdict(page).innerText();
  await page.locator('body').press('Enter');
  await expect.poll(() => verdict(page).innerText()).not.toBe(said);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(() => verdict(page).innerText()).toBe(said);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
});

test('what lies behind the plan is worked out: chances, being stuck, when to go, and why each piece', async ({
  page,
  request,
}) => {
  const id = await storeGolden(request, 'Mill Lane loop');
  await page.goto(`/outing/${id}/score`);
  const behind = page.getByLabel('Behind the plan');
  await expect(behind.getByText('64 runs over the spread')).toBeVisible({ timeout: SEARCH_MS });
  await expect(behind.getByText(/Your fingers get clumsy/)).toBeVisible();
  await expect(behind.getByText(/Where it bites most/).first()).toBeVisible();
  await expect(behind.getByText('A way to call for help')).toBeVisible();
  await expect(behind.getByRole('application', { name: /hour of start/ })).toBeVisible();
  await expect(behind.getByRole('columnheader', { name: 'The next warmer' })).toBeVisible({ timeout: 60_000 });
});

test('a leg says what wets it, where the sun is and how the pack is worn, and all that is kept', async ({ page }) => {
  await newOuting(page, { name: 'Deep going', sport: 'Hike', csv: 'saturday-tarnholt.csv', load: '6' });
  await choose(page, 'What wets or chills by touch in leg 1', 'Deep snow');
  await choose(page, 'Shelter of leg 1', 'Ridge, in the shade');
  await choose(page, 'Pack in leg 1', 'Under the shell');
  await saved(page);
  await page.reload();
  await expect(chosen(page, 'What wets or chills by touch in leg 1')).toHaveText('Deep snow');
  await expect(chosen(page, 'Shelter of leg 1')).toHaveText('Ridge, in the shade');
  await expect(chosen(page, 'Pack in leg 1')).toHaveText('Under the shell');
});

test('how you want it is kept, the curve gives a plan for each number of cues, and schools are laid side by side', async ({
  page,
}) => {
  await newOuting(page, {
    name: 'As I like it',
    sport: 'Run',
    gpx: 'mill-lane-loop.gpx',
    csv: 'saturday-tarnholt.csv',
    load: '2',
  });
  const cues = () => page.getByRole('button', { name: /^Cue \d/ }).count();
  const fuss = page.getByRole('slider', { name: /^Changes/ });
  // The first usable plan is shown while the search goes on, and may be taken as it is.
  await page.getByRole('button', { name: 'What to wear' }).click();
  await page.getByRole('button', { name: 'Take it now' }).click({ timeout: SEARCH_MS });
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible();
  await fuss.focus();
  await fuss.press('End');
  await expect(page.getByText('3.0 ×')).toBeVisible();
  await page.getByRole('textbox', { name: 'Not below, feels' }).fill('-12');
  await page.getByRole('button', { name: 'Plan again' }).click();
  await expect(page.getByRole('button', { name: 'Plan again' })).toBeEnabled({ timeout: SEARCH_MS });
  await expect(page.getByTestId('save-state')).toHaveText('Saved', { timeout: SEARCH_MS });
  await page.getByRole('button', { name: /^The plan with 0 cues/ }).click();
  await expect.poll(cues).toBe(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText(/below your own floor of −12/)).toBeVisible({ timeout: SEARCH_MS });
  await page.getByRole('button', { name: 'Start cold' }).click();
  await page.getByRole('button', { name: 'Down at stops' }).click();
  await page.getByRole('button', { name: 'Compare 2' }).click();
  await expect(page.getByText(/part most at/)).toBeVisible({ timeout: SEARCH_MS });
  await expect(page.getByRole('button', { name: 'Take this plan' })).toHaveCount(2);
  await page.reload();
  await expect(page.getByText('3.0 ×')).toBeVisible({ timeout: 60_000 });
  // All of that is this outing's own; as usual is one word away, and what is wanted now can become the usual.
  const floor = page.getByRole('textbox', { name: 'Not below, feels' });
  await expect(page.getByText('this time', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'As usual' }).click();
  await expect(page.getByText(/^as usual;/)).toBeVisible();
  await expect(page.getByText('3.0 ×')).toHaveCount(0);
  await expect(floor).toHaveValue('');
  await floor.fill('-21');
  await floor.blur();
  await page.getByRole('button', { name: 'Make it my usual' }).click();
  await expect(page.getByText(/^as usual;/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^as usual;/)).toBeVisible({ timeout: SEARCH_MS });
  await expect(floor).toHaveValue('-21');
  await floor.fill('');
  await floor.blur();
  await page.getByRole('button', { name: 'Make it my usual' }).click();
  await expect(page.getByText(/^as usual;/)).toBeVisible();
  await fuss.focus();
  for (let i = 0; i < 2; i++) await fuss.press('Home');
  await expect(page.getByText('0.2 ×')).toBeVisible();
});

test('an outing is renamed, copied, put away and brought back, saved as a file, deleted and restored', async ({
  page,
}) => {
  await newOuting(page, {
    name: 'Spare day',
    sport: 'Run',
    gpx: 'mill-lane-loop.gpx',
    csv: 'weekday-evening.csv',
    load: '0',
  });
  await page.goto('/outings');
  const link = (name: string) => page.getByRole('link', { name, exact: true });
  const more = async (name: string, item: string) => {
    await page.getByRole('button', { name: `More to do with ${name}`, exact: true }).click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await more('Spare day', 'Rename…');
  await page.getByRole('dialog').getByLabel('Name of the outing').fill('Spare evening');
  await page.keyboard.press('Enter');
  await expect(link('Spare evening')).toBeVisible();
  await more('Spare evening', 'Duplicate');
  await expect(link('Spare evening, again')).toBeVisible();
  await more('Spare evening, again', 'Put away');
  await expect(link('Spare evening, again')).toBeHidden();
  await page.getByText(/^Put away: \d/).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Spare evening, again' })
    .getByRole('button', { name: 'Bring back' })
    .click();
  await expect(page.getByRole('button', { name: 'More to do with Spare evening, again' })).toBeVisible();
  const download = page.waitForEvent('download');
  await more('Spare evening', 'Save the route as GPX');
  expect((await download).suggestedFilename()).toBe('spare-evening.gpx');
  await more('Spare evening, again', 'Delete');
  await expect(link('Spare evening, again')).toBeHidden();
  await page.getByRole('listitem').filter({ hasText: 'is deleted' }).getByRole('button', { name: 'Undo' }).click();
  await expect(link('Spare evening, again')).toBeVisible();
  for (const name of ['Spare evening, again', 'Spare evening']) {
    await more(name, 'Delete');
    await expect(link(name)).toBeHidden();
  }
});

test('under a finger: a cue is dragged by touch, and the score does not scroll away', async ({ browser }) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 900, height: 1100 } });
  const page = await context.newPage();
  await page.goto('/outings');
  await page.getByRole('link', { name: 'Skarn Head round' }).tap();
  const first = page.getByRole('button', { name: /^Cue 1 at/ });
  await expect(first).toBeVisible({ timeout: SEARCH_MS });
  await expect(page.getByTestId('save-state')).toHaveText('Saved', { timeout: SEARCH_MS });
  const label = await first.getAttribute('aria-label');
  const box = (await first.boundingBox())!;
  const client = await context.newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number) =>
    client.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x, y: box.y + box.height / 2 }],
    });
  await touch('touchStart', box.x + box.width / 2);
  for (let i = 1; i <= 8; i++) await touch('touchMove', box.x + box.width / 2 + 6 * i);
  await touch('touchEnd', 0);
  await expect.poll(() => first.getAttribute('aria-label')).not.toBe(label);
  await page.getByRole('button', { name: 'Undo', exact: true }).tap();
  await expect.poll(() => first.getAttribute('aria-label')).toBe(label);
  await context.close();
});
