import { type Evening, minutesAsItStands, presentBlock, type RunningOrder, takenIn } from '@map-step/core';
import { useState } from 'react';
import { useClass, useCourse, useMayTeach, usePlace } from '../course/course-context.ts';
import type { ShownBlock } from './evening-list.tsx';
import { markedIn, marksIn } from './marks-of-block.tsx';
import { useAttendance } from './use-attendance.ts';
import { useEvening } from './use-evening.ts';
import { type LessonLog, useLessonLog } from './use-log.ts';
import { useNotes } from './use-notes.ts';
import { useNow } from './use-now.ts';
import { useWakeLock } from './use-wake-lock.ts';

const MINUTE = 60_000;

export type EveningOfRoom = ReturnType<typeof useEveningRoom>;

/** An evening that is not written down yet: its blocks by the plan or by the clock, where it is, and who may write. */
export function useEveningRoom(order: RunningOrder) {
  const { classPlan } = useClass();
  const { lesson } = usePlace();
  const mayTeach = useMayTeach();
  const log = useLessonLog();
  const isNext = lesson === (classPlan?.progress.lessons ?? 0) + 1;
  const mayLog = isNext && mayTeach;
  const clock = useClockOf(order, mayLog);
  const here = clock.shown[clock.present];
  const kept = [...new Set(order.blocks.flatMap(block => (block.element ? [] : markedIn(block))))];
  return {
    ...clock,
    log,
    notes: useNotes(),
    attendance: useAttendance(),
    mayTeach,
    isNext,
    mayLog,
    // One that runs past midnight is still tonight's.
    isPast: !clock.running && (clock.date ?? clock.today) < clock.today,
    here,
    next: clock.shown[clock.present + 1],
    /** What a late evening has no time for any more. */
    fallen: clock.shown.filter(
      ({ block, minutes }, index) => index > clock.present && minutes === 0 && block.minutes > 0,
    ),
    ordered: new Set(order.blocks.flatMap(({ patterns }) => patterns)),
    /** Those that are marked. */
    figures: kept,
    /** What is prepared for next time is marked too. */
    elements: order.blocks.flatMap(({ element }) => element?.id ?? []),
    enterOf: (block: number) => clock.enterOf(block, () => settle(log, here, clock.taken)),
  };
}

/** What the clock says, while the evening runs; before that the plan's times, and the block that is looked at. */
function useClockOf(order: RunningOrder, mayLog: boolean) {
  const { studio, today } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  const { timezone } = studio.studio;
  const run = useEvening(section?.section.id ?? '', lesson, order);
  const running = mayLog ? run.evening : undefined;
  const now = useNow(running !== undefined);
  useWakeLock(running !== undefined);
  const date = section?.section.dates[lesson - 1];
  const [looked, look] = useState(() => (date === today ? blockAt(order, new Date(), timezone) : 0));
  const present = running ? presentBlock(running) : looked;
  const shown = shownBlocks(order, running, now, timezone);
  /** While the clock runs there is no way back but the one that takes the last step back. */
  const enterOf = (block: number, settle: () => void) => {
    if (!running) return () => look(block);
    if (block <= present) return undefined;
    return () => {
      settle();
      run.goTo(block);
    };
  };
  return {
    run,
    running,
    now,
    today,
    date,
    present,
    shown,
    end: endOf(order, shown, timezone, running),
    taken: running && inHalves(takenIn(running, present, now)),
    enterOf,
  };
}

/** What the clock says of the block that is left is put down with its figure. */
function settle(log: LessonLog, here: ShownBlock | undefined, taken: number | undefined): void {
  if (!here || taken === undefined) return;
  const { block } = here;
  const id = block.kind === 'new' ? block.patterns[0] : block.element?.id;
  const marks = marksIn(block, log);
  if (id === undefined || !marks) return;
  const before = marks.of(id);
  if (before && before.result !== 'not-reached' && before.minutes !== taken)
    marks.tap(id, before.result, { minutes: taken });
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
