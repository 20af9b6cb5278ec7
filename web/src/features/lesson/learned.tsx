import { chakra } from '@chakra-ui/react';
import { type LearnedRatio, learnRatios, type PatternKind, standingLogs } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { commandsOn } from '../../api/commands.ts';
import { Failure } from '../../ui/failure.tsx';
import { Group } from '../../ui/group.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlan } from '../course/course-context.ts';
import { figureAggregate } from '../course/figure-document.ts';

const STRANDS: Readonly<Record<PatternKind, string>> = {
  basic: 'Basics',
  pattern: 'Patterns',
  turn: 'Turns',
  drill: 'Drills',
  quality: 'Qualities',
};

/** Under it a strand takes what was planned. */
const WORTH_TELLING = 0.05;

/** What the logs of the class teach about minutes, strand by strand; taken over only when the director agrees. */
export function LearnedMinutes() {
  const { me } = useCourse();
  const ratios = useLearnedRatios().filter(({ ratio }) => Math.abs(ratio - 1) >= WORTH_TELLING);
  if (me.role !== 'director' || ratios.length === 0) return null;
  return (
    <Group title="Minutes that the logs teach">
      {ratios.map(learned => (
        <Strand key={learned.kind} learned={learned} />
      ))}
      <Label>The median of the class’s new figures, held toward what was planned while there are few.</Label>
    </Group>
  );
}

function Strand({ learned: { kind, ratio, count } }: { learned: LearnedRatio }) {
  const { figures, take } = useTakeOver(kind, ratio);
  const percent = Math.round(Math.abs(ratio - 1) * 100);
  return (
    <chakra.div display="grid" gap="1" justifyItems="start">
      <p>
        {STRANDS[kind]} take {percent} % {ratio > 1 ? 'longer' : 'less'} than planned{' '}
        <Label>
          from {count} {count === 1 ? 'figure' : 'figures'}
        </Label>
      </p>
      {figures.length > 0 && !take.isSuccess && (
        <>
          <Label>
            {figures.map(({ name, before, after }) => `${name} ${before} → ${after} min`).join(', ')}
          </Label>
          <Button size="small" disabled={take.isPending} onClick={() => take.mutate()}>
            Plan {figures.length === 1 ? 'it' : `these ${figures.length}`} with that
          </Button>
        </>
      )}
      {take.isSuccess && <Label role="status">Taken over; the plan is judged by it.</Label>}
      {take.error && <Failure error={take.error} />}
    </chakra.div>
  );
}

function useLearnedRatios(): readonly LearnedRatio[] {
  const { library } = useCourse();
  const { section, classPlan } = useClass();
  const taught = standingLogs(section?.logs ?? []).flatMap(({ pattern, lesson, minutes, result }) => {
    const planned = classPlan?.answer.lessons[lesson - 1]?.minutes[pattern];
    const kind = library.patterns.get(pattern)?.kind;
    const isWhole = result === 'solid' || result === 'shaky';
    return isWhole && kind && planned !== undefined && minutes !== undefined
      ? [{ kind, planned: planned / 10, taken: minutes }]
      : [];
  });
  return learnRatios(taught);
}

/** Gives the figures of a strand that are still to be taught their minutes by the ratio. */
function useTakeOver(kind: PatternKind, ratio: number) {
  const { library, me } = useCourse();
  const { draft } = usePlan();
  const { classPlan } = useClass();
  const client = useQueryClient();
  const figures = (draft.problem?.items ?? []).flatMap(({ id, kind: own, assembly }) => {
    const pattern = library.patterns.get(id);
    if (!pattern || own !== kind || classPlan?.progress.taught[id] !== undefined) return [];
    const after = Math.round(assembly * ratio) / 10;
    return [{ id, name: pattern.name, before: assembly / 10, after }];
  });
  const take = useMutation({
    mutationFn: async () => {
      for (const { id, after } of figures) {
        const aggregate = figureAggregate(id);
        await client.fetchQuery({ queryKey: aggregate.key, queryFn: aggregate.read });
        commandsOn(client, aggregate, me.id).edit('Minutes that the logs taught', now => ({
          ...now,
          minutes: after,
        }));
      }
    },
  });
  return { figures, take };
}
