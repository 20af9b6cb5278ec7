import type { Page } from '@playwright/test';
import { lastNewFigure } from './support/courses.ts';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

const SECTION = 'hustle-1-thursday';
const PATH = `/courses/hustle-1/lesson?class=${SECTION}`;
const WRITES = /\/api\/sections\/[^/]+\/events$/;

/** What the server holds of the class. */
function stored(page: Page) {
  return page.evaluate(async section => {
    const reply = await fetch(`/api/sections/${section}`);
    return (await reply.json()) as {
      logs: { id: string; lesson: number; pattern: string; result: string; minutes?: number }[];
      attendance: { student: string; here: boolean; late?: boolean; lesson: number }[];
      notes: { kind: string; text: string; tempo?: number }[];
    };
  }, SECTION);
}

test.use({ viewport: { width: 820, height: 1180 } });

test('an evening runs on a tablet: by thumb and by keys, without a connection in the middle, on two devices', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Suki Larch', PATH);
  const now = page.getByRole('region', { name: 'Now' });
  await page.getByRole('button', { name: 'Start the evening' }).click();
  const heading = page.getByRole('heading', { name: /^Lesson \d of 8$/ });
  const lesson = Number((await heading.textContent())?.match(/\d/)?.[0]);
  await expect(now.getByRole('timer')).toContainText('left');
  const title = now.getByRole('heading', { level: 2 });
  expect(
    await title.evaluate(one => Number.parseFloat(getComputedStyle(one).fontSize)),
  ).toBeGreaterThanOrEqual(64);

  await page.getByRole('button', { name: /^0 of \d+ here$/ }).click();
  await page.getByRole('button', { name: 'All are here' }).click();
  await page
    .getByRole('button', { name: /came late$/ })
    .first()
    .click();
  await expect(page.getByText(/waiting to be sent/)).toHaveCount(0);

  await page.route(WRITES, route => route.abort());
  const order = page.getByRole('region', { name: 'Running order' });
  const rows = order.getByRole('group', { name: /^How / });
  const names = (await rows.evaluateAll(all => all.map(row => row.getAttribute('aria-label') ?? ''))).slice(
    0,
    6,
  );
  for (const name of names.slice(0, 3))
    await page.getByRole('group', { name, exact: true }).getByRole('button', { name: 'Solid' }).click();
  const shaky = () => page.getByRole('button', { name: 'Shaky', pressed: true }).count();
  for (let left = 3; left > 0; ) {
    const before = await now.getByRole('button', { pressed: true }).count();
    const marks = now.getByRole('group', { name: /^How / });
    if ((await marks.count()) > before) {
      const marked = await shaky();
      await page.keyboard.press('h');
      await expect.poll(shaky).toBe(marked + 1);
      left -= 1;
    } else await page.keyboard.press('b');
  }
  await page.getByLabel('Title of a song').fill('Lantern reel');
  await page.getByLabel('Beats a minute').fill('112');
  await page.getByRole('button', { name: 'Add the song' }).click();
  await expect(page.getByText('112 beats a minute, straight')).toBeVisible();
  await expect(page.getByText(/^Suits /)).toBeVisible();
  await expect(page.getByText(/waiting to be sent/)).toBeVisible();

  await page.reload();
  await expect(now.getByRole('timer')).toBeVisible();
  await expect(page.getByText('Lantern reel')).toBeVisible();
  await page.unroute(WRITES);
  await page.reload();
  await expect(page.getByText(/ marked, saved/)).toBeVisible();
  const { logs, attendance, notes } = await stored(page);
  const own = logs.filter(entry => entry.lesson === lesson);
  expect(own.filter(({ result }) => result === 'shaky')).toHaveLength(3);
  expect(new Set(own.map(({ id }) => id)).size).toBe(own.length);
  expect(notes.filter(({ kind, text }) => kind === 'song' && text === 'Lantern reel')).toHaveLength(1);
  expect(attendance.filter(({ late, lesson: at }) => late && at === lesson)).toHaveLength(1);

  const director = await openAs(browser, 'Ottilie Marsh', PATH);
  const missed = await lastNewFigure(page);
  const last = page.getByRole('group', { name: `How ${missed} went`, exact: true });
  await director
    .getByRole('region', { name: 'Running order' })
    .getByRole('group', { name: `How ${missed} went` })
    .getByRole('button', { name: 'Not reached' })
    .click();
  await expect(last.getByRole('button', { name: 'Not reached' })).toHaveAttribute('aria-pressed', 'true');

  await page.getByRole('button', { name: `Finish lesson ${lesson}` }).click();
  await expect(page.getByText('The coming lessons are then:')).toBeVisible();
  await expect(page.getByRole('row', { name: new RegExp(missed) })).toContainText('now');
  await page.getByRole('button', { name: 'Finish and draft the recap' }).click();
  await expect(page.getByRole('heading', { name: `Lesson ${lesson}, taught` })).toBeVisible();
  await expect(page.getByText(`${missed} goes to lesson ${lesson + 1}`)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'The coming lessons' })).toBeVisible();
  await director.goto(`/courses/hustle-1/map?class=${SECTION}`);
  await expect(director.getByText(new RegExp(`${missed}.*lesson ${lesson + 1}`)).first()).toBeVisible();
  await page.goto(`/courses/hustle-1/brief?class=${SECTION}&lesson=${lesson + 1}`);
  await expect(page.getByRole('heading', { name: `Hustle 1, lesson ${lesson + 1} of 8` })).toBeVisible();
  await expect(page.getByText(`What was promised after lesson ${lesson}`)).toBeVisible();
});

test('who may only read a class sees no controls of it', async ({ browser }) => {
  const page = await openAs(browser, 'Suki Larch', '/courses/hustle-1/lesson?class=hustle-1-monday&lesson=5');
  const main = page.getByRole('main');
  await expect(page.getByRole('region', { name: 'Running order' })).toBeVisible();
  const look = /^(Next block|Arrive|Warm up|Recall|Combine|Dance|Recap|Check)$/;
  const figures = await main.getByRole('listitem').getByRole('heading').allTextContents();
  for (const button of await main.getByRole('button').allTextContents())
    expect(look.test(button) || figures.includes(button), button).toBe(true);
  await expect(main.getByRole('textbox')).toHaveCount(0);
  await expect(main.getByRole('status').first()).toContainText('staff of this class');
});
