// @vitest-environment happy-dom
import type { CheckAnswer, SectionAnswer, SentEvent } from '@map-step/contract';
import type { Check, Mark } from '@map-step/core';
import { act, fireEvent, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { DIRECTOR, demoStudio, renderRoom } from '../../test/in-course.tsx';
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
  seq: 0,
  attendance: [],
  notes: [],
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
const PARTNER = 'kit-a';
const answerWith = (marks: readonly Mark[]): CheckAnswer => ({
  body: { ...check, marks: [...marks] },
  version: 1,
  history: [],
});

function Grid({ mayMark, answer }: { mayMark: boolean; answer: CheckAnswer }) {
  const marks = useMarks(answer);
  const student = students[0]?.student ?? '';
  return (
    <>
      <button type="button" onClick={() => marks.setPartner(student, PARTNER)}>
        pair
      </button>
      <MarkGrid marks={marks} mayMark={mayMark} />
    </>
  );
}

function open(mayMark = true, given: readonly Mark[] = []) {
  const kept: SentEvent[] = [];
  const keep = (event: SentEvent) => void kept.push(event);
  renderRoom(<Grid mayMark={mayMark} answer={answerWith(given)} />, {
    inClass: { section, waiting: [], keep },
  });
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
  return { press, told, kept };
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

test('a partner who was set stands beside each mark until another is set', async () => {
  const { press, kept } = open();
  fireEvent.click(screen.getByRole('button', { name: 'pair' }));
  await press('2');
  expect(kept[0]).toMatchObject({ kind: 'mark', entry: { with: PARTNER, mark: 2 } });
});

test('a note stands beside an own mark only; r asks for it', async () => {
  const { press } = open();
  await press('r');
  expect(await screen.findByText(/^Give a mark first/)).toBeTruthy();
});

test('what is said beside a mark is kept with it', async () => {
  const own: Mark = {
    ...{ id: 'a5e9d3a0-0000-4000-8000-000000000001', at: '2026-03-09T19:00:00Z', by: DIRECTOR, mark: 1 },
    ...{ student: students[0]?.student ?? '', role: 'lead', pattern: 'wrap', layer: 'steps' },
  };
  const { press, kept } = open(true, [own]);
  await press('r');
  fireEvent.change(await screen.findByLabelText('Remark'), { target: { value: 'late on 3' } });
  await act(async () => {
    fireEvent.click(screen.getByLabelText('Ask another marker for a second look'));
  });
  await act(async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Keep this note' }));
  });
  expect(kept).toMatchObject([{ entry: { mark: 1, remark: 'late on 3', lookAgain: true } }]);
});

test('what is still to be marked is told', () => {
  open();
  expect(screen.getByText(/^Still to mark: 8 of 8; nothing yet of/)).toBeTruthy();
});
