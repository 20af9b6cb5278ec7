import { expect, test } from 'vitest';
import { log } from '../test/log.ts';
import { LATER_CASES, NOTE_CASES, type NoteCase } from '../test/note-cases.ts';
import { contradictingNotes } from './contradicting-notes.ts';

const isFound = ([result, note]: NoteCase) =>
  contradictingNotes([log(1, 'wrap', result, { note })], 1).length === 1;

test('of the hundred notes that the rule was written on none is told wrongly', () => {
  expect(NOTE_CASES).toHaveLength(100);
  expect(NOTE_CASES.filter(one => isFound(one) !== one[2])).toEqual([]);
});

test('of forty that came later nine contradictions of twenty are found, and nobody is asked without cause', () => {
  const contradicting = LATER_CASES.filter(([, , contradicts]) => contradicts);
  expect([LATER_CASES.length, contradicting.length, contradicting.filter(isFound).length]).toEqual([
    40, 20, 9,
  ]);
  expect(LATER_CASES.filter(one => !one[2] && isFound(one))).toEqual([]);
});

test('only the lesson that is asked for, and only what stands', () => {
  const first = log(1, 'wrap', 'solid', { note: 'We stopped at one turn.' });
  const later = log(1, 'wrap', 'touched', { note: 'We stopped at one turn.' });
  expect(contradictingNotes([first], 2)).toEqual([]);
  expect(contradictingNotes([first, later], 1)).toEqual([]);
});
