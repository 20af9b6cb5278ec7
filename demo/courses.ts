// The courses beside Hustle 1, and where their figures lie: planned once, looked over, and kept.
import type { Course, CourseItem, Pattern } from '@map-step/core';
import { shownAhead } from './ahead.ts';
import { hustleLevel2, hustleLevel3 } from './hustle-higher.ts';
import { placed } from './placed.ts';
import { quickstepPatterns } from './quickstep.ts';

const itemsOf = (patterns: readonly Pattern[], more: readonly CourseItem[] = []): CourseItem[] => [
  ...more,
  ...patterns.map(
    ({ id, kind }): CourseItem => ({ pattern: id, value: kind === 'pattern' ? 'should' : 'must' }),
  ),
];

export const hustle2Course: Course = {
  id: 'hustle-2',
  dances: ['hustle'],
  level: 'hustle-2',
  name: 'Hustle 2',
  format: 'series',
  approach: 'one-change',
  lookalikes: 'together',
  ...shownAhead('hustle-2'),
  goal: 'social',
  lessons: Array.from({ length: 8 }, () => ({
    minutes: 60,
    fixed: { arrive: 3, warmUp: 5, recall: 8, combine: 8, dance: 10, recap: 3 },
  })),
  items: itemsOf(hustleLevel2, [
    { pattern: 'free-spin', value: 'should' },
    { pattern: 'hand-change', value: 'must' },
    { pattern: 'handshake-pass', value: 'should' },
    { pattern: 'cradle-walk', value: 'should' },
  ]),
  placed: placed(
    'cradle-walk back-check',
    'hand-change handshake-pass',
    'shadow shadow-out',
    'alternating-turn hammerlock',
    'hammerlock-out',
    'double-turn',
    'free-spin',
  ),
};

export const hustle3Course: Course = {
  id: 'hustle-3',
  dances: ['hustle'],
  level: 'hustle-3',
  name: 'Hustle 3',
  format: 'series',
  approach: 'whole-part-whole',
  lookalikes: 'apart',
  ...shownAhead('hustle-3'),
  goal: 'show',
  // A class that shows dances every evening through.
  weights: { stuck: 20 },
  lessons: Array.from({ length: 6 }, () => ({
    minutes: 75,
    fixed: { arrive: 3, warmUp: 7, recall: 8, combine: 10, dance: 12, recap: 4 },
  })),
  items: itemsOf(hustleLevel3),
  placed: placed(
    'one-hand-sequence rail-drill',
    'cuddle-roll cuddle-out',
    'shadow-walk',
    'take-both basket basket-out',
    'supported-lean',
  ),
};

export const quickstep2Course: Course = {
  id: 'quickstep-2',
  dances: ['quickstep'],
  level: 'quickstep-2',
  name: 'Quickstep 2',
  format: 'series',
  approach: 'one-change',
  lookalikes: 'apart',
  ...shownAhead('quickstep-2'),
  lessons: Array.from({ length: 6 }, () => ({
    minutes: 60,
    fixed: { arrive: 3, warmUp: 5, recall: 6, combine: 8, dance: 12, recap: 3 },
  })),
  items: itemsOf(quickstepPatterns.filter(({ level }) => level === 'quickstep-2')),
  placed: placed(
    'hesitation four-quick-run',
    'half-natural tipple-chasse change-of-direction',
    'backward-lock running-finish',
    'natural-spin-turn',
    'walk-from-line',
  ),
};

export const tapOpenCourse: Course = {
  id: 'tap-open',
  dances: ['tap'],
  level: 'tap-1',
  name: 'Tap open door',
  format: 'open',
  approach: 'steps-first',
  lookalikes: 'apart',
  lessons: Array.from({ length: 4 }, () => ({
    minutes: 45,
    fixed: { arrive: 3, warmUp: 6, combine: 6, dance: 9, recap: 2 },
  })),
  items: ['toe-taps', 'heel-digs', 'shuffle-step', 'grapevine-touch', 'paddle-turn'].map(pattern => ({
    pattern,
    value: 'must',
  })),
  placed: placed('toe-taps shuffle-step', 'heel-digs', 'grapevine-touch', 'paddle-turn'),
};
