// `npm run bench -- map`: a move on a map of 60 figures and 12 lessons, in the core and in Chromium, while the
// planner looks for better plans behind it; and how smooth the page is then. Prints milliseconds.
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  buildPlanProblem,
  type Course,
  createPlanSearch,
  judgePlan,
  openLibrary,
  type StudioDocument,
} from '@map-step/core';
import type { Page } from '@playwright/test';
import { orFew } from '../small.mjs';
import { withBigCourse } from './big-course.ts';
import { percentile } from './load.ts';
import { gapsBetweenFrames, openMeasuredPage, type Seen, takeSeen } from './measured-page.ts';
import { watchStolenTime } from './stolen-time.ts';
import { type WorkedTimes, watchTaskTimes } from './task-times.ts';

const ITEMS = 60;
const LESSONS = 12;
const MOVES = orFew(60, 4);
const FRAMES = orFew(240, 20);
/** How long the planner goes on behind the page, and how long before its first plan is taken. */
const [BEHIND_MS, BEFORE_MS] = [orFew(35_000, 500), orFew(5000, 500)];
const root = fileURLToPath(new URL('../..', import.meta.url));

export async function benchMap(): Promise<void> {
  const demo = JSON.parse(readFileSync(join(root, 'demo/tarn-street.json'), 'utf8')) as StudioDocument;
  const studio = withBigCourse(demo, ITEMS, LESSONS);
  inCore(studio);
  const file = join(mkdtempSync(join(tmpdir(), 'map-step-')), 'big.json');
  writeFileSync(file, JSON.stringify(studio));
  await inBrowser(file);
}

function inCore(studio: StudioDocument): void {
  const course = studio.courses?.find(({ id }) => id === 'big') as Course;
  const built = buildPlanProblem(openLibrary(studio), course);
  if (!built.ok) throw new Error(built.fault.join('; '));
  const search = createPlanSearch(built.value, 1);
  search.run(50_000);
  const { placed, ahead } = search.best();
  const ids = Object.keys(placed);
  const times = Array.from({ length: 2000 }, (_, index) => {
    const id = ids[index % ids.length] as string;
    const begun = performance.now();
    judgePlan(built.value, { ...placed, [id]: 1 + (index % (LESSONS - 1)) }, ahead);
    return performance.now() - begun;
  });
  say('all rules and minutes of a move rechecked in core, p95', percentile(times.slice(200), 95));
}

async function inBrowser(file: string): Promise<void> {
  const { page, close } = await openMeasuredPage(root, { MAPSTEP_DEMO_FILE: file });
  await page.goto('/courses/big/map');
  const plan = page.getByRole('button', { name: /^Plan (this level|lessons?)/ });
  await plan.waitFor();
  await page.waitForTimeout(3000);
  const stolen = watchStolenTime();
  const idle = percentile(await gapsBetweenFrames(page, FRAMES), 95);
  say('frame gap of the idle page, p95', idle);
  await planAndTake(page);
  const taskTimes = await watchTaskTimes(page);
  await takeSeen(page);
  const calm = await moveAround(page, 'a move on the map, from the key to the next paint, p95');
  await plan.click();
  await page.getByText('The plan as it is', { exact: true }).click();
  const seen = await takeSeen(page);
  const busy = percentile(await gapsBetweenFrames(page, FRAMES), 95);
  say('frame gap while the planner goes on, p95', busy);
  seen.push(...(await moveAround(page, 'a move while the planner goes on, p95')));
  await page.waitForTimeout(BEHIND_MS);
  seen.push(...(await takeSeen(page)));
  const worked = await taskTimes.stop();
  const { isQuiet, quietShare } = stolen.stop();
  say('percent of the time in which nobody took the machine away', Math.round(100 * quietShare), '');
  const isOwn = ({ at, duration }: Seen) => isQuiet(at, at + duration);
  tellLongTasks('tasks over 50 ms in the same moves without the planner', calm, isOwn, worked);
  tellLongTasks('tasks over 50 ms in a minute of planning', seen, isOwn, worked);
  const stop = page.getByRole('button', { name: 'Stop' });
  if (await stop.isVisible()) {
    say('stopped, with the best plan kept, after', await page.evaluate(stopAndWait));
  }
  await close();
}

