import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';

/** Contrast AA, names and roles measured by axe on every screen; all of it reachable by keyboard. */
for (const path of ['/', '/closet', '/me', '/outing/new'])
  test(`${path} has no accessibility faults`, async ({ page }) => {
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    const result = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
    expect(
      result.violations.map(
        (v) =>
          `${v.id}: ${v.nodes
            .map((n) => n.target.join(' '))
            .slice(0, 3)
            .join('; ')}`,
      ),
    ).toEqual([]);
  });

test('the outing and its score have no accessibility faults, and no text under 11 px', async ({ page }) => {
  await page.goto('/outings');
  await page.getByRole('link', { name: 'Skarn Head round' }).click();
  await expect(page.getByText('water in layers, most')).toBeVisible({ timeout: 120_000 });
  const score = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
  expect(
    score.violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join('; ')}`,
    ),
  ).toEqual([]);
  const small = await page.evaluate(() =>
    [...document.querySelectorAll('body *')]
      .filter((e) => [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim() !== ''))
      .filter((e) => parseFloat(getComputedStyle(e).fontSize) < 11)
      .map((e) => e.textContent!.slice(0, 30)),
  );
  expect(small).toEqual([]);
  await page.getByRole('link', { name: /1 Outing/ }).click();
  await expect(page.getByLabel('Name of the outing')).toBeVisible();
  const outing = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
  expect(
    outing.violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join('; ')}`,
    ),
  ).toEqual([]);
});

test('the score by keyboard alone: cursor, cues, help', async ({ page }) => {
  await page.goto('/outings');
  await page.getByRole('link', { name: 'Skarn Head round' }).click();
  await expect(page.getByText('water in layers, most')).toBeVisible({ timeout: 120_000 });
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
  await expect(page.getByText('water in layers, most')).toBeVisible({ timeout: 120_000 });
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
