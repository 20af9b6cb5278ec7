// A term as a new house lives it: from nothing through six weeks with two classes, on days that move on.
import type { Page } from '@playwright/test';
import { bestIsKnown, lessonOf, postTo } from './support/courses.ts';
import { type MovingStudio, startMovingStudio } from './support/moving-studio.ts';
import { hearNothing } from './support/people.ts';
import { expect, test } from './support/test.ts';

const PASSWORD = 'long enough';
const WALK = { lead: 'L fwd, R fwd, L side, R close', follow: 'opposite' };
const FIGURES = [
  ['walk', 'Walk', WALK.lead],
  ['sway', 'Sway', 'L side, R close, L side, R close'],
  ['lane', 'Lane', 'L back, R back, L side, R close'],
  ['quay', 'Quay', 'L fwd, R back, L side, R close'],
  ['knot', 'Knot', 'L back, R fwd, L side, R close'],
] as const;
const MONDAYS = ['2026-03-09', '2026-03-16', '2026-03-23', '2026-03-30', '2026-04-06', '2026-04-13'];
const THURSDAYS = ['2026-03-12', '2026-03-19', '2026-03-26', '2026-04-02', '2026-04-09', '2026-04-16'];

let studio: MovingStudio;
test.beforeAll(async () => {
  studio = await startMovingStudio('2026-03-02');
});
test.afterAll(() => studio.close());

async function foundStudio(page: Page): Promise<void> {
  await page.goto(studio.address);
  await page.getByLabel('Name of the studio').fill('Quay Rooms');
  await page.getByLabel('Your name').fill('Ada');
  await page.getByLabel('E-mail').fill('ada@quay.example');
  await page.getByLabel('Password').fill(PASSWORD);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Next: a dance')).toBeVisible();
}

async function bringIn(page: Page): Promise<void> {
  const dance = {
    ...{ id: 'harbour', name: 'Harbour', roles: 'pair', beatsPerBar: 4, countCycle: 4, slow: 2, quick: 1 },
    ...{ split: 'straight', phrase: 8, tempo: [{ min: 100, max: 120 }], floor: 'free' },
    holds: [{ id: 'open', name: 'Open', contact: 'hand', rel: 180 }],
  };
  await postTo(page, '/api/entries', { kind: 'dances', entry: dance });
  await postTo(page, '/api/entries', {
    kind: 'levels',
    entry: { id: 'one', dance: 'harbour', name: 'Harbour 1', order: 1 },
  });
  for (const [id, name, lead] of FIGURES)
    await postTo(page, '/api/figures', {
      figure: {
        ...{ id, name, dance: 'harbour', kind: id === 'walk' ? 'basic' : 'pattern', level: 'one' },
        ...{ rhythm: '1 2 3 4', parts: { lead, follow: 'opposite' }, entry: ['open'], exit: 'same' },
      },
    });
  await postTo(page, '/api/figures', {
    figure: {
      ...{
        id: 'round',
        name: 'Round',
        dance: 'harbour',
        kind: 'pattern',
        level: 'one',
        rhythm: '1 2 3 4 1 2 3 4',
      },
      ...{
        parts: { lead: `${WALK.lead}, ${FIGURES[2][2]}`, follow: 'opposite' },
        entry: ['open'],
        exit: 'same',
      },
      made: [{ pattern: 'walk' }, { pattern: 'lane' }],
    },
  });
  const fixed = { arrive: 3, warmUp: 5, recall: 6, combine: 8, dance: 10, recap: 3 };
  await postTo(page, '/api/courses', {
    course: {
      ...{ id: 'harbour-1', dances: ['harbour'], level: 'one', name: 'Harbour 1', format: 'series' },
      ...{ approach: 'steps-first', lookalikes: 'together' },
      lessons: MONDAYS.map(() => ({ minutes: 60, fixed })),
      items: ['round', ...FIGURES.map(([id]) => id)].map(pattern => ({ pattern, value: 'must' })),
    },
  });
  for (const [id, dates] of [
    ['monday', MONDAYS],
    ['thursday', THURSDAYS],
  ] as const)
    await postTo(page, '/api/sections', {
      section: { id, course: 'harbour-1', start: '19:00', dates, staff: [], students: [] },
    });
}

