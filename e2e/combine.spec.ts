import type { Page } from '@playwright/test';
import { choose } from './support/choose.ts';
import { countedKeys } from './support/keys.ts';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

const board = (page: Page) => page.getByRole('list', { name: 'Phrases' });
const figures = (page: Page) => board(page).getByRole('button');
const fits = (page: Page) => page.getByRole('list', { name: 'Fits in its place' }).getByRole('button');

test('by keys alone: sixty-four beats with three musts, one figure swapped, kept for lesson 8, its call sheet printed', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Ottilie Marsh', '/courses/hustle-1/map');
  const { press, type, tabTo, downTo, told, part } = countedKeys(page);
  await test.step('to the room, and what is asked', async () => {
    await page
      .getByRole('button', { name: 'Plan this level' })
      .or(page.getByRole('link', { name: 'Combine' }))
      .first()
      .waitFor();
    await press('g');
    await press('c');
    await page.getByRole('heading', { name: /Proposed/ }).waitFor();
    await press('8');
    await page.getByRole('heading', { name: 'Proposed for lesson 8' }).waitFor();
    await tabTo(page.getByRole('spinbutton', { name: 'Beats' }));
    await press('Control+a');
    await type('64');
    await press('Enter');
    await expect(page.getByText('eight eights', { exact: true })).toBeVisible();
    const had = page.getByRole('list', { name: 'Had before' });
    await tabTo(had.getByRole('button').first());
    for (const name of ['Left turn', 'Leader’s turn', 'Wrap']) {
      await downTo(had.getByRole('button', { name: `${name}: may be danced`, exact: true }));
      await press('Enter');
    }
    await tabTo(page.getByRole('button', { name: /^Not had yet/ }));
    await press('Enter');
    const others = page.getByRole('list', { name: 'Not had yet' });
    await tabTo(others.getByRole('button').first());
    await downTo(others.getByRole('button', { name: 'Stop on four: left out' }));
    await press('Enter');
    part('asked');
  });

  await test.step('found; the hand is where it goes on', async () => {
    await press('f');
    await expect(page.getByRole('heading', { name: /^Found/ })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Put it into lesson 8' })).toBeFocused();
    await expect(page.getByText(/^Eight eights, .* It ends as it began/)).toBeVisible();
    for (const name of ['Left turn', 'Leader’s turn', 'Wrap'])
      await expect(
        board(page)
          .getByRole('button', { name: new RegExp(`, ${name}`) })
          .first(),
      ).toBeVisible();
    part('found');
  });

  await test.step('one figure swapped for another that fits', async () => {
    await tabTo(figures(page).first());
    const swapped = board(page).getByRole('button', { pressed: true });
    // Along the board to the first that has another as long in its place.
    for (let at = 1; at < 20; at += 1) {
      await press('ArrowRight');
      await expect(swapped).toHaveAttribute('data-row', String(at));
      if (
        (await fits(page)
          .filter({ hasText: /as long$/ })
          .count()) > 0
      )
        break;
    }
    const other = fits(page)
      .filter({ hasText: /as long$/ })
      .first();
    const name = ((await other.textContent()) ?? '').replace(/ as long$/, '');
    await tabTo(other);
    await press('Enter');
    await expect(swapped).toHaveText(name);
    await expect(page.getByText(/^Eight eights, .* It ends as it began/)).toBeVisible();
    part('swapped');
  });

  await test.step('kept for the lesson, and called from a sheet', async () => {
    await press('Shift+L');
    await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('Hustle 1, lesson 8');
    await tabTo(page.getByRole('link', { name: 'Call sheet' }));
    await press('Enter');
    await expect(page.getByRole('heading', { name: 'Hustle 1, lesson 8' })).toBeVisible();
    await expect(page.getByRole('row')).toHaveCount(9);
    expect((await page.pdf()).byteLength).toBeGreaterThan(5_000);
    part('kept');
  });
  test.info().annotations.push({ type: 'keys', description: told() });

  await test.step('the evening has it, and a teacher’s change comes to who looks at it', async () => {
    await page.goto('/courses/hustle-1/brief?lesson=8');
    await expect(page.getByRole('link', { name: 'Hustle 1, lesson 8' })).toBeVisible();
    await page.getByRole('link', { name: 'Hustle 1, lesson 8' }).click();
    await expect(figures(page).first()).toBeVisible();
    const bram = await openAs(browser, 'Bram Okoro', '/courses/hustle-1/combine?lesson=8');
    await expect(bram.getByRole('textbox', { name: 'Name' })).toHaveValue('Hustle 1, lesson 8');
    await bram.getByRole('textbox', { name: 'Name' }).fill('The whole level');
    await bram.keyboard.press('Enter');
    await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('The whole level');
  });
});

test('four basics, the last one turning round; a choice of three after a basic, each meeting the music', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Suki Larch', '/courses/hustle-1/combine?lesson=2');
  await test.step('four repeats whose last one turns round come back', async () => {
    await page.getByRole('heading', { name: 'Proposed for lesson 2' }).waitFor();
    const count = await figures(page).count();
    await figures(page).nth(1).click();
    for (let left = count - 1; left > 0; left -= 1) {
      await figures(page).nth(Math.min(1, left)).focus();
      await page.keyboard.press('Backspace');
      await expect(figures(page)).toHaveCount(left);
    }
    await figures(page).first().click();
    for (let times = 2; times <= 4; times += 1) {
      await page.getByRole('button', { name: 'Once more' }).click();
      await expect(figures(page)).toHaveCount(times);
    }
    await choose(page, 'The last one', 'Rotating basic');
    await expect(figures(page).last()).toHaveText('Rotating basic');
    await expect(page.getByText(/goes round and round/)).toBeVisible();
  });

  await test.step('one of three where the leader chooses', async () => {
    await page.goto('/courses/hustle-1/combine?lesson=7');
    await figures(page).nth(2).waitFor();
    await figures(page).nth(2).click();
    await page.getByRole('button', { name: 'Let the leader choose here' }).click();
    const options = page.getByRole('list', { name: 'The leader may set here' });
    await expect(options.getByRole('checkbox', { checked: true })).toHaveCount(2);
    await options.getByRole('checkbox', { checked: false }).first().locator('xpath=..').click();
    await expect(options.getByRole('checkbox', { checked: true })).toHaveCount(3);
    await expect(page.getByText(/the signal has come by the last count of/)).toBeVisible();
    await expect(options.getByText('does not meet the music again')).toHaveCount(0);
    await expect(figures(page).nth(2)).toHaveText(/, or …$/);
    // It was kept for everybody: taken back, as it is the demo's.
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(figures(page).nth(2)).not.toHaveText(/, or …$/);
  });
});
