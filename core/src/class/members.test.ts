import { expect, test } from 'vitest';
import { membersOn } from './members.ts';

const section = {
  students: [
    { student: 'ana', role: 'lead' as const, to: '2026-03-15' },
    { student: 'ana', role: 'follow' as const, from: '2026-03-16' },
    { student: 'ben', role: 'lead' as const, from: '2026-03-09' },
    { student: 'cy', role: 'lead' as const, to: '2026-03-09' },
  ],
};

test.each([
  ['before anybody entered or left', '2026-03-02', ['ana lead', 'cy lead']],
  ['on the first day of one and the last of another', '2026-03-09', ['ana lead', 'ben lead', 'cy lead']],
  ['after a change of role', '2026-03-16', ['ana follow', 'ben lead']],
  ['without a date those who have not left', undefined, ['ana follow', 'ben lead']],
])('%s', (_, date, expected) => {
  expect(membersOn(section, date).map(({ student, role }) => `${student} ${role}`)).toEqual(expected);
});
