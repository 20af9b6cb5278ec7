import { chakra } from '@chakra-ui/react';
import { allOf, leftInBlock, ownLessons } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { Link, useLocation } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { EveningNotes, SomethingElse } from './besides.tsx';
import { Contradictions } from './contradictions.tsx';
import { EveningList } from './evening-list.tsx';
import { FinishLesson } from './finish-lesson.tsx';
import { Partners } from './partners.tsx';
import { PresentBlock } from './present-block.tsx';
import { Songs } from './songs.tsx';
import { Tonight } from './tonight.tsx';
import { UnwrittenEvenings } from './unwritten-evenings.tsx';
import { type EveningOfRoom, useEveningRoom } from './use-evening-room.ts';
import { type LessonOrder, useLessonOrder } from './use-lesson-order.ts';
import { WhoIsHere } from './who-is-here.tsx';

/** A lesson that is not over: before it begins at a glance, while it runs by the clock. */
export function RunningLesson() {
  const lessonOrder = useLessonOrder();
  return lessonOrder ? <EveningRoom {...lessonOrder} /> : null;
}

function EveningRoom(lessonOrder: LessonOrder) {
  const { order } = lessonOrder;
  const evening = useEveningRoom(order);
  const { log, notes, mayLog, isPast, running, run, shown, here, next, present } = evening;
  if (!here) return null;
  return (
    <chakra.div
      display="grid"
      gap="5"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 20rem' }}
      alignItems="start"
    >
      <chakra.div display="grid" gap="4">
        <LessonTitle evening={evening} />
        {mayLog && <WhoIsHere attendance={evening.attendance} />}
        {log.error && <Failure error={log.error} />}
        <Contradictions log={log} />
        {mayLog && !running && !isPast && (
          <Button look="next" size="large" justifySelf="start" onClick={run.begin}>
            Start the evening
          </Button>
        )}
        {!isPast && (
          <PresentBlock
            block={here.block}
            from={here.from}
            to={next?.from ?? evening.end}
            left={running && leftInBlock(running, order, evening.now)}
            isPaused={running?.pausedAt !== undefined}
            taken={evening.taken}
            log={mayLog ? log : undefined}
            next={next && { from: next.from, title: next.block.title, minutes: next.minutes }}
            goOn={next && evening.enterOf(present + 1)}
            {...(running && {
              back: present > 0 ? run.back : undefined,
              pause: running.pausedAt === undefined ? run.pause : run.resume,
              lengthen: run.lengthen,
            })}
          />
        )}
        {evening.fallen.length > 0 && (
          <Notice tone="now" title="Running late">
            {allOf(evening.fallen.map(({ block }) => block.title))}: no time for{' '}
            {evening.fallen.length === 1 ? 'it' : 'them'} tonight.
          </Notice>
        )}
        <chakra.section aria-label="Running order">
          <EveningList
            blocks={shown}
            present={present}
            log={mayLog ? log : undefined}
            enterOf={evening.enterOf}
          />
          <Label>
            {shown.reduce((sum, { minutes }) => sum + minutes, 0)} of {order.minutes} minutes
            {running && `; it ends at ${evening.end}`}
            {order.over > 0
              ? `; the plan is ${order.over} minutes too long, so new material is shortened`
              : ''}
          </Label>
        </chakra.section>
        {mayLog && <SomethingElse log={log} notes={notes} ordered={evening.ordered} />}
      </chakra.div>
      <BesideTheEvening evening={evening} lessonOrder={lessonOrder} />
    </chakra.div>
  );
}

function LessonTitle({ evening: { log, mayLog, isNext, figures, elements } }: { evening: EveningOfRoom }) {
  const { answer } = useCourse();
  const { section, classPlan } = useClass();
  const { lesson } = usePlace();
  const { search } = useLocation();
  const date = section?.section.dates[lesson - 1];
  return (
    <>
      <chakra.div display="flex" gap="3" alignItems="baseline" flexWrap="wrap">
        <chakra.h2 fontSize="xl">
          Lesson {lesson} <chakra.span color="quiet">of {answer.course.lessons.length}</chakra.span>
        </chakra.h2>
        <span>{date ? format(parseISO(date), 'EEEE d MMMM') : ''}</span>
        <Link to={`/courses/${answer.course.id}/brief${search}`}>Brief for a stand-in</Link>
        {mayLog && (
          <Label aria-live="polite" ml="auto">
            {figures.filter(id => log.of(id)).length + elements.filter(id => log.prepared.of(id)).length} of{' '}
            {figures.length + elements.length} marked
            {log.waiting > 0 ? `, ${log.waiting} waiting to be sent` : ', saved'}
          </Label>
        )}
      </chakra.div>
      {!isNext && <p>This lesson comes after lesson {(classPlan?.progress.lessons ?? 0) + 1} is finished.</p>}
      <UnwrittenEvenings />
    </>
  );
}

interface BesideProps {
  readonly evening: EveningOfRoom;
  readonly lessonOrder: LessonOrder;
}

function BesideTheEvening({ evening, lessonOrder }: BesideProps) {
  const { log, notes, attendance, mayLog, mayTeach, isNext, isPast, running, run } = evening;
  return (
    <chakra.aside aria-label="This lesson">
      {!running && <Tonight {...lessonOrder} />}
      {isNext && !mayTeach && <NotYours />}
      {mayLog && !isPast && <Partners students={attendance.students} />}
      <Songs notes={notes} figures={[...evening.ordered]} mayLog={mayLog} />
      {mayLog && <EveningNotes notes={notes} />}
      {running && <Tonight {...lessonOrder} />}
      {running && (
        <Button look="quiet" size="small" onClick={run.forget}>
          Begin the clock anew
        </Button>
      )}
      {mayLog && (
        <FinishLesson log={log} figures={evening.figures} elements={evening.elements} finished={run.forget} />
      )}
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
    <Notice
      tone="now"
      title={
        own.length > 0
          ? `You are on the staff of this class for lesson${own.length > 1 ? 's' : ''} ${own.join(', ')}; this one is for others to log.`
          : 'You are not on the staff of this class; its teachers log here.'
      }
    />
  );
}
