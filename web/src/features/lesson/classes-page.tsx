import { chakra } from '@chakra-ui/react';
import {
  allOf,
  buildPlanProblem,
  type FigureBeside,
  figureName,
  judgePlan,
  keptPlacing,
  learnedAcross,
  type Placing,
  sideBySide,
} from '@map-step/core';
import { useQueries } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { useCourse, usePlan } from '../course/course-context.ts';
import { sectionQuery } from '../course/course-queries.ts';
import { RESULTS } from './mark-row.tsx';

/** All classes of the course: figure by figure how each stands, what it took, and what one teaches the others. */
export function ClassesPage() {
  const { answer } = useCourse();
  const { saved } = usePlan();
  const { published, sections } = answer;
  const asked = useQueries({ queries: sections.map(({ id }) => sectionQuery(id)) });
  const followed = published ? keptPlacing(published) : saved;
  const minutes = usePlannedMinutes(followed);
  const failed = asked.find(({ error }) => error)?.error;
  if (failed) return <Failure error={failed} />;
  if (sections.length === 0)
    return <Empty title="No class follows this course yet">There is nothing to put side by side.</Empty>;
  const loaded = asked.flatMap(({ data }) => data ?? []);
  if (loaded.length < sections.length) return <Skeleton lines={8} />;
  const figures = sideBySide(
    answer.course,
    { placed: followed.placed, minutes },
    sections.map(({ id, behind }, index) => ({ id, over: behind, logs: loaded[index]?.logs ?? [] })),
  );
  return (
    <chakra.article display="grid" gap="4">
      <chakra.h2 fontSize="2xl">The classes of {answer.course.name} side by side</chakra.h2>
      <Learned figures={figures} />
      <Beside figures={figures} />
      <Label>
        The minutes are those until a figure was danced for the first time; behind it what the published plan
        gives it.
      </Label>
    </chakra.article>
  );
}

/** By figure, from nothing: what classes have had changes no plan that they are compared with. */
function usePlannedMinutes({ placed, ahead }: Placing): Readonly<Record<string, number>> {
  const { library, answer } = useCourse();
  const { course } = answer;
  return useMemo(() => {
    const built = buildPlanProblem(library, course);
    if (!built.ok) return {};
    const { lessons } = judgePlan(built.value, placed, ahead);
    const all = lessons.flatMap(lesson => Object.entries(lesson.minutes));
    return Object.fromEntries(all.map(([id, tenths]) => [id, tenths / 10]));
  }, [library, course, placed, ahead]);
}

function Learned({ figures }: { figures: readonly FigureBeside[] }) {
  const { library } = useCourse();
  const learned = learnedAcross(figures);
  if (learned.length === 0) return null;
  return (
    <chakra.section aria-label="What they teach each other" display="grid" gap="1">
      <chakra.h3 fontSize="lg">What they teach each other</chakra.h3>
      {learned.map(({ pattern, taken, planned }) => (
        <p key={pattern}>
          <strong>{figureName(library, pattern)}</strong> took {allOf(taken.map(String))} min in{' '}
          {taken.length} classes <Label>planned {Math.round(planned * 10) / 10}</Label>
        </p>
      ))}
    </chakra.section>
  );
}

function Beside({ figures }: { figures: readonly FigureBeside[] }) {
  const { library, answer } = useCourse();
  const heads = answer.sections.map(({ id, dates, start, behind }) => (
    <span key={id}>
      <Link to={`/courses/${answer.course.id}/lesson?class=${id}`}>
        {dates[0] ? format(parseISO(dates[0]), 'EEE d MMM') : ''} {start}
      </Link>
      <br />
      <Label>
        {behind} of {answer.course.lessons.length} lessons
      </Label>
    </span>
  ));
  return (
    <GridTable look="fields" heads={['Figure', 'Lesson', ...heads]}>
      {figures.map(({ pattern, lesson, planned, cells }) => (
        <TableRow key={pattern}>
          <TableCell>{figureName(library, pattern)}</TableCell>
          <TableCell>{lesson ?? <Label>left out</Label>}</TableCell>
          {cells.map(cell => (
            <TableCell key={cell.section}>
              <Cell cell={cell} planned={planned} />
            </TableCell>
          ))}
        </TableRow>
      ))}
    </GridTable>
  );
}

interface CellProps {
  readonly cell: FigureBeside['cells'][number];
  readonly planned: number | undefined;
}

function Cell({ cell: { result, minutes, isLacking }, planned }: CellProps) {
  const word = RESULTS.find(({ id }) => id === result)?.word;
  return (
    <>
      {isLacking && <strong>lacking{word ? ', ' : ''}</strong>}
      {word?.toLowerCase() ?? (isLacking ? '' : <Label>–</Label>)}
      {minutes !== undefined && (
        <Label>
          {' '}
          {minutes} min{planned !== undefined && ` of ${Math.round(planned * 10) / 10}`}
        </Label>
      )}
    </>
  );
}
