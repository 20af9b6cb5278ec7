import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import { handDance, jettyFigure, jettyRequest } from '../test/sequences.ts';
import { choicePoint } from './choice-options.ts';

const dance = { ...handDance('spot', ['a', 'b']), phrase: 4 };
const library = openLibrary({
  dances: [dance],
  patterns: [
    jettyFigure('base', 'a>a L place, R place'),
    jettyFigure('long', 'a>a L place, R place, L place, R place'),
    jettyFigure('into', 'a>b L place, R place'),
    jettyFigure('turn', 'a>a L place, R place', { marks: [{ kind: 'signal', text: 'Hand up.' }] }),
  ],
});

test('after a basic: what goes, what meets the music, by which signal, until when', () => {
  const sequence = {
    ...{ dance, start: jettyRequest(library, 4).start, end: 'same' as const },
    steps: [{ pattern: 'base' }, { oneOf: ['turn', 'base'] }, { pattern: 'base' }, { pattern: 'base' }],
  };
  const { options, by } = choicePoint(library, sequence, { at: 1, among: ['turn', 'base', 'long', 'into'] });
  expect(options.map(({ pattern, goes, meets }) => [pattern, goes, meets])).toEqual([
    ['turn', true, true],
    ['base', true, true],
    ['long', true, false],
    ['into', false, true],
    [null, true, false],
  ]);
  expect(options[0]?.signals).toEqual(['Hand up.']);
  expect(by).toEqual({ pattern: 'base', count: '2' });
});
