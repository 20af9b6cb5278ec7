// @vitest-environment happy-dom
import type { FoundPlan, Placing } from '@map-step/core';
import { act, waitFor } from '@testing-library/react';
import { beforeEach, expect, test } from 'vitest';
import { renderInCourse, withPlaced } from '../../../test/in-course.tsx';
import { beginRun, type RunUnderTest } from '../../../test/run-under-test.ts';
import { usePlanner } from './use-planner.ts';

/** A planner that finds what the test says. */
interface Run extends RunUnderTest {
  readonly start: Placing;
  readonly tell: (found: FoundPlan) => void;
}

const runs: Run[] = [];

const workers: NonNullable<Parameters<typeof usePlanner>[0]> = {
  warmPlanner: () => undefined,
  runPlanner: (_, start, __, tell) => {
    const own = beginRun();
    runs.push({ ...own, start, tell });
    return own.run;
  },
};

beforeEach(() => {
  runs.length = 0;
});
function open() {
  const page = renderInCourse(() => usePlanner(workers));
  const planner = () => page.result.current;
  const run = () => runs.at(-1) as Run;
  /** A plan that lays one figure elsewhere. */
  const plan = (lesson: number, cost = 10) => {
    const plan = withPlaced(page.view().saved, { wrap: lesson });
    return { ...plan, cost, bound: 0, proven: false } as unknown as FoundPlan;
  };
  const finds = async (lesson: number, cost?: number) => {
    const found = plan(lesson, cost);
    act(() => run().tell(found));
    await waitFor(() => expect(planner().found).toBe(found));
  };
  return {
    ...page,
    planner,
    run,
    plan,
    finds,
    boardShows: (lesson: number | undefined) => waitFor(() => expect(page.lessonOf('wrap')).toBe(lesson)),
  };
}

test('it begins with the plan that stands, and once at a time', () => {
  const { planner, run, view } = open();
  act(() => planner().start());
  act(() => planner().start());
  expect(runs).toHaveLength(1);
  expect(run().start).toEqual(view().saved);
  expect(planner().isRunning).toBe(true);
  expect(planner().found).toBeUndefined();
});

test('each better plan is shown on the board, and the plan as it is at a word', async () => {
  const { planner, finds, boardShows, lessonOf } = open();
  const before = lessonOf('wrap');
  act(() => planner().start());
  await finds(3);
  await boardShows(3);
  await finds(2);
  await boardShows(2);
  act(() => planner().show(false));
  await boardShows(before);
  expect(planner().found).toBeDefined();
});

test('while the plan as it is is shown a better one does not change the board; then it shows the best', async () => {
  const { planner, finds, boardShows, lessonOf } = open();
  const before = lessonOf('wrap');
  act(() => planner().start());
  await finds(3);
  act(() => planner().show(false));
  await finds(2);
  await boardShows(before);
  act(() => planner().show(true));
  await boardShows(2);
});

test('stopped, it keeps what it found, and hears no more of that run', async () => {
  const { planner, run, finds, plan, boardShows } = open();
  act(() => planner().start());
  await finds(3);
  const stopped = run();
  act(() => planner().stop());
  expect(stopped.isStopped()).toBe(true);
  expect(planner().isRunning).toBe(false);
  const { found } = planner();
  act(() => stopped.tell(plan(2)));
  expect(planner().found).toBe(found);
  await boardShows(3);
});

test('put away, the board shows the plan as it is, and another run may begin', async () => {
  const { planner, finds, boardShows, lessonOf } = open();
  const before = lessonOf('wrap');
  act(() => planner().start());
  await finds(3);
  act(() => planner().dismiss());
  await boardShows(before);
  expect(planner().found).toBeUndefined();
  act(() => planner().start());
  expect(runs).toHaveLength(2);
});

test.each([
  ['ends', (run: Run) => run.end()],
  ['fails', (run: Run) => run.fail()],
])('when it %s by itself what was found stands', async (_, settle) => {
  const { planner, run, finds } = open();
  act(() => planner().start());
  await finds(3);
  act(() => settle(run()));
  await waitFor(() => expect(planner().isRunning).toBe(false));
  expect(planner().found).toBeDefined();
});

test('a room that is left takes its planner along', () => {
  const { planner, run, unmount } = open();
  act(() => planner().start());
  unmount();
  expect(run().isStopped()).toBe(true);
});
