// @vitest-environment happy-dom
import type { CheckAnswer, SectionAnswer } from '@map-step/contract';
import type { Check } from '@map-step/core';
import { act, fireEvent, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { DIRECTOR, demoStudio, renderRoom } from '../../test/in-course.tsx';
import type { ClassContent } from '../course/course-context.ts';
import type { LessonEvent } from '../course/course-view.ts';
import { MarkGrid } from './mark-grid.tsx';
import { useMarks } from './use-marks.ts';

const demoSection = demoStudio.sections?.[0];
if (!demoSection) throw new Error('the demo has no class');
const students = demoSection.students.slice(0, 2);
const section: SectionAnswer = {
  section: {
    ...demoSection,
    students: [...students],
    staff: [{ person: DIRECTOR }, { person: 'suki-larch' }],
  },
  version: 1,
  counts: { lead: 2, follow: 0, solo: 0 },
  students: demoStudio.students?.filter(({ id }) => students.some(({ student }) => student === id)) ?? [],
  logs: [],
  attendance: [],
  recaps: [],
};
const check: Check = {
  id: 'final',
  section: demoSection.id,
  kind: 'final',
  date: '2026-03-09',
  items: [
    { pattern: 'wrap', layers: ['steps', 'timing'], gate: true },
    { pattern: 'gather', layers: ['timing'], gate: false },
    { pattern: 'left-turn', layers: ['steps'], gate: false },
  ],
  marks: [],
};
const answer: CheckAnswer = { body: check, version: 1, history: [] };

function Grid({ mayMark }: { mayMark: boolean }) {
  return <MarkGrid marks={useMarks(answer)} mayMark={mayMark} />;
}

function open(mayMark = true) {
  const kept: LessonEvent[] = [];
  const keep = (event: LessonEvent) => void kept.push(event);
  const classContent: ClassContent = { section, waiting: [], keep, classPlan: undefined };
  renderRoom(<Grid mayMark={mayMark} />, { classContent });
  const press = async (key: string) =>
    act(async () => {
      fireEvent.keyDown(screen.getByRole('grid'), { key });
    });
  const told = () =>
    kept.map(event =>
      event.kind === 'mark'
        ? `${students.findIndex(({ student }) => student === event.entry.student)} ${event.entry.pattern} ${event.entry.layer} ${event.entry.mark}`
        : '',
    );
  return { press, told };
}

test('one key marks and goes on: over what is not asked, to the next student, and then to the next layer', async () => {
  const { press, told } = open();
  for (const key of ['3', '2', '1', '0', '2', '3']) await press(key);
  expect(told()).toEqual([
    '0 wrap steps 3',
    '0 left-turn steps 2',
    '1 wrap steps 1',
    '1 left-turn steps 0',
    '0 wrap timing 2',
    '0 gather timing 3',
  ]);
  expect(screen.getByRole('grid', { name: 'Marks, timing' })).toBeTruthy();
});

test('arrows move without marking; a cell that is not asked takes no mark', async () => {
  const { press, told } = open();
  for (const key of ['ArrowDown', 'ArrowRight', '3', 'ArrowRight', '1']) await press(key);
  expect(told()).toEqual(['1 left-turn steps 1']);
});

test('who may not mark marks nothing', async () => {
  const { press, told } = open(false);
  await press('3');
  expect(told()).toEqual([]);
  expect(screen.queryByText(/Still to mark/)).toBeNull();
});

test('what is still to be marked is told', () => {
  open();
  expect(screen.getByText(/^Still to mark: 8 of 8; nothing yet of/)).toBeTruthy();
});
