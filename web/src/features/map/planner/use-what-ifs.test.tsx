// @vitest-environment happy-dom
import type { LeastMinutes, Placing, WhatIfAnswer } from '@map-step/core';
import { act, waitFor } from '@testing-library/react';
import { beforeEach, expect, test } from 'vitest';
import { renderInCourse, withPlaced } from '../../../test/in-course.tsx';
import { beginRun, type RunUnderTest } from '../../../test/run-under-test.ts';
import { usePlan } from '../../course/course-context.ts';
import { useWhatIfs } from './use-what-ifs.ts';

interface Asked extends RunUnderTest {
  readonly placed: Placing;
  readonly answer: (answer: WhatIfAnswer, done: number, of: number) => void;
  readonly least: (least: LeastMinutes | undefined) => void;
}

const asked: Asked[] = [];

const workers: NonNullable<Parameters<typeof useWhatIfs>[1]> = {
  warmPlanner: () => undefined,
  runWhatIfs: (_, placed, answer, least) => {
    const own = beginRun();
    asked.push({ ...own, placed, answer, least });
    return own.run;
  },
};

beforeEach(() => {
  asked.length = 0;
});
const without = (id: string) => ({ whatIf: { kind: 'without', id } }) as unknown as WhatIfAnswer;

function open() {
  const page = renderInCourse(() => {
    const { draft, preview } = usePlan();
    return { whatIfs: useWhatIfs(draft, workers), preview };
  });
  return { ...page, whatIfs: () => page.result.current.whatIfs, last: () => asked.at(-1) as Asked };
}

test('answers come one by one, with how many there are', async () => {
  const { whatIfs, last, view } = open();
  expect(whatIfs().progress).toBeUndefined();
  act(() => whatIfs().ask());
  expect(last().placed).toBe(view().draft);
  expect(whatIfs().progress).toEqual({ done: 0, of: 1 });
  act(() => last().answer(without('wrap'), 1, 2));
  act(() => last().answer(without('gather'), 2, 2));
  expect(whatIfs().answers).toEqual([without('wrap'), without('gather')]);
  expect(whatIfs().progress).toEqual({ done: 2, of: 2 });
  act(() => last().end());
  await waitFor(() => expect(whatIfs().progress).toBeUndefined());
  expect(whatIfs().answers).toHaveLength(2);
  expect(whatIfs().hasFailed).toBe(false);
});

test('an hour more that is not enough is told apart from what is not known', () => {
  const { whatIfs, last } = open();
  act(() => whatIfs().ask());
  expect(whatIfs().least).toBeUndefined();
  act(() => last().least(undefined));
  expect(whatIfs().least).toBeNull();
});

test('they are old as soon as the plan is another', () => {
  const { whatIfs, last, result, view } = open();
  act(() => whatIfs().ask());
  act(() => last().answer(without('wrap'), 1, 1));
  expect(whatIfs().isOld).toBe(false);
  act(() => result.current.preview(withPlaced(view().saved, { wrap: 2 })));
  expect(whatIfs().isOld).toBe(true);
  expect(whatIfs().answers).toHaveLength(1);
});

test('asked again, the first run is ended and heard no more', () => {
  const { whatIfs, last } = open();
  act(() => whatIfs().ask());
  const first = last();
  act(() => first.answer(without('wrap'), 1, 3));
  act(() => whatIfs().ask());
  expect(first.isStopped()).toBe(true);
  expect(whatIfs().answers).toEqual([]);
  act(() => first.answer(without('gather'), 2, 3));
  act(() => first.least(undefined));
  expect(whatIfs().answers).toEqual([]);
  expect(whatIfs().least).toBeUndefined();
});

test('stopped, it keeps what has been answered', () => {
  const { whatIfs, last } = open();
  act(() => whatIfs().ask());
  act(() => last().answer(without('wrap'), 1, 3));
  act(() => whatIfs().stop());
  expect(last().isStopped()).toBe(true);
  expect(whatIfs().progress).toBeUndefined();
  expect(whatIfs().answers).toHaveLength(1);
});

test('a worker that is gone is told', async () => {
  const { whatIfs, last } = open();
  act(() => whatIfs().ask());
  act(() => last().fail());
  await waitFor(() => expect(whatIfs().hasFailed).toBe(true));
  expect(whatIfs().progress).toBeUndefined();
  act(() => whatIfs().ask());
  expect(whatIfs().hasFailed).toBe(false);
});
