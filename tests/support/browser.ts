import { test as base, type Browser, type BrowserContext, type Page } from '@playwright/test';

/** A page that is opened or loaded again is used once its scripts are at work: what is tapped before reaches nobody. */
function patient(page: Page): Page {
  const atWork = () => page.locator('html[data-at-work]').waitFor({ state: 'attached', timeout: 45_000 });
  const { goto, reload } = page;
  page.goto = async (url, options) => {
    const answer = await goto.call(page, url, options);
    if (options?.waitUntil !== 'commit') await atWork();
    return answer;
  };
  page.reload = async (options) => {
    const answer = await reload.call(page, options);
    await atWork();
    return answer;
  };
  return page;
}

function patientPages(context: BrowserContext): BrowserContext {
  const { newPage } = context;
  context.newPage = async () => patient(await newPage.call(context));
  return context;
}

/** Playwright's test over a browser whose pages wait for their scripts, also those of contexts a test makes itself. */
export const test = base.extend<object, { browser: Browser }>({
  browser: [
    async ({ browser }, use) => {
      const { newContext } = browser;
      browser.newContext = async (options) => patientPages(await newContext.call(browser, options));
      await use(browser);
    },
    { scope: 'worker' },
  ],
});

/** As long as a search may take where the machine is busy with another lane of tests, ms: how fast it is, is measured elsewhere. */
export const SEARCH_MS = 300_000;

/** For tests about something else: no ladder is begun, which takes all cores for half a minute. */
export const withoutLadders = (page: Page): Promise<unknown> =>
  page.route('**/api/ladders?*', (route) => route.fulfill({ json: { ladder: null, holds: false, working: null } }));

export { expect, type APIRequestContext, type BrowserContext, type Locator, type Page } from '@playwright/test';
