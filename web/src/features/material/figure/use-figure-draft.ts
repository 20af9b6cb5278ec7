import {
  createFigureChecker,
  type Figure,
  type FigureIssue,
  type FigureReading,
  type Pattern,
  readFigure,
} from '@map-step/core';
import { useDeferredValue, useMemo } from 'react';
import { call } from '../../../api/client.ts';
import { useCourse } from '../../course/course-context.ts';
import { figureAggregate } from '../../course/figure-document.ts';
import { createDraftStore } from '../../history/draft-store.ts';
import { type Drafting, useDraft } from '../../history/use-draft.ts';

export const figureDrafts = createDraftStore<Pattern>('figures');

export interface FigureEditing extends Omit<Drafting<Pattern>, 'body' | 'change'> {
  readonly pattern: Pattern;
  readonly reading: FigureReading;
  /** What is wrong, as soon as there was time to look. */
  readonly issues: readonly FigureIssue[];
  /** What is wrong this moment. */
  issuesNow(): readonly FigureIssue[];
  readonly mayWrite: boolean;
  /** Makes of the figure as it stands what is wanted; saved as soon as it can be danced, else kept until it can. */
  change(what: string, make: (pattern: Pattern, figure: Figure) => Pattern, seen?: Pattern): void;
}

/** A figure under one's hands; undefined when there is none of this id. */
export function useFigureDraft(id: string): FigureEditing | undefined {
  const { library, me } = useCourse();
  const aggregate = useMemo(() => figureAggregate(id), [id]);
  const check = useMemo(() => createFigureChecker(library), [library]);
  const isSound = (figure: Pattern) => {
    const dance = library.dances.get(figure.dance);
    if (!dance || !isWhole(figure)) return false;
    return check(readFigure(figure, dance)).every(({ severity }) => severity !== 'error');
  };
  const drafting = useDraft({
    aggregate,
    store: figureDrafts,
    id,
    me,
    known: library.patterns.get(id),
    isSound,
    create: figure => call('figure.create', { body: { figure } }),
    keepsStates: true,
  });
  const { body: pattern } = drafting;
  const dance = library.dances.get(pattern?.dance ?? '');
  const reading = useMemo(() => pattern && dance && readFigure(pattern, dance), [pattern, dance]);
  // What is wrong follows as soon as there is time: a long figure is typed without a wait.
  const settled = useDeferredValue(reading);
  const issues = useMemo(() => (settled ? check(settled) : []), [check, settled]);
  if (!pattern || !dance || !reading) return undefined;
  return {
    ...drafting,
    pattern,
    reading,
    issues,
    issuesNow: () => check(reading),
    mayWrite: me.role === 'director' || me.role === 'teacher',
    change: (what, make, seen) =>
      drafting.change(what, now => make(now, readFigure(now, dance).figure), seen),
  };
}

/** A figure that is danced has steps, a rhythm and holds; a drill or a quality may do without. */
function isWhole({ kind, rhythm, parts, entry, exit }: Pattern): boolean {
  if (kind === 'drill' || kind === 'quality') return true;
  const texts = Object.values(parts ?? {});
  const hasHolds = 'solo' in (parts ?? {}) || (entry !== undefined && exit !== undefined);
  return rhythm !== undefined && texts.length > 0 && texts.every(text => text !== '') && hasHolds;
}
