import { type Browser, type BrowserContextOptions, expect, type Page } from '@playwright/test';

/** A browser of their own for somebody of the demo, signed in already. */
export async function openAs(
  browser: Browser,
  name: string,
  path = '/',
  theme: 'day' | 'dim' = 'day',
  at: BrowserContextOptions = {},
): Promise<Page> {
  const context = await browser.newContext({ acceptDownloads: true, ...at });
  await context.addInitScript(chosen => localStorage.setItem('map-step-theme', chosen), theme);
  const person = name.toLowerCase().replaceAll(' ', '-');
  const signedIn = await context.request.post('/api/session/demo', {
    headers: { 'x-csrf-token': 'none yet' },
    data: { person },
  });
  expect(signedIn.status()).toBe(200);
  const page = await context.newPage();
  await page.goto(path);
  await page.getByRole('button', { name: 'Sign out' }).waitFor();
  return page;
}

/** By one click, and until it is done. */
export async function signIn(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name }).click();
  await page.getByRole('button', { name: 'Sign out' }).waitFor();
}

/** As on a poor line: what others change does not come in by itself. */
export async function hearNothing(page: Page): Promise<void> {
  await page.route('**/api/live', route => route.abort());
  await page.reload();
  await page.getByRole('button', { name: 'Sign out' }).waitFor();
}
