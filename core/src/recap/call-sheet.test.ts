import { expect, test } from 'vitest';
import { walkSequence } from '../sequences/walk.ts';
import { jettyLibrary, jettyRequest } from '../test/sequences.ts';
import { callSheet } from './call-sheet.ts';

const library = jettyLibrary({
  base: 'a>a L place, R place',
  long: 'a>a L place, R place, L place, R place',
});
const dance = library.dances.get('jetty');
if (!dance) throw new Error('no dance');
const { start } = jettyRequest(library, 8);
const steps = [{ pattern: 'base', times: 2 }, { pattern: 'long' }, { oneOf: ['long', null] }];
const walk = walkSequence(library, { dance, start, end: 'same', steps });

test('two eights, numbered: which of several it is, and what comes next before it comes', () => {
  const lines = callSheet(library, walk, { dance, counting: 'numbered', steps });
  expect(lines.map(({ phrase, figures }) => [phrase, figures.map(({ call, next }) => [call, next])])).toEqual(
    [
      [
        1,
        [
          ['1 2', undefined],
          ['2 2', 'LONG'],
          ['1 2 3 4', undefined],
        ],
      ],
      [2, [['2 2 3 4', undefined]]],
    ],
  );
});

test('a choice says what else may be set', () => {
  const [, second] = callSheet(library, walk, { dance, counting: 'words', steps });
  expect(second?.figures[0]).toMatchObject({ name: 'LONG', or: ['go on'] });
});

test('as the house counts it', () => {
  const [line] = callSheet(library, walk, { dance, counting: 'words', steps });
  expect(line?.figures[0]).toMatchObject({ name: 'BASE', call: 'place, place' });
});
