import type { Page } from '@playwright/test';
import { openAs, signIn } from './support/people.ts';
import { expect, test } from './support/test.ts';

const PATH = '/courses/hustle-1/lesson?lesson=6&class=hustle-1-monday';

/** The class stands where an earlier journey left it; the lesson that can be logged is the next one. */
async function openNextLesson(page: Page): Promise<void> {
  await page.goto(PATH);
  const link = page.getByText(/This lesson comes after lesson (\d) is finished/);
  await expect(page.getByRole('list').first()).toBeVisible();
  if (await link.isVisible()) {
    const lesson = (await link.textContent())?.match(/lesson (\d)/)?.[1] ?? '5';
    await page.keyboard.press(lesson);
  }
  await expect(page.getByText(/ marked/)).toBeVisible();
}

const groups = (page: Page) => page.getByRole('group', { name: /^How / });
const mark = (page: Page, index: number, word: string) =>
  groups(page).nth(index).getByRole('button', { name: word });

test('taps without a connection are kept, survive a reload and a sign-out, and arrive once', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Bram Okoro');
  await openNextLesson(page);
  const names = await groups(page).evaluateAll(all =>
    all.map(group => group.getAttribute('aria-label') ?? ''),
  );

  await page.route('**/api/sections/*/events', route => route.abort());
  await mark(page, 0, 'Solid').click();
  await mark(page, 1, 'Shaky').click();
  await mark(page, 1, 'Touched').click();
  await expect(page.getByText(/3 waiting to be sent/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/3 waiting to be sent/)).toBeVisible();
  await expect(mark(page, 1, 'Touched')).toHaveAttribute('aria-pressed', 'true');

  await page.getByRole('button', { name: 'Sign out' }).click();
  await signIn(page, 'Suki Larch');
  await page.goto(PATH);
  await expect(page.getByRole('heading', { name: /^Lesson 6/ })).toBeVisible();
  await expect(page.getByText(/waiting to be sent/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.unroute('**/api/sections/*/events');
  const stored = () =>
    page.evaluate(async () => {
      const reply = await fetch('/api/sections/hustle-1-monday');
      const { logs } = (await reply.json()) as { logs: { result: string; lesson: number }[] };
      const last = Math.max(...logs.map(({ lesson }) => lesson));
      return logs.filter(({ lesson }) => lesson === last).map(({ result }) => result);
    });
  // They are sent from whatever page is open, here the first one.
  await page.goto('/');
  await signIn(page, 'Bram Okoro');
  await expect.poll(stored).toEqual(['solid', 'shaky', 'touched']);
  await openNextLesson(page);
  await expect(page.getByText(/ marked, saved/)).toBeVisible();
  expect(names.length).toBeGreaterThan(1);
});

test('a session that ends in the middle loses nothing: the page asks who it is, and the tap arrives once', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Bram Okoro');
  await openNextLesson(page);
  await page.context().clearCookies();
  const marked = groups(page).nth(3);
  const name = (await marked.getAttribute('aria-label')) ?? '';
  await marked.getByRole('button', { name: 'Solid' }).click();
  await signIn(page, 'Bram Okoro');
  await expect(page.getByText(/ marked, saved/)).toBeVisible();
  const again = page.getByRole('group', { name });
  await expect(again.getByRole('button', { name: 'Solid' })).toHaveAttribute('aria-pressed', 'true');
  await page.reload();
  await expect(again.getByRole('button', { name: 'Solid' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/waiting to be sent/)).toHaveCount(0);
});

test('somebody who signs in beside the page does not sign its taps', async ({ browser }) => {
  const page = await openAs(browser, 'Bram Okoro');
  await openNextLesson(page);
  const beside = await page.context().newPage();
  await beside.goto('/');
  await beside.getByRole('button', { name: 'Sign out' }).click();
  await signIn(beside, 'Suki Larch');
  await expect(beside.getByRole('banner')).toContainText('Suki Larch');
  await mark(page, 4, 'Shaky').click();
  await expect(page.getByRole('banner')).toContainText('Suki Larch');
  const sent = await page.evaluate(async () => {
    const reply = await fetch('/api/sections/hustle-1-monday');
    const answer = (await reply.json()) as { logs: { by: string }[] };
    return answer.logs.filter(({ by }) => by === 'suki-larch').length;
  });
  expect(sent).toBe(0);
});

test('a tap that the server refuses is told and not lost silently', async ({ browser }) => {
  const page = await openAs(browser, 'Bram Okoro');
  await openNextLesson(page);
  await page.route('**/api/sections/*/events', route =>
    route.fulfill({
      status: 403,
      json: { code: 'not-allowed', message: 'You are not on the staff of this class.', id: 'x' },
    }),
  );
  await mark(page, 2, 'Solid').click();
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('You are not on the staff of this class.');
  await expect(mark(page, 2, 'Solid')).toHaveAttribute('aria-pressed', 'false');
  await alert.getByRole('button', { name: 'Put them away' }).click();
  await expect(alert).toHaveCount(0);
});

test('a mark that is corrected later keeps its minutes and its note', async ({ browser }) => {
  const page = await openAs(browser, 'Bram Okoro', '/courses/hustle-1/lesson?lesson=3&class=hustle-1-monday');
  const row = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('group', { name: 'How Cross-over went' }) });
  const minutes = row.getByLabel('Minutes that Cross-over took');
  await expect(minutes).toHaveValue('21');
  await row.getByRole('button', { name: 'Touched' }).click();
  await page.getByRole('button', { name: 'Save this correction' }).click();
  await expect(row.getByRole('button', { name: 'Touched' })).toHaveAttribute('aria-pressed', 'true');
  await page.reload();
  await expect(row.getByRole('button', { name: 'Touched' })).toHaveAttribute('aria-pressed', 'true');
  await expect(minutes).toHaveValue('21');
  await expect(row).toContainText('leaders stay in the lane');
});

