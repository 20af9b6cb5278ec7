import { openAs, signIn } from './support/people.ts';
import { expectSound } from './support/sound.ts';
import { expect, test } from './support/test.ts';
import { VIEWS } from './support/views.ts';

/** The views that are others for a teacher: what to do tonight, and rooms in which nothing is planned. */
const TEACHERS = ['Programme', 'Map', 'Lesson'];

test('what a teacher has otherwise than the director is sound by day', async ({ browser }) => {
  const page = await openAs(browser, 'Bram Okoro');
  for (const [name, path] of VIEWS.filter(([view]) => TEACHERS.includes(view)))
    await test.step(name, async () => {
      await page.goto(path);
      await expect(page.getByRole('main')).toBeVisible();
      await expectSound(page);
    });
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
  await expect(page.getByText('quarter left, then step').first()).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await page.goto('/courses/hustle-1/map');
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).waitFor();
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('button:visible, form:visible, nav:visible')).toHaveCount(0);
  await expect(page.getByRole('row', { name: /^1, 9 Feb Side basic/ })).toBeVisible();
});
