import { type FigureWish, findFigures, indexFigures, type Pattern } from '@map-step/core';
import { skipToken, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useMemo, useState } from 'react';
import { rankInWorker } from '../../../workers/ranker.ts';
import { useCourse, usePlace, usePlan } from '../../course/course-context.ts';

export type LibraryOrder = 'kind' | 'name' | 'difficulty' | 'novelty';

export interface LibraryWish extends FigureWish {
  /** Taught by the course up to the lesson that is looked at, in it, later, or not at all. */
  readonly taught?: 'before' | 'here' | 'later' | 'out';
}

export interface LibraryList {
  readonly wish: LibraryWish;
  wishFor(more: LibraryWish): void;
  readonly order: LibraryOrder;
  orderBy(order: LibraryOrder): void;
  readonly figures: readonly Pattern[];
  /** What the order goes by, for each figure; undefined while it is being worked out. */
  rankOf(id: string): number | undefined;
}

/** The library as it is looked for and ordered; ranking goes on in a worker. */
export function useLibraryList(patterns: readonly Pattern[]): LibraryList {
  const { library, material, materialStamp, answer } = useCourse();
  const { draft } = usePlan();
  const { lesson } = usePlace();
  const [wish, wishFor] = useState<LibraryWish>({});
  const [order, orderBy] = useState<LibraryOrder>('kind');
  const index = useMemo(() => indexFigures(library, patterns), [library, patterns]);
  const wanted = useDeferredValue(wish);
  const known = useMemo(
    () => Object.entries(draft.placed).flatMap(([id, at]) => (at !== undefined && at <= lesson ? [id] : [])),
    [draft.placed, lesson],
  );
  const isRanked = order === 'difficulty' || order === 'novelty';
  const { data: ranks } = useQuery({
    queryKey: ['ranks', answer.course.id, order, order === 'novelty' ? known : [], materialStamp],
    queryFn: isRanked
      ? () =>
          rankInWorker(
            material,
            patterns.map(({ id }) => id),
            order === 'novelty' ? known : undefined,
          )
      : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });
  const figures = useMemo(() => {
    const placeOf = ({ id }: Pattern) => draft.placed[id];
    const found = findFigures(index, wanted).filter(pattern =>
      isTaught(placeOf(pattern), lesson, wanted.taught),
    );
    if (order === 'name') return [...found].sort((a, b) => a.name.localeCompare(b.name));
    if (!isRanked || !ranks) return found;
    const rank = ({ id }: Pattern) => ranks[id] ?? Number.POSITIVE_INFINITY;
    return [...found].sort((a, b) => rank(a) - rank(b));
  }, [index, wanted, draft.placed, lesson, order, isRanked, ranks]);
  return { wish, wishFor, order, orderBy, figures, rankOf: id => (isRanked ? ranks?.[id] : undefined) };
}

function isTaught(at: number | undefined, lesson: number, taught: LibraryWish['taught']): boolean {
  switch (taught) {
    case undefined:
      return true;
    case 'before':
      return at !== undefined && at < lesson;
    case 'here':
      return at === lesson;
    case 'later':
      return at !== undefined && at > lesson;
    case 'out':
      return at === undefined;
    default:
      return taught satisfies never;
  }
}
