import { type RollOverProposal, rolledOver } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { call } from '../../api/client.ts';
import { newId } from '../../api/new-id.ts';
import { useCourse, usePlan } from '../course/course-context.ts';
import { keys } from '../course/course-queries.ts';
import { useGiveMinutes } from '../course/use-give-minutes.ts';

interface RolledOver {
  readonly name: string;
  readonly taken: readonly RollOverProposal[];
}

/** Makes the next course with the changes that were taken, and opens its map. */
export function useRollOver() {
  const { answer } = useCourse();
  const { saved } = usePlan();
  const client = useQueryClient();
  const navigate = useNavigate();
  const giveMinutes = useGiveMinutes();
  return useMutation({
    mutationFn: async ({ name, taken }: RolledOver) => {
      const changes = taken.map(({ change }) => change);
      const course = rolledOver(answer.course, saved, { id: newId(name, 'course'), name, changes });
      const made = await call('course.create', { body: { course } });
      for (const { pattern, minutes } of changes)
        if (minutes !== undefined) await giveMinutes(pattern, minutes);
      return made;
    },
    onSuccess: async ({ course }) => {
      await client.invalidateQueries({ queryKey: keys.courses });
      await navigate(`/courses/${course.id}/map`);
    },
  });
}
