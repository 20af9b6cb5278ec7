import type { LogEntry, SectionAnswer } from '@map-step/contract';
import { draftRecap, type LogResult, standingLogs } from '@map-step/core';
import { useMutation } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { planClassInWorker } from '../../workers/planner.ts';
import { useSectionRefresh } from '../course/course-queries.ts';
import { placedOf, useCourseView } from '../course/course-view.ts';

export interface LessonLog {
  /** What stands for a figure in this lesson. */
  resultOf(pattern: string): LogResult | undefined;
  noteOf(pattern: string): string | undefined;
  /** One tap: stored at once on the server, shown at once here. */
  tap(pattern: string, result: LogResult, note?: string): void;
  /** Logs what has no mark as not reached and drafts the recaps. */
  finish(planned: { unmarked: readonly string[]; introduced: readonly string[] }): void;
  readonly isSaving: boolean;
  readonly error: Error | null;
}

/** The log of the lesson that is looked at. */
export function useLessonLog(): LessonLog {
  const { section, lesson, me } = useCourseView();
  const id = section?.section.id ?? '';
  const refresh = useSectionRefresh(id);
  const standing = standingLogs(section?.logs ?? []).filter(log => log.lesson === lesson);
  const find = (pattern: string) => standing.find(log => log.pattern === pattern);
  const taps = useMutation({
    scope: { id: `log ${id}` },
    mutationFn: (entry: LogEntry) =>
      call('section.log', { params: { section: id }, body: { logs: [entry] } }),
    onMutate: entry =>
      refresh.change(answer => ({ ...answer, logs: [...answer.logs, { ...entry, section: id, by: me.id }] })),
    onError: () => void refresh.reload(),
  });
  const finishing = useFinish(id);
  const entry = (pattern: string, result: LogResult, note = find(pattern)?.note): LogEntry => {
    const before = find(pattern);
    return {
      id: crypto.randomUUID(),
      lesson,
      pattern,
      result,
      at: new Date().toISOString(),
      ...(note && { note }),
      ...(before && { replaces: before.id }),
    };
  };
  return {
    resultOf: pattern => find(pattern)?.result,
    noteOf: pattern => find(pattern)?.note,
    tap: (pattern, result, note) => taps.mutate(entry(pattern, result, note)),
    finish: ({ unmarked, introduced }) =>
      finishing.mutate({ logs: unmarked.map(pattern => entry(pattern, 'not-reached')), introduced }),
    isSaving: taps.isPending || finishing.isPending,
    error: taps.error ?? finishing.error,
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
      return call<SectionAnswer>('lesson.finish', { params, body: { logs, recaps } });
    },
    onSuccess: answer => {
      refresh.replace(answer);
      view.goTo(view.lesson);
    },
  });
}
