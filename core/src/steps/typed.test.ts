import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Dance } from '../model/document.ts';
import { dance } from '../test/studio.ts';
import { readWrittenFigure } from './figure.ts';
import { namedRuns } from './pieces.ts';
import { printStep, splitPart } from './step.ts';
import { readTypedSteps, suggestSteps } from './typed.ts';
import type { FreeFoot } from './weight.ts';
import { actionInWords } from './words.ts';

const withPieces: Dance = {
  ...dance,
  pieces: [
    { id: 'triple', name: 'Side triple', rhythm: '1&2', steps: 'L side, R close, L side +90' },
    { id: 'broken', name: 'Broken', rhythm: '1 2', steps: 'L glide' },
  ],
  actions: [{ id: 'drag', weight: 'none' }],
};
const typed = (text: string, free: FreeFoot = 'L', inDance = withPieces) => {
  const steps = readTypedSteps(text, { dance: inDance, free });
  return steps.ok ? steps.value.map(printStep).join(', ') : steps.fault;
};

describe('what is typed into a cell', () => {
  test.each<[string, FreeFoot, string]>([
    ['L fwd', 'L', 'L fwd'],
    ['fwd', 'R', 'R fwd'],
    ['f', 'any', 'L fwd'],
    ['b', 'R', 'R back'],
    ['r', 'R', 'R replace'],
    ['r fwd', 'L', 'R fwd'],
    ['right back', 'L', 'R back'],
    ['R side +90', 'R', 'R side +90'],
    ['+90 s', 'L', 'L +90 side'],
    ['s small +90', 'L', 'L side small +90'],
    ['forward, side, close', 'L', 'L fwd, R side, L close'],
    ['t, f', 'L', 'L tap, L fwd'],
    ['hop', 'L', 'R hop'],
    ['hop', 'both', 'L hop'],
    ['land, f, f', 'L', 'B land, L fwd, R fwd'],
    ['cross in front', 'L', 'L cross-front'],
    ['left diagonally forward small', 'R', 'L diag-fwd small'],
    ['drag', 'R', 'R drag'],
    ['dr', 'R', 'R drag'],
    ['xf', 'R', 'R cross-front'],
    ['xb, lb', 'R', 'R cross-behind, L lock-behind'],
    ['-90 df small', 'L', 'L -90 diag-fwd small'],
    ['dip', 'R', 'L dip'],
    ['scsbr', 'L', 'L side, R close, L side, R back, L replace'],
    ['fxbc, f', 'L', 'L fwd, R cross-behind, L close, R fwd'],
    ['br', 'L', 'L brush'],
    ['triple', 'L', 'L side, R close, L side +90'],
    ['side triple, f', 'R', 'R side, L close, R side +90, L fwd'],
    ['', 'L', ''],
  ])('"%s" with %s free is %s', (text, free, part) => {
    expect(typed(text, free)).toBe(part);
  });

  test.each([
    ['x', /^"x" is no action here; there are fwd, back, .* and more$/],
    ['hopp', /^"hopp" is no action here; there are hop\b/],
    ['right', /^what does the foot do\? write fwd, back, side …$/],
    ['fwd quickly', /^"quickly" is not understood in "L fwd quickly"; after the action stand small, /],
  ])('"%s" is told: %s', (text, fault) => {
    expect(typed(text)).toMatch(fault);
  });

  test('a piece begun on the other foot turns back in a solo dance', () => {
    expect(typed('triple', 'R', { ...withPieces, roles: 'solo' })).toBe('R side, L close, R side -90');
  });

  test('the words of a part of alternating feet read back as the part', () => {
    const action = fc.constantFrom(
      'fwd',
      'back',
      'cross-front',
      'diag-back',
      'lock-behind',
      'close',
      'pivot',
    );
    fc.assert(
      fc.property(
        fc.array(action, { minLength: 1 }),
        fc.constantFrom<FreeFoot>('L', 'R'),
        (actions, first) => {
          const part = actions.map(
            (id, index) => `${(index % 2 === 0) === (first === 'L') ? 'L' : 'R'} ${id}`,
          );
          expect(typed(actions.map(actionInWords).join(', '), first)).toBe(part.join(', '));
        },
      ),
      { seed: 41, numRuns: 200 },
    );
  });
});

describe('what a beginning can become', () => {
  test.each<[string, FreeFoot, readonly string[]]>([
    ['', 'L', ['L drag', 'L fwd', 'L back']],
    ['b', 'R', ['R back', 'R brush']],
    ['r', 'L', ['L replace', 'R rise']],
    ['r ', 'L', ['R drag', 'R fwd', 'R back']],
    ['d', 'R', ['R drag', 'R diag-fwd', 'R diag-back']],
    ['db', 'R', ['R diag-back']],
    ['f, scs', 'L', ['L side, R close, L side']],
    ['l lock', 'R', ['L lock-behind', 'L lock-front']],
    ['+90 f', 'L', ['L +90 fwd', 'L +90 flick']],
    ['fwd, c', 'L', ['L close', 'L cross-behind', 'L cross-front']],
    ['tri', 'L', ['Side triple']],
    ['fwd small', 'L', []],
  ])('"%s" with %s free', (text, free, found) => {
    expect(suggestSteps(text, { dance: withPieces, free }).slice(0, 3)).toEqual(found);
  });
});

describe('pieces are read as one word', () => {
  test('on either foot, in their own time only', () => {
    const steps = 'L side, R close, L side +90, R side, L close, R side +90, L side, R close, L side';
    const pattern = {
      id: 'p',
      dance: 'quay',
      name: 'P',
      kind: 'pattern' as const,
      rhythm: '1&2 3&4 5 6 7',
      parts: { solo: steps },
    };
    const alike = readWrittenFigure(pattern, { ...withPieces, roles: 'solo' });
    const part = alike.figure.parts[0];
    if (!part) throw new Error('no part');
    expect(splitPart(steps)).toHaveLength(9);
    expect(namedRuns(withPieces, part)).toEqual([
      { name: 'Side triple', from: 0, to: 3 },
      { name: 'Side triple', from: 3, to: 6 },
    ]);
    expect(namedRuns({ ...withPieces, roles: 'solo' }, part)).toEqual([
      { name: 'Side triple', from: 0, to: 3 },
    ]);
  });
});
