import { chakra } from '@chakra-ui/react';
import type { CheckListAnswer } from '@map-step/contract';
import { isOnStaff } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useCommands } from '../../api/use-commands.ts';
import { Failure } from '../../ui/failure.tsx';
import { Group } from '../../ui/group.tsx';
import { Label, Skeleton } from '../../ui/parts.tsx';
import { Segments } from '../../ui/segments.tsx';
import { CombinationOfLesson } from '../combine/combination-of-lesson.tsx';
import { useClass, useCourse } from '../course/course-context.ts';
import { checkAggregate } from './check-queries.ts';
import { ClassResult } from './class-result.tsx';
import { CriteriaList } from './criteria-list.tsx';
import { FigureCard, StudentCard } from './mark-cards.tsx';
import { MarkGrid } from './mark-grid.tsx';
import { Markers } from './markers.tsx';
import { ReadyList } from './ready-list.tsx';
import { SecondLooks } from './second-looks.tsx';
import { useMarks } from './use-marks.ts';

const VIEWS = [
  { value: 'marks', words: 'Marks' },
  { value: 'student', words: 'One student' },
  { value: 'figure', words: 'One figure' },
  { value: 'ready', words: 'Who is ready' },
  { value: 'class', words: 'The class' },
  { value: 'markers', words: 'Markers' },
  { value: 'asks', words: 'What it asks' },
] as const;
type View = (typeof VIEWS)[number]['value'];

interface CheckDeskProps {
  readonly section: string;
  readonly id: string;
  readonly checks: CheckListAnswer['checks'];
  readonly mayWrite: boolean;
}

/** One check, from marking to what follows from it. */
export function CheckDesk({ section, id, checks, mayWrite }: CheckDeskProps) {
  const { me } = useCourse();
  const [search, setSearch] = useSearchParams();
  const document = useMemo(() => checkAggregate(section, id), [section, id]);
  const answer = useQuery({ queryKey: document.key, queryFn: document.read });
  const commands = useCommands(document, me.id);
  const view: View = VIEWS.find(({ value }) => value === search.get('view'))?.value ?? 'marks';
  const set = (next: View) => {
    const params = new URLSearchParams(search);
    params.set('view', next);
    setSearch(params, { replace: true });
  };
  if (!answer.data) return answer.error ? <Failure error={answer.error} /> : <Skeleton />;
  return (
    <>
      <chakra.div>
        <Segments label="Of the check" value={view} among={VIEWS} set={set} />
      </chakra.div>
      <Views answer={answer.data} {...{ view, commands, checks, mayWrite, section }} />
    </>
  );
}

interface ViewsProps extends Omit<CheckDeskProps, 'id'> {
  readonly answer: Parameters<typeof useMarks>[0];
  readonly view: View;
  readonly commands: ReturnType<
    typeof useCommands<Parameters<typeof useMarks>[0], Parameters<typeof useMarks>[0]['body'], never>
  >;
}

function Views({ answer, view, commands, checks, mayWrite, section }: ViewsProps) {
  const marks = useMarks(answer);
  const {
    me,
    answer: { course },
  } = useCourse();
  const { section: own, waiting } = useClass();
  const unsent = waiting.filter(event => event.kind === 'mark' && event.refused === undefined).length;
  const mayMark =
    me.role === 'director' || (own !== undefined && isOnStaff(own.section, me.id, marks.check.date));
  const cells = { marks, mayMark };
  return (
    <chakra.div display="grid" gap="3">
      {(view === 'marks' || view === 'student' || view === 'figure') && (
        <Label aria-live="polite">
          {mayMark
            ? unsent > 0
              ? `${unsent} marks waiting to be sent`
              : 'saved'
            : 'The staff of this evening mark here; you may look.'}
        </Label>
      )}
      {view === 'marks' && <MarkGrid {...cells} />}
      {view !== 'class' && view !== 'asks' && <SecondLooks marks={marks} />}
      {view === 'student' && <StudentCard {...cells} />}
      {view === 'figure' && <FigureCard {...cells} />}
      {view === 'ready' && (
        <ReadyList marks={marks} checks={checks} section={section} mayTell={mayWrite && mayMark} />
      )}
      {view === 'class' && <ClassResult marks={marks} checks={checks} />}
      {view === 'markers' && <Markers marks={marks} />}
      {view === 'asks' && (
        <>
          <CriteriaList answer={answer} commands={commands} mayWrite={mayWrite} />
          {marks.check.kind === 'final' && (
            <Group title="Danced through together">
              <CombinationOfLesson lesson={course.lessons.length} />
            </Group>
          )}
        </>
      )}
    </chakra.div>
  );
}
