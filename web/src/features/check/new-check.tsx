import { chakra } from '@chakra-ui/react';
import { type Check, freeId, generateCriteria, placedOf } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { Button, Empty, Label } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlan } from '../course/course-context.ts';
import { keys } from '../course/course-queries.ts';
import { KIND_WORDS } from './check-words.ts';

interface NewCheckProps {
  readonly section: string;
  /** Ids of the checks there are. */
  readonly taken: readonly string[];
  readonly mayWrite: boolean;
  go(id: string): void;
  readonly leave: (() => void) | undefined;
}

/** A check made from the plan: half way, or at the end. */
export function NewCheck({ section: id, taken, mayWrite, go, leave }: NewCheckProps) {
  const { answer, library, today } = useCourse();
  const { section, classPlan } = useClass();
  const { saved } = usePlan();
  const client = useQueryClient();
  const create = useMutation({
    mutationFn: (check: Omit<Check, 'section' | 'marks'>) =>
      call('check.create', { params: { section: id }, body: { check } }),
    onSuccess: async ({ body }) => {
      await client.invalidateQueries({ queryKey: keys.checks(id) });
      go(body.id);
    },
  });
  const plan = classPlan?.answer.placed ?? (answer.published ? placedOf(answer.published) : saved.placed);
  const { dates = [] } = section?.section ?? {};
  const lessons = answer.course.lessons.length;
  const offer = (kind: Check['kind']) => {
    const lesson = kind === 'half-way' ? Math.ceil(lessons / 2) : lessons;
    const items = generateCriteria(library, answer.course, plan, kind);
    const date = dates[lesson - 1] ?? today;
    const checkId = freeId(`${id} ${kind}`.slice(0, 56), one => taken.includes(one), 'check');
    return { lesson, items, make: () => create.mutate({ id: checkId, kind, date, items: [...items] }) };
  };
  const kinds = (['half-way', 'final'] as const).map(kind => ({ kind, ...offer(kind) }));
  return (
    <chakra.div display="grid" gap="4" justifyItems="start">
      <Empty title={taken.length === 0 ? 'No check yet' : 'One more check'}>
        {mayWrite
          ? 'What it asks is what this class has by its own plan, and can be changed before anybody marks.'
          : 'A teacher of this class makes one.'}
      </Empty>
      {create.isError && <Failure error={create.error} />}
      {mayWrite &&
        kinds.map(({ kind, lesson, items, make }, index) => (
          <chakra.div key={kind} display="flex" gap="3" alignItems="center" flexWrap="wrap">
            <Button
              look={index === 1 || taken.length > 0 ? 'choice' : 'next'}
              disabled={create.isPending || items.length === 0}
              onClick={make}
            >
              Make the {KIND_WORDS[kind].toLowerCase()}
            </Button>
            <Label>
              in lesson {lesson}, {items.length} figures, {items.filter(({ gate }) => gate).length} of them
              gates
            </Label>
          </chakra.div>
        ))}
      {leave && (
        <Button look="quiet" onClick={leave}>
          Leave it
        </Button>
      )}
    </chakra.div>
  );
}
