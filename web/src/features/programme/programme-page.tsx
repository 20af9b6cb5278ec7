import { chakra } from '@chakra-ui/react';
import { addDays } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { lazy, Suspense } from 'react';
import { Failure } from '../../ui/failure.tsx';
import { Label, Skeleton } from '../../ui/parts.tsx';
import { sessionQuery } from '../session/session-queries.ts';
import { StudioPage } from '../shell/studio-page.tsx';
import { Courses } from './courses.tsx';
import { Evenings } from './evenings.tsx';
import { Levels } from './levels.tsx';
import { todayQuery } from './today-queries.ts';
import { Waiting } from './waiting.tsx';

/** Only who sets a studio up needs it. */
const NextStep = lazy(async () => ({ default: (await import('../setup/next-step.tsx')).NextStep }));

/** The programme drawn, with today's work beside it; then the courses. */
export function ProgrammePage() {
  const { data: session } = useQuery(sessionQuery);
  const today = useQuery(todayQuery);
  const person = session?.person;
  if (!person) return null;
  const isDirector = person.role === 'director';
  const { data: answer } = today;
  return (
    <StudioPage
      title="Programme"
      beside={answer && <Label>{format(parseISO(answer.today), 'EEEE d MMMM')}</Label>}
    >
      {isDirector && (
        <Suspense>
          <NextStep takesFocus={answer?.classes.length === 0} />
        </Suspense>
      )}
      <chakra.div display="grid" gap="6">
        {!answer &&
          (today.error ? <Failure error={today.error} retry={() => void today.refetch()} /> : <Skeleton />)}
        {answer && (
          <chakra.div
            display="grid"
            gap="6"
            gridTemplateColumns={{ lg: 'minmax(0, 22rem) minmax(0, 1fr)' }}
            alignItems="start"
          >
            <chakra.div display="grid" gap="5">
              <Evenings answer={answer} day="today" date={answer.today} me={person.id} />
              <Evenings answer={answer} day="tomorrow" date={addDays(answer.today, 1)} me={person.id} />
              <Waiting answer={answer} me={person.id} isDirector={isDirector} />
            </chakra.div>
            <Levels answer={answer} me={person.id} isDirector={isDirector} />
          </chakra.div>
        )}
        <Courses isDirector={isDirector} />
      </chakra.div>
    </StudioPage>
  );
}
