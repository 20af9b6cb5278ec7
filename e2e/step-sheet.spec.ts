import type { Page } from '@playwright/test';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

/** Types as a person does and counts the presses: a capital or a sign with Shift is two. */
function countingKeys(page: Page) {
  let presses = 0;
  const shifted = /[A-Z&()+#:?]/;
  return {
    presses: () => presses,
    async type(text: string) {
      for (const key of text) presses += shifted.test(key) ? 2 : 1;
      await page.keyboard.type(text);
    },
    async press(...keys: string[]) {
      for (const key of keys) {
        presses += key.split('+').length;
        await page.keyboard.press(key);
      }
    },
  };
}

interface WrittenFigure {
  readonly what: string;
  readonly course: string;
  readonly name: string;
  readonly rhythm: string;
  /** What is typed into one cell after another; Enter goes on to the next. */
  readonly cells: readonly string[];
  readonly parts: object;
  readonly beats: string;
}

const FIGURES: readonly WrittenFigure[] = [
  {
    what: 'a 6-beat figure with two triples',
    course: 'hustle-1',
    name: 'Pier triple',
    rhythm: '1 2 3&4 5&6',
    cells: ['b', 'r', 's', 'c', 's', 's', 'c', 's'],
    parts: {
      lead: 'L back, R replace, L side, R close, L side, R side, L close, R side',
      follow: 'opposite',
    },
    beats: '6 beats',
  },
  {
    what: 'an 8-beat figure with two rests',
    course: 'balboa-1',
    name: 'Quay hold',
    rhythm: '1 2 3(4)5 6 7(8)',
    cells: ['b', 'p', 'c', 'f', 'p', 'c'],
    parts: { lead: 'L back, R place, L close, R fwd, L place, R close', follow: 'opposite' },
    beats: '8 beats',
  },
  {
    what: 'a 3-beat figure with a pick-up',
    course: 'hustle-1',
    name: 'Pick-up walk',
    rhythm: '&1 2 3',
    cells: ['b', 'r', 'f', 'f'],
    parts: { lead: 'L back, R replace, L fwd, R fwd', follow: 'opposite' },
    beats: '3 beats',
  },
  {
    what: 'a slow/quick figure with quarter turns on the line of dance',
    course: 'quickstep-1',
    name: 'Two quarters',
    rhythm: 'sqqssqqs',
    cells: ['r f', '-90 s', 'c', 's', 'b', '+90 s', 'c', 's'],
    parts: {
      lead: 'R fwd, L -90 side, R close, L side, R back, L +90 side, R close, L side',
      follow: 'opposite',
    },
    beats: '12 beats',
  },
  {
    what: 'a solo figure with taps and e and a splits',
    course: 'tap-1',
    name: 'Harbour rattle',
    rhythm: '1e&a 2 3e&a 4',
    cells: ['t', 'p', 't', 'p', 'c', 't', 'p', 't', 'p', 'c'],
    parts: {
      solo: 'L tap, L place, R tap, R place, L close, R tap, R place, L tap, L place, R close',
    },
    beats: '4 beats',
  },
  {
    what: 'an untimed figure',
    course: 'tap-1',
    name: 'Loose feet',
    rhythm: 'free:4',
    cells: ['br', 'spa', 'c', 's'],
    parts: { solo: 'L brush, L spank, L close, R side' },
    beats: 'no set timing',
  },
];

for (const { what, course, name, rhythm, cells, parts, beats } of FIGURES)
  test(`${what} is written with keys alone, in at most 90 presses`, async ({ browser }) => {
    const page = await openAs(browser, 'Suki Larch', `/courses/${course}/material`);
    await page.getByRole('button', { name: 'New figure' }).waitFor();
    await page.keyboard.press('n');
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name, level: 2 })).toBeVisible();
    await expect(page.getByRole('textbox', { name: /^Rhythm/ })).toBeFocused();
    const keys = countingKeys(page);
    await keys.type(rhythm);
    await keys.press('Enter');
    for (const cell of cells) {
      await keys.type(cell);
      await keys.press('Enter');
    }
    await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();
    await expect(page.getByText(beats, { exact: true }).first()).toBeVisible();
    expect(keys.presses()).toBeLessThanOrEqual(90);
    const id = name.toLowerCase().replaceAll(' ', '-');
    const stored = await page.evaluate(
      async figure =>
        ((await (await fetch(`/api/figures/${figure}`)).json()) as { body: { parts: object } }).body,
      id,
    );
    expect(stored.parts).toEqual(parts);
  });

test('a figure of pieces with the last one changed, and the other side of a solo figure, are written with few keys', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Suki Larch', '/courses/quickstep-1/material');
  await page.getByRole('button', { name: 'New figure' }).waitFor();
  const keys = countingKeys(page);
  await keys.press('n');
  await keys.type('Side');
  await keys.press('Enter');
  await expect(page.getByRole('textbox', { name: /^Rhythm/ })).toBeFocused();
  await keys.press('Tab', 'Tab');
  await expect(page.getByLabel('Made of pieces')).toBeFocused();
  await keys.type('walks-*2, walks-*2 last forward-l, outside, cross');
  await keys.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();
  await expect(page.getByText('36 beats', { exact: true }).first()).toBeVisible();
  expect(keys.presses()).toBeLessThanOrEqual(60);
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

  const director = await openAs(browser, 'Ottilie Marsh', '/courses/quickstep-1/material/side');
  await director.getByRole('button', { name: 'Add it as a could' }).click();
  await expect(director.getByRole('group', { name: 'Into Quickstep 1' })).toHaveCount(0);
  await expect(director.getByRole('link', { name: 'Side left out' })).toBeVisible();

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

test('a figure of eights in a dance of sixes, and one with a rhythm for each role, stand after a reload', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Suki Larch', '/courses/hustle-1/material');
  const saved = page.getByRole('status').filter({ hasText: /^saved$/ });
  const begin = async (name: string) => {
    await page.getByRole('button', { name: 'New figure' }).waitFor();
    await page.keyboard.press('n');
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('textbox', { name: /^Rhythm/ })).toBeFocused();
  };
  const steps = async (...cells: readonly string[]) => {
    for (const cell of cells) {
      await page.keyboard.type(cell);
      await page.keyboard.press('Enter');
    }
  };
  await begin('Eight on the pier');
  await page.keyboard.type('1 2 3 4 5 6 7 8');
  await expect(page.getByText('7 is not a count from 1 to 6')).toBeVisible();
  await page.getByRole('button', { name: 'Change name and place' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Counted up to, where it is not the dance’s own count').focus();
  await page.keyboard.type('8');
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: /^Rhythm/ }).focus();
  await page.keyboard.press('Enter');
  await steps('b', 'r', 's', 'c', 'b', 'r', 's', 'c');
  await expect(saved).toBeVisible();
  await page.reload();
  await expect(page.getByText('8 beats', { exact: true }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Leader, count 8: R close' })).toBeVisible();

  await begin('Two clocks');
  await page.keyboard.type('1 3 / 1 2 3');
  await page.keyboard.press('Tab');
  await page.keyboard.type('4');
  await page.keyboard.press('Enter');
  await steps('s', 'c');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Home');
  await steps('r s', 'c', 's');
  await expect(saved).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Leader, count 3: R close' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Follower, count 2: L close' })).toBeVisible();
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
