// `npm run bench -- library`: 5,000 figures come in from a table, then the library is searched, scrolled and ranked
// in Chromium. Prints milliseconds.
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { orFew } from '../small.mjs';
import { percentile } from './load.ts';
import { gapsBetweenFrames, openMeasuredPage, takeSeen } from './measured-page.ts';

const FIGURES = orFew(5000, 500);
const FRAMES = orFew(120, 20);
const LIST = 'nav[aria-label="Figures"] *:has(> ul)';
const LONG_MS = 120_000;
const NAMES = ['Pier', 'Quay', 'Harbour', 'Jetty', 'Tide', 'Mast', 'Sail', 'Net', 'Rope', 'Gull'];
const ACTIONS = ['fwd', 'back', 'side', 'close'];

export async function benchLibrary(): Promise<void> {
  const root = fileURLToPath(new URL('../..', import.meta.url));
  const { page, close } = await openMeasuredPage(root);
  await importAll(page);
  await page.goto('/courses/hustle-1/material/wrap');
  await page.getByRole('searchbox').waitFor({ timeout: LONG_MS });
  await page.waitForTimeout(2000);
  await search(page);
  await scroll(page);
  await page.getByText(/^Only some/).click();
  await page.getByRole('combobox', { name: 'Order' }).click();
  await page.getByRole('option', { name: /^by what is new/ }).click();
  say('ranked by novelty in a worker', await timeOf(() => page.getByText(/% new/).first().waitFor()));
  await close();
}

async function importAll(page: Page): Promise<void> {
  await page.goto('/files');
  await page
    .getByLabel('Table to import')
    .setInputFiles({ name: 'big.csv', mimeType: 'text/csv', buffer: Buffer.from(table()) });
  await page.getByRole('button', { name: /See what/ }).click();
  const fresh = page.getByText(new RegExp(`^${FIGURES} new`));
  say('what a table of 5,000 would do', await timeOf(() => fresh.waitFor({ timeout: LONG_MS })));
  await page.getByRole('button', { name: /^Write/ }).click();
  const written = page.getByText(/^Written/);
  say('written', await timeOf(() => written.waitFor({ timeout: LONG_MS })));
}

function table(): string {
  const rows = Array.from({ length: FIGURES }, (_, n) => {
    const [one, two] = [ACTIONS[n % 4], ACTIONS[Math.floor(n / 4) % 4]];
    return `big-${n},${NAMES[n % 10]} walk ${n},pattern,hustle,hustle-3,&1 2 3,3,"L back, R replace, L ${one}, R ${two}",opposite,one-hand,same`;
  });
  return ['id,name,kind,dance,level,rhythm,beats,parts.lead,parts.follow,entry,exit', ...rows].join('\n');
}

async function search(page: Page): Promise<void> {
  await takeSeen(page);
  await page.getByRole('searchbox').focus();
  for (const words of ['harbour walk 12', 'tide', 'gull 499']) {
    await page.keyboard.type(words, { delay: 80 });
    await page.getByRole('searchbox').fill('');
  }
  const seen = await takeSeen(page);
  const keys = seen.filter(({ name }) => /^(key|input)/.test(name)).map(({ duration }) => duration);
  say('search: from a key to the next paint, p95', percentile(keys, 95));
  say('search: tasks over 50 ms', seen.filter(({ name }) => name === 'longtask').length, '');
}

async function scroll(page: Page): Promise<void> {
  const idle = await gapsBetweenFrames(page, FRAMES);
  const moving = await gapsBetweenFrames(page, FRAMES, { selector: LIST, by: 140 });
  say('scrolling: gap between frames, p95', percentile(moving, 95));
  say('an idle page: gap between frames, p95', percentile(idle, 95));
}

async function timeOf(work: () => Promise<unknown>): Promise<number> {
  const begun = performance.now();
  await work();
  return performance.now() - begun;
}

function say(what: string, value: number, unit = ' ms'): void {
  process.stdout.write(`${what}: ${value.toFixed(unit ? 1 : 0)}${unit}\n`);
}
