import { chakra } from '@chakra-ui/react';
import { isOffered, type Pattern } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useLocation, useNavigate } from 'react-router';
import { ApiError, call } from '../../../api/client.ts';
import { Failure } from '../../../ui/failure.tsx';
import { Notice } from '../../../ui/notice.tsx';
import { Button } from '../../../ui/parts.tsx';
import { TakeAway } from '../../../ui/take-away.tsx';
import { useCourse } from '../../course/course-context.ts';
import { keys } from '../../course/course-queries.ts';
import type { FigureEditing } from './use-figure-draft.ts';

interface Taken {
  readonly taken: Pattern;
}

/** Takes a figure away that nothing needs; what needs it is named, and the figure can be retired instead. */
export function RemoveFigure({ editing }: { editing: FigureEditing }) {
  const { pattern } = editing;
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
  const retire = () => {
    remove.reset();
    editing.change(`${pattern.name} retired`, now => ({ ...now, retired: true }));
  };
  return (
    <>
      {remove.error && (
        <Failure error={remove.error}>
          {remove.error instanceof ApiError &&
            remove.error.body.code === 'conflict' &&
            isOffered(pattern) && (
              <Button size="small" mt="2" autoFocus onClick={retire}>
                Retire it: kept there, no longer offered
              </Button>
            )}
        </Failure>
      )}
      <chakra.div justifySelf="start">
        <TakeAway of={pattern.name} take={() => remove.mutate()} />
      </chakra.div>
    </>
  );
}

/** Says of a retired figure that it is one, and the way to have it offered again. */
export function RetiredFigure({ editing: { pattern, mayWrite, change } }: { editing: FigureEditing }) {
  if (isOffered(pattern)) return null;
  const offer = () => change(`${pattern.name} offered again`, ({ retired: _, ...now }) => now);
  return (
    <chakra.div className="no-print" mb="2">
      <Notice tone="now" title="Retired: kept for what was taught, no longer offered.">
        {mayWrite && (
          <Button size="small" onClick={offer}>
            Offer it again
          </Button>
        )}
      </Notice>
    </chakra.div>
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
