import { chakra } from '@chakra-ui/react';
import {
  type Evening,
  leftInBlock,
  minutesAsItStands,
  ownLessons,
  presentBlock,
  type RunningOrder,
  takenIn,
} from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse, useMayTeach, usePlace } from '../course/course-context.ts';
import { EveningNotes, SomethingElse } from './besides.tsx';
import { Contradictions } from './contradictions.tsx';
import { EveningList, type ShownBlock } from './evening-list.tsx';
import { FinishLesson } from './finish-lesson.tsx';
import { Partners } from './partners.tsx';
import { PresentBlock } from './present-block.tsx';
import { Songs } from './songs.tsx';
import { Tonight } from './tonight.tsx';
import { UnwrittenEvenings } from './unwritten-evenings.tsx';
import { useAttendance } from './use-attendance.ts';
import { useEvening } from './use-evening.ts';
import { type LessonOrder, useLessonOrder } from './use-lesson-order.ts';
import { useLessonLog } from './use-log.ts';
import { useNotes } from './use-notes.ts';
import { useNow } from './use-now.ts';
import { useWakeLock } from './use-wake-lock.ts';
import { WhoIsHere } from './who-is-here.tsx';

const MINUTE = 60_000;

/** A lesson that is not over: before it begins at a glance, while it runs by the clock. */
export function RunningLesson() {
  const lessonOrder = useLessonOrder();
  return lessonOrder ? <EveningRoom {...lessonOrder} /> : null;
}

function EveningRoom(lessonOrder: LessonOrder) {
  const { order } = lessonOrder;
  const { answer, studio, today } = useCourse();
  const { section, classPlan } = useClass();
  const { lesson } = usePlace();
  const { search } = useLocation();
  const log = useLessonLog();
  const notes = useNotes();
  const attendance = useAttendance();
  const mayTeach = useMayTeach();
  const isNext = lesson === (classPlan?.progress.lessons ?? 0) + 1;
  const mayLog = isNext && mayTeach;
  const run = useEvening(section?.section.id ?? '', lesson, order);
  const running = mayLog ? run.evening : undefined;
  // One that runs past midnight is still tonight's.
  const isPast = !running && (section?.section.dates[lesson - 1] ?? today) < today;
  const now = useNow(running !== undefined);
  useWakeLock(running !== undefined);
  const date = section?.section.dates[lesson - 1];
  const [looked, look] = useState(() =>
    date === today ? blockAt(order, new Date(), studio.studio.timezone) : 0,
  );
  const present = running ? presentBlock(running) : looked;
  const shown = shownBlocks(order, running, now, studio.studio.timezone);
  const here = shown[present];
  const next = shown[present + 1];
  const taken = running && inHalves(takenIn(running, present, now));
  const ordered = new Set(order.blocks.flatMap(({ patterns }) => patterns));
  const figures = [
    ...new Set(order.blocks.flatMap(({ kind, patterns }) => (kind === 'warm-up' ? [] : patterns))),
  ];
  /** What the clock says of the block that is left is put down with its figure. */
  const settle = () => {
    const [pattern] = here?.block.patterns ?? [];
    const before = pattern === undefined ? undefined : log.of(pattern);
    if (here?.block.kind === 'new' && pattern !== undefined && before && taken !== undefined)
      if (before.result !== 'not-reached' && before.minutes !== taken)
        log.tap(pattern, before.result, { minutes: taken });
  };
  /** While the clock runs there is no way back but the one that takes the last step back. */
  const enterOf = (block: number) => {
    if (!running) return () => look(block);
    if (block <= present) return undefined;
    return () => {
      settle();
      run.goTo(block);
    };
  };
  if (!here) return null;
  return (
    <chakra.div
      display="grid"
      gap="5"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 20rem' }}
      alignItems="start"
    >
      <chakra.div display="grid" gap="4">
        <chakra.div display="flex" gap="3" alignItems="baseline" flexWrap="wrap">
          <chakra.h2 fontSize="xl">
            Lesson {lesson} <chakra.span color="quiet">of {answer.course.lessons.length}</chakra.span>
          </chakra.h2>
          <span>{date ? format(parseISO(date), 'EEEE d MMMM') : ''}</span>
          <Link to={`/courses/${answer.course.id}/brief${search}`}>Brief for a stand-in</Link>
          {mayLog && (
            <Label aria-live="polite" ml="auto">
              {figures.filter(id => log.of(id)).length} of {figures.length} marked
              {log.waiting > 0 ? `, ${log.waiting} waiting to be sent` : ', saved'}
            </Label>
          )}
        </chakra.div>
        {!isNext && (
          <p>This lesson comes after lesson {(classPlan?.progress.lessons ?? 0) + 1} is finished.</p>
        )}
        <UnwrittenEvenings />
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
            to={next?.from ?? endOf(order, shown, studio.studio.timezone, running)}
            left={running && leftInBlock(running, order, now)}
            isPaused={running?.pausedAt !== undefined}
            taken={taken}
            log={mayLog ? log : undefined}
            next={next && { from: next.from, title: next.block.title, minutes: next.minutes }}
            goOn={next && enterOf(present + 1)}
            {...(running && {
              back: present > 0 ? run.back : undefined,
              pause: running.pausedAt === undefined ? run.pause : run.resume,
              lengthen: run.lengthen,
            })}
          />
        )}
        <chakra.section aria-label="Running order">
          <EveningList blocks={shown} present={present} log={mayLog ? log : undefined} enterOf={enterOf} />
          <Label>
            {shown.reduce((sum, { minutes }) => sum + minutes, 0)} of {order.minutes} minutes
            {running && `; it ends at ${endOf(order, shown, studio.studio.timezone, running)}`}
            {order.over > 0
              ? `; the plan is ${order.over} minutes too long, so new material is shortened`
              : ''}
          </Label>
        </chakra.section>
        {mayLog && <SomethingElse log={log} notes={notes} ordered={ordered} />}
      </chakra.div>
      <chakra.aside aria-label="This lesson">
        {!running && <Tonight {...lessonOrder} />}
        {isNext && !mayTeach && <NotYours />}
        {mayLog && (
          <chakra.div mb="5">
            <WhoIsHere attendance={attendance} />
          </chakra.div>
        )}
        {mayLog && !isPast && <Partners students={attendance.students} />}
        <Songs notes={notes} figures={[...ordered]} mayLog={mayLog} />
        {mayLog && <EveningNotes notes={notes} />}
        {running && <Tonight {...lessonOrder} />}
        {running && (
          <Button look="quiet" size="small" onClick={run.forget}>
            Begin the clock anew
          </Button>
        )}
        {mayLog && <FinishLesson log={log} figures={figures} finished={run.forget} />}
      </chakra.aside>
    </chakra.div>
  );
}

