import { freeId, type Pattern, writeMade } from '@map-step/core';
import { useLocation, useNavigate } from 'react-router';
import { ownerOf } from '../../../api/outbox.ts';
import { useCourse } from '../../course/course-context.ts';
import { type FigureEditing, figureDrafts } from './use-figure-draft.ts';

/** Makes the other side of a solo figure, or the mirror of a couple's, a figure of its own; undefined where it cannot be. */
export function useOtherSide({ reading, isNew, mayWrite }: FigureEditing) {
  const { library, answer, me } = useCourse();
  const navigate = useNavigate();
  const { search } = useLocation();
  const { figure } = reading;
  const { pattern, dance } = figure;
  const isSolo = dance.roles === 'solo';
  const side = isSolo ? 'other' : 'mirrored';
  const made = [{ pattern: pattern.id, side }] as const;
  const fields = writeMade(made, dance, id => library.readings.get(id)?.figure);
  if (!mayWrite || isNew || !fields.ok || figure.parts.length === 0) return undefined;
  const name = isSolo ? `${pattern.name}, other side` : `${pattern.name}, mirrored`;
  const make = () => {
    const id = freeId(name, taken => library.patterns.has(taken), 'figure');
    const { kind, level, marks } = pattern;
    const now: Pattern = {
      ...{ id, dance: dance.id, name, kind },
      ...(level && { level }),
      ...fields.value,
      needs: [pattern.id],
      made,
      ...(marks && { marks }),
    };
    figureDrafts.keep(ownerOf(me), id, { base: null, now, what: 'Written', past: [], future: [] });
    void navigate({ pathname: `/courses/${answer.course.id}/material/${id}`, search });
  };
  return {
    words: isSolo ? 'Its other side as a figure of its own' : 'Its mirror as a figure of its own',
    make,
  };
}
