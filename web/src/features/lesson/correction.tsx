import { chakra } from '@chakra-ui/react';
import { figureName } from '@map-step/core';
import { format } from 'date-fns';
import { Notice } from '../../ui/notice.tsx';
import { Button, Skeleton } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { RESULTS } from './mark-row.tsx';
import { Moves } from './moves.tsx';
import { type Supposed, usePlanWith } from './use-plan-with.ts';

interface CorrectionNoticeProps {
  readonly correction: Supposed;
  save(): void;
  leave(): void;
}

/** What the correction of a log would change, told before it is saved: the plan, and a recap that was sent. */
export function CorrectionNotice({ correction, save, leave }: CorrectionNoticeProps) {
  const { library, answer } = useCourse();
  const { section, classPlan } = useClass();
  const { lesson } = usePlace();
  const { pattern, result } = correction;
  const corrected = usePlanWith([correction]);
  const sent = (section?.recaps ?? []).filter(recap => recap.lesson === lesson && recap.published !== null);
  const word = RESULTS.find(({ id }) => id === result)?.word.toLowerCase();
  return (
    <Notice tone="now" title={`${figureName(library, pattern)} was ${word} after all?`}>
      <chakra.div display="grid" gap="2" mt="1">
        {!corrected && <Skeleton lines={2} />}
        {corrected && (
          <Moves
            before={classPlan?.answer.placed ?? {}}
            after={corrected.answer.placed}
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
}
