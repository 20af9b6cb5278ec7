import { chakra } from '@chakra-ui/react';
import { weeklyDates } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useMemo, useState } from 'react';
import { useCommands, useIsSaving } from '../../api/use-commands.ts';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { classAggregate } from '../course/class-document.ts';
import { ClassRefusal } from '../course/class-refusal.tsx';
import { useCourse } from '../course/course-context.ts';

/** The dates of a class: a week apart from the first, with the studio's holidays passed over; each can be moved. */
export function ClassDates({ id }: { id: string }) {
  const { answer, studio, me } = useCourse();
  const document = useMemo(() => classAggregate(id), [id]);
  const { data, error } = useQuery({ queryKey: document.key, queryFn: document.read });
  const commands = useCommands(document, me.id);
  const isSaving = useIsSaving(document.key);
  const [first, setFirst] = useState<string>();
  if (!data) return error ? <Failure error={error} /> : null;
  const { dates, start: hour } = data.body;
  const count = answer.course.lessons.length;
  const start = first ?? dates[0] ?? '';
  const proposed = weeklyDates(start, count, studio.holidays);
  const putDay = (index: number, date: string) =>
    commands.edit(`Lesson ${index + 1} on ${date}`, section => ({
      ...section,
      dates: [...section.dates.slice(0, index), date, ...section.dates.slice(index + 1)],
    }));
  const isSame = proposed.dates.join() === dates.join();
  return (
    <chakra.section aria-label="Dates">
      <chakra.h3 fontSize="lg" mb="1">
        Dates of the class at {hour}
      </chakra.h3>
      <ClassRefusal of={document.key} commands={commands} />
      <chakra.div display="flex" gap="2" flexWrap="wrap" mb="2">
        {Array.from({ length: Math.max(count, dates.length) }, (_, index) => (
          <chakra.div key={`date-${index + 1}`} width="10rem">
            <TextField
              label={`Lesson ${index + 1}${index >= count ? ', not in the course' : ''}`}
              type="date"
              value={dates[index] ?? ''}
              disabled={index > dates.length}
              onChange={event => event.target.value && putDay(index, event.target.value)}
            />
          </chakra.div>
        ))}
      </chakra.div>
      <chakra.div display="flex" gap="2" alignItems="end" flexWrap="wrap">
        <chakra.div width="10rem">
          <TextField
            label="Weekly from"
            type="date"
            value={start}
            onChange={event => setFirst(event.target.value)}
          />
        </chakra.div>
        <Button
          disabled={isSame || proposed.dates.length < count || isSaving}
          onClick={() => commands.edit('Weekly dates', section => ({ ...section, dates: proposed.dates }))}
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
