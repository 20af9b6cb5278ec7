import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Log, LogResult, Studio } from '../model/document.ts';
import { library, patterns, published, quay } from '../test/quay-course.ts';
import { dance, studio } from '../test/studio.ts';
import { planClass } from './class-plan.ts';
import { classProgress, lessonsBehind, shakyFigures, standingLogs } from './progress.ts';
import { draftRecap } from './recap-draft.ts';
import { shareOut } from './shares.ts';

let count = 0;
const nextId = () => {
  count += 1;
  return `id-${count}`;
};
const log = (lesson: number, pattern: string, result: LogResult, more: Partial<Log> = {}): Log => ({
  id: nextId(),
  section: 's',
  lesson,
  pattern,
  result,
  by: 'p',
  at: `2026-01-0${lesson}T10:00:0${count % 10}Z`,
  ...more,
});

describe('minutes are shared by the largest remainder', () => {
  test.each([
    [10, [1, 1, 1], [4, 3, 3]],
    [7, [5, 3], [4, 3]],
    [60, [35, 25], [35, 25]],
    [5, [0, 0], [5, 0]],
    [3, [], []],
  ])('%d over %j is %j', (total, weights, shares) => {
    expect(shareOut(total, weights)).toEqual(shares);
  });

  test('shares always add up', () => {
    fc.assert(
      fc.property(
        fc.nat({ max: 500 }),
        fc.array(fc.nat({ max: 90 }), { minLength: 1, maxLength: 12 }),
        (total, weights) => {
          expect(shareOut(total, weights).reduce((sum, share) => sum + share, 0)).toBe(total);
        },
      ),
      { seed: 9 },
    );
  });
});

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
    expect(classProgress(missed, [{ lesson: 2 }]).carried).toEqual(['sway']);
    expect(classProgress([...missed, log(3, 'sway', 'touched')], [{ lesson: 3 }])).toEqual({
      lessons: 3,
      taught: { walk: 1, sway: 3 },
      carried: [],
      begun: ['sway'],
    });
  });

  test('what was not reached goes to the next lesson; all else stays where it was', () => {
    const events = {
      logs: [log(1, 'walk', 'solid'), log(2, 'sway', 'not-reached')],
      recaps: [{ lesson: 2 }],
    };
    const planned = planClass(library, quay, published, events);
    expect(planned).toMatchObject({
      ok: true,
      value: { moved: ['sway'], answer: { placed: { walk: 1, sway: 3, wheel: 3 }, broken: [] } },
    });
  });

  test('what was only touched comes back as new in the next lesson, with half its minutes, and is not reviewed there', () => {
    const whole = planClass(library, quay, published, {
      logs: [log(1, 'walk', 'solid')],
      recaps: [{ lesson: 1 }],
    });
    const again = planClass(library, quay, published, {
      logs: [log(1, 'walk', 'solid'), log(2, 'sway', 'touched')],
      recaps: [{ lesson: 2 }],
    });
    const [before, after] = [whole, again].map(plan => (plan.ok ? plan.value.answer : undefined));
    const full = before?.lessons[1]?.minutes['sway'] ?? 0;
    expect(after?.placed['sway']).toBe(3);
    expect(after?.lessons[2]?.minutes['sway']).toBe(Math.ceil(full / 2));
    expect(after?.lessons[2]?.reviews.map(({ id }) => id)).not.toContain('sway');
  });

  test('a class that was taught as planned keeps the published plan', () => {
    const planned = planClass(library, quay, published, {
      logs: [log(1, 'walk', 'solid')],
      recaps: [{ lesson: 1 }],
    });
    expect(planned).toMatchObject({ ok: true, value: { moved: [], answer: { placed: published } } });
  });
});

describe('the recap is drafted from the log', () => {
  const draft = (
    audience: 'students' | 'staff',
    counting?: Studio['counting'],
    localRules?: string,
    tellsOtherCounts = false,
    material = library,
  ) =>
    draftRecap({
      tellsOtherCounts,
      studio: { name: 'Test rooms', timezone: 'UTC', ...(counting && { counting }) },
      localRules,
      course: quay,
      library: material,
      lesson: 2,
      audience,
      logs: [
        log(1, 'walk', 'solid'),
        log(2, 'walk', 'shaky', { note: 'Arms.' }),
        log(2, 'sway', 'solid', { minutes: 7 }),
      ],
      introduced: ['sway', 'wheel'],
      next: ['wheel'],
    });

  test('students read what was reviewed, what is new in both parts, its fault and caution, home practice and next week', () => {
    const text = draft('students');
    expect(text).toContain('# Quay 1, lesson 2 of 5');
    expect(text).toContain('## Reviewed\n\n- Walk\n');
    expect(text).toContain('**Follower:** 1 right side · 2 left close · 3 right side · 4 left close');
    expect(text).toContain('Usual fault: Too wide. Cure: Half the step.');
    expect(text).toContain('**Take care.**');
    expect(text).toContain(
      '## Practise at home\n\n- Sway: first without music, then with music\n- Walk: first without music, then with music\n',
    );
    expect(text).toContain('*Quay · One · week 2 of 5*');
    expect(text).toContain('## Still to come\n\n- Wheel');
    expect(text).toContain('## Next week\n\n- Wheel');
    expect(text).not.toContain('Arms.');
  });

  test.each([
    ['numbers', '1 2 3 4'],
    ['numbered', '1 2 3 4, 2 2 3 4'],
    ['slow-quick', 'Q Q Q Q'],
    ['words', 'side, close, side, close'],
    // It has no call of its own.
    ['call', '1 2 3 4'],
  ] as const)('a figure is counted as the house counts: in %s', (counting, words) => {
    expect(draft('students', counting)).toContain(`Counted **${words}**, 4 beats.`);
  });

  test('how another school counts it stands beside, where that is wished', () => {
    const beside = 'Counted **1 2 3 4**, 4 beats. Harbour hall counts it **5 6 7 8**.';
    expect(draft('students', 'numbers', undefined, true)).toContain(beside);
    expect(draft('students', 'numbers')).not.toContain('Harbour hall');
  });

  test('of two schools the house counts by the one that its dance names', () => {
    const inSchool = openLibrary(studio(patterns, { dances: [{ ...dance, school: 'Harbour hall' }] }));
    const text = draft('students', 'numbers', undefined, true, inSchool);
    expect(text).toContain('Counted **5 6 7 8**, 4 beats. Another school counts it **1 2 3 4**.');
    expect(text).toContain('**Leader:** 5 left side');
  });

  test('cautions point to the rules of the house', () => {
    expect(draft('students', 'numbers', 'They hang by the door.')).toMatch(
      /come first\. They hang by the door\./,
    );
  });

  test('the staff also read results, minutes, notes and what nobody logged', () => {
    const text = draft('staff');
    expect(text).toContain('- Walk: shaky. Arms.');
    expect(text).toContain('- Sway: solid, 7 min');
    expect(text).toContain('- Wheel: not logged');
  });

  test('the same log gives the same text', () => {
    count = 0;
    const first = draft('staff');
    count = 0;
    expect(draft('staff')).toBe(first);
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
