// Four people mark one class at two servers; one server dies, one browser has no connection for half of it.
import { randomUUID } from 'node:crypto';
import type { Locator, Page } from '@playwright/test';
import { makeCheck } from './support/checks.ts';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';
import { startTwoServers, type TwoServers } from './support/two-servers.ts';

const TODAY = '2026-03-09';
const CHECK = { id: 'by-four', students: 10, figures: 10, date: TODAY };
const HALF = 25;
const PATH = `/courses/hustle-1/check/${CHECK.id}?class=${CHECK.id}`;

let both: TwoServers;
test.beforeAll(async () => {
  both = await startTwoServers(TODAY);
});
test.afterAll(() => both.close());

interface CheckOnServer {
  readonly body: {
    readonly items: readonly { readonly pattern: string }[];
    readonly marks: readonly { readonly id: string; readonly by: string }[];
  };
}

const readCheck = (page: Page) =>
  page.evaluate(
    async id => (await (await fetch(`/api/sections/${id}/checks/${id}`)).json()) as CheckOnServer,
    CHECK.id,
  );

/** Marks cells in the order of the grid, one request each, again until it is answered, as the page's queue does. */
async function markByRequests(page: Page, from: number, to: number): Promise<void> {
  const { students } = await page.evaluate(
    async id =>
      (await (await fetch(`/api/sections/${id}`)).json()) as {
        students: { id: string; name: string }[];
      },
    CHECK.id,
  );
  const names = students.toSorted((a, b) => a.name.localeCompare(b.name));
  const { items } = (await readCheck(page)).body;
  const events = Array.from({ length: to - from }, (_, index) => {
    const cell = from + index;
    const row = Math.floor(cell / CHECK.figures);
    const entry = {
      ...{ id: randomUUID(), student: names[row]?.id, role: row % 2 === 0 ? 'lead' : 'follow' },
      ...{ pattern: items[cell % CHECK.figures]?.pattern, layer: 'steps', mark: 2, at: `${TODAY}T21:10:00Z` },
    };
    return { kind: 'mark', check: CHECK.id, entry };
  });
  await page.evaluate(
    async ({ id, all }) => {
      const { csrf } = await (await fetch('/api/session')).json();
      for (const event of all)
        for (;;) {
          const reply = await fetch(`/api/sections/${id}/events`, {
            method: 'POST',
            headers: { 'content-type': 'application/json', 'x-csrf-token': csrf },
            body: JSON.stringify({ events: [event] }),
          }).catch(() => undefined);
          if (reply?.ok) break;
          if (reply && reply.status < 500 && reply.status !== 429) throw new Error(await reply.text());
          await new Promise(resolve => setTimeout(resolve, 200));
        }
    },
    { id: CHECK.id, all: events },
  );
}

async function markByKeys(page: Page, key: string): Promise<void> {
  for (let cell = 0; cell < HALF; cell += 1) await page.keyboard.press(key);
}

test('200 marks by four people arrive once each, and both screens say the same', async ({ browser }) => {
  const at = { baseURL: both.address };
  const people = ['Ottilie Marsh', 'Bram Okoro', 'Suki Larch', 'Teo Vance'];
  const pages: Page[] = [];
  for (const name of people) pages.push(await openAs(browser, name, '/', 'day', at));
  const [ottilie, bram, suki, teo] = pages as [Page, Page, Page, Page];
  await makeCheck(ottilie, { ...CHECK, staff: ['bram-okoro', 'suki-larch', 'teo-vance'] });
  for (const page of [ottilie, bram]) {
    await page.goto(PATH);
    await expect(page.getByRole('grid').getByRole('gridcell').first()).toBeFocused();
  }
  const byRequests = (from: number, to: number) =>
    Promise.all([suki, teo].map(page => markByRequests(page, from, to)));

  await bram.context().setOffline(true);
  await Promise.all([byRequests(0, HALF), markByKeys(ottilie, '3'), markByKeys(bram, '1')]);
  await expect(bram.getByText(`${HALF} marks waiting to be sent`)).toBeVisible();
  const [, , killed] = await Promise.all([
    byRequests(HALF, 2 * HALF),
    markByKeys(ottilie, '3'),
    both.killOne().then(() => 'killed'),
  ]);
  expect(killed).toBe('killed');
  await bram.context().setOffline(false);
  await markByKeys(bram, '1');

  await expect(bram.getByText('saved', { exact: true })).toBeVisible();
  await expect(ottilie.getByText('saved', { exact: true })).toBeVisible();
  const { marks } = (await readCheck(ottilie)).body;
  expect([marks.length, new Set(marks.map(({ id }) => id)).size]).toEqual([200, 200]);
  const count = (by: string) => marks.filter(mark => mark.by === by).length;
  expect(['ottilie-marsh', 'bram-okoro', 'suki-larch', 'teo-vance'].map(count)).toEqual([50, 50, 50, 50]);

  const readies: Locator[] = [];
  for (const page of [ottilie, bram]) {
    await page.getByText('Who is ready', { exact: true }).click();
    const ready = page.getByRole('region', { name: 'Who is ready' });
    await expect(ready).toContainText('Student 01');
    readies.push(ready);
  }
  // What the other saved last comes a moment later.
  await expect
    .poll(async () => new Set(await Promise.all(readies.map(ready => ready.innerText()))).size)
    .toBe(1);
});
