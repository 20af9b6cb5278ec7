import { chakra } from '@chakra-ui/react';
import { type CancelledEvening, type CourseLesson, cancelEvening, type Placed } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Choice, optionsOf } from '../../ui/choice.tsx';
import { OneOf } from '../../ui/one-of.tsx';
import { Button } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { dayInWords } from '../course/class-words.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import type { ClassLayout } from './class-draft.ts';

const WAYS = optionsOf({
  'new-evening': 'Give its lesson a new evening at the end',
  none: 'Do without it: the last lesson has no evening',
});
type Way = (typeof WAYS)[number]['value'];

interface CancelEveningProps {
  readonly layout: ClassLayout;
  readonly lessons: readonly CourseLesson[];
  /** Where the figures lie for the teachers of this class. */
  readonly plan: Placed;
  /** Those that are to come, and those past of which nothing was written. */
  readonly evenings: readonly string[];
  nameOf(figure: string): string;
  callOff(more: Partial<ClassLayout>): void;
}

/** Calls an evening off: the reason, what becomes of its lesson, and what that does to the plan, before it is done. */
export function CancelEvening({ layout, lessons, plan, evenings, nameOf, callOff }: CancelEveningProps) {
  const { data: studio } = useQuery(studioQuery);
  const [chosen, choose] = useState<string>();
  const [why, setWhy] = useState('');
  const [way, setWay] = useState<Way>('new-evening');
  const date = evenings.find(one => one === chosen) ?? evenings[0];
  if (date === undefined) return null;
  const last = way === 'none' ? { kind: way } : ({ kind: way, holidays: studio?.holidays ?? [] } as const);
  const after = cancelEvening(layout, date, why.trim(), last);
  return (
    <chakra.div display="grid" gap="2" justifyItems="start">
      <chakra.div display="flex" gap="3" alignItems="end" flexWrap="wrap">
        <Choice
          label="The evening of"
          width="12rem"
          value={date}
          among={evenings.map(day => ({ value: day, words: dayInWords(day) }))}
          set={choose}
        />
        <chakra.div width="20rem">
          <TextField
            label="Why, as students may read it"
            value={why}
            maxLength={300}
            onChange={event => setWhy(event.target.value)}
          />
        </chakra.div>
      </chakra.div>
      <OneOf<Way> title="What becomes of its lesson" value={way} among={WAYS} set={setWay} />
      {after && <p>{effectInWords(after, lessons.length, plan, nameOf)}</p>}
      <Button
        disabled={!after || why.trim() === ''}
        onClick={() => {
          if (!after) return;
          callOff({ dates: after.dates, cancelled: after.cancelled });
          setWhy('');
        }}
      >
        Call it off
      </Button>
    </chakra.div>
  );
}

/** What an evening called off does to the lessons and the plan. */
export function effectInWords(
  { moved, lost, dates }: Pick<CancelledEvening, 'moved' | 'lost' | 'dates'>,
  lessons: number,
  plan: Placed,
  nameOf: (figure: string) => string,
): string {
  const [first, end] = [moved[0]?.lesson, moved.at(-1)?.lesson];
  const shifted =
    first === undefined
      ? ''
      : first === end
        ? `Lesson ${first} comes later.`
        : `Lessons ${first} to ${end} come an evening later.`;
  if (lost === undefined)
    return `${shifted} The last evening is ${dayInWords(dates.at(-1) ?? '')}; the plan stays as it is.`.trim();
  if (lost < lessons || lessons === 0) return shifted;
  const figures = Object.keys(plan).filter(id => plan[id] === lost);
  const loses =
    figures.length > 0
      ? `${figures.map(nameOf).join(', ')} would come in it and ${figures.length === 1 ? 'has' : 'have'} no evening: move ${figures.length === 1 ? 'it' : 'them'} on the map.`
      : 'Nothing new is planned in it; putting together and checking fall away.';
  return `${shifted} Lesson ${lost} has no evening any more. ${loses}`.trim();
}
