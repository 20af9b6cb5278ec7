import { describe, expect, test } from 'vitest';
import { findContradictions } from './contradictions.ts';

interface Entry {
  readonly id: string;
  readonly by: string;
  readonly says: string;
  readonly replaces?: string;
}

describe('contradictions', () => {
  const x = { id: 'x', by: 'ana', says: 'solid' };
  const unseen = { id: 'y', by: 'ben', says: 'shaky' };
  const open = (...entries: Entry[]) =>
    findContradictions(
      entries,
      () => 'walk',
      ({ says }) => says,
    ).map(({ newest, unseen: others }) => [newest.id, ...others.map(({ id }) => id)]);

  test.each<[string, Entry[], string[][]]>([
    ['one entry is nobody’s contradiction', [x], []],
    ['different results by two who had not seen each other', [x, unseen], [['y', 'x']]],
    ['the same result twice is none', [x, { ...unseen, says: 'solid' }], []],
    ['a correction of what was seen is none', [x, { ...unseen, replaces: 'x' }], []],
    ['nobody contradicts themselves', [x, { ...unseen, by: 'ana' }], []],
    [
      'a decision over the newest settles it',
      [x, unseen, { id: 'z', by: 'cy', says: 'solid', replaces: 'y' }],
      [],
    ],
    [
      'a correction of one that had not seen the other leaves it open',
      [x, unseen, { id: 'x2', by: 'ana', says: 'touched', replaces: 'x' }],
      [['x2', 'y']],
    ],
    [
      'two taps without a connection after a colleague’s are still unseen by each other',
      [x, { ...unseen, id: 'y1' }, { ...unseen, id: 'y2', says: 'touched' }],
      [['y2', 'x']],
    ],
    [
      'an entry that names one which never came has seen nothing',
      [x, { ...unseen, replaces: 'gone' }],
      [['y', 'x']],
    ],
  ])('%s', (_, entries, expected) => {
    expect(open(...entries)).toEqual(expected);
  });

  test('subjects are told apart', () => {
    const entries = [x, unseen].map((entry, index) => ({ ...entry, on: `figure ${index}` }));
    expect(
      findContradictions(
        entries,
        ({ on }) => on,
        ({ says }) => says,
      ),
    ).toEqual([]);
  });
});
