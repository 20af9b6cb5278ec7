import { expect, test } from 'vitest';
import type { Mark } from '../model/document.ts';
import { openSecondLooks, partnersSeen } from './observations.ts';

let made = 0;
const mark = (by: string, minute: number, more: Partial<Mark> = {}): Mark => ({
  id: `0b9c1b1e-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  student: 'alba',
  role: 'lead',
  pattern: 'wrap',
  layer: 'partner',
  mark: 1,
  by,
  at: `2026-03-09T19:${String(minute).padStart(2, '0')}:00Z`,
  ...more,
});
const asked = (marks: readonly Mark[]) =>
  openSecondLooks(marks).map(({ mark: { by }, asked: at }) => [by, at.slice(11, 16)]);

test('a second look is open until somebody else marks the cell after it was asked for', () => {
  const first = mark('bram', 1, { lookAgain: true });
  expect(asked([first])).toEqual([['bram', '19:01']]);
  expect(asked([mark('suki', 0), first])).toEqual([['bram', '19:01']]);
  expect(asked([first, mark('suki', 2)])).toEqual([]);
  expect(asked([first, mark('suki', 2, { pattern: 'gather' })])).toEqual([['bram', '19:01']]);
});

test('a marker who marks again does not ask anew, and takes it back by marking without asking', () => {
  const first = mark('bram', 1, { lookAgain: true });
  const look = mark('suki', 2);
  expect(asked([first, look, mark('bram', 3, { mark: 2, lookAgain: true })])).toEqual([]);
  expect(asked([first, mark('bram', 3, { mark: 2 })])).toEqual([]);
});

test('second looks stand in the order in which they were asked for', () => {
  const later = mark('bram', 9, { lookAgain: true });
  const sooner = mark('bram', 4, { pattern: 'gather', lookAgain: true });
  expect(asked([later, sooner])).toEqual([
    ['bram', '19:04'],
    ['bram', '19:09'],
  ]);
});

test('partners are told once each, of the candidate’s role, and of partnering only', () => {
  const marks = [
    mark('bram', 1, { with: 'kit' }),
    mark('suki', 2, { with: 'kit', pattern: 'gather' }),
    mark('bram', 3, { with: 'nell' }),
    mark('bram', 4, { with: 'rue', layer: 'steps' }),
    mark('bram', 5, { with: 'pia', role: 'follow' }),
    mark('bram', 6),
  ];
  expect(partnersSeen(marks, { student: 'alba', role: 'lead' })).toEqual(['kit', 'nell']);
});
