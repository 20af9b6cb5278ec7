// `npm run bench -- sheet`: keys on the sheet of a figure of 400 steps, and 64 pieces typed, in Chromium. Prints milliseconds from
// a key to the next paint.
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { orFew } from '../small.mjs';
import { percentile } from './load.ts';
import { openMeasuredPage, takeSeen } from './measured-page.ts';

const STEPS = orFew(400, 12);
const PIECES = orFew(64, 4);
const ROOM = '/courses/quickstep-1/material';

export async function benchSheet(): Promise<void> {
  const root = fileURLToPath(new URL('../..', import.meta.url));
  const { page, close } = await openMeasuredPage(root);
  await begin(page, 'Long one');
  await page.keyboard.type('q'.repeat(STEPS));
  await page.keyboard.press('Enter');
  await page.keyboard.type(Array.from({ length: STEPS }, () => 'f').join(','));
  await page.keyboard.press('Enter');
  await page.getByText('saved', { exact: true }).waitFor();
  await page
    .getByRole('button', { name: /^Leader, count/ })
    .first()
    .focus();
  await page.waitForTimeout(3000);
  await press(page, 'from step to step', 20, () => page.keyboard.press('ArrowRight'));
  await press(page, 'a letter of a step', 20, () => page.keyboard.type('s'));
  await page.keyboard.press('Escape');
  await press(page, 'a step written and taken', 10, async () => {
    await page.keyboard.type('s');
    await page.keyboard.press('Enter');
  });
  await begin(page, 'Many pieces');
  await page.keyboard.press('*');
  const pieces = Array.from({ length: PIECES }, () => 'outside').join(', ');
  await press(page, 'a letter of 64 pieces', 1, () => page.keyboard.type(pieces, { delay: 15 }));
  await press(page, 'the pieces taken', 1, () => page.keyboard.press('Enter'));
  await close();
}

async function begin(page: Page, name: string): Promise<void> {
  await page.goto(ROOM);
  await page.getByRole('button', { name: 'New figure' }).waitFor();
  await page.keyboard.press('n');
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { name, level: 2 }).waitFor();
  await page.getByRole('textbox', { name: /^Rhythm/ }).focus();
}

async function press(page: Page, what: string, times: number, work: () => Promise<unknown>): Promise<void> {
  await takeSeen(page);
  for (let time = 0; time < times; time += 1) {
    await work();
    await page.waitForTimeout(100);
  }
  await page.waitForTimeout(500);
  const keys = (await takeSeen(page))
    .filter(({ name }) => name === 'keydown')
    .map(({ duration }) => duration);
  const told = keys.length === 0 ? 'under 16' : `${percentile(keys, 50)}, p95 ${percentile(keys, 95)}`;
  process.stdout.write(`${what}: median of the slow ones ${told} ms\n`);
}
