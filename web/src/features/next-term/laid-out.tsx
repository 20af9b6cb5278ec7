import { chakra } from '@chakra-ui/react';
import type { TermAnswer } from '@map-step/contract';
import {
  type BrokenOfTimetable,
  judgeTimetable,
  type PlacedClass,
  type Timetable,
  type TimetableRequest,
} from '@map-step/core';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Notice } from '../../ui/notice.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { MakeTerm } from './make-term.tsx';
import type { TimetableNames } from './timetable-names.ts';

interface LaidOutProps {
  readonly request: TimetableRequest;
  readonly timetable: Timetable;
  readonly names: TimetableNames;
  readonly courses: TermAnswer['courses'];
  readonly today: string;
}

/** A timetable as it was laid out, to be moved by hand; what is broken is named, and then it becomes classes. */
export function LaidOut({ request, timetable, names, courses, today }: LaidOutProps) {
  const [placed, setPlaced] = useState(timetable.placed);
  const danceOf = (level: string) => names.levels.find(({ id }) => id === level)?.dance ?? level;
  const { broken, cost } = judgeTimetable(request, placed, danceOf);
  const nameOf = (among: readonly { readonly id: string; readonly name: string }[], id: string) =>
    among.find(one => one.id === id)?.name ?? id;
  const classOf = ({ level, n }: Pick<PlacedClass, 'level' | 'n'>) =>
    `${nameOf(names.levels, level)}${countOf(request, level) > 1 ? ` (${n})` : ''}`;
  const days = [...new Set(request.slots.map(({ day }) => day))];
  const order = placed
    .map((one, at) => ({ one, at }))
    .toSorted(
      (a, b) => days.indexOf(a.one.day) - days.indexOf(b.one.day) || a.one.start.localeCompare(b.one.start),
    );
  const move = (at: number, more: Partial<PlacedClass>) =>
    setPlaced(placed.map((one, index) => (index === at ? { ...one, ...more } : one)));
  return (
    <chakra.div display="grid" gap="3">
      <p>
        <strong>
          {placesInWords(timetable)} {broken.length === 0 && knownInWords(timetable, cost)}
        </strong>
      </p>
      {timetable.left.length > 0 && (
        <Notice tone="now" title="Without a place">
          <chakra.ul pl="5">
            {timetable.left.map(one => (
              <li key={`${one.level} ${one.n}`}>
                {classOf(one)}: {one.why}.
                {one.would && ` It would have one with ${inNames(one.would, names)}.`}
              </li>
            ))}
          </chakra.ul>
        </Notice>
      )}
      {broken.length > 0 && (
        <Notice tone="stop" title="What this breaks">
          <chakra.ul pl="5">
            {broken.map(one => (
              <li key={`${one.code} ${one.at.join()}`}>{brokenInWords(one, placed, classOf, names)}</li>
            ))}
          </chakra.ul>
        </Notice>
      )}
      <GridTable look="fields" heads={['Class', 'Day', 'Begins', 'Room', 'Teacher']}>
        {order.map(({ one, at }) => (
          <TableRow key={`${one.level} ${one.n}`}>
            <TableCell>{classOf(one)}</TableCell>
            <TableCell>
              <Choice
                {...{ label: `Day of ${classOf(one)}`, hidesLabel: true, size: 'small', width: '9rem' }}
                value={one.day}
                among={days.map(day => ({ value: day, words: day }))}
                set={day => move(at, { day })}
              />
            </TableCell>
            <TableCell>
              <TextField
                {...{ label: `Begin of ${classOf(one)}`, hidesLabel: true, type: 'time', step: 900 }}
                value={one.start}
                onChange={event => event.target.value && move(at, { start: event.target.value })}
              />
            </TableCell>
            <TableCell>
              <Choice
                {...{ label: `Room of ${classOf(one)}`, hidesLabel: true, size: 'small', width: '10rem' }}
                value={one.room}
                among={names.rooms.map(({ id, name }) => ({ value: id, words: name }))}
                set={room => move(at, { room })}
              />
            </TableCell>
            <TableCell>
              <Choice
                {...{ label: `Teacher of ${classOf(one)}`, hidesLabel: true, size: 'small', width: '11rem' }}
                value={one.person}
                among={request.staff.map(({ person }) => ({
                  value: person,
                  words: nameOf(names.people, person),
                }))}
                set={person => move(at, { person })}
              />
            </TableCell>
          </TableRow>
        ))}
      </GridTable>
      <MakeTerm placed={placed} courses={courses} names={names} today={today} isBroken={broken.length > 0} />
    </chakra.div>
  );
}

function countOf({ classes }: TimetableRequest, level: string): number {
  return classes.reduce((sum, one) => sum + (one.level === level ? one.times : 0), 0);
}

function placesInWords({ placed, left }: Timetable): string {
  return `${placed.length} of ${placed.length + left.length} classes have a place.`;
}

/** What is known of a timetable that breaks nothing. */
function knownInWords({ proven, bound }: Timetable, cost: number): string {
  if (cost <= bound) return proven ? 'No timetable is better.' : '';
  return `A better one may be ${Math.round((cost - bound) * 10) / 10} points away.`;
}

/** Ids of a sentence of the core as the house calls them. */
function inNames(text: string, { rooms, people }: TimetableNames): string {
  return [...rooms, ...people].reduce(
    (words, { id, name }) => words.replace(new RegExp(`(^|\\s)${id}(?=\\s|$)`), `$1${name}`),
    text,
  );
}

function brokenInWords(
  { code, at }: BrokenOfTimetable,
  placed: readonly PlacedClass[],
  classOf: (one: PlacedClass) => string,
  { rooms, people }: TimetableNames,
): string {
  const own = at.flatMap(index => placed[index] ?? []);
  const [first] = own;
  if (!first) return '';
  const classes = own.map(classOf).join(' and ');
  const person = people.find(({ id }) => id === first.person)?.name ?? first.person;
  const room = rooms.find(({ id }) => id === first.room)?.name ?? first.room;
  switch (code) {
    case 'room':
      return `${classes} meet in ${room} on ${first.day}, or have no quarter of an hour between them.`;
    case 'person':
      return `${person} would teach ${classes} at the same time.`;
    case 'level':
      return `${person} does not teach ${classes}.`;
    case 'away':
      return `${person} is not there on ${first.day} at ${first.start}, for ${classes}.`;
    case 'closed':
      return `${room} is not open for ${classes} on ${first.day} at ${first.start}.`;
    case 'most':
      return `${person} would teach ${own.length} classes, more than wished: ${classes}.`;
    default:
      return code satisfies never;
  }
}
