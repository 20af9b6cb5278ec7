import { expect, test } from 'vitest';
import type { Check, Log, Mark } from '../model/document.ts';
import { storyInWords, studentStory } from './student-story.ts';

const at = '2026-03-02T19:00:00Z';
const section = {
  id: 'quay',
  dates: ['2026-03-02', '2026-03-09', '2026-03-16'],
  students: [
    { student: 'ida', role: 'lead' as const },
    { student: 'jo', role: 'follow' as const, from: '2026-03-16' },
  ],
};
const log = (pattern: string, lesson: number, result: Log['result'] = 'solid'): Log => ({
  ...{ id: `${pattern} ${lesson}`, section: 'quay', lesson, pattern, result, by: 'bram', at },
});
const present = (student: string, lesson: number, here: boolean) => ({
  ...{
    id: `${student} ${lesson}`,
    section: 'quay',
    lesson,
    student,
    role: 'lead' as const,
    here,
    by: 'bram',
    at,
  },
});
const mark = (pattern: string, value: Mark['mark']): Mark => ({
  ...{ id: pattern, student: 'ida', role: 'lead', pattern, layer: 'steps', mark: value, by: 'bram', at },
});
const check: Check = {
  ...{ id: 'final', section: 'quay', kind: 'final', date: '2026-03-16' },
  items: [
    { pattern: 'wrap', layers: ['steps'], gate: true },
    { pattern: 'pass', layers: ['steps'], gate: false },
  ],
  marks: [mark('wrap', 2), mark('pass', 1)],
};
const known = {
  section,
  logs: [log('wrap', 1), log('pass', 2), log('turn', 3), log('dip', 3, 'not-reached')],
  attendance: [present('ida', 2, false), present('ida', 1, true)],
  checks: [check],
};

test('what was danced on evenings that somebody was at, what they were away for, and what the check said', () => {
  const story = studentStory('ida', known);
  expect(story).toMatchObject({ evenings: 3, there: 2, had: ['wrap', 'turn'], lacks: ['pass'] });
  expect(story.check?.told.result).toBe('nearly');
  // Came later, and was not marked.
  const late = studentStory('jo', known);
  expect(late).toEqual({ section: 'quay', evenings: 1, there: 1, had: ['turn'], lacks: ['wrap', 'pass'] });
});

test('in words for the student', () => {
  const words = storyInWords('Ida K', [{ ...studentStory('ida', known), name: 'Quay 1' }], id => `The ${id}`);
  expect(words).toBe(`# Ida K

## Quay 1

You were there on 2 of 3 evenings.

You danced The wrap and The turn.

You were away when these were new: The pass.

**You are nearly there: one figure more will do.**

This you can do: The wrap.

Practise this:

- The pass: the steps.
`);
});
