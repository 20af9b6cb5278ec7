import { chakra } from '@chakra-ui/react';
import { brokenPromises, figureName, type Placed } from '@map-step/core';
import { useState } from 'react';
import { forgetRefused, ownerOf, type WaitingEvent } from '../../api/outbox.ts';
import { Notice } from '../../ui/notice.tsx';
import { Button } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { promiseInWords } from '../course/promise-words.ts';
import { useElementName } from '../course/use-elements.ts';
import { Moves } from './moves.tsx';
import type { LessonLog } from './use-log.ts';
import { usePlanWith } from './use-plan-with.ts';

interface FinishLessonProps {
  readonly log: LessonLog;
  /** What the lesson was to do. */
  readonly figures: readonly string[];
  /** What it was to prepare for next time. */
  readonly elements: readonly string[];
  /** The clock is not needed any more. */
  finished(): void;
}

/** The way to finish a lesson: what has no mark is told first. */
export function FinishLesson({ log, figures, elements, finished }: FinishLessonProps) {
  const { library } = useCourse();
  const { lesson } = usePlace();
  const [isAsking, setAsking] = useState(false);
  const elementName = useElementName();
  const unmarked = figures.filter(id => !log.of(id));
  const unprepared = elements.filter(id => !log.prepared.of(id));
  const names = [...unmarked.map(id => figureName(library, id)), ...unprepared.map(elementName)];
  return (
    <chakra.div display="grid" gap="2" borderTop="2px solid" borderColor="ink" pt="3" mt="3">
      <RefusedTaps log={log} />
      {isAsking ? (
        <Notice
          tone="now"
          title={names.length ? 'These will be logged as not reached:' : 'Everything is marked.'}
        >
          {names.length > 0 && <p>{names.join(', ')}</p>}
          <Proposed unmarked={unmarked} />
          {log.waiting > 0 && (
            <p role="status">
              It waits until {log.waiting === 1 ? 'one mark is' : `${log.waiting} marks are`} sent: the recap
              is drafted where all of them are. They are kept here until there is a connection.
            </p>
          )}
          <chakra.div display="flex" flexWrap="wrap" gap="2" mt="2">
            <Button
              look="next"
              onClick={() => log.finish({ figures: unmarked, elements: unprepared }, finished)}
              disabled={log.isFinishing || log.waiting > 0}
            >
              Finish and draft the recap
            </Button>
            <Button onClick={() => setAsking(false)}>Go on teaching</Button>
          </chakra.div>
        </Notice>
      ) : (
        <Button look="next" size="large" onClick={() => setAsking(true)}>
          Finish lesson {lesson}
        </Button>
      )}
    </chakra.div>
  );
}

/** What the log then does to the coming lessons: finishing takes it as it is proposed. */
function Proposed({ unmarked }: { unmarked: readonly string[] }) {
  const { answer } = useCourse();
  const { classPlan } = useClass();
  const { lesson } = usePlace();
  const plan = usePlanWith(unmarked.map(pattern => ({ pattern, result: 'not-reached' })));
  if (!plan || !classPlan) return null;
  return (
    <chakra.div mt="2">
      <p>The coming lessons are then:</p>
      <Moves
        before={classPlan.answer.placed}
        after={plan.answer.placed}
        from={lesson + 1}
        of={answer.course.lessons.length}
      />
      <PromisesBroken placed={plan.answer.placed} />
    </chakra.div>
  );
}

/** What the class was told would come tonight, and did not. */
function PromisesBroken({ placed }: { placed: Placed }) {
  const { library } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  if (!section) return null;
  const recaps = section.recaps.filter(recap => recap.lesson === lesson - 1);
  const broken = brokenPromises({ recaps, logs: section.logs, placed, behind: lesson });
  if (broken.length === 0) return null;
  return (
    <>
      <p>The class was promised for tonight:</p>
      {broken.map(promise => (
        <p key={promise.pattern}>
          {figureName(library, promise.pattern)}: {promiseInWords(promise)}
        </p>
      ))}
    </>
  );
}

/** What the server would not take: told until the person has seen it. */
function RefusedTaps({ log }: { log: LessonLog }) {
  const { me } = useCourse();
  const wordsOf = useWordsOf();
  if (log.refused.length === 0) return null;
  return (
    <Notice tone="stop" title="These marks were refused and are not stored:">
      <chakra.ul pl="4" fontSize="sm">
        {log.refused.map(event => (
          <li key={event.entry.id}>
            {wordsOf(event)}: {event.refused}
          </li>
        ))}
      </chakra.ul>
      <Button size="small" mt="2" onClick={() => void forgetRefused(ownerOf(me))}>
        Put them away
      </Button>
    </Notice>
  );
}

type WaitingLog = Extract<WaitingEvent, { readonly kind: 'log' }>;

function useWordsOf(): (event: WaitingEvent) => string {
  const { library } = useCourse();
  const { section } = useClass();
  const elementName = useElementName();
  const subjectName = ({ pattern, element }: WaitingLog['entry']) =>
    pattern === undefined ? elementName(element ?? '') : figureName(library, pattern);
  return event => {
    switch (event.kind) {
      case 'log':
        return `${subjectName(event.entry)}, ${event.entry.result}`;
      case 'mark':
        return `${figureName(library, event.entry.pattern)}, marked ${event.entry.mark}`;
      case 'note':
        return event.entry.text;
      case 'present': {
        const { student, here } = event.entry;
        const name = section?.students.find(({ id }) => id === student)?.name ?? student;
        return `${name}, ${here ? 'here' : 'not here'}`;
      }
      default:
        return event satisfies never;
    }
  };
}
