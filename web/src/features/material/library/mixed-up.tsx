import { chakra } from '@chakra-ui/react';
import { type Figure, figureName, type SaidOf } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { Group } from '../../../ui/group.tsx';
import { Label, Skeleton } from '../../../ui/parts.tsx';
import type { MixedUpNames } from '../../../workers/rank.worker.ts';
import { mixedUpInWorker } from '../../../workers/ranker.ts';
import { useClass, useCourse } from '../../course/course-context.ts';

/** Which figures of a level are taken for each other, ten at most, the worst first, and what helps. */
export function MixedUp({ figures }: { figures: readonly Figure[] }) {
  const { material, materialStamp } = useCourse();
  const said = useSaid();
  const ids = figures.map(({ pattern }) => pattern.id);
  const { data: pairs } = useQuery({
    queryKey: ['mixed-up', ids, materialStamp, said],
    queryFn: () => mixedUpInWorker(material, ids, said),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });
  return (
    <Group title="Easily mixed up">
      {!pairs && <Skeleton lines={3} />}
      {pairs?.length === 0 && <p>Nobody mixed any up, and what begins alike is told apart by a signal.</p>}
      {pairs?.map(pair => (
        <Pair key={`${pair.a} ${pair.b}`} pair={pair} />
      ))}
    </Group>
  );
}

/** What teachers wrote beside the figures of this class. */
function useSaid(): readonly SaidOf[] {
  const { section } = useClass();
  const logs = section?.logs;
  return useMemo(
    () => (logs ?? []).flatMap(({ pattern, note }) => (pattern && note ? [{ pattern, text: note }] : [])),
    [logs],
  );
}

function Pair({ pair: { a, b, shared, by, said, helps } }: { pair: MixedUpNames }) {
  const { library, answer } = useCourse();
  const { search } = useLocation();
  const [one, other] = [figureName(library, a), figureName(library, b)];
  const to = (path: string) => ({ pathname: `/courses/${answer.course.id}/material/${path}`, search });
  return (
    <chakra.div mb="2">
      <Link to={to(`${a}/with/${b}`)}>
        {one} and {other}
      </Link>
      {shared > 0 && <Label> begin alike for {shared === 1 ? 'a step' : `${shared} steps`}</Label>}
      {said.map(text => (
        <p key={text}>“{text}”</p>
      ))}
      <p>
        {helps === 'signal' && (
          <>
            A signal by {by} tells them apart: write it at <Link to={to(a)}>{one}</Link>.
          </>
        )}
        {helps === 'apart' && (
          <>
            Keep them on different evenings: name {other} as a look-alike of <Link to={to(a)}>{one}</Link>.
          </>
        )}
        {helps === 'contrast' && <>Teach one against the other: both in a row, and say where they part.</>}
      </p>
    </chakra.div>
  );
}
