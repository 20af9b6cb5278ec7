import { chakra } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { Choice } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Empty, Skeleton } from '../../ui/parts.tsx';
import { useClass, useCourse } from '../course/course-context.ts';
import { areNamesHidden } from '../course/course-view.ts';
import { CheckDesk } from './check-desk.tsx';
import { checksQuery } from './check-queries.ts';
import { KIND_WORDS } from './check-words.ts';
import { NewCheck } from './new-check.tsx';

/** The checks of a class: marking together, who is ready, what the class learned, and whether markers mean the same. */
export function CheckPage() {
  const { section } = useClass();
  if (!section)
    return <Empty title="No class takes this course yet">A check is of a class and its students.</Empty>;
  if (areNamesHidden(section))
    return (
      <Empty title="Marks are for the staff of this class">
        They see them on the days on which they teach it, and the director at any time.
      </Empty>
    );
  return <Checks key={section.section.id} section={section.section.id} />;
}

function Checks({ section }: { section: string }) {
  const { me } = useCourse();
  const { check } = useParams();
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const { answer } = useCourse();
  const { data, error, refetch } = useQuery(checksQuery(section));
  const [isMaking, make] = useState(false);
  const mayWrite = me.role === 'director' || me.role === 'teacher';
  if (!data) return error ? <Failure error={error} retry={() => void refetch()} /> : <Skeleton />;
  const { checks } = data;
  const chosen = checks.find(({ id }) => id === check) ?? checks.at(-1);
  const go = (id: string) => {
    make(false);
    void navigate({ pathname: `/courses/${answer.course.id}/check/${id}`, search: String(search) });
  };
  if (!chosen || isMaking)
    return (
      <NewCheck
        section={section}
        taken={checks.map(({ id }) => id)}
        mayWrite={mayWrite}
        go={go}
        leave={chosen ? () => make(false) : undefined}
      />
    );
  return (
    <chakra.div display="grid" gap="4">
      <chakra.div display="flex" gap="3" alignItems="end" flexWrap="wrap">
        <Choice
          label="Check"
          hidesLabel
          width="18rem"
          value={chosen.id}
          among={checks.map(({ id, kind, date }) => ({
            value: id,
            words: `${KIND_WORDS[kind]}, ${format(parseISO(date), 'd MMM')}`,
          }))}
          set={go}
        />
        {mayWrite && (
          <Button look="quiet" onClick={() => make(true)}>
            One more check
          </Button>
        )}
      </chakra.div>
      <CheckDesk key={chosen.id} section={section} id={chosen.id} checks={checks} mayWrite={mayWrite} />
    </chakra.div>
  );
}
