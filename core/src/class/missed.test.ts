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

test('who was away lacks what was new then', () => {
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
      ['ben', ['turn']],
      ['cy', ['wrap']],
    ]),
  );
});

test('who was said to be away by mistake lacks nothing', () => {
  expect(missedFigures([log(1, 'walk')], [seen(1, 'ana', false), seen(1, 'ana', true)])).toEqual(new Map());
});

test('a review does not stand in for the evening on which a figure was new', () => {
  const logs = [log(1, 'walk'), log(2, 'walk')];
  expect(missedFigures(logs, [seen(1, 'ana', false)])).toEqual(new Map([['ana', ['walk']]]));
});

test('what was begun one evening and finished the next was seen on either', () => {
  const logs = [log(1, 'walk', 'touched'), log(2, 'walk'), log(3, 'walk')];
  expect(missedFigures(logs, [seen(1, 'ana', false)])).toEqual(new Map());
  expect(missedFigures(logs, [seen(1, 'ana', false), seen(2, 'ana', false)]).get('ana')).toEqual(['walk']);
});

test('who joined late lacks what came before', () => {
  const joining = {
    students: [
      { student: 'ana', role: 'lead' as const },
      { student: 'ben', role: 'follow' as const, from: '2026-03-03' },
    ],
    dates: ['2026-02-23', '2026-03-02', '2026-03-09'],
  };
  const logs = [log(1, 'walk'), log(2, 'turn'), log(3, 'wrap')];
  expect(missedFigures(logs, [], joining)).toEqual(new Map([['ben', ['walk', 'turn']]]));
});
