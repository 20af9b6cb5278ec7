import { describe, expect, test } from 'vitest';
import type { Section } from '../model/document.ts';
import { log } from '../test/log.ts';
import { laid } from '../test/plan-problems.ts';
import { library, quay } from '../test/quay-course.ts';
import { draftRecap } from './draft.ts';
import { draftRecaps, type FinishedLesson } from './draft-recaps.ts';
import type { RecapSource } from './recap-source.ts';

const people = [
  { id: 'ana', name: 'Ana Moor', role: 'teacher' as const },
  { id: 'pim', name: 'Pim Reed', role: 'teacher' as const },
];
const staff: Section['staff'] = [{ person: 'pim' }, { person: 'ana', from: '2026-02-09', to: '2026-02-09' }];
const DATES = ['2026-02-02', '2026-02-09', '2026-02-16', '2026-02-23', '2026-03-02'];

function staffText(more: Partial<FinishedLesson>): string {
  return draftRecaps({
    studio: { name: 'Test rooms', timezone: 'UTC' },
    ...{ course: quay, library, published: laid({ walk: 1, sway: 2, wheel: 3 }), lesson: 2 },
    ...{ logs: [log(1, 'walk'), log(2, 'sway')], recaps: [{ lesson: 1 }], staff, people, dates: DATES },
    ...more,
  }).staff;
}

describe('the staff read', () => {
  test('who stood in, and what of the evening is by them', () => {
    expect(staffText({})).toContain('- Ana Moor stood in and wrote the log.');
    expect(staffText({ marks: [{ by: 'ana' }, { by: 'ana' }, { by: 'pim' }] })).toContain(
      '- Ana Moor stood in, wrote the log and gave 2 marks.',
    );
    expect(staffText({ lesson: 1, logs: [log(1, 'walk')], recaps: [] })).not.toContain('stood in');
  });

  test('what was not reached comes first, before what the figures are', () => {
    const text = staffText({ logs: [log(1, 'walk'), log(2, 'sway', 'not-reached')] });
    expect(text).toContain('- First next time: go on with Sway (not reached).');
    expect(text.indexOf('## For the staff')).toBeLessThan(text.indexOf('## Next time'));
  });

  test('what the rest of the plan gives up for it, and why', () => {
    const text = (moved: RecapSource['moved']) =>
      draftRecap({
        ...{ studio: { name: 'Test rooms', timezone: 'UTC' }, course: quay, library, lesson: 2 },
        ...{ audience: 'staff', logs: [log(1, 'walk'), log(2, 'sway', 'not-reached')], next: ['sway'] },
        ...{ introduced: ['sway'], ...(moved && { moved }) },
      });
    expect(text([{ pattern: 'wheel', from: 3, to: 4 }])).toContain(
      '- The plan has moved, as Sway was not reached: Wheel from lesson 3 to 4.',
    );
    expect(text([{ pattern: 'wheel', from: 3, to: undefined }])).toContain('Wheel has no lesson any more.');
    // It comes next, which stands above.
    expect(text([{ pattern: 'sway', from: 2, to: 3 }])).not.toContain('The plan has moved');
  });
});
