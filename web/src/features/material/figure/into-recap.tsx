import type { RecapAnswer } from '@map-step/contract';
import { isOnStaff, withSentence } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { useCommands, useRefusal } from '../../../api/use-commands.ts';
import { Failure } from '../../../ui/failure.tsx';
import { Hint } from '../../../ui/hint.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import { useShortcuts } from '../../../ui/shortcuts.ts';
import { useClass, useCourse, usePlace } from '../../course/course-context.ts';
import { recapAggregate } from '../../course/recap-document.ts';

interface SentenceProps {
  /** The name of the figure that the sentence is about. */
  readonly figure: string;
  readonly sentence: string;
  /** True where the key means this sentence. */
  readonly hasKey: boolean;
}

/** A sentence goes into the recap for students of the lesson that is looked at, or of the last one that has a recap. */
export function IntoRecap(sentence: SentenceProps) {
  const { me } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  if (!section) return null;
  const own = section.recaps
    .filter(recap => recap.audience === 'students')
    .filter(
      recap =>
        me.role === 'director' || isOnStaff(section.section, me.id, section.section.dates[recap.lesson - 1]),
    )
    .toSorted((a, b) => b.lesson - a.lesson);
  const recap = own.find(one => one.lesson === lesson) ?? own[0];
  return recap ? <IntoThisRecap key={recap.lesson} recap={recap} {...sentence} /> : null;
}

function IntoThisRecap({ recap, figure, sentence, hasKey }: SentenceProps & { readonly recap: RecapAnswer }) {
  const { answer, me } = useCourse();
  const { search } = useLocation();
  const client = useQueryClient();
  const aggregate = useMemo(() => recapAggregate(recap), [recap]);
  const commands = useCommands(aggregate, me.id);
  const refusal = useRefusal(aggregate.key);
  const put = useMutation({
    mutationFn: async () => {
      await client.fetchQuery({ queryKey: aggregate.key, queryFn: aggregate.read });
      if (commands.now()?.markdown.includes(sentence)) return;
      await new Promise<void>(done =>
        commands.edit(
          `${figure}: a comparison`,
          ({ markdown }) => ({ markdown: withSentence(markdown, figure, sentence) }),
          done,
        ),
      );
    },
  });
  const isIn = put.isPending || put.isSuccess;
  useShortcuts({ 'into-recap': hasKey && !isIn ? () => put.mutate() : undefined });
  const params = new URLSearchParams(search);
  params.set('lesson', String(recap.lesson));
  const error = put.error ?? refusal?.error;
  if (error) return <Failure error={error} />;
  if (isIn)
    return (
      <Label role="status">
        In the <Link to={`/courses/${answer.course.id}/recap?${params}`}>recap of lesson {recap.lesson}</Link>
        {put.isSuccess ? ', saved' : ' …'}
      </Label>
    );
  return (
    <Hint words={hasKey ? 'Key: i' : 'Into the text for students'}>
      <Button size="small" onClick={() => put.mutate()}>
        Into the recap of lesson {recap.lesson}
      </Button>
    </Hint>
  );
}