test.describe('without any server', () => {
  test.use({ serviceWorkers: 'allow' });

  test('the page opens with what was loaded, takes a tap, and sends it when the server is back', async ({
    browser,
  }) => {
    const page = await openAs(browser, 'Bram Okoro');
    await openNextLesson(page);
    await expect.poll(() => keptAnswers(page)).toContain('["section","hustle-1-monday"]');
    await page.evaluate(() => navigator.serviceWorker.ready);

    await page.context().setOffline(true);
    await page.reload();
    await expect(page.getByRole('banner')).toContainText('Bram Okoro');
    await expect(page.getByRole('alert').first()).toContainText('The server does not answer.');
    await mark(page, 0, 'Touched').click();
    await expect(page.getByText(/1 waiting to be sent/)).toBeVisible();

    await page.context().setOffline(false);
    await expect(page.getByText(/ marked, saved/)).toBeVisible();
    await expect(page.getByRole('alert')).toHaveCount(0);
    await page.reload();
    await expect(mark(page, 0, 'Touched')).toHaveAttribute('aria-pressed', 'true');
  });

  test('who has signed out has left nothing behind', async ({ browser }) => {
    const page = await openAs(browser, 'Bram Okoro');
    await openNextLesson(page);
    await expect.poll(() => keptAnswers(page)).toContain('["session"]');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Suki Larch' })).toBeVisible();
    expect(await keptAnswers(page)).toEqual([]);

    await page.context().setOffline(true);
    await page.reload();
    await expect(page.getByRole('alert')).toContainText('The server does not answer.');
    await expect(page.getByText('Bram Okoro')).toHaveCount(0);
  });
});

/** What is kept of the server's answers, by their keys. */
function keptAnswers(page: Page): Promise<readonly string[]> {
  return page.evaluate(
    () =>
      new Promise<string[]>((resolve, reject) => {
        const opening = indexedDB.open('map-step-answers');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const asked = opening.result.transaction('answers').objectStore('answers').getAllKeys();
          asked.onsuccess = () => {
            opening.result.close();
            resolve(asked.result.map(String));
          };
        };
      }),
  );
}
