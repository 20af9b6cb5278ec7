import { chakra } from '@chakra-ui/react';
import { weeklyDates } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { Choice } from '../../ui/choice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { dayInWords } from '../course/class-words.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import type { ClassLayout } from './class-draft.ts';

interface ClassEveningsProps {
  readonly layout: ClassLayout;
  readonly lessons: number;
  put(more: Partial<ClassLayout>): void;
  /** Where the hand goes first. */
  readonly takesFocus?: boolean;
}

const NO_ROOM = '-';

/** The hour, the room and the evenings: a week apart, with the studio's holidays passed over; each can be moved. */
export function ClassEvenings({ layout, lessons, put, takesFocus = false }: ClassEveningsProps) {
  const { data: studio } = useQuery(studioQuery);
  const { dates, start, room } = layout;
  const rooms = (studio?.rooms ?? []).map(({ id, name, length, width }) => ({
    value: id,
    words: `${name}, ${length} × ${width} m`,
  }));
  return (
    <chakra.section aria-label="Evenings" display="grid" gap="3">
      <chakra.div display="flex" gap="3" alignItems="end" flexWrap="wrap">
        <chakra.div width="8rem">
          <TextField
            label="Begins at"
            type="time"
            value={start}
            autoFocus={takesFocus}
            onChange={event => event.target.value && put({ start: event.target.value })}
          />
        </chakra.div>
        {rooms.length > 0 ? (
          <Choice
            label="Room"
            width="16rem"
            value={room ?? NO_ROOM}
            among={[{ value: NO_ROOM, words: 'none yet' }, ...rooms]}
            set={next => put({ room: next === NO_ROOM ? undefined : next })}
          />
        ) : (
          <Label>
            No room yet. <Link to="/studio?part=rooms">Add a room</Link>
          </Label>
        )}
        <Weekly layout={layout} lessons={lessons} put={put} />
      </chakra.div>
      <chakra.div display="flex" gap="2" flexWrap="wrap">
        {Array.from({ length: Math.max(lessons, dates.length) }, (_, index) => (
          <chakra.div key={`date-${index + 1}`} width="10rem">
            <TextField
              label={`Lesson ${index + 1}${index >= lessons ? ', not in the course' : ''}`}
              type="date"
              value={dates[index] ?? ''}
              disabled={index > dates.length}
              onChange={event =>
                isDay(event.target.value) &&
                put({ dates: [...dates.slice(0, index), event.target.value, ...dates.slice(index + 1)] })
              }
            />
          </chakra.div>
        ))}
      </chakra.div>
      {(layout.cancelled ?? []).map(({ date, why }) => (
        <Label key={date}>
          Called off: {dayInWords(date)}, {why}
        </Label>
      ))}
    </chakra.section>
  );
}

function Weekly({ layout: { dates }, lessons, put }: ClassEveningsProps) {
  const { data: studio } = useQuery(studioQuery);
  const [first, setFirst] = useState<string>();
  const start = first ?? dates[0] ?? '';
  const proposed = weeklyDates(start, lessons, studio?.holidays ?? []);
  const isSame = proposed.dates.join() === dates.join();
  const isWhole = proposed.dates.length === lessons;
  const last = proposed.dates.at(-1);
  return (
    <>
      <chakra.div width="10rem">
        <TextField
          label="Weekly from"
          type="date"
          value={start}
          onChange={event => {
            setFirst(event.target.value);
            const next = weeklyDates(event.target.value, lessons, studio?.holidays ?? []);
            // A class without evenings takes them as soon as the first is known.
            if (dates.length === 0 && isDay(event.target.value) && next.dates.length === lessons)
              put({ dates: next.dates });
          }}
        />
      </chakra.div>
      {!isSame && isWhole && (
        <Button onClick={() => put({ dates: proposed.dates })}>
          Set {lessons} evenings, until {last ? dayInWords(last) : '…'}
        </Button>
      )}
      {isWhole && proposed.skipped.length > 0 && (
        <Label>
          {isSame ? 'Passed over' : 'They would pass over'}:{' '}
          {proposed.skipped.map(({ date, name }) => `${dayInWords(date)} (${name})`).join(', ')}
        </Label>
      )}
    </>
  );
}

/** A year is typed digit by digit, and is one only at its end. */
function isDay(text: string): boolean {
  return /^(19|20|21)\d\d-/.test(text);
}
