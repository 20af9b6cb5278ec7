import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import { figure, studio } from '../test/studio.ts';
import type { Readiness } from './readiness.ts';
import { studentWords } from './student-words.ts';

const library = openLibrary(
  studio([
    figure('walk', { name: 'Walk' }),
    figure('wrap', {
      name: 'Wrap',
      marks: [
        { kind: 'cue', text: 'Arms low.' },
        { kind: 'fault', text: 'Too wide.', cure: 'Half the step.' },
      ],
    }),
  ]),
);
const told = (more: Partial<Readiness>): Readiness => ({
  ...{ student: 'ana', role: 'lead', result: 'nearly', passed: ['walk'], open: [], missing: [], enough: 1 },
  ...{ asked: 4, marked: 4 },
  ...more,
});
const missing = [
  { pattern: 'wrap', layer: 'timing' as const },
  { pattern: 'wrap', layer: 'partner' as const },
];
const words = (more: Partial<Readiness>, before?: Readiness) =>
  studentWords({ library, course: 'Quay 1', kind: 'final', told: told(more), before });

test('nearly there: what is missing in plain words, with the figure’s cue and usual fault, and no number of a mark', () => {
  const text = words({ missing }) ?? '';
  expect(text).toContain('# Quay 1, final check');
  expect(text).toContain('one figure more will do');
  expect(text).toContain('- **Wrap**: the timing and dancing it with a partner.');
  expect(text).toContain('Think of: “Arms low.”');
  expect(text).toContain('Watch for: Too wide. Half the step.');
  expect(text).toContain('## This you can do\n\n- Walk');
  expect(text).not.toMatch(/[02-9]/);
});

test.each([
  ['ready', /ready for the next level/],
  ['repeat', /once more/],
] as const)('%s is said so', (result, expected) => {
  expect(words({ result })).toMatch(expected);
});

test('what came since half-way is told; where too little was marked nothing is said', () => {
  const before = told({ passed: [], result: 'repeat' });
  expect(words({ result: 'ready' }, before)).toContain('## New since half-way\n\nWalk.');
  expect(words({ result: 'unseen' })).toBeUndefined();
  const lost = words({ missing, passed: [], open: ['wrap'] }, told({ passed: ['wrap'] }));
  expect(lost).toContain('## No longer there since half-way\n\nWrap.');
});

test('all that is open is named, also what the verdict does not count', () => {
  const open = ['wrap', 'walk'];
  expect(words({ missing, passed: [], open })).toMatch(
    /one figure more will do[\s\S]*## After that\n\nWalk\./,
  );
  expect(words({ result: 'ready', passed: ['walk'], open: ['wrap'] })).toContain(
    'not needed for it\n\nWrap.',
  );
});
