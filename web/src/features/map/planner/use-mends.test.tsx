// @vitest-environment happy-dom
import type { Placing } from '@map-step/core';
import { act } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { renderInCourse, withPlaced } from '../../../test/in-course.tsx';
import type { MendsOfRule } from '../../../workers/plan.worker.ts';
import { usePlan } from '../../course/course-context.ts';
import { useMends } from './use-mends.ts';

interface Question {
  readonly placed: Placing;
  readonly answer: (mends: readonly MendsOfRule[]) => void;
  readonly fail: () => void;
}

const questions: Question[] = [];

const findMends: NonNullable<Parameters<typeof useMends>[2]> = (_, placed) =>
  new Promise((answer, reject) => {
    questions.push({ placed, answer, fail: () => reject(new Error('the worker is gone')) });
  });

beforeEach(() => {
  questions.length = 0;
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

const MEND: MendsOfRule = [{ kind: 'move', moves: { wrap: 6 } }];

function open(isWanted = true) {
  const page = renderInCourse(() => {
    const { draft, preview } = usePlan();
    return { mends: useMends(draft, isWanted, findMends), preview };
  });
  const lay = (lesson: number) =>
    act(() => page.result.current.preview(withPlaced(page.view().saved, { wrap: lesson })));
  const wait = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));
  return { ...page, lay, wait, mends: () => page.result.current.mends };
}

test('nothing is asked of a plan in which nothing is broken', async () => {
  const { wait, mends, view } = open();
  expect(view().draft.judgement?.broken).toEqual([]);
  await wait(2000);
  expect(questions).toEqual([]);
  expect(mends()).toEqual([]);
});

test('while the moves follow each other nothing is asked; then once, of the plan that stands', async () => {
  const { lay, wait, mends, view } = open();
  lay(1);
  await wait(200);
  lay(2);
  await wait(399);
  expect(questions).toEqual([]);
  await wait(1);
  expect(questions.map(({ placed }) => placed.placed)).toEqual([view().draft.placed]);
  await act(async () => questions[0]?.answer([MEND]));
  expect(mends()).toEqual([MEND]);
});

test('what mends an older plan is not shown for a newer one', async () => {
  const { lay, wait, mends } = open();
  lay(1);
  await wait(500);
  lay(2);
  await act(async () => questions[0]?.answer([MEND]));
  expect(mends()).toEqual([]);
});

test('when the worker is gone there are no mends, and no more than that', async () => {
  const { lay, wait, mends } = open();
  lay(1);
  await wait(500);
  await act(async () => questions[0]?.fail());
  expect(mends()).toEqual([]);
});

test('for who may only look nothing is asked', async () => {
  const { lay, wait } = open(false);
  lay(1);
  await wait(2000);
  expect(questions).toEqual([]);
});
