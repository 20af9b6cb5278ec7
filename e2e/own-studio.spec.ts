// From nothing: a studio of one's own on a server without the demo, and the people who come into it.

import { bestIsKnown } from './support/courses.ts';
import { countedKeys } from './support/keys.ts';
import { expect, test } from './support/test.ts';

test.use({ baseURL: process.env.MAPSTEP_EMPTY_URL ?? 'http://127.0.0.1:4171' });
test.describe.configure({ mode: 'serial' });

const PASSWORD = 'long enough';
const FIGURES = [
  ['Walk', 'SS', 'f,f'],
  ['Sway', 'SSQQ', 's,c,s,c'],
  ['Lane', 'SSQQ', 'f,f,s,c'],
  ['Quay', 'SSQQ', 'b,b,s,c'],
  ['Mole', 'SQQ', 'f,s,c'],
  ['Buoy', 'SQQ', 'b,s,c'],
  ['Ebb', 'QQS', 's,c,s'],
  ['Tide', 'QQSS', 's,c,f,f'],
  ['Reef', 'SSSS', 'f,f,b,b'],
  ['Knot', 'SSQQ', 'f,b,s,c'],
] as const;
const NAMES = ['Ana', 'Ben', 'Cy', 'Dot', 'Eli', 'Fay'];

test('with keys alone, from an empty studio to a published course of six lessons and a class of twelve', async ({
  page,
}) => {
  const keys = countedKeys(page);
  const focus = page.locator(':focus');
  await page.goto('/');
  await expect(page.getByLabel('Name of the studio')).toBeFocused();
  await keys.type('Quay Rooms');
  await keys.press('Tab');
  await keys.type('Ada');
  await keys.press('Tab');
  await keys.type('ada@quay.example');
  await keys.press('Tab');
  await keys.type(PASSWORD);
  await keys.press('Enter');
  await expect(focus).toHaveText('Next: a dance');
  keys.part('the studio');

  await keys.press('Enter');
  await expect(page.getByLabel('What the house calls it')).toBeFocused();
  await keys.type('Harbour');
  await keys.press('Tab');
  await keys.press('ArrowDown', 3);
  await expect(page.getByRole('radio', { name: /Slows and quicks/ })).toBeChecked();
  await keys.press('Enter');
  await expect(page.getByLabel('Its first level')).toBeFocused();
  keys.part('a dance');

  await keys.press('Enter');
  await expect(focus).toHaveText('Next: first figures');
  keys.part('a level');

  await keys.press('Enter');
  for (const [index, [name, rhythm, steps]] of FIGURES.entries()) {
    await expect(page.getByLabel('Figure', { exact: true })).toHaveValue('');
    await expect(page.getByLabel('Figure', { exact: true })).toBeFocused();
    await keys.type(name);
    await keys.press('Tab');
    await keys.type(rhythm);
    await keys.press('Tab');
    await keys.type(steps);
    await keys.press('Enter');
    await expect(page.getByRole('cell', { name, exact: true })).toBeVisible();
    await expect(page.getByRole('row')).toHaveCount(index + 2);
  }
  keys.part('ten figures');

  await keys.press('Shift+Tab');
  await keys.tabTo(page.getByRole('link', { name: 'Next: a course' }));
  await keys.press('Enter');
  await expect(page.getByLabel('What the course is called')).toBeFocused();
  await keys.press('Tab');
  await keys.type('6');
  await keys.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Harbour 1' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Left out: 10', exact: true })).toBeVisible();
  keys.part('a course of six lessons');

  await keys.press('p');
  await bestIsKnown(page);
  await keys.tabTo(page.getByRole('button', { name: /^Take all \d+ moves?/ }));
  await keys.press('Enter');
  await expect(page.getByRole('button', { name: 'Plan this level' })).toBeEnabled();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await keys.press('Shift+P');
  await expect(page.getByLabel('Name of this version')).toBeFocused();
  await keys.press('Enter');
  await expect(focus).toHaveText('Next: a class that takes it');
  keys.part('its plan, published');

  await keys.press('Enter');
  await expect(page.getByLabel('Begins at')).toBeFocused();
  await keys.tabTo(page.getByLabel('Weekly from'));
  await keys.type('04132026');
  await expect(page.getByLabel('Lesson 6', { exact: true })).toHaveValue('2026-05-18');
  await expect(page.getByRole('button', { name: 'Make this class' })).toBeEnabled();
  await keys.press('Enter');
  await expect(page.getByLabel('Leaders, one name a line')).toBeFocused();
  keys.part('a class');

  await keys.type(NAMES.join('\n'));
  await keys.press('Tab');
  await keys.type(NAMES.map(name => `${name} K`).join('\n'));
  await keys.press('Tab');
  await keys.press('Enter');
  await expect(page.getByRole('cell', { name: 'Fay K', exact: true })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Students 12' })).toBeVisible();
  keys.part('twelve students');

  await keys.press('g');
  await keys.press('p');
  await expect(page.getByRole('link', { name: 'Monday 19:00' })).toBeVisible();
  await expect(page.getByText('6 lessons, 10 figures', { exact: true })).toBeVisible();
  console.log(`${keys.told()}\naltogether: ${keys.all()} presses`);
  expect(keys.all()).toBeLessThanOrEqual(1000);
});

