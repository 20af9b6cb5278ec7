import { applyChanges, type Json, readField } from '@map-step/core';
import { useQueryClient } from '@tanstack/react-query';
import { useCourseCommand } from './course-commands.ts';
import { courseQuery } from './course-queries.ts';
import { useCoursePast, useCourseView } from './course-view.ts';

export interface CourseEdit {
  /** Sets fields of the course (`approach`, `items/wrap`), over what was seen in them; null takes one away. */
  edit(what: string, values: Readonly<Record<string, Json>>, onSaved?: () => void): void;
  readonly isSaving: boolean;
  readonly error: Error | null;
  dismiss(): void;
}

/** Changes of a course other than where its figures lie: shown at once, saved behind. */
export function useCourseEdit(): CourseEdit {
  const { answer } = useCourseView();
  const { version } = useCoursePast();
  const client = useQueryClient();
  const command = useCourseCommand(answer.course.id);
  const key = courseQuery(answer.course.id).queryKey;
  return {
    edit: (what, values, onSaved) => {
      const changes = Object.entries(values)
        .map(([field, to]) => ({ field, from: readField(answer.course, field), to }))
        .filter(({ from, to }) => JSON.stringify(from) !== JSON.stringify(to));
      if (changes.length === 0) return;
      void client.cancelQueries({ queryKey: key, exact: true });
      const changed = applyChanges(answer.course, changes);
      if (changed.ok) client.setQueryData(key, before => before && { ...before, course: changed.value });
      command.mutate(
        { seen: version, command: { kind: 'edit', what, changes } },
        {
          onSuccess: () => onSaved?.(),
          onError: () => void client.invalidateQueries({ queryKey: key }),
        },
      );
    },
    isSaving: command.isPending,
    error: command.error,
    dismiss: () => command.reset(),
  };
}
