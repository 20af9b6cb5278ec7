// @vitest-environment happy-dom
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { renderRoom } from '../../test/in-course.tsx';
import { useCourseCommands } from '../course/course-commands.ts';
import { CourseItems } from './course-items.tsx';
import { CourseLessons } from './course-lessons.tsx';
import { CourseWeights } from './course-weights.tsx';
import { HowItIsPlanned } from './how-it-is-planned.tsx';
import { SettingsPage } from './settings-page.tsx';

// The whole page takes seconds to draw here: its parts are looked at by themselves.
const Lessons = () => <CourseLessons commands={useCourseCommands()} />;
const Items = () => <CourseItems commands={useCourseCommands()} />;
const Weights = () => <CourseWeights commands={useCourseCommands()} />;
const Ways = () => <HowItIsPlanned commands={useCourseCommands()} />;

const field = (label: string) => screen.getByLabelText(label);

/** Types a number and leaves the field. */
async function put(label: string, text: string) {
  await act(async () => {
    fireEvent.focus(field(label));
    fireEvent.input(field(label), { target: { value: text } });
  });
  await act(async () => fireEvent.blur(field(label)));
}

test('the minutes of a lesson are saved when the field is left, and the rest of the lesson stays', async () => {
  const { server, saved } = renderRoom(<Lessons />);
  await put('Length of lesson 1, minutes', '75');
  await saved();
  expect(server.answer.course.lessons[0]).toMatchObject({ minutes: 75, fixed: { arrive: 3 } });
  expect(server.orders.map(({ command }) => command.kind === 'edit' && command.what)).toEqual([
    'Minutes of lesson 1',
  ]);
});

test('a number that cannot stand is put back and not sent', async () => {
  const { server, saved } = renderRoom(<Items />);
  await put('Wrap pinned to lesson', '40');
  await saved();
  expect(server.orders).toEqual([]);
  expect(field('Wrap pinned to lesson')).toHaveProperty('value', '');
});

test('a rule that is emptied is taken away', async () => {
  const { server, saved } = renderRoom(<Items />);
  await put('Wrap not after lesson', '7');
  await saved();
  const item = () => server.answer.course.items.find(({ pattern }) => pattern === 'wrap');
  expect(item()?.to).toBe(7);
  await put('Wrap not after lesson', '');
  await saved();
  expect(item()).not.toHaveProperty('to');
});

test('one more lesson comes before the last; one is taken away only where nothing lies', async () => {
  const { server, saved } = renderRoom(<Lessons />);
  const fewer = () => screen.getByRole('button', { name: 'One lesson fewer' });
  expect(fewer()).toHaveProperty('disabled', true);
  await act(async () => fireEvent.click(screen.getByRole('button', { name: /^One more lesson/ })));
  await saved();
  expect(server.answer.course.lessons).toHaveLength(9);
  await waitFor(() => expect(fewer()).toHaveProperty('disabled', false));
  await act(async () => fireEvent.click(fewer()));
  await saved();
  expect(server.answer.course.lessons).toHaveLength(8);
});

test('points of the house’s own are not written down, others are and can be given back', async () => {
  const { server, saved } = renderRoom(<Weights />);
  const label = 'Points for each could that is left out';
  await put(label, '50');
  await saved();
  expect(server.answer.course.weights).toEqual({ could: 50 });
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Back to 100' })));
  await saved();
  expect(server.answer.course).not.toHaveProperty('weights');
});

test('what the planner minds is turned off and on again', async () => {
  const { server, saved } = renderRoom(<Ways />);
  const press = async (name: RegExp) => {
    await act(async () => fireEvent.click(screen.getByRole('checkbox', { name })));
    await saved();
  };
  await press(/a lesson ahead of its figure/);
  expect(server.answer.course).not.toHaveProperty('ahead');
  await press(/a lesson ahead of its figure/);
  expect(server.answer.course.ahead).toBe(true);
  await press(/from easy to hard/);
  expect(server.answer.course.weights).toEqual({ order: 0 });
  await press(/from easy to hard/);
  expect(server.answer.course).not.toHaveProperty('weights');
});

test('a change that is refused is told', async () => {
  const { server } = renderRoom(<SettingsPage />);
  server.refusal = { status: 400, body: { code: 'bad-request', message: 'So it cannot stand.', id: '1' } };
  await put('Length of lesson 1, minutes', '1');
  await waitFor(() => expect(screen.getByText('So it cannot stand.')).toBeTruthy());
});

test('who is not the director looks and changes nothing', () => {
  renderRoom(<SettingsPage />, { role: 'teacher' });
  expect(screen.getByText('The director changes these; you may look.')).toBeTruthy();
  expect(field('Length of lesson 1, minutes').closest('fieldset')).toHaveProperty('disabled', true);
  expect(screen.queryByRole('region', { name: 'Copy' })).toBeNull();
});
