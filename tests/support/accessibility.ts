import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/**
 * What axe finds wrong with a page by WCAG 2 A and AA, or by one rule: where, three places of each at most. Nothing here is framed and nothing plays, so it
 * runs in the page itself and fetches no style sheets or media once more, which takes a third of the time.
 */
export async function faults(page: Page, only?: string): Promise<string[]> {
  const runOnly = only
    ? { type: 'rule' as const, values: [only] }
    : { type: 'tag' as const, values: ['wcag2a', 'wcag2aa'] };
  const axe = new AxeBuilder({ page }).setLegacyMode(true);
  const { violations } = await axe.options({ runOnly, resultTypes: ['violations'], preload: false }).analyze();
  return violations.map(
    (v) =>
      `${v.id}: ${v.nodes
        .map((n) => n.target.join(' '))
        .slice(0, 3)
        .join('; ')}`,
  );
}
