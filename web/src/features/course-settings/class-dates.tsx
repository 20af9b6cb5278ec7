import { chakra } from '@chakra-ui/react';
import { weeklyDates } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { Failure } from '../../ui/failure.tsx';
import { Button, Field, Label } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import { useClassDocument } from '../history/use-class-document.ts';

/** The dates of a class: a week apart from the first, with the studio's holidays passed over; each can be moved. */
export function ClassDates({ id }: { id: string }) {
  const { answer, studio } = useCourseView();
  const document = useClassDocument(id);
  const [first, setFirst] = useState<string>();
  if (!document.answer) return document.error ? <Failure error={document.error} /> : null;
  const { body } = document.answer;
  const { dates } = body;
  const count = answer.course.lessons.length;
  const start = first ?? dates[0] ?? '';
  const proposed = weeklyDates(start, count, studio.holidays);
  const put = (what: string, next: readonly string[]) => document.edit(what, body, { dates: [...next] });
  const isSame = proposed.dates.join() === dates.join();
  return (
    <chakra.section aria-label="Dates">
      <chakra.h3 fontSize="lg" mb="1">
        Dates of the class at {body.start}
      </chakra.h3>
      {document.error && <Failure error={document.error} />}
      <chakra.div display="flex" gap="2" flexWrap="wrap" mb="2">
        {Array.from({ length: Math.max(count, dates.length) }, (_, index) => (
          <chakra.label key={`date-${index + 1}`} display="grid">
            <Label>
              Lesson {index + 1}
              {index >= count && ', not in the course'}
            </Label>
            <Field
              type="date"
              value={dates[index] ?? ''}
              width="10rem"
              disabled={index > dates.length}
              onChange={event => {
                const date = event.target.value;
                if (date)
                  put(`Lesson ${index + 1} on ${date}`, [
                    ...dates.slice(0, index),
                    date,
                    ...dates.slice(index + 1),
                  ]);
              }}
            />
          </chakra.label>
        ))}
      </chakra.div>
      <chakra.div display="flex" gap="2" alignItems="end" flexWrap="wrap">
        <chakra.label display="grid">
          <Label>Weekly from</Label>
          <Field type="date" width="10rem" value={start} onChange={event => setFirst(event.target.value)} />
        </chakra.label>
        <Button
          disabled={isSame || proposed.dates.length < count || document.isSaving}
          onClick={() => put('Weekly dates', proposed.dates)}
        >
          {isSame ? 'The dates are so' : `Set ${count} dates, until ${dayOf(proposed.dates.at(-1))}`}
        </Button>
        {proposed.skipped.length > 0 && (
          <Label>
            Passed over: {proposed.skipped.map(({ date, name }) => `${dayOf(date)} (${name})`).join(', ')}
          </Label>
        )}
      </chakra.div>
    </chakra.section>
  );
}

function dayOf(date: string | undefined): string {
  return date ? format(parseISO(date), 'd MMM') : '…';
}
