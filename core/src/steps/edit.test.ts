import { describe, expect, test } from 'vitest';
import type { Pattern } from '../model/document.ts';
import { dance, figure } from '../test/studio.ts';
import {
  freeFootBefore,
  makePartNatural,
  makeStepNatural,
  naturalPartOf,
  putSteps,
  removeStep,
  rolesOf,
  writtenSteps,
} from './edit.ts';
import { readWrittenFigure } from './figure.ts';
import { findStepMend } from './mend.ts';

const read = (more: Partial<Pattern> = {}) => readWrittenFigure(figure('a', more), dance).figure;
const own = { lead: 'L fwd, R fwd, L fwd, R close', follow: 'R back, L back, R side, L close' };

describe('a part is changed step by step', () => {
  test('a step of the leader takes the natural follower along', () => {
    const changed = putSteps(read(), 'lead', 1, ['R side']);
    expect(changed.parts).toEqual({ lead: 'L fwd, R side, L fwd, R close', follow: 'opposite' });
  });

  test('several steps take the place of as many; beyond the end they are added', () => {
    expect(putSteps(read(), 'lead', 2, ['L back', 'R tap', 'R back']).parts).toMatchObject({
      lead: 'L fwd, R fwd, L back, R tap, R back',
    });
    expect(
      putSteps(read({ parts: { lead: 'L fwd', follow: 'opposite' } }), 'lead', 9, ['R fwd']).parts,
    ).toMatchObject({
      lead: 'L fwd, R fwd',
    });
  });

  test('a step of a natural follower makes the part the follower’s own, and natural again when it is', () => {
    const changed = putSteps(read(), 'follow', 2, ['R side']);
    expect(changed.parts).toEqual(own);
    expect(makeStepNatural(read({ parts: own }), 2).parts).toMatchObject({ follow: 'opposite' });
    expect(makePartNatural(read({ parts: own }), 'alike').parts).toMatchObject({ follow: 'alike' });
  });

  test('a step is taken away and those after it move up', () => {
    expect(removeStep(read(), 'lead', 0).parts).toMatchObject({ lead: 'R fwd, L fwd, R close' });
  });

  test('from an empty sheet the follower is natural to the hold: opposite face to face, the image side by side', () => {
    const { parts: _parts, ...empty } = figure('a');
    const sheet = readWrittenFigure(empty, dance).figure;
    expect(putSteps(sheet, 'lead', 0, ['L fwd']).parts).toEqual({ lead: 'L fwd', follow: 'opposite' });
    expect(naturalPartOf(read({ entry: ['beside'] }))).toBe('image');
    const solo = readWrittenFigure(empty, { ...dance, roles: 'solo' }).figure;
    expect(putSteps(solo, 'solo', 0, ['L tap']).parts).toEqual({ solo: 'L tap' });
    expect([rolesOf(dance), rolesOf(solo.dance)]).toEqual([['lead', 'follow'], ['solo']]);
  });

  test('what is written is told also where it is natural or cannot be read', () => {
    expect(writtenSteps(read(), 'follow')).toEqual(['R back', 'L back', 'R back', 'L close']);
    expect(writtenSteps(read({ parts: { lead: 'L fwd, glide', follow: 'opposite' } }), 'lead')).toEqual([
      'L fwd',
      'glide',
    ]);
  });

  test.each([
    ['lead', 0, 'any'],
    ['lead', 1, 'R'],
    ['follow', 0, 'R'],
    ['follow', 1, 'L'],
  ] as const)('before step %2$s of %1$s the free foot is told', (role, index, foot) => {
    expect(freeFootBefore(read(), role, index)).toBe(foot);
  });
});

describe('a fault has a mend where one leaves fewer faults', () => {
  const mend = (
    more: Partial<Pattern>,
    code: Parameters<typeof findStepMend>[1]['code'],
    ...path: (string | number)[]
  ) => findStepMend(read(more), { code, path });

  test.each([
    ['L fwd, L fwd, L fwd, R close', 1, 'step with the right foot', 'L fwd, R fwd, L fwd, R close'],
    [
      'L fwd, L fwd, R fwd, L close',
      1,
      'step with the right foot, and change feet from here on',
      'L fwd, R fwd, L fwd, R close',
    ],
  ])('%s: %3$s', (lead, step, words, mended) => {
    const found = mend({ parts: { lead, follow: 'opposite' } }, 'foot-carries-weight', 'parts', 'lead', step);
    expect([found?.words, found?.pattern.parts]).toEqual([words, { lead: mended, follow: 'opposite' }]);
    expect(readWrittenFigure(found?.pattern as Pattern, dance).faults).toEqual([]);
  });

  test('steps too many are taken away, steps too few cannot be guessed', () => {
    const found = mend({ rhythm: '1 2 3' }, 'step-count', 'parts', 'lead');
    expect([found?.words, found?.pattern.parts]).toEqual([
      'take the last step away',
      { lead: 'L fwd, R fwd, L fwd', follow: 'opposite' },
    ]);
    expect(mend({ rhythm: '1 2 3 4 5' }, 'step-count', 'parts', 'lead')).toBeUndefined();
  });

  test('an exit that the turns contradict becomes the hold they lead to', () => {
    const parts = { lead: 'L fwd, R fwd, L fwd, R close', follow: 'R back, L back, R back, L close +180' };
    const found = mend({ parts }, 'turn-against-hold', 'exit');
    expect([found?.words, found?.pattern.exit]).toEqual(['end in Beside', 'beside']);
    expect(mend({}, 'needs-level', 'needs', 0)).toBeUndefined();
  });
});
