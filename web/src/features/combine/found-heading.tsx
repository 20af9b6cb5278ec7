import { chakra } from '@chakra-ui/react';
import { type EveningFigures, SEQUENCE_WEIGHTS } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { call } from '../../api/client.ts';
import { newId } from '../../api/new-id.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Hint } from '../../ui/hint.tsx';
import { Button } from '../../ui/parts.tsx';
import { Segments } from '../../ui/segments.tsx';
import { useShortcuts } from '../../ui/shortcuts.ts';
import { useCourse, usePlace } from '../course/course-context.ts';
import { keys } from '../course/course-queries.ts';
import type { Answers } from './use-answers.ts';
import type { Combining } from './use-combining.ts';
import type { Hands } from './use-hands.ts';

interface FoundHeadingProps {
  readonly had: EveningFigures;
  readonly hands: Hands;
  readonly answers: Answers;
  readonly combining: Combining;
}

/** What was found or is proposed, before anybody keeps it: which of them, how good it is, and the lesson it goes into. */
export function FoundHeading({ had, hands, answers, combining }: FoundHeadingProps) {
  const { me } = useCourse();
  const { lesson } = usePlace();
  const keep = useKeep(had, hands);
  const button = useRef<HTMLButtonElement>(null);
  const { answer } = combining;
  // Where the hand goes next, once there is something to take.
  useEffect(() => {
    if (answer && answer.combined.sequences.length > 0) button.current?.focus();
  }, [answer]);
  const mayWrite = me.role === 'director' || me.role === 'teacher';
  useShortcuts({ 'put-into-lesson': mayWrite ? () => keep.mutate() : undefined });
  return (
    <chakra.header display="grid" gap="2">
      <chakra.div display="flex" gap="3" alignItems="center" flexWrap="wrap">
        <chakra.h2 fontSize="2xl">
          {answers.isProposal ? `Proposed for lesson ${lesson}` : `Found ${answers.count}`}
        </chakra.h2>
        {answers.count > 1 && (
          <Segments
            label="Which one"
            value={String(answers.index)}
            among={Array.from({ length: answers.count }, (_, index) => ({
              value: String(index),
              words: String(index + 1),
            }))}
            set={value => answers.show(Number(value))}
          />
        )}
        {mayWrite && (
          <Hint words="Key: Shift L">
            <Button
              ref={button}
              look="next"
              disabled={keep.isPending}
              onClick={() => keep.mutate()}
              ml="auto"
            >
              Put it into lesson {lesson}
            </Button>
          </Hint>
        )}
      </chakra.div>
      {keep.error && <Failure error={keep.error} />}
      {answer && <Ranking answer={answer} index={answers.index} />}
    </chakra.header>
  );
}

function useKeep({ dance }: EveningFigures, { danced }: Hands) {
  const { answer } = useCourse();
  const { lesson } = usePlace();
  const client = useQueryClient();
  const navigate = useNavigate();
  const course = answer.course;
  return useMutation({
    mutationFn: () => {
      const name = `${course.name}, lesson ${lesson}`.slice(0, 200);
      const id = newId(name, 'combination');
      return call('combination.create', {
        body: { combination: { id, name, dance: dance.id, course: course.id, lesson, ...danced } },
      });
    },
    onSuccess: async kept => {
      client.setQueryData(keys.combination(kept.body.id), kept);
      await client.invalidateQueries({ queryKey: keys.combinations(course.id) });
      void navigate({
        pathname: `/courses/${course.id}/combine/${kept.body.id}`,
        search: `?lesson=${lesson}`,
      });
    },
  });
}

function points(count: number): string {
  return `${count} ${count === 1 ? 'point' : 'points'}`;
}

/** What is known of how good it is, in words; the points for who wants them. */
function Ranking({
  answer: { combined },
  index,
}: {
  answer: NonNullable<Combining['answer']>;
  index: number;
}) {
  const { sequences, proven, bound, untimed } = combined;
  const score = sequences[index]?.score ?? 0;
  const first = proven
    ? 'None is better by these points.'
    : `The best that was found; none can be more than ${points(bound - (sequences[0]?.score ?? 0))} better.`;
  return (
    <Disclosure
      size="small"
      title={
        index === 0
          ? first
          : `${points((sequences[0]?.score ?? 0) - score)} below the first, and another way round.`
      }
    >
      <chakra.p fontSize="sm" maxW="40rem">
        {points(-score)} off. Taken off: {SEQUENCE_WEIGHTS.hold} for each change of hold,{' '}
        {SEQUENCE_WEIGHTS.flip} for a turn that follows one to the other side within two beats,{' '}
        {SEQUENCE_WEIGHTS.again} for the same at once again, {SEQUENCE_WEIGHTS.share} for each time a figure
        is danced more often than its share, up to {SEQUENCE_WEIGHTS.spread} where what must be in it lies
        together.
        {untimed.length > 0 && ` Left out, for they have no beats: ${untimed.join(', ')}.`}
      </chakra.p>
    </Disclosure>
  );
}
