// @vitest-environment happy-dom
import { act, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { type InCourse, mondayClass, renderInCourse, withPlaced } from '../../../test/in-course.tsx';
import { useCourseCommands } from '../../course/course-commands.ts';
import { handsOn } from '../board/hands.ts';
import { useChips } from '../board/use-chips.ts';
import { useSelection } from '../board/use-selection.ts';
import { useMoves } from './use-moves.ts';

/** The hands of the map: what is chosen, moved and told, as the page puts them together. */
function open(role: 'director' | 'teacher' = 'director', begun: Pick<InCourse, 'inClass' | 'today'> = {}) {
  const onMove = vi.fn();
  const page = renderInCourse(
    () => {
      const selection = useSelection();
      const { moves, spoken } = useMoves(useCourseCommands(), onMove);
      return { selection, spoken, shift: handsOn(selection, moves).shift, chipOf: useChips(selection) };
    },
    { role, ...begun },
  );
  const hands = () => page.result.current;
  const chip = (id: string) => {
    const found = hands().chipOf(id);
    if (!found) throw new Error(`there is no ${id}`);
    return found;
  };
  const press = (id: string, by: number | null) => act(() => hands().shift(id, by));
  const choose = (id: string, adds = false) => act(() => hands().selection.choose(id, adds));
  const liesIn = (id: string, lesson: number | undefined) =>
    waitFor(() => expect(page.lessonOf(id)).toBe(lesson));
  return { ...page, hands, chip, press, choose, liesIn, onMove };
}

const LAST = 7;

test('an arrow moves a figure, chooses it, and tells what that breaks', async () => {
  const { press, chip, hands, liesIn, onMove } = open();
  const { lesson = 0 } = chip('wrap');
  press('wrap', 1 - lesson);
  await liesIn('wrap', 1);
  expect(onMove).toHaveBeenCalledTimes(1);
  await waitFor(() => expect(chip('wrap').state).toBe('chosen'));
  await waitFor(() => expect(hands().spoken).toMatch(/^Wrap to lesson 1\. Wrap .*Left turn/));
});

test('what a move costs is told when it breaks nothing', async () => {
  const { press, chip, hands } = open();
  const { lesson = 0 } = chip('leaders-turn');
  press('leaders-turn', lesson < LAST ? 1 : -1);
  await waitFor(() => expect(hands().spoken).toMatch(/^Leader’s turn to lesson \d\. \S/));
});

test('a figure is left out, and comes back at the first lesson that the arrow names', async () => {
  const { press, liesIn } = open();
  press('wrap', null);
  await liesIn('wrap', undefined);
  press('wrap', 1);
  await liesIn('wrap', 1);
});

test('no figure leaves the course at either end', async () => {
  const { press, liesIn, server, saved } = open();
  press('wrap', 20);
  await liesIn('wrap', LAST);
  press('wrap', 1);
  press('wrap', -20);
  await liesIn('wrap', 1);
  await saved();
  expect(server.orders).toHaveLength(2);
});

test('several that are chosen move together, as far as the one at the end can go, as one change', async () => {
  const { choose, press, hands, liesIn, lessonOf, server, saved } = open();
  const [wrap = 0, turn = 0] = [lessonOf('wrap'), lessonOf('left-turn')];
  choose('wrap', false);
  choose('left-turn', true);
  expect(hands().selection.ids).toEqual(['wrap', 'left-turn']);
  press('wrap', 20);
  await liesIn('wrap', LAST);
  await liesIn('left-turn', turn + LAST - wrap);
  await saved();
  expect(server.orders.map(({ command }) => command.kind === 'edit' && command.changes.length)).toEqual([2]);
});

test('who may only look moves nothing', async () => {
  const { press, lessonOf, server, saved, onMove } = open('teacher');
  const before = lessonOf('wrap');
  press('wrap', -1);
  await saved();
  expect(lessonOf('wrap')).toBe(before);
  expect(server.orders).toEqual([]);
  expect(onMove).not.toHaveBeenCalled();
});

test('choosing one lets the others go; chosen again beside others it is let go itself', () => {
  const { choose, hands } = open();
  choose('wrap', true);
  choose('gather', true);
  expect(hands().selection.last).toBe('gather');
  choose('gather', true);
  expect(hands().selection.ids).toEqual(['wrap']);
  choose('unwrap', false);
  expect(hands().selection.ids).toEqual(['unwrap']);
  act(() => hands().selection.choose(undefined));
  expect(hands().selection.last).toBeUndefined();
});

test('what the chosen figure needs, and what needs it, is marked', () => {
  const { chip, choose } = open();
  expect(chip('left-turn').state).toBe('calm');
  choose('wrap', false);
  expect(chip('left-turn').state).toBe('related');
  expect(chip('unwrap').state).toBe('related');
  expect(chip('gather').state).toBe('calm');
});

test('a proposal marks what it moves, and says from where', () => {
  const { chip, view } = open();
  const { saved } = view();
  act(() => view().preview(withPlaced(saved, { gather: 6 })));
  expect(chip('gather')).toMatchObject({
    lesson: 6,
    state: 'related',
    movedFrom: `lesson ${saved.placed['gather']}`,
  });
  expect(chip('left-turn').movedFrom).toBeUndefined();
});

test('a figure that the library does not have has no chip', () => {
  expect(open().hands().chipOf('nothing-of-the-kind')).toBeUndefined();
});

test('what was taught stands, and no arrow or drag brings a figure into an evening that is over', async () => {
  const { press, chip, hands, view, liesIn } = open('director', {
    inClass: mondayClass(),
    today: '2026-02-23',
  });
  const { library } = view();
  const saved = view().saved.placed;
  const past = Object.keys(saved).find(id => saved[id] === 2) ?? '';
  const next =
    Object.keys(saved).find(id => saved[id] === 3 && library.patterns.get(id)?.kind !== 'drill') ?? '';
  press(past, 1);
  await waitFor(() => expect(hands().spoken).toBe('Nothing moved. The first 2 lessons are over and stand.'));
  press(past, null);
  press(next, -1);
  expect([chip(past).lesson, chip(next).lesson]).toEqual([2, 3]);
  press(next, 1);
  await liesIn(next, 4);
  press(next, -3);
  await liesIn(next, 3);
});
