// A final check, marked with keys alone; two who mark together; what follows for students and class.
import type { Page } from '@playwright/test';
import { makeCheck } from './support/checks.ts';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

const STUDENTS = 16;
const FIGURES = 12;
const TODAY = '2026-03-09';

const CHECK = { students: STUDENTS, figures: FIGURES, date: TODAY, staff: ['bram-okoro', 'suki-larch'] };

test('a final check of 16 students and 12 figures takes one key a cell, and the ready list is right', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Ottilie Marsh');
  await makeCheck(page, { ...CHECK, id: 'check-by-keys' });
  await page.goto('/courses/hustle-1/check/check-by-keys?class=check-by-keys');
  const grid = page.getByRole('grid', { name: 'Marks, steps' });
  await expect(grid.getByRole('gridcell').first()).toBeFocused();
  let presses = 0;
  for (const layer of ['steps', 'timing'])
    for (let row = 0; row < STUDENTS; row += 1)
      for (let column = 0; column < FIGURES; column += 1) {
        // Ten pass, three fall short at the gate, three begin again.
        const key = row < 10 ? '2' : row < 13 ? (column === 0 && layer === 'steps' ? '1' : '3') : '0';
        await page.keyboard.press(key);
        presses += 1;
      }
  expect(presses).toBe(STUDENTS * FIGURES * 2);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  const kept = await page.evaluate(
    async () =>
      (await (await fetch('/api/sections/check-by-keys/checks/check-by-keys')).json()).body.marks.length,
  );
  expect(kept).toBe(presses);

  for (let back = 0; back < 3; back += 1) await page.keyboard.press('Shift+Tab');
  await expect(page.getByRole('radio', { name: 'Marks', exact: true })).toBeFocused();
  for (let step = 0; step < 3; step += 1) await page.keyboard.press('ArrowRight');
  await expect(page.getByText('10 ready, 3 nearly, 3 repeat.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Student 11 Nearly/ })).toContainText('(steps)');
  await expect(page.getByRole('row', { name: /Student 01 Ready/ })).toContainText('12 of 12');
});

test('two mark the same students: each sees the other’s marks at once, and where they differ is listed', async ({
  browser,
}) => {
  const bram = await openAs(browser, 'Bram Okoro');
  const ottilie = await openAs(browser, 'Ottilie Marsh');
  await makeCheck(ottilie, { ...CHECK, id: 'check-by-two' });
  const path = '/courses/hustle-1/check/check-by-two?class=check-by-two';
  await bram.goto(path);
  await ottilie.goto(path);
  const cells = (page: Page) => page.getByRole('grid').getByRole('gridcell');
  await expect(cells(bram).first()).toBeFocused();
  for (let mark = 0; mark < FIGURES * 6; mark += 1) await bram.keyboard.press('3');
  await expect(cells(ottilie).first()).toHaveAttribute('aria-label', /others gave 3/);
  await cells(ottilie).first().focus();
  for (let mark = 0; mark < FIGURES * 6; mark += 1) await ottilie.keyboard.press('1');
  await expect(ottilie.getByText('saved', { exact: true })).toBeVisible();
  await ottilie.goto(`${path}&view=markers`);
  await expect(
    ottilie.getByText('Bram Okoro marks higher than Ottilie Marsh, by 2.0 of a mark.'),
  ).toBeVisible();
  await expect(ottilie.getByRole('heading', { name: 'Look at these together' })).toBeVisible();
});