function tellLongTasks(
  what: string,
  seen: readonly Seen[],
  isOwn: (task: Seen) => boolean,
  worked: WorkedTimes,
): void {
  const long = seen.filter(({ name }) => name === 'longtask');
  const own = long.filter(isOwn);
  say(`${what}, undisturbed`, own.length, '');
  for (const task of own.slice(0, 10)) {
    say('  one of them', task.duration);
    say('    of which the page worked', worked.of(task) ?? Number.NaN);
  }
  say('  more of them while the machine was taken away', long.length - own.length, '');
}

/** Runs in the page: from the press of Stop until the planner is gone from it. */
function stopAndWait(): Promise<number> {
  return new Promise(resolve => {
    const button = [...document.querySelectorAll('button')].find(one => one.textContent === 'Stop');
    const begun = performance.now();
    const watcher = new MutationObserver(() => {
      if (button?.isConnected) return;
      watcher.disconnect();
      resolve(performance.now() - begun);
    });
    watcher.observe(document.body, { subtree: true, childList: true });
    button?.click();
  });
}

async function planAndTake(page: Page): Promise<void> {
  const begun = Date.now();
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).click();
  const take = page.getByRole('button', { name: /^Take all/ });
  await take.waitFor();
  say('the first plan shown after', Date.now() - begun);
  await page.waitForTimeout(BEFORE_MS);
  await take.click();
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).waitFor();
  await page.getByText('saved', { exact: true }).waitFor();
}

/**
 * Arrow keys on one figure after the other, a lesson later and back. The paint after a key may only show that it was
 * pressed: told beside it is when the figure was drawn in its lesson.
 */
async function moveAround(page: Page, words: string): Promise<readonly Seen[]> {
  const before = await takeSeen(page);
  await page.evaluate(noteMoves);
  const chips = page.locator('[data-figure][aria-label*="lesson"]');
  const count = await chips.count();
  for (let move = 0; move < MOVES; move += 1) {
    await chips.nth((move * 7) % count).focus();
    // The board may have scrolled: that is not the move.
    await page.waitForTimeout(150);
    await page.keyboard.press(move % 2 ? 'ArrowLeft' : 'ArrowRight');
    await page.waitForTimeout(150);
  }
  const seen = await takeSeen(page);
  const keys = seen.filter(({ name }) => name === 'keydown').map(({ duration }) => duration);
  // Those within a frame are not told.
  const all = [...keys, ...Array.from({ length: MOVES - keys.length }, () => 16)];
  say(words, percentile(all, 95));
  const drawn = seen.filter(({ name }) => name === 'moved').map(({ duration }) => duration);
  say('  until the figure was drawn in its lesson, median', percentile(drawn, 50));
  say('  p95', percentile(drawn, 95));
  return [...before, ...seen];
}

/** Runs in the page: from a key until a figure's words have changed and the picture is out. */
function noteMoves(): void {
  let pressed: number | undefined;
  window.addEventListener('keydown', ({ timeStamp }) => {
    pressed = timeStamp;
  });
  new MutationObserver(changes => {
    const from = pressed;
    if (from === undefined || !changes.some(({ target }) => (target as HTMLElement).dataset.figure)) return;
    pressed = undefined;
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () =>
        window.seen.push({
          name: 'moved',
          at: performance.timeOrigin + from,
          duration: performance.now() - from,
        });
      port2.postMessage(0);
    });
  }).observe(document.body, { subtree: true, attributes: true, attributeFilter: ['aria-label'] });
}

function say(what: string, value: number, unit = ' ms'): void {
  process.stdout.write(`${what}: ${Number.isInteger(value) ? value : value.toFixed(2)}${unit}\n`);
}
