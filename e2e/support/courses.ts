import { expect, type Locator, type Page } from '@playwright/test';

/** A course of its own for a journey: Hustle 1 copied, with the plan on paper and not published yet. */
export async function copyHustle(page: Page, name: string): Promise<void> {
  await page.goto('/courses/hustle-1/settings');
  await page.getByLabel('Name of the new course').fill(name);
  await page.getByRole('button', { name: 'Copy it' }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await expect(page.getByText('Left out: 5')).toBeVisible();
}

/** Has the level planned and takes all that is proposed. */
export async function planAndTake(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Plan this level' }).click();
  await bestIsKnown(page);
  await page.getByRole('button', { name: /^Take all \d+ moves?/ }).click();
  await expect(page.getByRole('button', { name: 'Plan this level' })).toBeEnabled();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
}

/** Until the planner knows how good its plan is: the first ones it shows may still leave something out. */
export async function bestIsKnown(page: Page): Promise<void> {
  await expect(page.getByText(/of the best possible|No better plan exists\./)).toBeVisible({
    timeout: 120_000,
  });
}

/** The figure's chip on the map; its label tells the lesson. */
export function chipOf(page: Page, figure: string): Locator {
  return page.locator(`[data-figure="${figure}"]`);
}

export async function lessonOf(page: Page, figure: string): Promise<number> {
  const label = (await chipOf(page, figure).getAttribute('aria-label')) ?? '';
  return Number(/lesson (\d+)/.exec(label)?.[1] ?? 0);
}

/** Drags a figure's chip into the column of a lesson. */
export async function dragToLesson(page: Page, figure: string, lesson: number): Promise<void> {
  const chip = chipOf(page, figure);
  await chip.scrollIntoViewIfNeeded();
  const bead = page
    .getByRole('navigation', { name: 'Lessons' })
    .getByRole('button')
    .nth(lesson - 1);
  const [from, to] = [await chip.boundingBox(), await bead.boundingBox()];
  if (!from || !to) throw new Error('nothing to drag');
  await page.mouse.move(from.x + 20, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, from.y + 8, { steps: 8 });
  await page.mouse.up();
  await expect(chip).toHaveAttribute('aria-label', new RegExp(`, lesson ${lesson}\\b`));
}

const MOST_TABS = 250;

/** Presses Tab until something has the focus, as a person without a mouse does. */
export async function tabTo(page: Page, target: Locator): Promise<void> {
  await expect(target).toBeVisible();
  for (let presses = 0; presses < MOST_TABS; presses += 1) {
    if (await target.evaluate(element => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`${target} is not reached by Tab`);
}