/** Half minutes are as exact as anybody says it. */
function inHalves(milliseconds: number): number {
  return Math.max(0.5, Math.round((milliseconds / MINUTE) * 2) / 2);
}

/** The blocks with their times: by the plan, or as the evening that runs stands. */
function shownBlocks(
  order: RunningOrder,
  running: Evening | undefined,
  now: number,
  timeZone: string,
): readonly ShownBlock[] {
  if (!running) return order.blocks.map(block => ({ block, from: block.from, minutes: block.minutes }));
  const minutes = minutesAsItStands(running, order, now);
  let at = running.startedAt;
  return order.blocks.map((block, index) => {
    const from = clockAt(at, timeZone);
    const length = minutes[index] ?? 0;
    at += length * MINUTE;
    return { block, from, minutes: length };
  });
}

function endOf(
  order: RunningOrder,
  shown: readonly ShownBlock[],
  timeZone: string,
  running: Evening | undefined,
): string {
  if (!running) return order.blocks.at(-1)?.to ?? '';
  const minutes = shown.reduce((sum, block) => sum + block.minutes, 0);
  return clockAt(running.startedAt + minutes * MINUTE, timeZone);
}

function clockAt(instant: number | Date, timeZone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone, timeStyle: 'short' }).format(instant);
}

/** The block that the clock on the wall is in; the first one outside the lesson. */
function blockAt({ blocks }: RunningOrder, now: Date, timeZone: string): number {
  const clock = clockAt(now, timeZone);
  return Math.max(
    0,
    blocks.findIndex(({ from, to }) => from <= clock && clock < to),
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
