import { comparisonInWords, type Figure } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import { Group } from '../../../ui/group.tsx';
import { Label } from '../../../ui/parts.tsx';
import { percent } from '../../../ui/percent.ts';
import { nearestInWorker } from '../../../workers/ranker.ts';
import { useCourse } from '../../course/course-context.ts';

const SHOWN = 3;

/** What of the house a figure is most like, and what is then new about it. */
export function NearestFigures({ figure }: { figure: Figure }) {
  const { library, material, materialStamp, answer, studio } = useCourse();
  const { search } = useLocation();
  const { data: nearest = [] } = useQuery({
    queryKey: ['nearest', answer.course.id, figure.pattern, materialStamp],
    queryFn: () => nearestInWorker(material, figure.pattern, SHOWN),
    placeholderData: before => before,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
  });
  if (figure.parts.length === 0 || nearest.length === 0) return null;
  return (
    <Group title="What it is most like">
      {nearest.map(({ id, novelty }) => {
        const other = library.readings.get(id)?.figure;
        return (
          other && (
            <p key={id}>
              <Link
                to={{
                  pathname: `/courses/${answer.course.id}/material/${figure.pattern.id}/with/${id}`,
                  search,
                }}
              >
                {other.pattern.name}
              </Link>{' '}
              <Label>{percent(novelty)} new</Label>
              <br />
              {comparisonInWords(figure, other, studio.studio.roles)}
            </p>
          )
        );
      })}
    </Group>
  );
}
