// @vitest-environment happy-dom
import { type Figure, openLibrary, type Pattern, readFigure, writtenSteps } from '@map-step/core';
import { act, renderHook } from '@testing-library/react';
import type { KeyboardEvent } from 'react';
import { expect, test } from 'vitest';
import { demoStudio } from '../../../test/in-course.tsx';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import { useSheetCursor } from './use-sheet-cursor.ts';

/** The sheet of a figure of the demo, with what a key left of the leader's steps. */
function openSheet() {
  const asked: string[] = [];
  const pattern = demoStudio.patterns?.find(({ id }) => id === 'side-basic');
  const dance = demoStudio.dances?.find(({ id }) => id === pattern?.dance);
  if (!pattern || !dance) throw new Error('the demo has no side basic');
  const reading = readFigure(pattern, dance);
  const changed: Pattern[] = [];
  const editing = {
    ...{ pattern, reading, issues: [], issuesNow: () => [], mayWrite: true },
    change: (_: string, make: (now: Pattern, read: Figure) => Pattern) =>
      changed.push(make(pattern, reading.figure)),
  } as unknown as FigureEditing;
  const { result } = renderHook(() =>
    useSheetCursor(editing, openLibrary(demoStudio), {
      note: ({ step }) => asked.push(`note ${step}`),
      pieces: () => asked.push('pieces'),
    }),
  );
  const press = (key: string) => {
    const event = { key, preventDefault: () => undefined } as KeyboardEvent;
    act(() => result.current.onKey(event));
  };
  const left = () => {
    const last = changed.at(-1);
    return last && writtenSteps(readFigure(last, dance).figure, 'lead');
  };
  const type = (text: string, way: 'commit' | 'leave' = 'commit', by?: -1 | 1) =>
    act(() => (way === 'commit' ? result.current.commit(text) : result.current.leave(text, by)));
  return {
    asked,
    type,
    cursor: () => result.current,
    last: () => changed.at(-1),
    press,
    left,
    place: () => result.current.place,
    steps: writtenSteps(reading.figure, 'lead'),
  };
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

test('a sign in a cell opens the hold from there on, a caution or what is said of the figure; one is back in the cell after it', () => {
  const { press, type, last, cursor, place, asked } = openSheet();
  press('ArrowRight');
  press(';');
  expect(cursor().opened?.kind).toBe('hold');
  type('wrap, by the back');
  expect(last()).toMatchObject({
    holds: expect.arrayContaining([{ event: 1, hold: 'wrap' }]),
    marks: expect.arrayContaining([{ event: 1, kind: 'hold', text: 'by the back' }]),
  });
  expect([cursor().opened, place().step]).toEqual([undefined, 1]);
  press('!');
  type('dip');
  expect(last()?.marks).toContainEqual({ kind: 'caution', text: '', code: 'dip' });
  press('@');
  expect(cursor().opened?.line.suggest('ra')).toEqual(['rank ']);
  type('rank 2');
  expect(last()).toMatchObject({ rank: 2 });
  press('*');
  press('#');
  expect(asked).toEqual(['pieces', 'note 1']);
});

test('Enter with a fault stays and says why; Tab and Shift Tab go on and back, and keep what was typed', () => {
  const { press, type, left, cursor, place, steps } = openSheet();
  press('ArrowRight');
  press('x');
  type('xyz');
  expect(cursor().fault).toContain('"xyz" is no action here');
  type('xyz', 'leave', 1);
  expect([left()?.[1], place().step, cursor().opened]).toEqual(['xyz', 2, undefined]);
  press('b');
  type('back', 'leave', -1);
  expect([left()?.[2]?.endsWith('back'), place().step]).toEqual([true, 1]);
  expect(left()).toHaveLength(steps.length);
});

test('one key leads to the first step of the other part', () => {
  const { press, place } = openSheet();
  press('End');
  press('/');
  expect(place()).toEqual({ role: 'follow', step: 0 });
});
