import type { LogEntry } from '@map-step/contract';
import { draftRecap, type LogResult, standingLogs } from '@map-step/core';
import { useMutation } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import type { WaitingEvent } from '../../api/outbox.ts';
import { planClassInWorker } from '../../workers/planner.ts';
import { useSectionRefresh } from '../course/course-queries.ts';
import { placedOf, useCourseView } from '../course/course-view.ts';

export interface LessonLog {
  /** What stands for a figure in this lesson. */
  resultOf(pattern: string): LogResult | undefined;
  noteOf(pattern: string): string | undefined;
  /** One tap: kept at once in this browser, shown at once, sent as soon as it can be. */
  tap(pattern: string, result: LogResult, note?: string): void;
  /** Logs what has no mark as not reached and drafts the recaps. */
  finish(planned: { unmarked: readonly string[]; introduced: readonly string[] }): void;
  /** How many taps have not reached the server yet. */
  readonly waiting: number;
  /** Taps that the server will not take. */
  readonly refused: readonly WaitingEvent[];
  readonly isFinishing: boolean;
  readonly error: Error | null;
}

/** The log of the lesson that is looked at. */
export function useLessonLog(): LessonLog {
  const { section, lesson, waiting, keep } = useCourseView();
  const id = section?.section.id ?? '';
  const standing = standingLogs(section?.logs ?? []).filter(entry => entry.lesson === lesson);
  // Seen is what the server had told, not what still waits here: others may have written in between.
  const unsent = new Set(waiting.map(event => event.entry.id));
  const stored = (section?.logs ?? []).filter(entry => !unsent.has(entry.id));
  const find = (pattern: string) => standing.find(entry => entry.pattern === pattern);
  const finishing = useFinish(id);
  const entry = (pattern: string, result: LogResult, note = find(pattern)?.note): LogEntry => {
    const before = find(pattern);
    const seen = stored.findLast(one => one.lesson === lesson && one.pattern === pattern);
    return {
      id: crypto.randomUUID(),
      lesson,
      pattern,
      result,
      at: new Date().toISOString(),
      ...(note && { note }),
      ...(before?.minutes !== undefined && { minutes: before.minutes }),
      ...(seen && { replaces: seen.id }),
    };
  };
  return {
    resultOf: pattern => find(pattern)?.result,
    noteOf: pattern => find(pattern)?.note,
    tap: (pattern, result, note) => keep({ kind: 'log', entry: entry(pattern, result, note) }),
    finish: ({ unmarked, introduced }) =>
      finishing.mutate({ logs: unmarked.map(pattern => entry(pattern, 'not-reached')), introduced }),
    waiting: waiting.filter(({ refused }) => refused === undefined).length,
    refused: waiting.filter(({ refused }) => refused !== undefined),
    isFinishing: finishing.isPending,
    error: finishing.error,
  };
}

function useFinish(id: string) {
  const view = useCourseView();
  const refresh = useSectionRefresh(id);
  return useMutation({
    mutationFn: async ({ logs, introduced }: { logs: LogEntry[]; introduced: readonly string[] }) => {
      const { answer, material, library, studio, section, lesson, me } = view;
      const all = [...(section?.logs ?? []), ...logs.map(log => ({ ...log, section: id, by: me.id }))];
      const behind = [...(section?.recaps ?? []).map(recap => ({ lesson: recap.lesson })), { lesson }];
      const published = placedOf(answer.published ?? answer.course);
      const after = await planClassInWorker(material, answer.course, published, {
        logs: all,
        recaps: behind,
      });
      const next = after.ok ? (after.value.answer.lessons[lesson]?.introduce ?? []) : [];
      const recaps = (['students', 'staff'] as const).map(audience => ({
        audience,
        markdown: draftRecap({
          studio: studio.studio,
          course: answer.course,
          library,
          lesson,
          audience,
          logs: all,
          introduced,
          next,
        }),
      }));
      const params = { section: id, lesson };
      return call('lesson.finish', { params, body: { logs, recaps } });
    },
    onSuccess: answer => {
      refresh.replace(answer);
      view.goTo(view.lesson);
    },
  });
}
