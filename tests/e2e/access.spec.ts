import { storeGolden } from '../support/storedPlans';
import { faults } from '../support/accessibility';
import { expect, SEARCH_MS, test, withoutLadders } from '../support/browser';

/** Contrast AA, names and roles measured by axe on every screen, by day and at dusk; all of it reachable by keyboard. */
for (const path of ['/', '/closet', '/me', '/outing/new', '/outings', '/book', '/ladder'])
  test(`${path} has no accessibility faults by day and at dusk`, async ({ page, baseURL }) => {
    await withoutLadders(page);
    await page.context().addCookies([{ name: 'light', value: 'sheet', url: baseURL! }]);
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'sheet');
    expect(await faults(page), 'sheet').toEqual([]);
    await page.getByRole('button', { name: /^Colours: day/ }).click();
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dusk');
    // Other colours change nothing but contrast.
    expect(await faults(page, 'color-contrast'), 'dusk').toEqual([]);
  });

test('the colours are chosen by one button, hold over a reload, and follow the machine where none was', async ({
  page,
}) => {
  const paper = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto('/me');
  const day = await paper();
  await page.emulateMedia({ colorScheme: 'dark' });
  const dusk = await paper();
  expect(dusk).not.toBe(day);
  await page.getByRole('button', { name: /^Colours: as the machine/ }).click();
  expect(await paper()).toBe(day);
  await page.reload();
  expect(await paper()).toBe(day);
  await page.getByRole('button', { name: /^Colours: day/ }).click();
  await page.emulateMedia({ colorScheme: 'light' });
  expect(await paper()).toBe(dusk);
  await page.getByRole('button', { name: /^Colours: dusk/ }).click();
  expect(await paper()).toBe(day);
});

test('the outing and its score have no accessibility faults, and no text under 11 px', async ({ page, request }) => {
  await storeGolden(request, 'Skarn Head round');
  await page.goto('/outings');
  await page.getByRole('link', { name: 'Skarn Head round' }).click();
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: SEARCH_MS });
  expect(await faults(page)).toEqual([]);
  await page.getByRole('button', { name: /^Colours:/ }).click();
  await page.getByRole('button', { name: /^Colours: day/ }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dusk');
  expect(await faults(page, 'color-contrast')).toEqual([]);
  const small = await page.evaluate(() =>
    [...document.querySelectorAll('body *')]
      .filter((e) => [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim() !== ''))
      .filter((e) => parseFloat(getComputedStyle(e).fontSize) < 11)
      .map((e) => e.textContent!.slice(0, 30)),
  );
  expect(small).toEqual([]);
  await page.getByRole('link', { name: /1 Outing/ }).click();
  await expect(page.getByLabel('Name of the outing')).toBeVisible();
  expect(await faults(page)).toEqual([]);
});

test('the score by keyboard alone: cursor, cues, help', async ({ page }) => {
  await page.goto('/outings');
  await page.getByRole('link', { name: 'Skarn Head round' }).click();
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: SEARCH_MS });
  const now = () => page.getByTestId('moment-time').innerText();
  const before = await now();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(now).not.toBe(before);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('without the network the page stays, says that an edit is only kept here, and stores it when the network is back', async ({
  page,
  context,
}) => {
  await page.goto('/outings');
  await page.getByRole('link', { name: 'Mill Lane loop' }).click();
  await expect(page.getByText('water in layers, most', { exact: true })).toBeVisible({ timeout: SEARCH_MS });
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await context.setOffline(true);
  await page
    .getByRole('button', { name: /Select to change it/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Leave at home' }).click();
  await expect(page.getByTestId('save-state')).toContainText('Kept here, not sent yet');
  await context.setOffline(false);
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
});
