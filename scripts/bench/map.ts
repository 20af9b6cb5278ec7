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
import { ensureBuilt } from '../build.mjs';
import { CHROMIUM, ensureChromium } from '../chromium.mjs';
import { startDemoServer } from '../demo-server.mjs';
import { ensurePostgres } from '../postgres.mjs';
import { withBigCourse } from './big-course.ts';
import { percentile } from './load.ts';

const ITEMS = 60;
const LESSONS = 12;
const MOVES = 60;
const FRAMES = 240;
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
  const placed = search.best();
  const ids = Object.keys(placed);
  const times = Array.from({ length: 2000 }, (_, index) => {
    const id = ids[index % ids.length] as string;
    const begun = performance.now();
    judgePlan(built.value, { ...placed, [id]: 1 + (index % (LESSONS - 1)) });
    return performance.now() - begun;
  });
  say('all rules and minutes of a move rechecked in core, p95', percentile(times.slice(200), 95));
}

async function inBrowser(file: string): Promise<void> {
  ensurePostgres();
  ensureChromium();
  await ensureBuilt(root);
  const { chromium } = await import('@playwright/test');
  const server = await startDemoServer(root, '2026-03-09', { MAPSTEP_DEMO_FILE: file });
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    chromiumSandbox: false,
    args: ['--disable-gpu', '--disable-quic'],
  });
  const context = await browser.newContext({
    baseURL: server.address,
    reducedMotion: 'reduce',
    viewport: { width: 1280, height: 800 },
  });
  // The compiler names functions by a helper of its own, which the page does not have.
  await context.addInitScript('window.__name = named => named');
  await context.addInitScript(watch);
  const page = await context.newPage();
  await page.goto('/');
  await page.getByRole('button', { name: 'Ottilie Marsh' }).click();
  await page.getByRole('button', { name: 'Sign out' }).waitFor();
  await page.goto('/courses/big/map');
  const plan = page.getByRole('button', { name: 'Plan this level' });
  await plan.waitFor();
  await page.waitForTimeout(3000);
  const idle = percentile(await frames(page), 95);
  say('frame gap of the idle page, p95', idle);
  await planAndTake(page);
  await moveAround(page, 'a move on the map, from the key to the next paint, p95');
  await plan.click();
  await page.getByRole('button', { name: 'The plan as it is' }).click();
  await page.evaluate(() => window.seen.splice(0));
  const busy = percentile(await frames(page), 95);
  say('frame gap while the planner goes on, p95', busy);
  await moveAround(page, 'a move while the planner goes on, p95');
  await page.waitForTimeout(50_000);
  const long = await page.evaluate(() => window.seen.filter(({ name }) => name === 'longtask'));
  say('tasks over 50 ms in a minute of planning', long.length, '');
  for (const { duration } of long.slice(0, 10)) say('  one of', duration);
  const stop = page.getByRole('button', { name: 'Stop' });
  if (await stop.isVisible()) {
    say('stopped, with the best plan kept, after', await page.evaluate(stopAndWait));
  }
  await browser.close();
  await server.stop();
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
  await page.getByRole('button', { name: 'Plan this level' }).click();
  const take = page.getByRole('button', { name: /^Take all/ });
  await take.waitFor();
  say('the first plan shown after', Date.now() - begun);
  await page.waitForTimeout(5000);
  await take.click();
  await page.getByRole('button', { name: 'Plan this level' }).waitFor();
  await page.getByText('saved', { exact: true }).waitFor();
}

/** Arrow keys on one figure after the other, a lesson later and back. */
async function moveAround(page: Page, words: string): Promise<void> {
  await page.evaluate(() => window.seen.splice(0));
  const chips = page.locator('[data-figure][aria-label*="lesson"]');
  const count = await chips.count();
  for (let move = 0; move < MOVES; move += 1) {
    await chips.nth((move * 7) % count).focus();
    // The board may have scrolled: that is not the move.
    await page.waitForTimeout(150);
    await page.keyboard.press(move % 2 ? 'ArrowLeft' : 'ArrowRight');
    await page.waitForTimeout(150);
  }
  const seen = await page.evaluate(() => window.seen);
  const keys = seen.filter(({ name }) => name === 'keydown').map(({ duration }) => duration);
  say(words, percentile(keys, 95));
  say(`  of ${MOVES} moves those over 16 ms`, keys.length, '');
}

async function frames(page: Page): Promise<number[]> {
  return page.evaluate(
    count =>
      new Promise<number[]>(resolve => {
        const gaps: number[] = [];
        let last = performance.now();
        const step = (now: number) => {
          gaps.push(now - last);
          last = now;
          if (gaps.length < count) requestAnimationFrame(step);
          else resolve(gaps.slice(5));
        };
        requestAnimationFrame(step);
      }),
    FRAMES,
  );
}

/** Runs in the page: remembers how long events took to their next paint, and tasks that were too long. */
function watch(): void {
  window.seen = [];
  const keep = (list: PerformanceObserverEntryList) => {
    for (const { name, entryType, duration } of list.getEntries())
      window.seen.push({ name: entryType === 'longtask' ? 'longtask' : name, duration });
  };
  new PerformanceObserver(keep).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit);
  new PerformanceObserver(keep).observe({ type: 'longtask' });
}

function say(what: string, value: number, unit = ' ms'): void {
  process.stdout.write(`${what}: ${Number.isInteger(value) ? value : value.toFixed(2)}${unit}\n`);
}
