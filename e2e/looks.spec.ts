import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { openAs, signIn } from './support/people.ts';
import { expect, test } from './support/test.ts';

const VIEWS = [
  ['Programme', '/'],
  ['Material', '/courses/hustle-1/material/wrap'],
  ['Compare', '/courses/hustle-1/material/left-turn/with/right-turn'],
  ['Level', '/courses/hustle-1/material/level'],
  ['Map', '/courses/hustle-1/map'],
  ['Settings', '/courses/hustle-1/settings'],
  ['Cost', '/courses/hustle-1/cost'],
  ['Lesson', '/courses/hustle-1/lesson?lesson=6'],
  ['Recap', '/courses/hustle-1/recap?lesson=2'],
  ['Check', '/courses/hustle-1/check'],
  ['Term', '/term'],
  ['People', '/people'],
  ['Account', '/account'],
] as const;
const DIRECTORS_VIEWS = [
  ['Set up', '/setup'],
  ['A dance', '/dances/quickstep'],
  ['Levels', '/dances/quickstep?part=levels'],
  ['First figures', '/dances/quickstep?part=figures'],
  ['A new dance', '/dances/new'],
  ['A new course', '/courses/new'],
  ['A new class', '/classes/new'],
  ['A class', '/classes/hustle-1-monday'],
  ['Studio', '/studio'],
  ['Rooms', '/studio?part=rooms'],
  ['Cautions', '/studio?part=cautions'],
  ['Minutes', '/studio?part=minutes'],
  ['Files', '/files'],
  ['Next term', '/next-term'],
] as const;

/** No serious finding on the page as it is. */
async function expectSound(page: Page): Promise<void> {
  await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
  // The pages have no frames to gather from, and only findings are wanted: a third of the time.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  const { violations } = await axe.analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(
    serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`),
  ).toEqual([]);
}

for (const [theme, who, views] of [
  ['day', 'Bram Okoro', VIEWS],
  ['dim', 'Ottilie Marsh', [...VIEWS, ...DIRECTORS_VIEWS]],
] as const)
  test(`every view is sound for everybody, ${theme}`, async ({ browser }) => {
    const page = await openAs(browser, who, '/', theme);
    for (const [name, path] of views) {
      await test.step(name, async () => {
        await page.goto(path);
        await expect(page.getByRole('main')).toBeVisible();
        await expectSound(page);
      });
    }
  });

test('so are the way in, what opens over a page, and the page of a student', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Map Step' })).toBeVisible();
  await expectSound(page);
  await signIn(page, 'Ottilie Marsh');
  await page.goto('/courses/hustle-1/settings');
  await expect(page.getByRole('heading', { name: 'Lessons, dates and rules' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await expectSound(page);
  await page.keyboard.press('Escape');
  await page.getByRole('combobox', { name: 'How it is taught' }).click();
  await expect(page.getByRole('option', { name: 'rhythm first' })).toBeVisible();
  await expectSound(page);
  await page.goto('/courses/hustle-1/recap?lesson=2');
  await page.getByRole('button', { name: 'Make another link' }).click();
  const link = await page.getByRole('textbox', { name: 'Link', exact: true }).inputValue();
  await page.goto(link);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expectSound(page);
});

test('anything is gone to by a part of its name; what was written and not saved is asked about', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Ottilie Marsh', '/courses/hustle-1/map');
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).waitFor();
  await page.keyboard.press('Control+k');
  const field = page.getByRole('combobox', { name: 'Go to anything' });
  await field.fill('wrap');
  await expectSound(page);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 2, name: 'Wrap' })).toBeVisible();
  await page.getByRole('button', { name: 'Change name and place' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('A figure has a name.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Wrap in');
  await page.keyboard.press('Control+k');
  await field.fill('lesson 3');
  await page.keyboard.press('Enter');
  const question = page.getByRole('alertdialog');
  await expect(question).toBeVisible();
  await expectSound(page);
  await question.getByRole('button', { name: 'Stay here' }).click();
  await expect(page.getByRole('textbox', { name: 'Name', exact: true })).toHaveValue('Wrap in');
  await page.keyboard.press('Control+k');
  // What was gone to last comes first.
  await expect(page.getByRole('option').first()).toContainText('Lesson 3');
  await page.keyboard.press('Enter');
  await question.getByRole('button', { name: 'Leave without it' }).click();
  await expect(page).toHaveURL(/\/lesson\?.*lesson=3/);
});

test('the rooms and lessons are reached by keys alone', async ({ browser }) => {
  const page = await openAs(browser, 'Ottilie Marsh', '/courses/hustle-1/map');
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).waitFor();
  await page.keyboard.press('g');
  await page.keyboard.press('m');
  await expect(page.getByRole('region', { name: 'Step sheet' })).toBeVisible();
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/lesson=3/);
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/lesson=4/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('g');
  await page.keyboard.press('l');
  await expect(page).toHaveURL(/\/lesson\?/);
});

test('keys pressed faster than the page draws add up, and none is lost', async ({ browser }) => {
  const page = await openAs(browser, 'Ottilie Marsh', '/courses/hustle-1/map');
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).waitFor();
  const pressAtOnce = (keys: string) =>
    page.evaluate(pressed => {
      for (const key of pressed)
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    }, keys);
  await pressAtOnce('3]]');
  await expect(page).toHaveURL(/\/map\?lesson=5$/);
  await pressAtOnce('gl2]');
  await expect(page).toHaveURL(/\/lesson\?lesson=3$/);
  await expect(page.getByRole('heading', { name: /Lesson 3/ })).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/\/map\?lesson=5$/);
});

test('on paper the step sheet and the plan are light, and nothing on them can be pressed', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Ottilie Marsh', '/courses/hustle-1/material/left-turn', 'dim');
  await expect(page.getByRole('region', { name: 'Step sheet' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  const ink = () => page.evaluate(() => getComputedStyle(document.body).color);
  expect(await ink()).toBe('rgb(27, 31, 59)');
  await expect(page.locator('button:visible, form:visible, nav:visible')).toHaveCount(0);
  await expect(page.getByText(/Hustle 1 · as of 9 March 2026/)).toBeVisible();
  await expect(page.getByText('quarter right, then step').first()).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await page.goto('/courses/hustle-1/map');
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).waitFor();
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('button:visible, form:visible, nav:visible')).toHaveCount(0);
  await expect(page.getByRole('row', { name: /^1, 9 Feb Side basic/ })).toBeVisible();
});
