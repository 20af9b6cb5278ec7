import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import { course, figure, studio } from '../test/studio.ts';
import { levelSheet } from './level-sheet.ts';

const document = studio([
  figure('basic', { kind: 'basic', level: 'one' }),
  figure('walk', { level: 'two', needs: ['basic'] }),
  figure('dip', { level: 'two', marks: [{ kind: 'caution', code: 'dip', text: '' }] }),
  figure('drill', { kind: 'drill', level: 'two' }),
]);
const level = {
  ...{ library: openLibrary(document), studio: document.studio, audience: 'students' as const },
  course: course(
    [
      { pattern: 'walk', value: 'must', gate: true },
      { pattern: 'dip', value: 'should' },
      { pattern: 'drill', value: 'should' },
    ],
    { name: 'Quay 2', level: 'two' },
  ),
  placed: { walk: 1, drill: 1, dip: 3 },
};

test('for students: what they can do afterwards, what comes when, what the check asks, what to take care of', () => {
  expect(levelSheet(level)).toBe(`# Quay 2

5 lessons of 60 minutes.

You dance these already: basic.

## Afterwards you can

- dance without being prompted: walk
- dance most of these: dip

## Lesson by lesson

1. walk and drill
2. nothing new
3. dip
4. nothing new
5. everything once more

## What the check asks

Each of these: walk.

These too: dip.

It looks at the steps; the timing; dancing it with a partner; how it is done; and keeping it at speed, with music.

## Take care

**dip.** Dips: own balance first; the supported partner carries their own weight. Ask before, never by surprise, never on a crowded floor or after drinking.

*Usual cautions, not medical or legal advice: the venue’s rules, local codes and licensed professionals come first.*
`);
});

test('for the staff: the minutes of each lesson, and in which ways each figure is looked at', () => {
  const lesson = { capacity: 300, introduce: [], prepare: [], reviews: [], minutes: {} };
  const lessons = [
    { ...lesson, new: 250, review: 20 },
    { ...lesson, new: 310, review: 0 },
  ];
  const text = levelSheet({ ...level, lessons, audience: 'staff' });
  expect(text).toContain('1. walk and drill *(25 min new, 2 of reviews, 3 free)*');
  expect(text).toContain('2. nothing new *(31 min new, 0 of reviews, 1 over)*');
  expect(text).toContain('- dip: the steps, the timing and dancing it with a partner');
});

test('a level of which nothing is planned yet says so little', () => {
  const text = levelSheet({ ...level, course: course([]), placed: {} });
  expect(text).not.toContain('Afterwards');
  expect(text).not.toContain('check asks');
});
