import type { Locator, Page } from '@playwright/test';

/** Chooses one of a list by what it is called. */
export async function choose(where: Page | Locator, label: string, option: string): Promise<void> {
  const list = where.getByRole('combobox', { name: label, exact: true });
  await list.click();
  const page = 'page' in where ? where.page() : where;
  await page.getByRole('option', { name: option, exact: true }).click();
}
