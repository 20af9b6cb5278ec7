import type { LogEntry } from '@map-step/contract';
import {
  type ElementLog,
  type FigureLog,
  type Log,
  type LogResult,
  standingLogs,
  standingPrepared,
} from '@map-step/core';
import { useMutation } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import type { WaitingEvent } from '../../api/outbox.ts';
import { useClass, usePlace } from '../course/course-context.ts';
import { useSectionRefresh } from '../course/course-queries.ts';

/** What is said of a figure besides its result; what is left out stays as it was. */
export interface Said {
  readonly note?: string;
  /** Of the clock, or by hand. */
  readonly minutes?: number | undefined;
}

type Subject = Pick<FigureLog, 'pattern' | 'element'> | Pick<ElementLog, 'pattern' | 'element'>;

export interface Unmarked {
  readonly figures: readonly string[];
  readonly elements: readonly string[];
}

/** What is written of the figures of an evening, or of its elements for next time. */
export interface MarksOf {
  /** What stands in this lesson. */
  of(id: string): Log | undefined;
  /** One tap: kept at once in this browser, shown at once, sent as soon as it can be. */
  tap(id: string, result: LogResult, said?: Said): void;
}

export interface LessonLog extends MarksOf {
  /** The elements that are prepared for next time. */
  readonly prepared: MarksOf;
  /** Figures that have an entry in this lesson, in the order in which they got one. */
  readonly logged: readonly string[];
  /** Logs what has no mark as not reached; the server drafts the recaps. */
  finish(unmarked: Unmarked, finished: () => void): void;
  /** How many taps have not reached the server yet. */
  readonly waiting: number;
  /** Taps that the server will not take. */
  readonly refused: readonly WaitingEvent[];
  readonly isFinishing: boolean;
  readonly error: Error | null;
}

/** The log of the lesson that is looked at. */
export function useLessonLog(): LessonLog {
  const { section, waiting, keep } = useClass();
  const { lesson } = usePlace();
  const id = section?.section.id ?? '';
  const logs = section?.logs ?? [];
  const standing = standingLogs(logs).filter(entry => entry.lesson === lesson);
  const prepared = standingPrepared(logs).filter(entry => entry.lesson === lesson);
  // Seen is what the server had told, not what still waits here: others may have written in between.
  const unsent = new Set(waiting.map(event => event.entry.id));
  const stored = logs.filter(entry => !unsent.has(entry.id));
  const finishing = useFinish(id);
  const find = ({ pattern, element }: Subject): Log | undefined =>
    pattern === undefined
      ? prepared.find(entry => entry.element === element)
      : standing.find(entry => entry.pattern === pattern);
  const entry = (subject: Subject, result: LogResult, said: Said = {}): LogEntry => {
    const before = find(subject);
    const seen = stored.findLast(
      one => one.lesson === lesson && one.pattern === subject.pattern && one.element === subject.element,
    );
    const note = said.note ?? before?.note;
    const minutes = 'minutes' in said ? said.minutes : before?.minutes;
    return {
      id: crypto.randomUUID(),
      lesson,
      ...subject,
      result,
      at: new Date().toISOString(),
      ...(note && { note }),
      ...(minutes !== undefined && { minutes }),
      ...(seen && { replaces: seen.id }),
    };
  };
  const marks = (subjectOf: (id: string) => Subject): MarksOf => ({
    of: id => find(subjectOf(id)),
    tap: (id, result, said) => keep({ kind: 'log', entry: entry(subjectOf(id), result, said) }),
  });
  return {
    ...marks(pattern => ({ pattern })),
    prepared: marks(element => ({ element })),
    logged: standing.map(({ pattern }) => pattern),
    finish: ({ figures, elements }, finished) => {
      const unmarked: Subject[] = [
        ...figures.map(pattern => ({ pattern })),
        ...elements.map(element => ({ element })),
      ];
      finishing.mutate(
        unmarked.map(subject => entry(subject, 'not-reached')),
        { onSuccess: finished },
      );
    },
    waiting: waiting.filter(({ refused }) => refused === undefined).length,
    refused: waiting.filter(({ refused }) => refused !== undefined),
    isFinishing: finishing.isPending,
    error: finishing.error,
  };
}

function useFinish(id: string) {
  const { lesson, goTo } = usePlace();
  const refresh = useSectionRefresh(id);
  return useMutation({
    mutationFn: (logs: LogEntry[]) =>
      call('lesson.finish', { params: { section: id, lesson }, body: { logs } }),
    onSuccess: answer => {
      refresh.replace(answer);
      goTo(lesson);
    },
  });
}
