// @vitest-environment happy-dom
import { type Figure, type Pattern, readFigure, writtenSteps } from '@map-step/core';
import { act, renderHook } from '@testing-library/react';
import type { KeyboardEvent } from 'react';
import { expect, test } from 'vitest';
import { demoStudio } from '../../../test/in-course.tsx';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import { useSheetCursor } from './use-sheet-cursor.ts';

/** The sheet of a figure of the demo, with what a key left of the leader's steps. */
function openSheet() {
  const pattern = demoStudio.patterns?.find(({ id }) => id === 'side-basic');
  const dance = demoStudio.dances?.find(({ id }) => id === pattern?.dance);
  if (!pattern || !dance) throw new Error('the demo has no side basic');
  const reading = readFigure(pattern, dance);
  const changed: Pattern[] = [];
  const editing = {
    ...{ pattern, reading, issues: [], mayWrite: true },
    change: (_: string, make: (now: Pattern, read: Figure) => Pattern) =>
      changed.push(make(pattern, reading.figure)),
  } as unknown as FigureEditing;
  const { result } = renderHook(() => useSheetCursor(editing, () => undefined));
  const press = (key: string) => {
    const event = { key, preventDefault: () => undefined } as KeyboardEvent;
    act(() => result.current.onKey(event));
  };
  const left = () => {
    const last = changed.at(-1);
    return last && writtenSteps(readFigure(last, dance).figure, 'lead');
  };
  return { press, left, place: () => result.current.place, steps: writtenSteps(reading.figure, 'lead') };
}

test('Backspace takes the step in the cell that one stands in; at the end, where nothing is, the one before', () => {
  const { press, left, place, steps } = openSheet();
  press('ArrowRight');
  press('Backspace');
  expect(left()).toEqual(steps.toSpliced(1, 1));
  expect(place()).toMatchObject({ role: 'lead', step: 1 });
  press('End');
  press('Backspace');
  expect(left()).toEqual(steps.slice(0, -1));
  expect(place()).toMatchObject({ step: steps.length - 1 });
});
