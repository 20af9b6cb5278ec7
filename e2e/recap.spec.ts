import type { Page } from '@playwright/test';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

const PATH = '/courses/hustle-1/recap?lesson=2&class=hustle-1-monday';
const saved = (page: Page) => expect(page.getByText('saved', { exact: true })).toBeVisible();

async function putIn(page: Page, what: string, ...figures: readonly [string, string][]): Promise<void> {
  await page.getByRole('button', { name: 'Put in a figure' }).click();
  await page.getByRole('combobox', { name: 'Put in' }).click();
  await page.getByRole('option', { name: what }).click();
  for (const [label, name] of figures) {
    await page.getByRole('combobox', { name: label, exact: true }).fill(name);
    await page.getByRole('option', { name, exact: true }).click();
  }
  await page.getByRole('button', { name: 'Put it in' }).click();
  await saved(page);
}

test('a recap with a step sheet and a comparison is published, corrected and withdrawn; its link says what was sent', async ({
  browser,
}) => {
  const teacher = await openAs(browser, 'Bram Okoro', PATH);
  const text = teacher.getByRole('textbox', { name: 'Text', exact: true });
  await expect(text).toContainText('New: Rotating basic');
  await putIn(teacher, 'the step sheet', ['of', 'Rotating basic']);
  await putIn(teacher, 'a comparison', ['of', 'Rotating basic'], ['beside', 'Side basic']);
  const preview = teacher.getByRole('region', { name: 'As its readers see it' });
  await expect(preview.getByRole('img', { name: 'Step sheet of Rotating basic' })).toBeVisible();
  await expect(preview).toContainText('as in Side basic');
  await putIn(teacher, 'a combination', ['of', 'Round the loft']);
  await expect(preview).toContainText('Round the loft');
  await expect(teacher.getByText('Read through: it agrees with the figures')).toBeVisible();

  await teacher.getByRole('button', { name: 'Publish the correction' }).click();
  const link = await teacher.getByRole('textbox', { name: 'Link', exact: true }).inputValue();
  await expect(teacher.getByRole('img', { name: 'The same link as a code for a camera' })).toBeVisible();
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(link);
  await expect(phone.getByRole('img', { name: 'Step sheet of Rotating basic' })).toBeVisible();
  expect(await phone.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);

  await text.click();
  await teacher.keyboard.press('Control+End');
  await teacher.keyboard.press('Enter');
  await teacher.keyboard.type('The left turn has 5 beats.');
  await saved(teacher);
  await expect(teacher.getByText(/^To look at: \d/)).toBeVisible();
  await phone.reload();
  await expect(phone.getByRole('heading', { name: 'Hustle 1, lesson 2 of 8' })).toBeVisible();
  await expect(phone.getByText('has 5 beats')).toHaveCount(0);

  await teacher.getByRole('button', { name: 'Publish the correction' }).click();
  await expect(teacher.getByRole('button', { name: 'Make another link' })).toBeVisible();
  await phone.reload();
  await expect(phone.getByText('has 5 beats')).toBeVisible();
  await expect(phone.getByText(/corrected \d/)).toBeVisible();

  await teacher.getByRole('button', { name: /^Withdraw/ }).click();
  await phone.reload();
  await expect(phone.getByText('This link no longer works. Ask your teacher for a new one.')).toBeVisible();

  const director = await openAs(browser, 'Ottilie Marsh', '/courses/balboa-1/recap?lesson=1');
  const away = director.getByRole('button', { name: /^Make a link for/ }).first();
  const name = (await away.textContent())?.replace('Make a link for ', '') ?? '';
  await away.click();
  const own = await director.getByRole('textbox', { name: 'Link', exact: true }).inputValue();
  await phone.goto(own);
  await expect(phone.getByRole('heading', { name: 'Balboa 1: what you missed' })).toBeVisible();
  await expect(phone.getByRole('img', { name: /^Step sheet of / }).first()).toBeVisible();
  await expect(phone.getByText(name)).toHaveCount(0);

  await teacher.getByRole('link', { name: 'Shot list' }).click();
  await expect(teacher.getByText(/^\d+ takes, /)).toBeVisible();
  await teacher.getByRole('button', { name: 'Prompter' }).click();
  await expect(teacher.getByRole('region', { name: 'Prompter' })).toContainText('New: Rotating basic');
});
