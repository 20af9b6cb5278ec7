import { chipOf, dragToLesson, lastNewFigure, lessonOf, planAndTake } from './support/courses.ts';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

test('a level is planned, a lesson taught and logged, the recap read through its link', async ({
  browser,
}) => {
  const director = await openAs(browser, 'Ottilie Marsh');
  await test.step('the director has the rest of Hustle 1 planned: what is over stands, no lesson is too full', async () => {
    await director
      .getByRole('region', { name: 'Courses' })
      .getByRole('link', { name: 'Hustle 1', exact: true })
      .click();
    await expect(director.getByText('Left out: 4')).toBeVisible();
    await planAndTake(director);
    expect(await lessonOf(director, 'hand-change')).toBe(4);
    await expect(director.getByText('No rule is broken')).toBeVisible();
    const profile = director.getByRole('region', { name: 'Minutes of each lesson' });
    await expect(profile.getByText(/min free/)).toHaveCount(8);
    await expect(profile.getByText(/min over/)).toHaveCount(0);
  });

  await test.step('a figure moved before its need is named, and undone', async () => {
    const wrap = chipOf(director, 'wrap');
    const before = await lessonOf(director, 'wrap');
    await wrap.focus();
    for (let lesson = before; lesson < 7; lesson += 1) {
      await director.keyboard.press('ArrowRight');
      await expect.poll(() => lessonOf(director, 'wrap')).toBe(lesson + 1);
      await expect(wrap).toBeFocused();
    }
    await expect(
      director.getByRole('alert').getByText(/Unwrap needs Wrap, which comes in lesson/),
    ).toBeVisible();
    for (let lesson = 7; lesson > before; lesson -= 1) {
      await expect(director.getByRole('button', { name: 'Undo' })).toBeEnabled();
      await director.keyboard.press('Control+z');
      await expect.poll(() => lessonOf(director, 'wrap')).toBe(lesson - 1);
    }
    // What is over stays where it was.
    await chipOf(director, 'hand-change').focus();
    await director.keyboard.press('ArrowRight');
    expect(await lessonOf(director, 'hand-change')).toBe(4);
    await expect(director.getByRole('alert')).toHaveCount(0);
  });

  await test.step('a drag to another lesson does the same, and the plan is published', async () => {
    const lesson = await lessonOf(director, 'leaders-turn');
    await dragToLesson(director, 'leaders-turn', lesson === 5 ? 6 : 5);
    await expect(director.getByRole('button', { name: 'Undo' })).toBeEnabled();
    await director.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => lessonOf(director, 'leaders-turn')).toBe(lesson);
    await director.getByRole('button', { name: 'Publish this plan' }).click();
    await director.getByRole('button', { name: 'Publish to the staff' }).click();
    await expect(director.getByText('The classes follow this plan.')).toBeVisible();
  });

  const teacher = await openAs(browser, 'Bram Okoro');
  let missed = '';
  await test.step('the Monday teacher runs lesson 5 and finishes it with one figure not reached', async () => {
    await teacher.getByRole('link', { name: 'Hustle 1, lesson 5 of 8' }).click();
    await expect(teacher.getByRole('heading', { name: 'Lesson 5 of 8' })).toBeVisible();
    // What the recall has no time for stands below the running order, and is not asked.
    const order = teacher.getByRole('region', { name: 'Running order' });
    const groups = order.getByRole('group', { name: /^How / });
    const count = await groups.count();
    expect(count).toBeGreaterThan(3);
    const names = await groups.evaluateAll(all => all.map(group => group.getAttribute('aria-label') ?? ''));
    missed = await lastNewFigure(teacher);
    for (const name of names) {
      const word = name === `How ${missed} went` ? 'Not reached' : 'Solid';
      const button = teacher.getByRole('group', { name, exact: true }).getByRole('button', { name: word });
      await button.click();
      await expect(button).toHaveAttribute('aria-pressed', 'true');
    }
    await expect(teacher.getByText(`${count} of ${count} marked, saved`)).toBeVisible();
    await teacher.getByRole('button', { name: 'Finish lesson 5' }).click();
    await teacher.getByRole('button', { name: 'Finish and draft the recap' }).click();
    await expect(teacher.getByRole('heading', { name: 'Lesson 5, taught' })).toBeVisible();
  });

  await test.step('what was not reached is carried into lesson 6', async () => {
    await expect(teacher.getByText(`${missed} goes to lesson 6`)).toBeVisible();
    await teacher.getByRole('button', { name: 'To lesson 6' }).click();
    await expect(teacher.getByRole('complementary', { name: 'This lesson' })).toContainText(
      'not reached last time',
    );
    await expect(teacher.getByRole('list').getByRole('heading', { name: missed, exact: true })).toBeVisible();
  });

  await test.step('the recap is corrected, published, and read signed out', async () => {
    await teacher.keyboard.press('5');
    await teacher.getByRole('button', { name: 'Recap of lesson 5' }).click();
    const text = teacher.getByRole('textbox', { name: 'Text' });
    await text.click();
    await teacher.keyboard.press('Control+End');
    await teacher.keyboard.press('Enter');
    await teacher.keyboard.type('Bring water.');
    await expect(teacher.getByText('saved', { exact: true })).toBeVisible();
    await teacher.getByRole('button', { name: 'Publish this recap' }).click();
    const link = await teacher.getByRole('textbox', { name: 'Link' }).inputValue();
    const student = await (await browser.newContext()).newPage();
    await student.goto(link);
    await expect(student.getByRole('heading', { name: 'Hustle 1, lesson 5 of 8' })).toBeVisible();
    await expect(student.getByText('Bring water.')).toBeVisible();
    await expect(student.getByRole('button', { name: 'Sign out' })).toHaveCount(0);
  });

  await test.step('who was away reads what they missed, in words that a screen reader reads out', async () => {
    await teacher.getByRole('button', { name: 'Make a link for Jory W' }).click();
    const given = teacher.getByRole('status').filter({ hasText: 'A link for Jory W' });
    const link = await given.getByRole('textbox', { name: 'Link' }).inputValue();
    const away = await (await browser.newContext()).newPage();
    await away.goto(link);
    await expect(away.getByRole('main')).toMatchAriaSnapshot(`
      - 'heading "Hustle 1: what you missed" [level=1]'
      - heading "Left turn" [level=2]
      - paragraph:
        - text: Begins in
        - strong: One hand
        - text: or
        - strong: Two hands
        - text: ", ends in"
        - strong: One hand
        - text: . Counted
        - strong: "& 1 2 3"
        - text: ", 3 beats."
      - paragraph:
        - strong: "Leader:"
        - text: /& left back, on the ball · 1 right replace · 2 left diagonally forward/
      - paragraph:
        - strong: "Follower:"
        - text: /& right back, on the ball · 1 left forward/
      - paragraph: /Tell it from .* the hand goes up and across on count 1/
      - paragraph: /Usual fault. the follower is pulled round/
      - heading "Take care" [level=2]
      - paragraph:
        - strong: Left turn.
        - text: /Arm turns. no arm goes behind the line/
    `);
    await expect(away.getByRole('img', { name: /Left turn/ })).toBeVisible();
  });
});
