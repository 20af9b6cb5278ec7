import type { EnrolBody } from '@map-step/contract';
import type { Section } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { keys } from '../course/course-queries.ts';

/** Students enter a class: from today on, where it runs already. */
export function useEnrol({ id, dates }: Section, today: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (students: EnrolBody['students']) =>
      call('section.enrol', {
        params: { section: id },
        body: { students, ...((dates[0] ?? today) < today && { from: today }) },
      }),
    onSuccess: answer => {
      client.setQueryData([...keys.section(id), 'document'], answer);
      void client.invalidateQueries({ queryKey: keys.section(id), exact: true });
      void client.invalidateQueries({ queryKey: keys.courses });
    },
  });
}
