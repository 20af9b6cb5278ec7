import { chipOf, lessonOf } from './support/courses.ts';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

test('a hold is shown a lesson ahead: dropped, set, moved along, taught, logged, and known the next week', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Ottilie Marsh');
  const bead = page.locator('[data-ahead="hold-apart"]');
  await test.step('the bead is taken off its evening and set again by hand', async () => {
    await page.goto('/courses/hustle-2/map');
    await expect(bead).toHaveAttribute('aria-label', /4 minutes in lesson 6, for lesson 7$/);
    await bead.focus();
    await page.keyboard.press('Delete');
    await expect(bead).toHaveCount(0);
    await chipOf(page, 'free-spin').click();
    await page.getByRole('button', { name: 'Show it in 6' }).click();
    await expect(bead).toBeVisible();
  });

  await test.step('its figure moved takes it along', async () => {
    await chipOf(page, 'free-spin').focus();
    await page.keyboard.press('ArrowLeft');
    await expect.poll(() => lessonOf(page, 'free-spin')).toBe(6);
    await expect(bead).toHaveAttribute('aria-label', /4 minutes in lesson 5, for lesson 6$/);
    await expect(page.getByText('saved', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Publish this plan' }).click();
    await page.getByRole('button', { name: 'Publish to the staff' }).click();
    await expect(page.getByText('The classes follow this plan.')).toBeVisible();
  });

  await test.step('the evening prepares it, adds up to the minute, and logs it with one tap', async () => {
    await page.goto('/courses/hustle-2/lesson?lesson=5');
    const order = page.getByRole('region', { name: 'Running order' });
    await expect(order.getByRole('heading', { name: /^For next time: Apart/ })).toBeVisible();
    await expect(order.getByText('60 of 60 minutes')).toBeVisible();
    for (const group of await order.getByRole('group', { name: /^How / }).all())
      await group.getByRole('button', { name: 'Solid' }).click();
    await page.getByRole('button', { name: 'Finish lesson 5' }).click();
    await expect(page.getByText('Everything is marked.')).toBeVisible();
    await page.getByRole('button', { name: 'Finish and draft the recap' }).click();
    await expect(page.getByText('For next time')).toBeVisible();
    await page.getByRole('button', { name: 'Recap of lesson 5' }).click();
    await expect(page.getByText(/For next time we also tried the hold/).first()).toBeVisible();
  });

  await test.step('the next week it is known: nothing is left to prepare, and its figure costs no hold', async () => {
    await page.goto('/courses/hustle-2/map');
    await chipOf(page, 'free-spin').click();
    await expect(page.getByText(/Apart.*, 4 min, was shown in lesson 5/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'With the figure' })).toHaveCount(0);
  });
});
