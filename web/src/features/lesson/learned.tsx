import { chakra } from '@chakra-ui/react';
import {
  type LearnedRatio,
  type Log,
  learnRatios,
  type PatternKind,
  standingLogs,
  standingPrepared,
} from '@map-step/core';
import { useMutation } from '@tanstack/react-query';
import { Failure } from '../../ui/failure.tsx';
import { Group } from '../../ui/group.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlan } from '../course/course-context.ts';
import { useGiveMinutes } from '../course/use-give-minutes.ts';

type Learned = LearnedRatio<PatternKind | 'prepared' | 'along'>;

const STRANDS: Readonly<Record<Learned['kind'], string>> = {
  basic: 'Basics',
  pattern: 'Patterns',
  turn: 'Turns',
  drill: 'Drills',
  quality: 'Qualities',
  prepared: 'Holds, rhythms and turns shown ahead',
  along: 'Reviews in passing',
};

/** From so many times on reviews in passing tell whether half the minutes are enough. */
const ENOUGH = 3;

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

function Strand({ learned: { kind, ratio, count } }: { learned: Learned }) {
  const { figures, take } = useTakeOver(kind, ratio);
  const percent = Math.round(Math.abs(ratio - 1) * 100);
  return (
    <chakra.div display="grid" gap="1" justifyItems="start">
      <p>
        {STRANDS[kind]} take {percent} % {ratio > 1 ? 'longer' : 'less'} than planned{' '}
        <Label>
          from {count} {count === 1 ? 'time' : 'times'}
        </Label>
      </p>
      {kind === 'along' && ratio > 1 && count >= ENOUGH && (
        <Label>Half the minutes are too few for them: the course’s rules can give them whole ones.</Label>
      )}
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

function useLearnedRatios(): readonly Learned[] {
  const { library } = useCourse();
  const { section, classPlan } = useClass();
  const logs = section?.logs ?? [];
  const plannedIn = (lesson: number) => classPlan?.answer.lessons[lesson - 1];
  const figures = standingLogs(logs).flatMap(log => {
    const planned = plannedIn(log.lesson);
    const kind = library.patterns.get(log.pattern)?.kind;
    const along = planned?.reviews.find(({ id, within }) => id === log.pattern && within !== undefined);
    return along
      ? timed('along', log, along.minutes)
      : kind
        ? timed(kind, log, planned?.minutes[log.pattern])
        : [];
  });
  const prepared = standingPrepared(logs).flatMap(log => {
    const element = plannedIn(log.lesson)?.prepare.find(({ id }) => id === log.element);
    return timed('prepared', log, element?.minutes);
  });
  return learnRatios([...figures, ...prepared]);
}

function timed(kind: Learned['kind'], { minutes, result }: Log, planned: number | undefined) {
  const isWhole = result === 'solid' || result === 'shaky';
  return isWhole && planned !== undefined && minutes !== undefined
    ? [{ kind, planned: planned / 10, taken: minutes }]
    : [];
}

/** Gives the figures of a strand that are still to be taught their minutes by the ratio. */
function useTakeOver(kind: Learned['kind'], ratio: number) {
  const { library } = useCourse();
  const giveMinutes = useGiveMinutes();
  const { draft } = usePlan();
  const { classPlan } = useClass();
  const figures = (draft.problem?.items ?? []).flatMap(({ id, kind: own, assembly }) => {
    const pattern = library.patterns.get(id);
    if (!pattern || own !== kind || classPlan?.progress.taught[id] !== undefined) return [];
    const after = Math.round(assembly * ratio) / 10;
    return [{ id, name: pattern.name, before: assembly / 10, after }];
  });
  const take = useMutation({
    mutationFn: async () => {
      for (const { id, after } of figures) await giveMinutes(id, after);
    },
  });
  return { figures, take };
}
