import { expect, test } from 'vitest';
import { log } from '../test/log.ts';
import { eveningByLog } from './evening-by-log.ts';

test.each([
  ['not reached before', 'not-reached', ['wrap']],
  ['touched before', 'touched', ['wrap']],
  ['shaky before', 'shaky', []],
  ['solid before', 'solid', []],
] as const)('what was %s and is danced tonight is new: %s', (_, before, fresh) => {
  expect(eveningByLog([log(1, 'wrap', before), log(2, 'wrap', 'solid')], 2).fresh).toEqual(fresh);
});

test('what was to come, and what came besides, is sorted by what became of it', () => {
  const logs = [
    log(2, 'wrap', 'touched'),
    log(2, 'turn', 'solid'),
    log(2, 'spin', 'not-reached'),
    log(1, 'walk', 'solid'),
  ];
  const evening = eveningByLog([...logs, log(2, 'walk', 'shaky')], 2, ['wrap', 'spin', 'cross']);
  expect(evening).toMatchObject({
    fresh: ['turn'],
    begun: ['wrap'],
    missed: ['spin', 'cross'],
    known: ['walk'],
  });
  expect(evening.reviewed.map(({ pattern }) => pattern)).toEqual(['walk']);
});
