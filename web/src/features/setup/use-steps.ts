import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { courseListQuery } from '../course/course-queries.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import { danceQuery, framesQuery } from './setup-queries.ts';
import { type SetUpStep, setUpSteps } from './steps.ts';

/** The steps of setting up as the studio stands; undefined until it is known. */
export function useSteps(): readonly SetUpStep[] | undefined {
  const { data: frames } = useQuery(framesQuery);
  const { data: courses } = useInfiniteQuery(courseListQuery);
  const { data: studio } = useQuery(studioQuery);
  const all = courses?.pages.flatMap(page => page.courses);
  const first = frames?.levels[0]?.dance ?? frames?.dances[0]?.id;
  // Where a course has figures nobody need count them.
  const isAsked = first !== undefined && all?.every(({ items }) => items === 0) === true;
  const { data: material } = useQuery({ ...danceQuery(first ?? ''), enabled: isAsked });
  if (!frames || !all || !studio || (isAsked && !material)) return undefined;
  return setUpSteps({
    ...frames,
    figures: material?.patterns.length ?? 0,
    courses: all,
    people: studio.people.length,
  });
}
