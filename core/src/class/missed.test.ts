import { expect, test } from 'vitest';
import type { Attendance } from '../model/document.ts';
import { log } from '../test/log.ts';
import { missedFigures } from './missed.ts';

let count = 0;
const entry = (lesson: number) => {
  count += 1;
  return { id: `id-${count}`, section: 's', lesson, by: 'p', at: `2026-01-0${lesson}T10:00:00Z` };
};
const seen = (lesson: number, student: string, here: boolean): Attendance => ({
  ...entry(lesson),
  ...{ student, here, role: 'lead' },
});

test('who was away lacks what was danced only then', () => {
  const logs = [
    log(1, 'walk'),
    log(2, 'turn'),
    log(2, 'wrap', 'not-reached'),
    log(3, 'turn'),
    log(3, 'wrap'),
  ];
  const attendance = [
    seen(1, 'ana', false),
    seen(2, 'ana', true),
    seen(2, 'ben', false),
    seen(3, 'cy', false),
  ];
  expect(missedFigures(logs, attendance)).toEqual(
    new Map([
      ['ana', ['walk']],
      ['cy', ['wrap']],
    ]),
  );
});

test('who was said to be away by mistake lacks nothing', () => {
  expect(missedFigures([log(1, 'walk')], [seen(1, 'ana', false), seen(1, 'ana', true)])).toEqual(new Map());
});