test('a term from nothing: six weeks, two classes, evenings that nobody wrote down, and people who come back', async ({
  browser,
}) => {
  const page = await (await browser.newContext({ baseURL: studio.address })).newPage();
  await foundStudio(page);
  await bringIn(page);
  const planned = new Map<string, number>();

  await test.step('what is made of others is planned after them, and P and Shift P plan and publish', async () => {
    await page.goto('/courses/harbour-1/map');
    await expect(page.getByRole('heading', { name: 'Left out: 6', exact: true })).toBeVisible();
    await page.keyboard.press('p');
    await bestIsKnown(page);
    await page.getByRole('button', { name: /^Take all \d+ moves?/ }).click();
    await expect(page.getByText('saved', { exact: true })).toBeVisible();
    for (const [id, name] of [...FIGURES, ['round', 'Round']] as const)
      planned.set(name, await lessonOf(page, id));
    const placeOf = (name: string) => planned.get(name) ?? 0;
    expect(placeOf('Round')).toBeGreaterThanOrEqual(Math.max(placeOf('Walk'), placeOf('Lane')));
    await page.keyboard.press('Shift+P');
    await page.keyboard.press('Enter');
    await expect(page.getByText('The classes follow this plan.')).toBeVisible();
  });

  await test.step('how a turn is written is told at the field, and nothing is too quick at its own tempo', async () => {
    await page.goto('/courses/harbour-1/material/walk');
    await page.getByRole('button', { name: 'Leader, count 1: L fwd' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText(/^\+90 turns a quarter left/)).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByText(/too quick/)).toHaveCount(0);
  });

  await test.step('a name that the studio knows is offered before a new student is made', async () => {
    await page.goto('/classes/monday');
    await page.getByLabel('Leaders, one name a line').fill('Ana\nBen');
    await page.getByLabel('Followers, one name a line').fill('Cy\nDot');
    await page.getByRole('button', { name: /^Enter these 4/ }).click();
    await expect(page.getByRole('heading', { name: 'Students 4' })).toBeVisible();
    await page.goto('/classes/thursday');
    await page.getByLabel('Leaders, one name a line').fill('Ana');
    await expect(page.getByText(/has been here before/)).toBeVisible();
    await page.getByRole('button', { name: /^Enter this student/ }).click();
    await expect(page.getByRole('heading', { name: 'Students 1' })).toBeVisible();
  });

  await test.step('of two who lay out one class, each keeps what the other changed', async () => {
    const other = await page.context().newPage();
    for (const one of [page, other]) await one.goto('/classes/monday');
    await hearNothing(other);
    const save = (one: Page) => one.getByRole('button', { name: /^Save (evenings|it all)/ }).click();
    await page.getByLabel('Begins at').fill('18:30');
    await other.getByLabel('Lesson 6', { exact: true }).fill('2026-04-14');
    await save(page);
    await expect(page.getByText('saved', { exact: true })).toBeVisible();
    await save(other);
    await expect(other.getByText('saved', { exact: true })).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Begins at')).toHaveValue('18:30');
    await expect(page.getByLabel('Lesson 6', { exact: true })).toHaveValue('2026-04-14');
    await other.close();
  });

  const lesson = (room: string, query: string) => page.goto(`/courses/harbour-1/${room}?${query}`);
  const marksOf = (figure: string) => page.getByRole('group', { name: `How ${figure} went` });
  const bead = (number: number) =>
    page
      .getByRole('navigation', { name: 'Lessons' })
      .getByRole('button')
      .nth(number - 1);
  const finish = async (number: number) => {
    await page.getByRole('button', { name: `Finish lesson ${number}` }).click();
    await page.getByRole('button', { name: 'Finish and draft the recap' }).click();
    await expect(page.getByRole('heading', { name: `Lesson ${number}, taught` })).toBeVisible();
  };
  const first = /How (.*) went/;

  await test.step('week 1: what was only touched keeps its minutes, and comes back as new in the next lesson', async () => {
    await studio.goTo('2026-03-09');
    await lesson('lesson', 'class=monday&lesson=1');
    const row = page.getByRole('group', { name: first }).first();
    const name = first.exec((await row.getAttribute('aria-label')) ?? '')?.[1] ?? '';
    const before = /[\d.]+ new/.exec((await bead(1).textContent()) ?? '')?.[0] ?? 'none';
    await marksOf(name).getByRole('button', { name: 'Touched' }).click();
    await finish(1);
    expect(before).toMatch(/^[1-9]/);
    await expect(bead(1)).toContainText(before);
    await page.getByRole('button', { name: 'To lesson 2' }).click();
    await expect(marksOf(name)).toBeVisible();
  });

  await test.step('week 3: lesson 2 was never written down; lesson 3 begins all the same, and one press says it went as planned', async () => {
    await studio.goTo('2026-03-23');
    await page.goto('/');
    const waiting = page.getByRole('link', { name: /Harbour 1.*lesson 2/ });
    await expect(waiting.first()).toBeVisible();
    await page.clock.setFixedTime(new Date(2026, 2, 23, 18, 38));
    await lesson('lesson', 'class=monday&lesson=3');
    await expect(page.getByText('Nothing was written of lesson 2 (Monday 16 March)')).toBeVisible();
    // Eight minutes late.
    await page.getByRole('button', { name: 'Start the evening' }).click();
    await expect(page.getByText(/it ends at 19:38/)).toBeVisible();
    await page.getByRole('button', { name: 'Begin the clock anew' }).click();
    await page.getByRole('button', { name: 'It went as planned' }).click();
    await expect(page.getByText(/^Nothing was written of lesson 2/)).toHaveCount(0);
    for (const row of await page.getByRole('group', { name: first }).all())
      await row.getByRole('button', { name: 'Solid' }).click();
    await finish(3);
  });

  await test.step('a class of which something was written is not taken away; an evening is called off, and says what that moves', async () => {
    await page.goto('/classes/monday');
    await expect(page.getByRole('heading', { name: 'Students 4' })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Take this class away/ })).toHaveCount(0);
    await page.goto('/classes/thursday?part=off');
    await page.getByLabel('Why, as students may read it').fill('The hall is wet');
    await page.getByRole('button', { name: 'Call it off' }).click();
    await expect(page.getByText(/called off|The hall is wet/).first()).toBeVisible();
  });

  await test.step('a holiday says which evenings it meets', async () => {
    await page.goto('/studio?part=holidays');
    await page.getByLabel('From').fill('2026-04-06');
    await page.getByLabel(/^To/).fill('2026-04-06');
    await expect(page.getByText(/Harbour 1, Monday/)).toBeVisible();
  });

  await test.step('half-way the check asks what this class has had, and no more', async () => {
    await studio.goTo('2026-03-30');
    await lesson('check', 'class=monday');
    await page.getByRole('button', { name: 'Make the half-way check' }).click();
    const asked = page.getByRole('grid').getByRole('columnheader');
    await expect(asked.first()).toBeVisible();
    const had = [...planned].filter(([, at]) => at <= 3).map(([name]) => name);
    expect((await asked.allTextContents()).slice(1).sort()).toEqual(had.sort());
  });

  await test.step('the final check asks all that the class will have had by its own plan', async () => {
    await studio.goTo('2026-04-13');
    await lesson('check', 'class=monday');
    await page.getByRole('button', { name: 'One more check' }).click();
    await page.getByRole('button', { name: 'Make the final check' }).click();
    const asked = page.getByRole('grid').getByRole('columnheader');
    await expect(asked).toHaveCount(planned.size + 1);
    // Two of four are marked: one passes all, one nothing.
    for (const mark of ['2', '0'])
      for (let figure = 0; figure < planned.size; figure += 1) await page.keyboard.press(mark);
    await expect(page.getByText('saved', { exact: true })).toBeVisible();
    await page.getByText('The class', { exact: true }).click();
    // Whom nobody marked is left out of what the level did not teach.
    await expect(page.getByText(/: 0 of 2 passed, planned in lesson/)).toHaveCount(planned.size);
  });

  await test.step('a student is found from anywhere, with both classes and the check', async () => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Find' }).waitFor();
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Go to anything' }).fill('Ana');
    await page.getByRole('option', { name: /Ana/ }).first().click();
    await expect(page.getByRole('heading', { level: 1, name: 'Ana' })).toBeVisible();
    await expect(page.getByRole('link', { name: /Harbour 1/ })).toHaveCount(3);
  });
});
