// @vitest-environment happy-dom
import { coupleOnFloor, type Figure, type Pattern, readFigure, sheetLayout } from '@map-step/core';
import { fireEvent, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { demoStudio, renderRoom } from '../../../test/in-course.tsx';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import { CoupleRow } from './couple-row.tsx';
import { TrackRows } from './track-rows.tsx';

const patternOf = (id: string): Pattern => {
  const pattern = demoStudio.patterns?.find(one => one.id === id);
  if (!pattern) throw new Error(`the demo has no ${id}`);
  return pattern;
};
const readingOf = (pattern: Pattern) => {
  const dance = demoStudio.dances?.find(({ id }) => id === pattern.dance);
  if (!dance) throw new Error(`the demo has no ${pattern.dance}`);
  return readFigure(pattern, dance);
};

const drawn = (figure: Figure) => ({
  ...sheetLayout(figure),
  poses: coupleOnFloor(figure),
  rocksApart: new Set<number>(),
});

test('the couple is told at each count: how far, where, and in which hold', () => {
  const { figure } = readingOf(patternOf('wrap'));
  renderRoom(<CoupleRow layout={drawn(figure)} range={[0, 4]} perBeat={100} />);
  expect(screen.getAllByRole('img').map(one => one.getAttribute('aria-label'))).toEqual([
    'The follower 0.9 m in front of the leader, in Two hands',
    'The follower 0.6 m in front of the leader, in Two hands',
    'The follower 0.3 m in front of the leader and 0.3 m to the right, in Two hands',
    'The follower 0.3 m to the right, in Wrap',
  ]);
  expect(screen.getAllByText('0.4 m')).toHaveLength(1);
});

test('who dances alone has no row of the couple', () => {
  const { figure } = readingOf(patternOf('toe-taps'));
  renderRoom(<CoupleRow layout={drawn(figure)} range={[0, 4]} perBeat={100} />);
  expect(screen.queryAllByRole('img')).toEqual([]);
});

test('a track is typed where it stands, and changes nothing when nothing is typed', () => {
  const pattern = patternOf('natural-turn');
  const reading = readingOf(pattern);
  const changed: Pattern[] = [];
  const editing = {
    ...{ pattern, reading, mayWrite: true },
    change: (_: string, make: (now: Pattern) => Pattern) => changed.push(make(pattern)),
  } as unknown as FigureEditing;
  renderRoom(
    <TrackRows editing={editing} layout={sheetLayout(reading.figure)} range={[0, 5]} only={undefined} />,
  );
  const cell = screen.getByLabelText<HTMLInputElement>('Sway, Leader at 3');
  expect(cell.value).toBe('right');
  fireEvent.blur(cell);
  fireEvent.change(cell, { target: { value: 'left' } });
  fireEvent.blur(cell);
  expect(changed).toHaveLength(1);
  expect(changed[0]?.tracks?.find(({ quality }) => quality === 'sway')?.values).toEqual([
    ...['none', 'left', 'right', 'none', 'left'],
  ]);
});
