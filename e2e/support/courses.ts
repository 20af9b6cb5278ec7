import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect, type Locator, type Page } from '@playwright/test';

const demo = JSON.parse(readFileSync(new URL('../../demo/tarn-street.json', import.meta.url), 'utf8')) as {
  courses: { id: string }[];
};

/** A course of its own for a journey: Hustle 1 of the demo, whatever others have done to it, and not published yet. */
export async function copyHustle(page: Page, name: string): Promise<void> {
  const id = `hustle-${randomUUID().slice(0, 8)}`;
  const course = { ...demo.courses.find(one => one.id === 'hustle-1'), id, name };
  await postTo(page, '/api/courses', { course });
  await page.goto(`/courses/${id}/map`);
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await expect(page.getByText('Left out: 4')).toBeVisible();
}

/** Writes something as whoever is signed in there does. */
export async function postTo(page: Page, path: string, body: object): Promise<void> {
  await page.evaluate(
    async sent => {
      const { csrf } = await (await fetch('/api/session')).json();
      const headers = { 'content-type': 'application/json', 'x-csrf-token': csrf };
      const reply = await fetch(sent.path, { method: 'POST', headers, body: JSON.stringify(sent.body) });
      if (!reply.ok) throw new Error(await reply.text());
    },
    { path, body },
  );
}

/** Has the level planned and takes all that is proposed. */
export async function planAndTake(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Plan (this level|lessons? )/ }).click();
  await bestIsKnown(page);
  await page.getByRole('button', { name: /^Take all \d+ moves?/ }).click();
  await expect(page.getByRole('button', { name: /^Plan (this level|lessons? )/ })).toBeEnabled();
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

/** The figure that an evening teaches as its last new one. */
export async function lastNewFigure(page: Page): Promise<string> {
  const order = page.getByRole('region', { name: 'Running order' });
  const isNew = page.getByText('new', { exact: true });
  return order.getByRole('listitem').filter({ has: isNew }).last().getByRole('heading').innerText();
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

/** A drag that is over before the page has drawn any of it: all its events in one task. */
export async function flickToLesson(page: Page, figure: string, lesson: number): Promise<void> {
  await chipOf(page, figure).evaluate((chip, nth) => {
    const bead = document.querySelectorAll('nav[aria-label="Lessons"] button')[nth - 1];
    const [from, to] = [chip.getBoundingClientRect(), bead?.getBoundingClientRect()];
    if (!to) throw new Error(`no lesson ${nth}`);
    const point = (type: string, clientX: number) =>
      document.elementFromPoint(clientX, from.y + 8)?.dispatchEvent(
        new PointerEvent(type, {
          clientX,
          clientY: from.y + 8,
          bubbles: true,
          cancelable: true,
          isPrimary: true,
        }),
      );
    const end = to.x + to.width / 2;
    point('pointerdown', from.x + 20);
    point('pointermove', (from.x + 20 + end) / 2);
    point('pointermove', end);
    point('pointerup', end);
  }, lesson);
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
