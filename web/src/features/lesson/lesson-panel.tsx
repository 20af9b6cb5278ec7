import { chakra } from '@chakra-ui/react';
import { figureName, ownLessons, type PlannedLesson } from '@map-step/core';
import { useState } from 'react';
import { forgetRefused, ownerOf, type WaitingEvent } from '../../api/outbox.ts';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import type { LessonLog } from './use-log.ts';
import { WhoIsHere } from './who-is-here.tsx';

interface LessonPanelProps {
  readonly log: LessonLog;
  readonly planned: PlannedLesson;
  readonly isNext: boolean;
  readonly mayLog: boolean;
  readonly title: string;
}

/** What the lesson is to do, what came over from last week, and the way to finish it. */
export function LessonPanel({ log, planned, isNext, mayLog, title }: LessonPanelProps) {
  const { classPlan } = useClass();
  const { library, answer } = useCourse();
  const { lesson } = usePlace();
  const [isAsking, setAsking] = useState(false);
  const name = (id: string) => figureName(library, id);
  const introduced = Object.keys(planned.minutes);
  const all = [...new Set([...introduced, ...planned.reviews.map(({ id }) => id)])];
  const unmarked = all.filter(id => !log.resultOf(id));
  const carried = (classPlan?.progress.carried ?? []).filter(id => introduced.includes(id));
  const moved = (classPlan?.moved ?? []).filter(id => !carried.includes(id));
  return (
    <chakra.aside display="grid" gap="3" aria-label="This lesson">
      <chakra.h2 fontSize="xl">
        Lesson {lesson} <chakra.span color="quiet">of {answer.course.lessons.length}</chakra.span>
      </chakra.h2>
      <p>{title}</p>
      {carried.length > 0 && (
        <Notice tone="now" title={`From last time: ${carried.map(name).join(', ')}`}>
          <Label>Not reached then; it is in this running order.</Label>
        </Notice>
      )}
      {isNext && moved.length > 0 && (
        <Label>Moved for this class since the plan was published: {moved.map(name).join(', ')}</Label>
      )}
      {!isNext && <p>This lesson comes after lesson {(classPlan?.progress.lessons ?? 0) + 1} is finished.</p>}
      {isNext && !mayLog && <NotYours />}
      {isNext && mayLog && (
        <>
          <Label aria-live="polite">
            {all.length - unmarked.length} of {all.length} marked
            {log.waiting > 0 ? `, ${log.waiting} waiting to be sent` : ', saved'}
          </Label>
          <RefusedTaps log={log} />
          {isAsking ? (
            <Notice
              tone="now"
              title={unmarked.length ? 'These will be logged as not reached:' : 'Everything is marked.'}
            >
              {unmarked.length > 0 && <p>{unmarked.map(name).join(', ')}</p>}
              <chakra.div display="flex" flexWrap="wrap" gap="2" mt="2">
                <Button
                  look="next"
                  onClick={() => log.finish(unmarked)}
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
        </>
      )}
      {isNext && mayLog && <WhoIsHere />}
    </chakra.aside>
  );
}

/** Who may write down this lesson, said to somebody who may not. */
function NotYours() {
  const { section } = useClass();
  const { me, answer } = useCourse();
  if (!section) return null;
  const own = ownLessons(section.section, me.id, answer.course.lessons.length);
  return (
    <p>
      {own.length > 0
        ? `You are on the staff of this class for lesson${own.length > 1 ? 's' : ''} ${own.join(', ')}; this one is for others to log.`
        : 'You are not on the staff of this class; its teachers log here.'}
    </p>
  );
}

/** What the server would not take: told until the person has seen it. */
function RefusedTaps({ log }: { log: LessonLog }) {
  const { library, me } = useCourse();
  const { section } = useClass();
  const wordsOf = (event: WaitingEvent) =>
    event.kind === 'log'
      ? `${figureName(library, event.entry.pattern)}, ${event.entry.result}`
      : event.kind === 'mark'
        ? `${figureName(library, event.entry.pattern)}, marked ${event.entry.mark}`
        : `${section?.students.find(({ id }) => id === event.entry.student)?.name ?? event.entry.student}, ${event.entry.here ? 'here' : 'not here'}`;
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
