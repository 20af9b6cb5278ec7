import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Log } from '../model/document.ts';
import { elementLog, log } from '../test/log.ts';
import { laid } from '../test/plan-problems.ts';
import { library, published, quay } from '../test/quay-course.ts';
import { course, dance, figure, studio } from '../test/studio.ts';
import { planClass } from './class-plan.ts';
import { classProgress, lessonsBehind, shakyFigures } from './progress.ts';
import { standingLogs } from './standing.ts';

describe('what a class has behind it', () => {
  test('a later entry stands in the place of the one it replaces', () => {
    const first = log(1, 'walk', 'shaky');
    const second = log(1, 'walk', 'solid', { replaces: first.id });
    expect(standingLogs([second, first])).toEqual([second]);
  });

  test('a lesson is behind when it has a recap, or when a later one is logged', () => {
    expect(lessonsBehind([log(1, 'walk', 'solid')], [])).toBe(0);
    expect(lessonsBehind([log(1, 'walk', 'solid')], [{ lesson: 1 }])).toBe(1);
    expect(lessonsBehind([log(3, 'walk', 'solid')], [])).toBe(2);
  });

  test('what was not reached is carried until it is reached', () => {
    const missed = [log(1, 'walk', 'solid'), log(2, 'sway', 'not-reached')];
    expect(classProgress({ logs: missed, recaps: [{ lesson: 2 }] }).carried).toEqual(['sway']);
    expect(classProgress({ logs: [...missed, log(3, 'sway', 'touched')], recaps: [{ lesson: 3 }] })).toEqual({
      lessons: 3,
      unwritten: [],
      taught: { walk: 1, sway: 3 },
      prepared: {},
      carried: [],
      begun: ['sway'],
      returned: {},
    });
  });

  test('what was not reached goes to the next lesson; all else stays where it was', () => {
    const events = {
      logs: [log(1, 'walk', 'solid'), log(2, 'sway', 'not-reached')],
      recaps: [{ lesson: 2 }],
    };
    const planned = planClass(library, quay, laid(published), events);
    expect(planned).toMatchObject({
      ok: true,
      value: { moved: ['sway'], answer: { placed: { walk: 1, sway: 3, wheel: 3 }, broken: [] } },
    });
  });

  describe('what was taught ahead', () => {
    const twice = openLibrary(
      studio(
        [
          figure('walk', { kind: 'basic', level: 'one' }),
          figure('gate', { level: 'one', entry: ['closed'], exit: 'closed' }),
        ],
        {
          dances: [{ ...dance, holds: [...dance.holds, { id: 'closed', name: 'Closed', contact: 'body' }] }],
        },
      ),
    );
    const own = {
      ...course([
        { pattern: 'walk', value: 'must' },
        { pattern: 'gate', value: 'must' },
      ]),
      ahead: true,
    };
    const followed = laid({ walk: 1, gate: 3 }, ['hold-closed']);
    const minutesOfGate = (logs: readonly Log[], over: number) => {
      const planned = planClass(twice, own, followed, { logs, recaps: [], over });
      if (!planned.ok) throw new Error(planned.fault.join());
      return [
        planned.value.answer.lessons[1]?.prepare.length,
        planned.value.answer.lessons[2]?.minutes['gate'],
      ];
    };

    test('costs its figure nothing once it was logged, or its evening went as planned; not reached it goes with the figure', () => {
      const [, alone] = minutesOfGate([], 0);
      const walked = [log(1, 'walk'), log(2, 'walk')];
      expect(minutesOfGate([...walked, elementLog(2, 'hold-closed')], 2)).toEqual([1, alone]);
      expect(minutesOfGate([log(1, 'walk')], 2)).toEqual([1, alone]);
      expect(minutesOfGate([...walked, elementLog(2, 'hold-closed', 'not-reached')], 2)).toEqual([
        0,
        (alone ?? 0) + 40,
      ]);
      expect(minutesOfGate(walked, 2)).toEqual([0, (alone ?? 0) + 40]);
    });
  });

  test('what was only touched comes back as new in the next lesson, with half its minutes, and is not reviewed there', () => {
    const whole = planClass(library, quay, laid(published), {
      logs: [log(1, 'walk', 'solid')],
      recaps: [{ lesson: 1 }],
    });
    const again = planClass(library, quay, laid(published), {
      logs: [log(1, 'walk', 'solid'), log(2, 'sway', 'touched')],
      recaps: [{ lesson: 2 }],
    });
    const [before, after] = [whole, again].map(plan => (plan.ok ? plan.value.answer : undefined));
    const full = before?.lessons[1]?.minutes['sway'] ?? 0;
    expect(after?.placed['sway']).toBe(3);
    expect(after?.lessons[2]?.minutes['sway']).toBe(Math.ceil(full / 2));
    expect(after?.lessons[2]?.reviews.map(({ id }) => id)).not.toContain('sway');
  });

  test('the minutes of each lesson are the same before and after it is finished, also of what was touched and came back', () => {
    const plan = (logs: Parameters<typeof planClass>[3]['logs'], lessons: number) => {
      const planned = planClass(library, quay, laid(published), { logs, recaps: [{ lesson: lessons }] });
      if (!planned.ok) throw new Error(planned.fault.join());
      return planned.value.answer.lessons;
    };
    const told = (lessons: ReturnType<typeof plan>) =>
      lessons.map(({ minutes, reviews, new: fresh, review }) => ({ minutes, reviews, fresh, review }));
    const first = [log(1, 'walk')];
    const touched = [...first, log(2, 'sway', 'touched')];
    const [before, begun] = [plan(first, 1), plan(touched, 2)];
    expect(told(begun).slice(0, 2)).toEqual(told(before).slice(0, 2));
    const back = plan([...touched, log(3, 'sway'), log(3, 'wheel')], 3);
    expect(told(back)).toEqual(told(begun));
    const twice = plan([...touched, log(3, 'sway', 'touched'), log(3, 'wheel'), log(4, 'sway')], 4);
    expect(twice[3]?.minutes['sway']).toBe(begun[2]?.minutes['sway']);
  });

  describe('an evening of which nobody wrote', () => {
    const first = { logs: [log(1, 'walk')], recaps: [{ lesson: 1 }] };
    const plan = (history: Parameters<typeof planClass>[3]) => {
      const planned = planClass(library, quay, laid(published), history);
      if (!planned.ok) throw new Error(planned.fault.join());
      return planned.value;
    };

    test('is taken as planned: the plan goes on after it, and says so', () => {
      const { progress, supposed, moved, answer } = plan({ ...first, over: 2 });
      expect([progress.lessons, progress.unwritten, supposed]).toEqual([2, [2], { sway: 2 }]);
      expect(progress.taught).toEqual({ walk: 1, sway: 2 });
      expect([moved, answer.placed, answer.broken]).toEqual([[], published, []]);
    });

    test('and so are two in a row, and all to the end of the course, though there are more evenings than lessons', () => {
      expect(plan({ ...first, over: 3 }).supposed).toEqual({ sway: 2, wheel: 3 });
      for (const over of [5, 7]) expect(plan({ ...first, over }).progress.lessons).toBe(5);
    });

    test('stays taken as planned though a later evening had no time to review its figures', () => {
      const missed = [...first.logs, log(3, 'sway', 'not-reached'), log(3, 'wheel')];
      const { supposed, progress, moved } = plan({ logs: missed, recaps: [...first.recaps, { lesson: 3 }] });
      expect([supposed, progress.carried, moved]).toEqual([{ sway: 2 }, [], []]);
    });

    test('what was carried into it, or begun before it, is taken as danced there', () => {
      for (const result of ['not-reached', 'touched'] as const) {
        const logs = [...first.logs, log(2, 'sway', result)];
        const { progress, supposed } = plan({ logs, recaps: [{ lesson: 2 }], over: 3 });
        expect([supposed['sway'], progress.carried, progress.begun]).toEqual([3, [], []]);
      }
    });

    test('is nothing any more once something is written of it', () => {
      const logs = [...first.logs, log(2, 'sway', 'not-reached')];
      const { progress, supposed, answer } = plan({ ...first, logs, over: 2 });
      expect([progress.unwritten, supposed, answer.placed['sway']]).toEqual([[], {}, 3]);
    });
  });

  test('a class that was taught as planned keeps the published plan', () => {
    const planned = planClass(library, quay, laid(published), {
      logs: [log(1, 'walk', 'solid')],
      recaps: [{ lesson: 1 }],
    });
    expect(planned).toMatchObject({ ok: true, value: { moved: [], answer: { placed: published } } });
  });
});

test('a figure is shaky when it was so the last time, whatever it was before', () => {
  const logs = [
    log(1, 'walk', 'shaky'),
    log(2, 'walk', 'solid'),
    log(1, 'sway', 'solid'),
    log(3, 'sway', 'shaky'),
  ];
  expect(shakyFigures(logs)).toEqual(['sway']);
});
