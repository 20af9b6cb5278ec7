import { freeId, type MadePiece, type Pattern, writeMade } from '@map-step/core';
import { useLocation, useNavigate } from 'react-router';
import { ownerOf } from '../../../api/outbox.ts';
import { useCourse } from '../../course/course-context.ts';
import { figureDrafts } from './use-figure-draft.ts';

/** Makes a figure of pieces, beside the one that it is made from, and opens it; undefined for who may not write. */
export function useMadeFigure(beside: Pattern) {
  const { library, answer, me } = useCourse();
  const navigate = useNavigate();
  const { search } = useLocation();
  const dance = library.dances.get(beside.dance);
  if (!dance || (me.role !== 'director' && me.role !== 'teacher')) return undefined;
  const find = (id: string) => library.readings.get(id)?.figure;
  /** What would be written; a fault where these pieces cannot be danced one after the other. */
  const write = (made: readonly MadePiece[]) => writeMade(made, dance, find);
  const make = (name: string, made: readonly MadePiece[], more: Partial<Pattern> = {}) => {
    const fields = write(made);
    if (!fields.ok) return;
    const id = freeId(name, taken => library.patterns.has(taken), 'figure');
    const now: Pattern = {
      ...{ id, dance: dance.id, name, kind: beside.kind },
      ...(beside.level && { level: beside.level }),
      ...fields.value,
      needs: [...new Set(made.map(({ pattern }) => pattern))],
      made,
      ...more,
    };
    figureDrafts.keep(ownerOf(me), id, { base: null, now, what: 'Written', past: [], future: [] });
    void navigate({ pathname: `/courses/${answer.course.id}/material/${id}`, search });
  };
  return { write, make };
}
