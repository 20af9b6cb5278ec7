import { openLibrary } from '../library/library.ts';
import { course, figure, studio } from './studio.ts';

/** Three figures, a course of them, and its published plan. */
export const patterns = [
  figure('walk', { kind: 'basic', level: 'one', name: 'Walk' }),
  figure('sway', {
    otherCounts: [{ school: 'Harbour hall', rhythm: '5 6 7 8' }],
    kind: 'basic',
    level: 'one',
    name: 'Sway',
    parts: { lead: 'L side, R close, L side, R close', follow: 'opposite' },
    marks: [
      { event: 1, kind: 'hold', text: 'by the back' },
      { kind: 'fault', text: 'Too wide.', cure: 'Half the step.' },
      { kind: 'caution', text: '', code: 'space' },
    ],
  }),
  figure('wheel', { level: 'one', name: 'Wheel', needs: ['walk'], lookalikes: ['walk'] }),
];
export const library = openLibrary(studio(patterns));
export const quay = course([
  { pattern: 'walk', value: 'must' },
  { pattern: 'sway', value: 'must' },
  { pattern: 'wheel', value: 'should' },
]);
export const published = { walk: 1, sway: 2, wheel: 3 };
