import { AxeBuilder } from '@axe-core/playwright';
import { openAs } from './support/people.ts';
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
] as const;

for (const theme of ['day', 'dim'] as const)
  test(`every view is sound for everybody, ${theme}`, async ({ browser }) => {
    const page = await openAs(browser, 'Bram Okoro', '/', theme);
    for (const [name, path] of VIEWS) {
      await test.step(name, async () => {
        await page.goto(path);
        await expect(page.getByRole('main')).toBeVisible();
        await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
        const { violations } = await new AxeBuilder({ page }).analyze();
        const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
        expect(
          serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`),
        ).toEqual([]);
      });
    }
  });

test('the rooms and lessons are reached by keys alone', async ({ browser }) => {
  const page = await openAs(browser, 'Ottilie Marsh', '/courses/hustle-1/map');
  await page.getByRole('button', { name: 'Plan this level' }).waitFor();
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
  await page.getByRole('button', { name: 'Plan this level' }).waitFor();
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
  await page.getByRole('button', { name: 'Plan this level' }).waitFor();
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('button:visible, form:visible, nav:visible')).toHaveCount(0);
  await expect(page.getByRole('row', { name: /^1, 9 Feb Side basic/ })).toBeVisible();
});
