// A page of the built product in Chromium that notes how long events took to their next paint, and long tasks.
import type { Page } from '@playwright/test';
import { ensureBuilt } from '../build.mjs';
import { CHROMIUM, ensureChromium } from '../chromium.mjs';
import { startDemoServer } from '../demo-server.mjs';
import { ensurePostgres } from '../postgres.mjs';

export interface Seen {
  /** `longtask`, or the kind of event. */
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly duration: number;
}

declare global {
  interface Window {
    seen: Seen[];
  }
}

/** Events below a frame are not told. */
const LEAST_MILLISECONDS = 16;

/** Signs the director of the demo in; `settings` are the server's. */
export async function openMeasuredPage(
  root: string,
  settings: Readonly<Record<string, string>> = {},
): Promise<{ page: Page; close(): Promise<void> }> {
  ensurePostgres();
  ensureChromium();
  await ensureBuilt(root);
  const { chromium } = await import('@playwright/test');
  const server = await startDemoServer(root, '2026-03-09', settings);
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
  await context.addInitScript(watch, LEAST_MILLISECONDS);
  const page = await context.newPage();
  await page.goto('/');
  await page.getByRole('button', { name: 'Ottilie Marsh' }).click();
  await page.getByRole('button', { name: 'Sign out' }).waitFor();
  const close = async () => {
    await browser.close();
    await server.stop();
  };
  return { page, close };
}

/** What was seen since it was last asked. */
export function takeSeen(page: Page): Promise<Seen[]> {
  return page.evaluate(() => window.seen.splice(0));
}

/** The gaps between so many frames in milliseconds, while what a selector finds is scrolled by so many pixels a frame. */
export function gapsBetweenFrames(
  page: Page,
  count: number,
  scrolled?: { readonly selector: string; readonly by: number },
): Promise<number[]> {
  return page.evaluate(
    ({ of, selector, by }) =>
      new Promise<number[]>(resolve => {
        const list = selector ? document.querySelector(selector) : null;
        const gaps: number[] = [];
        let last = performance.now();
        const step = (now: number) => {
          gaps.push(now - last);
          last = now;
          list?.scrollBy(0, by);
          if (gaps.length < of) requestAnimationFrame(step);
          else resolve(gaps.slice(5));
        };
        requestAnimationFrame(step);
      }),
    { of: count, selector: scrolled?.selector, by: scrolled?.by ?? 0 },
  );
}

/** Runs in the page. */
function watch(least: number): void {
  window.seen = [];
  const keep = (list: PerformanceObserverEntryList) => {
    for (const { name, entryType, startTime, duration } of list.getEntries())
      window.seen.push({
        name: entryType === 'longtask' ? entryType : name,
        at: performance.timeOrigin + startTime,
        duration,
      });
  };
  new PerformanceObserver(keep).observe({
    type: 'event',
    durationThreshold: least,
    buffered: true,
  } as PerformanceObserverInit);
  new PerformanceObserver(keep).observe({ type: 'longtask', buffered: true });
}
