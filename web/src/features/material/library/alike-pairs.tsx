import { type Figure, figureName } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import { FirstOf } from '../../../ui/first-of.tsx';
import { Group } from '../../../ui/group.tsx';
import { Label, Skeleton } from '../../../ui/parts.tsx';
import { percent } from '../../../ui/percent.ts';
import { levelPairsInWorker } from '../../../workers/ranker.ts';
import { useCourse } from '../../course/course-context.ts';
import { FigureLink } from '../../course/figure-link.tsx';

/** Which figures are too alike: each is compared with every other in a worker. */
export function AlikePairs({ figures }: { figures: readonly Figure[] }) {
  const { material, materialStamp } = useCourse();
  const ids = figures.map(({ pattern }) => pattern.id);
  const { data: pairs } = useQuery({
    queryKey: ['level-pairs', ids, materialStamp],
    queryFn: () => levelPairsInWorker(material, ids),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });
  if (!pairs)
    return (
      <Group title={`Comparing ${figures.length} figures, each with every other`}>
        <Skeleton lines={3} />
      </Group>
    );
  const { unsignalled, blurring } = pairs;
  return (
    <>
      <Group title="Begin alike without a signal">
        {unsignalled.count === 0 && <p>Every pair that begins alike is told apart by a signal.</p>}
        <FirstOf many={unsignalled}>
          {({ a, b, shared, by }) => (
            <p key={`${a} ${b}`}>
              <FigureLink id={a} /> and <FigureLink id={b} /> share{' '}
              {shared === 1 ? 'a step' : `${shared} steps`}; a signal must have come by {by}.
            </p>
          )}
        </FirstOf>
      </Group>
      {blurring.count > 0 && (
        <Group title="May blur, and are not written down as look-alikes">
          <FirstOf many={blurring}>
            {({ a, b, novelty }) => (
              <p key={`${a} ${b}`}>
                <CompareLink a={a} b={b} /> <Label>{percent(novelty)} new</Label>
              </p>
            )}
          </FirstOf>
        </Group>
      )}
    </>
  );
}

function CompareLink({ a, b }: { a: string; b: string }) {
  const { answer, library } = useCourse();
  const { search } = useLocation();
  return (
    <Link to={{ pathname: `/courses/${answer.course.id}/material/${a}/with/${b}`, search }}>
      {figureName(library, a)} beside {figureName(library, b)}
    </Link>
  );
}
