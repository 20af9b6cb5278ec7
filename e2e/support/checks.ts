import type { Page } from '@playwright/test';

export interface MadeCheck {
  readonly id: string;
  readonly students: number;
  readonly figures: number;
  readonly date: string;
  readonly staff: readonly string[];
}

/**
 * A class of its own with so many students, and a check of the same id of so many figures in two layers; the first figure is a
 * gate. For whoever directs the studio.
 */
export async function makeCheck(page: Page, check: MadeCheck): Promise<void> {
  await page.evaluate(async ({ id, students, figures, date, staff }) => {
    const { csrf } = await (await fetch('/api/session')).json();
    const send = async (path: string, body: object) => {
      const headers = { 'content-type': 'application/json', 'x-csrf-token': csrf };
      const reply = await fetch(path, { method: 'POST', headers, body: JSON.stringify(body) });
      if (!reply.ok) throw new Error(await reply.text());
    };
    const { course } = await (await fetch('/api/courses/hustle-1')).json();
    const section = { id, course: 'hustle-1', start: '21:00', dates: [date], students: [] };
    await send('/api/sections', { section: { ...section, staff: staff.map(person => ({ person })) } });
    const names = Array.from({ length: students }, (_, index) => ({
      name: `Student ${String(index + 1).padStart(2, '0')}`,
      role: index % 2 === 0 ? 'lead' : 'follow',
    }));
    await send(`/api/sections/${id}/students`, { students: names });
    const items = course.items.slice(0, figures).map(({ pattern }: { pattern: string }, index: number) => ({
      pattern,
      layers: ['steps', 'timing'],
      gate: index === 0,
    }));
    await send(`/api/sections/${id}/checks`, { check: { id, kind: 'final', date, items } });
  }, check);
}
