import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Studio } from '../model/document.ts';
import { log } from '../test/log.ts';
import { library, patterns, quay } from '../test/quay-course.ts';
import { dance, studio } from '../test/studio.ts';
import { draftRecap } from './draft.ts';

describe('the recap is drafted from the log', () => {
  const draft = (
    audience: 'students' | 'staff',
    counting?: Studio['counting'],
    localRules?: string,
    tellsOtherCounts = false,
    material = library,
  ) =>
    draftRecap({
      tellsOtherCounts,
      studio: { name: 'Test rooms', timezone: 'UTC', ...(counting && { counting }) },
      localRules,
      course: quay,
      library: material,
      lesson: 2,
      audience,
      logs: [
        log(1, 'walk', 'solid'),
        log(2, 'walk', 'shaky', { note: 'Arms.' }),
        log(2, 'sway', 'solid', { minutes: 7 }),
      ],
      introduced: ['sway', 'wheel'],
      next: ['wheel'],
    });

  test('students read what was reviewed, what is new in both parts, its fault and caution, home practice and next week', () => {
    const text = draft('students');
    expect(text).toContain('# Quay 1, lesson 2 of 5');
    expect(text).toContain('Tonight was about Sway. We went over Walk again.');
    expect(text).toContain('**Follower:** 1 right side · 2 left close · 3 right side · 4 left close');
    expect(text).toContain('Usual fault: too wide. Half the step.');
    expect(text).toMatch(/## Take care\n\n\*\*Sway\.\*\* /);
    expect(text).toContain('Hands: on 2 by the back.');
    expect(text).toMatch(
      /## Practise at home\n\nWalk and Sway, each twice in a row, until it meets the phrase: your own part/,
    );
    expect(text).toContain('# Quay 1, lesson 2 of 5\n\n*One*\n');
    expect(text).toContain('## Next time\n\nNext time, we come to Wheel.');
    expect(text).not.toContain('Arms.');
  });

  test.each([
    ['numbers', '1 2 3 4'],
    ['numbered', '1 2 3 4, 2 2 3 4'],
    ['slow-quick', 'Q Q Q Q'],
    ['words', 'side, close, side, close'],
    // It has no call of its own.
    ['call', '1 2 3 4'],
  ] as const)('a figure is counted as the house counts: in %s', (counting, words) => {
    expect(draft('students', counting)).toContain(`Counted **${words}**, 4 beats.`);
  });

  test('how another school counts it stands beside, where that is wished', () => {
    const beside = 'Counted **1 2 3 4**, 4 beats. Harbour hall counts it **5 6 7 8**.';
    expect(draft('students', 'numbers', undefined, true)).toContain(beside);
    expect(draft('students', 'numbers')).not.toContain('Harbour hall');
  });

  test('of two schools the house counts by the one that its dance names', () => {
    const inSchool = openLibrary(studio(patterns, { dances: [{ ...dance, school: 'Harbour hall' }] }));
    const text = draft('students', 'numbers', undefined, true, inSchool);
    expect(text).toContain('Counted **5 6 7 8**, 4 beats. Another school counts it **1 2 3 4**.');
    expect(text).toContain('**Leader:** 5 left side');
  });

  test('cautions point to the rules of the house', () => {
    expect(draft('students', 'numbers', 'They hang by the door.')).toMatch(
      /come first\. They hang by the door\./,
    );
  });

  test('the staff also read results, minutes, notes and what nobody logged', () => {
    const text = draft('staff');
    expect(text).toContain('- Walk: shaky. Arms.');
    expect(text).toContain('- Sway: solid, 7 min');
    expect(text).toContain('- Wheel: not logged');
  });

  test('the same log gives the same text', () => {
    expect(draft('staff')).toBe(draft('staff'));
  });
});
