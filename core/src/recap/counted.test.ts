import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Pattern, Studio } from '../model/document.ts';
import { figure, studio } from '../test/studio.ts';
import { alsoCalled, countedBy } from './counted.ts';

function counted(
  rhythm: string,
  lead: string,
  counting: Studio['counting'],
  more: Partial<Pattern> = {},
): string {
  const own = figure('own', { rhythm, parts: { lead, follow: 'opposite' }, ...more });
  const read = openLibrary(studio([own])).readings.get('own')?.figure;
  return read ? `${countedBy(read, counting)}${alsoCalled(read, counting)}` : 'unread';
}
const HELD = ['1 2 3 (4)', 'L back, R place, L close'] as const;
const PICK_UP = ['&1 2 3', 'L back, R replace, L side, R close', { beats: 3 }] as const;

test.each<[Studio['counting'], string, string]>([
  ['numbers', '1 2 3 (4)', '& 1 2 3'],
  // The first count says which of several in a row it is.
  ['numbered', '1 2 3 (4), 2 2 3 (4)', '& 1 2 3, & 2 2 3'],
  ['words', 'back, place, close, (4)', 'and back, replace, side, close'],
])('in %s rests and pick-ups are kept', (counting, held, pickUp) => {
  const [rhythm, lead, more] = PICK_UP;
  expect(counted(...HELD, counting)).toBe(held);
  expect(counted(rhythm, lead, counting, more)).toBe(pickUp);
});

test('a rhythm of slows and quicks is counted in numbers where the house counts so, and called beside', () => {
  const steps = 'L fwd, R side, L close, R back';
  expect(counted('SQQS', steps, 'numbers')).toBe('1 3 4 5 (slow, quick, quick, slow)');
  expect(counted('Q Q Q Q', steps, undefined)).toBe('1 2 3 4 (quick, quick, quick, quick)');
  expect(counted('SQQS', steps, 'slow-quick')).toBe('S Q Q S');
});
