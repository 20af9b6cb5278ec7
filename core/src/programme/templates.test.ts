import { describe, expect, test } from 'vitest';
import { checkDocument } from '../library/check-document.ts';
import { FORMAT } from '../model/document.ts';
import { lessonCapacity } from '../plan/build-problem.ts';
import { danceBeats } from '../steps/figure.ts';
import { parseRhythm } from '../timing/rhythm.ts';
import { RHYTHM_TEMPLATES, usualLessons } from './templates.ts';

describe.each(RHYTHM_TEMPLATES)('$words', ({ id, example, dance }) => {
  const own = { ...dance, id, name: id };

  test('is a whole dance', () => {
    const document = { format: FORMAT, studio: { name: 'S', timezone: 'UTC' }, dances: [own] };
    expect(checkDocument(document).problems).toEqual([]);
  });

  test('its example is a rhythm of it', () => {
    const rhythm = parseRhythm(example, {
      slow: danceBeats(own, 'slow'),
      quick: danceBeats(own, 'quick'),
      split: own.split,
      cycle: own.countCycle,
    });
    expect(rhythm.ok && rhythm.value.beats === null).toBe(id === 'no-timing');
    expect(rhythm.ok).toBe(true);
  });
});

describe('the usual lessons', () => {
  test('an hour, and a last one that checks', () => {
    const [first, last] = usualLessons(2, 60, 'series');
    expect(first?.fixed).toEqual({ arrive: 3, warmUp: 5, recall: 6, combine: 6, dance: 7, recap: 3 });
    expect(last?.fixed.check).toBe(12);
  });

  test('an open course checks nothing', () => {
    expect(usualLessons(4, 45, 'open').every(({ fixed }) => fixed.check === undefined)).toBe(true);
  });

  test.each([30, 45, 60, 75, 90, 120])(
    '%i minutes leave at least half of it to teach, and half a lesson at the end',
    minutes => {
      const [first, last] = usualLessons(2, minutes, 'series').map(lessonCapacity);
      expect(first).toBeGreaterThanOrEqual(minutes * 5);
      expect(last).toBeGreaterThanOrEqual(minutes * 2);
    },
  );
});
