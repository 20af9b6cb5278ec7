import { expect, test } from 'vitest';
import { printAsked, printSlots, printStaff, readAsked, readSlots, readStaff } from './timetable-lines.ts';

const levels = [
  { id: 'one', name: 'Hustle 1' },
  { id: 'two', name: 'Hustle 2' },
];
const rooms = [{ id: 'loft', name: 'Sail Loft' }];
const people = [{ id: 'bram', name: 'Bram Okoro' }];
const hours = { day: 'Monday', from: '18:00', to: '22:00' };

test('what is printed reads back equal', () => {
  const asked = [{ level: 'one', times: 2, minutes: 60 }];
  expect(readAsked(printAsked(asked, levels), levels)).toEqual({ ok: true, value: asked });
  const slots = [{ room: 'loft', day: 'Monday', start: '18:00', end: '24:00' }];
  expect(readSlots(`${printSlots(slots, rooms)}\n\n`, rooms)).toEqual({ ok: true, value: slots });
  const staff = [
    { person: 'bram', levels: ['one', 'two'], free: [hours, { ...hours, day: 'Friday' }], most: 3 },
  ];
  expect(readStaff(printStaff(staff, people, levels), people, levels)).toEqual({ ok: true, value: staff });
});

test.each([
  [() => readAsked('Hustle 1: two', levels), 'Line 1: write it as “Hustle 1: 2 of 60 min”.'],
  [() => readAsked('\nTap 9: 2 of 60 min', levels), 'Line 2: there is no level “Tap 9”.'],
  [() => readSlots('Sail Loft, Monday 22:00-18:00', rooms), 'Line 1: from 22:00 to 18:00 is no time.'],
  [() => readSlots('Sail Loft, Monday 18:00-25:00', rooms), 'Line 1: from 18:00 to 25:00 is no time.'],
  [
    () => readStaff('Bram Okoro: Hustle 1; Monday evening; at most 3', people, levels),
    'Line 1: “Monday evening” is no day with its hours.',
  ],
  [
    () => readStaff('Ida K: Hustle 1; Monday 18:00-22:00; at most 3', people, levels),
    'Line 1: there is no person “Ida K”.',
  ],
  [
    () =>
      readStaff(
        'Bram Okoro: Hustle 1; Monday 18:00-22:00; at most 3\nBram Okoro: Hustle 2; Friday 18:00-22:00; at most 1',
        people,
        levels,
      ),
    'Line 2: Bram Okoro stands in an earlier line.',
  ],
])('a line that cannot be read is told with its number: %#', (read, fault) => {
  expect(read()).toEqual({ ok: false, faults: [fault] });
});
