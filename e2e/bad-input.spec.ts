import { hearNothing, openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

test('a broken and a foreign file are told with the place, and nothing changes', async ({ browser }) => {
  const page = await openAs(browser, 'Ottilie Marsh', '/files');
  const choose = (content: string) =>
    page
      .getByLabel('File to import')
      .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  await choose('{"format": "mapstep/1", ');
  await expect(page.getByRole('alert')).toContainText('character 24 (line 1, column 25)');
  await choose('{"name": "another program"}');
  await expect(page.getByRole('alert')).toContainText('/format');
  await page.getByRole('link', { name: 'Programme' }).click();
  await expect(
    page.getByRole('region', { name: 'Courses' }).getByRole('link', { name: 'Hustle 1', exact: true }),
  ).toBeVisible();
});

test('a page and a link that are not there say so and lead on', async ({ browser }) => {
  const page = await openAs(browser, 'Bram Okoro', '/nowhere');
  await expect(page.getByRole('heading', { name: 'There is no page at this address' })).toBeVisible();
  await page.getByRole('link', { name: 'Go to the programme' }).click();
  await expect(page.getByRole('heading', { name: 'Programme' })).toBeVisible();
  await page.goto('/courses/no-such/map');
  await expect(page.getByRole('alert')).toContainText('There is no course "no-such"');
  await page.goto('/r/never-was');
  await expect(page.getByRole('alert')).toContainText('Ask your teacher for a new one');
});

test('two people on one recap: the second save shows both texts and overwrites nothing', async ({
  browser,
}) => {
  const path = '/courses/hustle-1/recap?lesson=2&class=hustle-1-thursday';
  const suki = await openAs(browser, 'Suki Larch', path);
  const ottilie = await openAs(browser, 'Ottilie Marsh', path);
  await hearNothing(ottilie);
  const field = (page: typeof suki) => page.getByRole('textbox', { name: 'Text', exact: true });
  await expect(field(ottilie)).toBeVisible();
  await field(suki).fill('By Suki');
  await expect(suki.getByText('saved', { exact: true })).toBeVisible();
  await field(ottilie).fill('By Ottilie');
  const alert = ottilie.getByRole('alert');
  await expect(alert).toContainText('By Suki');
  await expect(field(ottilie)).toHaveText('By Ottilie');
  await alert.getByText(/^Mine:/).click();
  await alert.getByRole('button', { name: 'Take these' }).click();
  await expect(ottilie.getByText('saved', { exact: true })).toBeVisible();
  await suki.reload();
  await expect(field(suki)).toHaveText('By Ottilie');
});

test('two directors move one figure: both places are shown, and one is chosen', async ({ browser }) => {
  const [one, two] = [
    await openAs(browser, 'Ottilie Marsh', '/courses/hustle-1/map'),
    await openAs(browser, 'Ottilie Marsh', '/courses/hustle-1/map'),
  ];
  await hearNothing(two);
  const chip = (page: typeof one) => page.getByRole('button', { name: /^Wrap,/ });
  await chip(two).focus();
  await chip(one).focus();
  await one.keyboard.press('ArrowRight');
  await expect(one.getByText('saved', { exact: true })).toBeVisible();
  await two.keyboard.press('ArrowLeft');
  const clash = two.getByRole('alert').filter({ hasText: 'Somebody else changed this before you' });
  await expect(clash).toContainText(/Wrap.*Theirs: lesson.*Mine: lesson/);
  // Other moves go on meanwhile, and the question stays.
  await two.getByRole('button', { name: /^Wrap and unwrap,/ }).focus();
  await two.keyboard.press('ArrowLeft');
  await two.keyboard.press('ArrowRight');
  await expect(two.getByText('saved', { exact: true })).toBeVisible();
  await expect(clash).toContainText(/Wrap.*Theirs: lesson.*Mine: lesson/);
  await two.getByRole('button', { name: 'Take these' }).click();
  await expect(clash).toHaveCount(0);
  await expect(chip(two)).toHaveAttribute('aria-label', (await chip(one).getAttribute('aria-label')) ?? '');
});

test('a server that is away is told, and the page recovers by itself', async ({ browser }) => {
  const page = await openAs(browser, 'Bram Okoro');
  await page.context().route('**/api/courses?*', route => route.abort());
  await page.reload();
  const courses = page.getByRole('region', { name: 'Courses' });
  await expect(courses.getByRole('status', { name: 'Loading' }).or(courses.getByRole('alert'))).toBeVisible();
  await page.context().unroute('**/api/courses?*');
  await expect(
    page.getByRole('region', { name: 'Courses' }).getByRole('link', { name: 'Hustle 1', exact: true }),
  ).toBeVisible();
});
