import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { startDemoServer } from '../scripts/demo-server.mjs';
import { openAs } from './support/people.ts';
import { expectSound } from './support/sound.ts';
import { expect, test } from './support/test.ts';
import { DIRECTORS_VIEWS, VIEWS } from './support/views.ts';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const EVENING = ['An evening to come', '/courses/hustle-1/lesson?lesson=5'] as const;
const OVER = ['An evening that is over', '/courses/hustle-1/lesson?lesson=4'] as const;
const BUTTONS = 'main button:enabled:visible, main summary:visible';
const softly = expect.configure({ soft: true });
/** Of one kind are buttons whose words begin alike, on whichever view. */
const MOST_KINDS = 40;

/** What reaches past the edge of the page with nothing around it that scrolls, and what has no name. */
function faultsAtThisWidth(): string[] {
  const edge = document.documentElement.clientWidth;
  const isInScrolled = (element: Element) => {
    for (let at = element.parentElement; at; at = at.parentElement)
      if (getComputedStyle(at).overflowX !== 'visible' && at.getBoundingClientRect().right <= edge + 1)
        return true;
    return false;
  };
  const nameOf = (element: Element) =>
    (
      element.getAttribute('aria-label') ??
      element.getAttribute('aria-labelledby') ??
      element.textContent ??
      ''
    )
      .trim()
      .slice(0, 40);
  const faults: string[] = [];
  for (const element of document.querySelectorAll('body *:not(svg *, .spoken)')) {
    const { width, height, right } = element.getBoundingClientRect();
    if (width === 0 || height === 0 || right <= edge + 1) continue;
    if (getComputedStyle(element).position !== 'fixed' && !isInScrolled(element))
      faults.push(`${element.tagName} “${nameOf(element)}” ends at ${Math.round(right)} of ${edge}`);
  }
  for (const control of document.querySelectorAll('button, a, [role=button], [role=tab]'))
    if (control.checkVisibility() && nameOf(control) === '') faults.push(`${control.outerHTML} has no name`);
  return faults.slice(0, 3);
}

/** Presses one button of each kind that is not pressed yet; says after which the focus was nowhere. */
async function pressAll(page: Page, path: string, pressed: Set<string>): Promise<readonly string[]> {
  const lost: string[] = [];
  const hasFocus = () => page.evaluate(() => document.activeElement !== document.body);
  let last = '';
  const keepsFocus = () =>
    expect
      .poll(hasFocus, { timeout: 3000 })
      .toBe(true)
      .catch(() => lost.push(last));
  for (let count = 0; count < MOST_KINDS; count += 1) {
    // What came in since then may have taken it away.
    if (last !== '') await keepsFocus();
    if (!page.url().endsWith(path) || lost.length > 0) await open(page, path);
    const words = await page
      .locator(BUTTONS)
      .evaluateAll(all => all.map(one => (one.getAttribute('aria-label') ?? one.textContent ?? '').trim()));
    const kinds = words.map(word => word.replaceAll(/\d+/g, '#').split(' ').slice(0, 2).join(' '));
    const index = kinds.findIndex(kind => !pressed.has(kind));
    if (index < 0) break;
    last = words[index] ?? '';
    pressed.add(kinds[index] ?? '');
    await page.locator(BUTTONS).nth(index).press('Enter');
    await keepsFocus();
    // What opens over the page has the focus, and gives it back.
    if (!(await page.locator('[role=dialog], [role=alertdialog], [role=listbox]').isVisible())) continue;
    await page.keyboard.press('Escape');
    await keepsFocus();
  }
  return [...new Set(lost)];
}

async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await expect(page.getByRole('main')).toBeVisible();
  await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
}

for (const [whose, views] of [
  ['everybody', [...VIEWS, EVENING, OVER]],
  ['the director', DIRECTORS_VIEWS],
] as const)
  test(`views of ${whose}: sound by day and in the dim; at three widths nothing reaches past the edge and each control has a name; no button loses the focus`, async ({
    browser,
  }) => {
    test.setTimeout(900_000);
    const server = await startDemoServer(ROOT, '2026-03-09');
    try {
      const pressed = new Set<string>();
      const page = await openAs(browser, 'Ottilie Marsh', '/', 'dim', { baseURL: server.address });
      for (const [name, path] of views)
        await test.step(name, async () => {
          await open(page, path);
          await expectSound(page);
          await page.getByRole('button', { name: /^(Day|Dim)$/ }).click();
          await expectSound(page, ['color-contrast']);
          for (const width of [390, 820, 1280]) {
            await page.setViewportSize({ width, height: 844 });
            // What moves to its new place gets there first.
            await softly
              .poll(() => page.evaluate(faultsAtThisWidth), { message: `${name} at ${width}`, timeout: 3000 })
              .toEqual([]);
          }
          softly(await pressAll(page, path, pressed), `${name}: the focus was lost after`).toEqual([]);
        });
    } finally {
      await server.stop();
    }
  });
