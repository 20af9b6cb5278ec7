import type { LogEntry } from '@map-step/contract';
import { type Log, type LogResult, standingLogs } from '@map-step/core';
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

export interface LessonLog {
  /** What stands for a figure in this lesson. */
  of(pattern: string): Log | undefined;
  /** Figures that have an entry in this lesson, in the order in which they got one. */
  readonly logged: readonly string[];
  /** One tap: kept at once in this browser, shown at once, sent as soon as it can be. */
  tap(pattern: string, result: LogResult, said?: Said): void;
  /** Logs what has no mark as not reached; the server drafts the recaps. */
  finish(unmarked: readonly string[], finished: () => void): void;
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
  const standing = standingLogs(section?.logs ?? []).filter(entry => entry.lesson === lesson);
  // Seen is what the server had told, not what still waits here: others may have written in between.
  const unsent = new Set(waiting.map(event => event.entry.id));
  const stored = (section?.logs ?? []).filter(entry => !unsent.has(entry.id));
  const find = (pattern: string) => standing.find(entry => entry.pattern === pattern);
  const finishing = useFinish(id);
  const entry = (pattern: string, result: LogResult, said: Said = {}): LogEntry => {
    const before = find(pattern);
    const seen = stored.findLast(one => one.lesson === lesson && one.pattern === pattern);
    const note = said.note ?? before?.note;
    const minutes = 'minutes' in said ? said.minutes : before?.minutes;
    return {
      id: crypto.randomUUID(),
      lesson,
      pattern,
      result,
      at: new Date().toISOString(),
      ...(note && { note }),
      ...(minutes !== undefined && { minutes }),
      ...(seen && { replaces: seen.id }),
    };
  };
  return {
    of: find,
    logged: standing.map(({ pattern }) => pattern),
    tap: (pattern, result, said) => keep({ kind: 'log', entry: entry(pattern, result, said) }),
    finish: (unmarked, finished) =>
      finishing.mutate(
        unmarked.map(pattern => entry(pattern, 'not-reached')),
        { onSuccess: finished },
      ),
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
