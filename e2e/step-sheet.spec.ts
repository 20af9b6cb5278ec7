import type { Page } from '@playwright/test';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

async function begin(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'New figure' }).waitFor();
  await page.keyboard.press('n');
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name, level: 2 })).toBeVisible();
  await expect(page.getByRole('textbox', { name: /^Rhythm/ })).toBeFocused();
}

async function type(page: Page, ...lines: readonly string[]): Promise<void> {
  for (const line of lines) {
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
  }
}

const saved = (page: Page) => page.getByRole('status').filter({ hasText: /^saved$/ });

test('a figure with rests, and one without set timing, stand after a reload', async ({ browser }) => {
  const page = await openAs(browser, 'Suki Larch', '/courses/balboa-1/material');
  await begin(page, 'Quay hold');
  await type(page, '1 2 3(4)5 6 7(8)', 'b', 'p', 'c', 'f', 'p', 'c');
  await expect(saved(page)).toBeVisible();
  await page.reload();
  await expect(page.getByText('8 beats', { exact: true }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Leader, count 7: R close' })).toBeVisible();

  await page.goto('/courses/tap-1/material');
  await begin(page, 'Loose feet');
  await type(page, 'free:4', 'br', 'spa', 'c', 'si');
  await expect(saved(page)).toBeVisible();
  await page.reload();
  await expect(page.getByText('no set timing', { exact: true }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Steps, count 4: R side' })).toBeVisible();
});

test('a figure of pieces with the last one changed, and the other side of a solo figure, are written with few keys', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Suki Larch', '/courses/quickstep-1/material');
  await begin(page, 'Boardwalk');
  await page.keyboard.press('*');
  await expect(page.getByLabel('Made of pieces')).toBeFocused();
  await type(page, 'walks-*2, walks-*2 last forward-l, outside, cross');
  await expect(saved(page)).toBeVisible();
  await expect(page.getByText('36 beats', { exact: true }).first()).toBeVisible();
  const told = async () => {
    const made = page.getByLabel('Made of pieces');
    await expect(made).toHaveValue(
      'Walks to the wall ×2, Walks to the wall ×2 last Forward lock, Outside step, Cross chassé',
    );
    await expect(page.getByRole('button', { name: 'Walks to the wall ×3 24 beats' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Cross chassé 4 beats' })).toHaveAttribute(
      'aria-expanded',
      'false',
    );
  };
  await told();
  await page.reload();
  await told();

  const director = await openAs(browser, 'Ottilie Marsh', '/courses/quickstep-1/material/boardwalk');
  await director.getByRole('button', { name: 'Add it as a could' }).click();
  await expect(director.getByRole('group', { name: 'Into Quickstep 1' })).toHaveCount(0);
  await expect(director.getByRole('link', { name: 'Boardwalk left out' })).toBeVisible();

  await page.goto('/courses/tap-1/material/buffalo');
  await expect(page.getByRole('heading', { name: 'Buffalo', level: 2 })).toBeVisible();
  await page.keyboard.press('o');
  await expect(page.getByRole('heading', { name: 'Buffalo, other side', level: 2 })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Steps, count 1: L side' })).toBeVisible();
  await expect(page.getByLabel('Made of pieces')).toHaveValue('other side of Buffalo');

  await director.goto('/courses/tap-1/material/buffalo');
  await director.getByRole('button', { name: 'Take Buffalo away' }).click();
  await expect(director.getByRole('alert')).toContainText(
    'It is needed by courses (Tap 1), figures (Buffalo, other side)',
  );
  await director.getByRole('button', { name: 'Retire it' }).click();
  await expect(director.getByText('Retired: kept for what was taught, no longer offered.')).toBeVisible();
  await director.getByRole('button', { name: 'Offer it again' }).click();
  await expect(director.getByRole('button', { name: 'Offer it again' })).toHaveCount(0);
  await director.goto('/courses/tap-1/material/buffalo-other-side');
  await director.getByRole('button', { name: 'Take Buffalo, other side away' }).click();
  await director.getByRole('button', { name: 'Put it back' }).click();
  await expect(director.getByRole('heading', { name: 'Buffalo, other side', level: 2 })).toBeVisible();
});

test('a figure of eights in a dance of sixes, and what is said of it from a cell, stand after a reload', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Suki Larch', '/courses/hustle-1/material');
  await begin(page, 'Eight on the pier');
  await page.keyboard.type('1 2 3 4 5 6 7 8');
  await expect(page.getByText('7 is not a count from 1 to 6')).toBeVisible();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await type(page, '8', 'brsc', ';handshake, by the back', '@needs close basic', '@needs moonstep');
  await expect(page.getByRole('alert')).toContainText('“moonstep” is no figure of Hustle; there are ');
  await page.keyboard.press('Escape');
  await type(page, 'brsc');
  await expect(saved(page)).toBeVisible();
  await page.reload();
  await expect(page.getByText('8 beats', { exact: true }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Leader, count 8: R close' })).toBeVisible();
  await expect(page.getByText('Handshake, by the back')).toBeVisible();
  await expect(page.getByText('Needs Close basic')).toBeVisible();
});

test('a fault is told in its cell, mended with one key, undone and redone, and survives a reload', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Suki Larch', '/courses/hustle-1/material/wrap');
  const cell = (name: RegExp) => page.getByRole('button', { name });
  const third = cell(/^Leader, count 2: /);
  const before = (await third.getAttribute('aria-label')) ?? '';
  await third.focus();
  await page.keyboard.type('r f');
  await page.keyboard.press('Enter');
  await expect(third).toContainText('the right foot carries the weight');
  await expect(third).toContainText('Press . to step with the left foot');
  await expect(page.getByRole('status').filter({ hasText: 'not saved yet' })).toBeVisible();

  await page.reload();
  await expect(third).toContainText('the right foot carries the weight');
  await third.focus();
  await page.keyboard.press('.');
  await expect(third).toHaveAccessibleName('Leader, count 2: L fwd');
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();

  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: before })).toBeVisible();
  await page.keyboard.press('Control+Shift+Z');
  await expect(third).toHaveAccessibleName('Leader, count 2: L fwd');
  await page.reload();
  await expect(third).toHaveAccessibleName('Leader, count 2: L fwd');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: before })).toBeVisible();
});

test('a follower’s step is made the follower’s own and natural again; a note hangs on its count', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Suki Larch', '/courses/hustle-1/material/forward-check');
  const follower = page.getByRole('button', { name: /^Follower, count / });
  const last = follower.nth(2);
  const natural = await last.getAttribute('aria-label');
  await last.focus();
  await page.keyboard.type('s');
  await page.keyboard.press('Enter');
  await expect(last).toContainText('own step');
  await last.focus();
  await page.keyboard.press('#');
  const form = page.getByRole('form', { name: 'A note' });
  await form.getByLabel('In words').fill('Wait for the hand');
  await page.keyboard.press('Enter');
  await expect(last).toContainText('Wait for the hand');
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();
  await last.focus();
  await page.keyboard.press('=');
  await expect(last).toHaveAccessibleName(natural ?? '');
  await expect(last).not.toContainText('own step');
});
