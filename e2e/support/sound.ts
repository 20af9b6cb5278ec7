import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** No serious finding on the page as it is, by all rules or those named. */
export async function expectSound(page: Page, rules?: readonly string[]): Promise<void> {
  await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
  // The pages have no frames to gather from, and only findings are wanted: a third of the time.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  if (rules) axe.withRules([...rules]);
  const { violations } = await axe.analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(
    serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`),
  ).toEqual([]);
}
