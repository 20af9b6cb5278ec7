import { chakra } from '@chakra-ui/react';
import type { Pattern } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useLocation, useNavigate } from 'react-router';
import { call } from '../../../api/client.ts';
import { Failure } from '../../../ui/failure.tsx';
import { Notice } from '../../../ui/notice.tsx';
import { Button } from '../../../ui/parts.tsx';
import { TakeAway } from '../../../ui/take-away.tsx';
import { useCourse } from '../../course/course-context.ts';
import { keys } from '../../course/course-queries.ts';

interface Taken {
  readonly taken: Pattern;
}

/** Takes a figure away that nothing needs; what needs it is named, and nothing is removed. */
export function RemoveFigure({ pattern }: { pattern: Pattern }) {
  const { answer, me } = useCourse();
  const navigate = useNavigate();
  const { search } = useLocation();
  const client = useQueryClient();
  const remove = useMutation({
    mutationFn: () => call('entry.remove', { params: { kind: 'patterns', entry: pattern.id } }),
    onSuccess: async () => {
      const state: Taken = { taken: pattern };
      await navigate({ pathname: `/courses/${answer.course.id}/material`, search }, { state });
      await client.invalidateQueries({ queryKey: keys.material });
    },
  });
  if (me.role !== 'director') return null;
  return (
    <>
      {remove.error && <Failure error={remove.error} />}
      <chakra.div justifySelf="start">
        <TakeAway of={pattern.name} take={() => remove.mutate()} />
      </chakra.div>
    </>
  );
}

/** A figure that was just taken away, and the way to have it back. */
export function TakenFigure() {
  const { answer } = useCourse();
  const { state, search } = useLocation();
  const navigate = useNavigate();
  const client = useQueryClient();
  const taken = takenIn(state);
  const putBack = useMutation({
    mutationFn: (figure: Pattern) => call('figure.create', { body: { figure } }),
    onSuccess: async (_, { id }) => {
      await client.invalidateQueries({ queryKey: keys.material });
      await navigate({ pathname: `/courses/${answer.course.id}/material/${id}`, search });
    },
  });
  if (!taken) return null;
  return (
    <Notice tone="now" title={`${taken.name} is taken away.`}>
      {putBack.error && <Failure error={putBack.error} />}
      <Button size="small" autoFocus onClick={() => putBack.mutate(taken)}>
        Put it back
      </Button>
    </Notice>
  );
}

function takenIn(state: unknown): Pattern | undefined {
  return typeof state === 'object' && state !== null && 'taken' in state ? (state as Taken).taken : undefined;
}
