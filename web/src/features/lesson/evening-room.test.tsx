// @vitest-environment happy-dom
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { mondayClass, renderInClass } from '../../test/in-course.tsx';
import { BriefPage } from './brief-page.tsx';
import { LessonPage } from './lesson-page.tsx';

async function open(lesson: number) {
  const keep = vi.fn();
  const inClass = mondayClass(keep);
  await renderInClass(<LessonPage />, { lesson, inClass });
  return { entries: () => keep.mock.calls.map(([event]) => event), ...inClass };
}

const press = (name: string | RegExp) =>
  act(async () => fireEvent.click(screen.getByRole('button', { name })));
const type = (label: string, value: string) =>
  act(async () => fireEvent.change(screen.getByLabelText(label), { target: { value } }));

test('before it begins the evening is told at a glance: what is new, from which hold, who lacks what', async () => {
  await open(5);
  const aside = screen.getByRole('complementary', { name: 'This lesson' });
  expect(aside.textContent).toMatch(/Right turn from One hand or Two hands/);
  expect(aside.textContent).toMatch(/Hand change from One hand, not reached last time/);
  expect(aside.textContent).toMatch(/Were away and lack:.*Jory W: Left turn/);
  expect(aside.textContent).toMatch(/6 lead, 8 follow; 2 wait in turn/);
});

test('somebody comes late and dances the other role today', async () => {
  const { entries, section } = await open(5);
  const [first] = section.students;
  const { attendance } = section;
  expect(attendance?.some(({ lesson }) => lesson === 5)).toBe(false);
  await press(/^0 of \d+ here$/);
  await press(new RegExp(`^${first?.name}`));
  expect(entries()).toMatchObject([
    { kind: 'present', entry: { student: first?.id, role: 'lead', here: true } },
  ]);
});

test('a note, words on something else, and a song are kept', async () => {
  const { entries } = await open(5);
  await type('A note for the staff', 'Wet floor.');
  await press('Keep the note');
  await type('Or in words', 'A game in lines.');
  await press('Write it down');
  await type('Title of a song', 'Lantern reel');
  await press('Add the song');
  expect(entries().map(({ kind, entry }) => [kind, entry.kind, entry.text])).toEqual([
    ['note', 'note', 'Wet floor.'],
    ['note', 'else', 'A game in lines.'],
    ['note', 'song', 'Lantern reel'],
  ]);
});

test('the tempo is tapped', async () => {
  const { entries } = await open(5);
  vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-03-09T19:00:00Z') });
  for (let tap = 0; tap < 5; tap += 1) {
    await press('Tap the beat');
    vi.setSystemTime(Date.now() + 500);
  }
  vi.useRealTimers();
  await type('Title of a song', 'By the quay');
  await press('Add the song');
  expect(entries()[0].entry).toMatchObject({ text: 'By the quay', tempo: 120, split: 'straight' });
});

test('where roles are uneven it is told who waits and who waits next, also after the page is loaded anew', async () => {
  await open(5);
  const waiting = () =>
    /Waiting: (.*) then (.*)$/.exec(screen.getByText(/^Waiting: /).textContent ?? '') ?? [];
  const [, , next] = waiting();
  await press('Change partners');
  expect(waiting()[1]).toBe(next);
  cleanup();
  await open(5);
  expect(waiting()[1]).toBe(next);
});

test('a correction of a log is told before it is saved', async () => {
  const { entries } = await open(4);
  const row = screen.getByRole('group', { name: 'How Left turn went' });
  await act(async () => fireEvent.click(within(row).getByRole('button', { name: 'Solid' })));
  expect(entries()).toEqual([]);
  expect(screen.getByText('Left turn was solid after all?')).toBeTruthy();
  expect(screen.getByText(/The recap for the staff/)).toBeTruthy();
  await press('Leave it as it is');
  expect(screen.queryByText('Left turn was solid after all?')).toBeNull();
  await act(async () => fireEvent.click(within(row).getByRole('button', { name: 'Solid' })));
  await press('Save this correction');
  expect(entries()).toMatchObject([
    { kind: 'log', entry: { pattern: 'left-turn', result: 'solid', minutes: 14 } },
  ]);
});

test('a lesson that was taught says what was noted, and that its new figure took longer than planned', async () => {
  await open(4);
  expect(screen.getByText(/We also did/)).toBeTruthy();
  expect(screen.getByText(/Lantern reel, 112 beats a minute/)).toBeTruthy();
  expect(screen.getByText(/The new figures took \d+ minutes? more than planned\./)).toBeTruthy();
});

test('the brief has the evening, the class and what was promised on one page', async () => {
  await renderInClass(<BriefPage />, { lesson: 5, inClass: mondayClass() });
  expect(screen.getByRole('heading', { name: 'Hustle 1, lesson 5 of 8' })).toBeTruthy();
  expect(screen.getByText(/6 lead, 8 follow · taught by Bram Okoro/)).toBeTruthy();
  const promised = screen.getByText('What was promised after lesson 4').parentElement;
  expect(promised?.textContent).toContain('Right turn');
});