test('a teacher comes in by a link, sees what is theirs, logs a lesson, and is out when the account ends', async ({
  browser,
  baseURL,
}) => {
  const open = async () => (await browser.newContext({ baseURL: baseURL ?? '' })).newPage();
  const ada = await open();
  await ada.goto('/people');
  await ada.getByLabel('E-mail').fill('ada@quay.example');
  await ada.getByLabel('Password').fill(PASSWORD);
  await ada.getByRole('button', { name: 'Sign in' }).click();
  await ada.getByLabel('Add somebody').fill('Bea Quill');
  await ada.getByRole('button', { name: 'Add', exact: true }).click();
  const row = ada.getByRole('listitem').filter({ hasText: 'Bea Quill' });
  await row.getByRole('button', { name: 'Make a link to come in by' }).click();
  const link = await row.getByLabel('Link').inputValue();

  // A class of hers, one evening of which is tonight.
  await ada.goto('/');
  await ada.getByRole('link', { name: 'Evenings, staff, students' }).click();
  await ada.getByLabel('Lesson 1', { exact: true }).fill('2026-03-09');
  await ada.getByRole('combobox', { name: 'Add to the staff' }).click();
  await ada.getByRole('option', { name: 'Bea Quill, teacher' }).click();
  await ada.getByRole('button', { name: 'Add', exact: true }).click();
  await ada.getByRole('button', { name: 'Save evenings, room and staff' }).click();
  await expect(ada.getByText('saved', { exact: true })).toBeVisible();

  const bea = await open();
  await bea.goto(link);
  await expect(bea.getByRole('heading', { name: 'Welcome to Quay Rooms, Bea Quill' })).toBeVisible();
  await bea.getByLabel('Your e-mail, to sign in with').fill('bea@quay.example');
  await bea.getByLabel('A password, at least 10 characters').fill('another long one');
  await bea.getByRole('button', { name: 'Come in' }).click();
  await expect(bea.getByRole('region', { name: 'Tonight' })).toContainText('yours');
  await expect(bea.getByRole('link', { name: 'Studio', exact: true })).toHaveCount(0);
  const refused = await bea.evaluate(async () => (await fetch('/api/people/accounts')).status);
  expect(refused).toBe(403);

  await bea.getByRole('link', { name: 'Harbour 1, lesson 1 of 6' }).click();
  await bea.getByRole('button', { name: /solid/i }).first().click();
  await expect(ada.getByRole('link', { name: 'Programme' })).toBeVisible();
  await expect
    .poll(async () =>
      bea.evaluate(async () => {
        const { classes } = await (await fetch('/api/today')).json();
        return (await (await fetch(`/api/sections/${classes[0].id}`)).json()).logs.length;
      }),
    )
    .toBe(1);

  await ada.goto('/people');
  await row.getByRole('button', { name: 'End the account' }).click();
  await expect(row.getByText('cannot come in yet')).toBeVisible();
  expect(await bea.evaluate(async () => (await fetch('/api/courses')).status)).toBe(401);
  await bea.goto('/');
  await expect(bea.getByRole('button', { name: 'Sign in' })).toBeVisible();
  const kept = await ada.evaluate(async () => {
    const { classes } = await (await fetch('/api/today')).json();
    return (await (await fetch(`/api/sections/${classes[0].id}`)).json()).logs;
  });
  expect(kept).toHaveLength(1);
  expect(kept[0].result).toBe('solid');
});
