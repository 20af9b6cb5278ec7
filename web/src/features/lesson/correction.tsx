import { chakra } from '@chakra-ui/react';
import { figureName, type Log, type LogResult } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { Notice } from '../../ui/notice.tsx';
import { Button, Skeleton } from '../../ui/parts.tsx';
import { planClassInWorker } from '../../workers/planner.ts';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { RESULTS } from './mark-row.tsx';
import { Moves, usePublished } from './what-it-means.tsx';

export interface Correction {
  readonly pattern: string;
  readonly result: LogResult;
}

interface CorrectionNoticeProps {
  readonly correction: Correction;
  save(): void;
  leave(): void;
}

/** What the correction of a log would change, told before it is saved: the plan, and a recap that was sent. */
export function CorrectionNotice({ correction, save, leave }: CorrectionNoticeProps) {
  const { library, material, materialStamp, answer } = useCourse();
  const { section, classPlan } = useClass();
  const { lesson } = usePlace();
  const published = usePublished();
  const { pattern, result } = correction;
  const { data: corrected } = useQuery({
    queryKey: [
      'correction',
      section?.section.id,
      section?.logs.length,
      lesson,
      pattern,
      result,
      materialStamp,
    ],
    queryFn: () =>
      planClassInWorker(material, answer.course, published, {
        logs: [...(section?.logs ?? []), hypothetical()],
        recaps: section?.recaps ?? [],
      }),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });
  const sent = (section?.recaps ?? []).filter(recap => recap.lesson === lesson && recap.published !== null);
  const word = RESULTS.find(({ id }) => id === result)?.word.toLowerCase();
  return (
    <Notice tone="now" title={`${figureName(library, pattern)} was ${word} after all?`}>
      <chakra.div display="grid" gap="2" mt="1">
        {!corrected && <Skeleton lines={2} />}
        {corrected?.ok && (
          <Moves
            before={classPlan?.answer.placed ?? {}}
            after={corrected.value.answer.placed}
            from={(classPlan?.progress.lessons ?? 0) + 1}
            of={answer.course.lessons.length}
          />
        )}
        {sent.map(({ audience, published: at }) => (
          <p key={audience}>
            The recap for {audience === 'students' ? 'students' : 'the staff'} was published{' '}
            {at && format(new Date(at), 'd MMM')}; it stays as it was sent until somebody corrects it.
          </p>
        ))}
        <chakra.div display="flex" gap="2" flexWrap="wrap">
          <Button look="next" autoFocus onClick={save}>
            Save this correction
          </Button>
          <Button onClick={leave}>Leave it as it is</Button>
        </chakra.div>
      </chakra.div>
    </Notice>
  );

  function hypothetical(): Log {
    return {
      id: '00000000-0000-4000-8000-000000000000',
      ...{ section: section?.section.id ?? '', lesson, pattern, result, by: '', at: '9999-12-31T00:00:00Z' },
    };
  }
}
