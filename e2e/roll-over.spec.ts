// A term follows a term: the course of autumn is held once more, who comes back is entered, somebody new stands at the door.
import { bestIsKnown } from './support/courses.ts';
import { countedKeys } from './support/keys.ts';
import { type MovingStudio, startMovingStudio } from './support/moving-studio.ts';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

let studio: MovingStudio;
test.beforeAll(async () => {
  studio = await startMovingStudio('2026-03-09', 'demo');
});
test.afterAll(() => studio.close());

test('by keys the autumn course becomes the next one: its minutes, its plan, its class, and who comes back', async ({
  browser,
}) => {
  test.slow();
  const at = { baseURL: studio.address };
  const page = await openAs(browser, 'Ottilie Marsh', '/studio?part=holidays', 'day', at);
  const keys = countedKeys(page);
  await page.getByLabel('Holiday', { exact: true }).fill('Harbour day');
  await page.getByLabel('From').fill('2026-05-04');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('cell', { name: 'Harbour day', exact: true })).toBeVisible();

  await page.goto('/courses/hustle-1-autumn/next');
  const wrap = page.getByText(/^Wrap and unwrap: [\d.]+ min for putting it together instead of/);
  await expect(wrap).toBeVisible();
  const make = page.getByRole('button', { name: /^Make it with these \d+ changes$/ });
  await keys.tabTo(page.getByRole('checkbox', { name: /^Side basic/ }));
  await keys.press('Space');
  await keys.tabTo(make);
  await keys.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'Hustle 1, autumn, next term' })).toBeVisible();
  const [, course = ''] = /courses\/([^/]+)\/map/.exec(page.url()) ?? [];

  await keys.press('p');
  await bestIsKnown(page);
  await keys.tabTo(page.getByRole('button', { name: /^Take all \d+ moves?/ }));
  await keys.press('Enter');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await keys.press('Shift+P');
  await expect(page.getByLabel('Name of this version')).toBeFocused();
  await keys.press('Enter');
  await expect(page.getByText('Not published yet')).toBeHidden();

  await page.goto(`/classes/new?course=${course}`);
  await expect(page.getByLabel('Begins at')).toBeFocused();
  await keys.tabTo(page.getByLabel('Weekly from'));
  await keys.type('04132026');
  await expect(page.getByLabel('Lesson 4', { exact: true })).toHaveValue('2026-05-11');
  await expect(page.getByRole('button', { name: /^Make this class/ })).toBeEnabled();
  await keys.press('Enter');
  const coming = page
    .getByRole('region', { name: 'Who comes back' })
    .getByRole('button', { name: /^Enter [A-Z]/ });
  await keys.tabTo(coming.first());
  const first = (await coming.first().getAttribute('aria-label'))?.replace('Enter ', '') ?? '';
  const cells = page.getByRole('table').getByRole('link');
  for (let entered = 1; entered <= 6; entered += 1) {
    await keys.press('Enter');
    await expect(cells).toHaveCount(entered);
    await expect(coming.first()).toBeFocused();
  }
  const [, section = ''] = /classes\/([^/?]+)/.exec(page.url()) ?? [];

  await test.step('in the first lesson somebody new is entered with a name and a role', async () => {
    await studio.goTo('2026-04-13');
    await page.goto(`/courses/${course}/lesson?class=${section}`);
    await page.getByRole('button', { name: /of 6 here/ }).click();
    await page.getByRole('button', { name: 'Somebody else is here' }).click();
    await page.getByRole('textbox', { name: 'Name' }).fill('Ida Wolke');
    await page.getByRole('button', { name: 'Leader', exact: true }).click();
    await expect(page.getByRole('button', { name: /1 of 7 here/ })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Ida Wolke/, pressed: true })).toBeVisible();
  });

  await test.step('the page of who came back shows both terms', async () => {
    await page.goto(`/classes/${section}`);
    await page.getByRole('link', { name: first }).click();
    await expect(page.getByRole('heading', { level: 1, name: first })).toBeVisible();
    const classes = page.getByRole('region', { name: 'Classes' }).getByRole('heading', { level: 3 });
    await expect(classes).toHaveCount(2);
    await expect(classes.first()).toContainText('Hustle 1, autumn, next term');
    await expect(page.getByText(/^(Nearly ready|Takes the level again)\./).first()).toBeVisible();
  });

  await test.step('next term is laid out, moved by hand, and becomes courses and classes', async () => {
    await page.goto('/next-term');
    await page.getByRole('button', { name: 'Lay out the timetable' }).click();
    await expect(page.getByText(/classes have a place/)).toBeVisible();
    const begin = page.getByLabel(/^Begin of Hustle 2/).first();
    const was = await begin.inputValue();
    await begin.fill('03:00');
    await expect(page.getByText('What this breaks')).toBeVisible();
    await begin.fill(was);
    await expect(page.getByText('What this breaks')).toBeHidden();
    await page.getByLabel('Begins in the week of').fill('2026-06-01');
    await page.getByLabel('What the term is called').fill('summer');
    await page.getByRole('button', { name: /^Make these \d+ classes$/ }).click();
    const made = page.getByRole('status').filter({ hasText: 'classes made' });
    await made.getByRole('link', { name: /^Hustle 2, summer/ }).click();
    await expect(page.getByLabel('Lesson 1', { exact: true })).toHaveValue(/^2026-06-0/);
    await expect(page.getByRole('region', { name: 'Who comes back' })).toBeVisible();
  });
});
