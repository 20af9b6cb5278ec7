import { choose } from './support/choose.ts';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

test('a table of figures names its faults, is written without them, and is taken back', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Ottilie Marsh', '/files');
  const text = [
    'Code,Title,kind,dance,minutes',
    'jetty-drill,Jetty drill,drill,hustle,4',
    'lame-drill,Lame drill,drill,hustle,long',
    'lost-drill,Lost drill,drill,waltz,3',
  ].join('\r\n');
  await page
    .getByLabel('Table to import')
    .setInputFiles({ name: 'spring.csv', mimeType: 'text/csv', buffer: Buffer.from(`\uFEFF${text}`) });
  await expect(page.getByText('A row without an id gets one from its name')).toBeVisible();
  await choose(page, 'Code', 'id');
  await choose(page, 'Title', 'name');
  await page.getByRole('button', { name: 'See what spring.csv would do' }).click();
  await expect(page.getByText('1 new, 0 changed, 0 unchanged, 2 faults')).toBeVisible();
  await expect(page.getByText('Line 3, minutes: "long" is not a number')).toBeVisible();
  await expect(page.getByText(/Line 4, dance: /)).toBeVisible();

  await page
    .getByRole('button', { name: /^Write 1 new and 0 changed rows, without the rows at fault/ })
    .click();
  await expect(page.getByText(/^Written: 1 new/)).toBeVisible();
  const beside = await page.context().newPage();
  await beside.goto('/courses/hustle-1/material/jetty-drill');
  await expect(beside.getByRole('heading', { name: 'Jetty drill' })).toBeVisible();
  await page.getByRole('button', { name: 'Take this whole import back' }).click();
  await expect(page.getByText('Taken back: 1 removed, 0 put back.')).toBeVisible();
  await expect(beside.getByRole('heading', { name: 'There is no such figure' })).toBeVisible();
});

test('the library is searched by any name, narrowed and put in order', async ({ browser }) => {
  const page = await openAs(browser, 'Bram Okoro', '/courses/hustle-1/material');
  const figures = page.getByRole('navigation', { name: 'Figures' });
  const names = figures.getByRole('listitem');
  await figures.getByRole('searchbox').fill('home harbour');
  await expect(names.filter({ hasText: 'Side basic' })).toBeVisible();
  await expect(names.filter({ has: page.getByRole('link') })).toHaveCount(1);
  await figures.getByRole('searchbox').fill('');
  await figures.getByText(/^Only some/).click();
  await choose(figures, 'Caution', 'wrap');
  await expect(names.filter({ hasText: 'Wrap' }).first()).toBeVisible();
  await expect(names.filter({ hasText: 'Side basic' })).toHaveCount(0);
  await choose(figures, 'Caution', 'with or without');
  await choose(figures, 'Order', 'by what is new after lesson 5');
  await expect(names.first()).toContainText(/% new/);
});

const ALIKE = 'Left turn: Leader: & as in Right turn, 1–3 new; Follower: & 1 as in Right turn, 2–3 new.';

test('two figures are compared count by count, and the level tells what begins alike', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Bram Okoro', '/courses/hustle-1/material/left-turn/with/right-turn');
  const comparison = page.getByRole('region', { name: 'Beside Right turn' });
  await expect(comparison).toContainText(ALIKE);
  await expect(comparison.getByRole('cell', { name: 'other turn' })).toHaveCount(3);
  await expect(
    page.getByText('The same steps, counted another way: Harbour hall says & 3 1 2.'),
  ).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.getByText('In the recap of lesson 4, saved')).toBeVisible();
  await page.getByRole('link', { name: 'recap of lesson 4' }).click();
  await expect(page.getByRole('region', { name: 'As its readers see it' })).toContainText(ALIKE);
  await page.goto('/courses/hustle-1/material/level');
  await expect(page.getByRole('heading', { name: 'Hustle 1, figure beside figure' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Left turn and Cross-over' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^What leads where with what is taught by/ })).toBeVisible();
  await page.getByRole('button', { name: 'Follower' }).click();
  await expect(page.getByRole('button', { name: 'Follower' })).toHaveAttribute('aria-pressed', 'true');
});

test('a file of the studio is shown field by field before anything is written, then brought in and taken back', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Ottilie Marsh', '/files');
  const file = await page.evaluate(async () => (await fetch('/api/studio/export')).text());
  const studio = JSON.parse(file);
  studio.rooms[0].name = 'Loft by the water';
  studio.rooms.push({ id: 'boat-shed', name: 'Boat shed', length: 8, width: 5 });
  await page.getByLabel('File to import').setInputFiles({
    name: 'studio.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(studio)),
  });
  await expect(page.getByText(/^This file: new: 1 room; 1 changed; \d+ the same already/)).toBeVisible();
  await expect(page.getByText(/name from “Sail Loft” to “Loft by the water”/)).toBeVisible();
  await page.getByRole('button', { name: 'Bring it in, with the change' }).click();
  await expect(page.getByText(/^Imported: new: 1 room; 1 changed/)).toBeVisible();
  await page.getByRole('button', { name: 'Take this whole import back' }).click();
  await expect(page.getByText('Taken back: 1 removed, 1 put back.')).toBeVisible();
  const after = await page.evaluate(async () => (await fetch('/api/studio/export')).text());
  expect(after).toBe(file);
});
