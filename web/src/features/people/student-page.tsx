import { chakra } from '@chakra-ui/react';
import type { AnswerOf, FoundStudent } from '@map-step/contract';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { Link, useParams } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Label, Skeleton } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { daysOf, useRoleWords } from '../course/class-words.ts';
import { studentQuery } from '../course/student-queries.ts';
import { StudioPage } from '../shell/studio-page.tsx';
import { StudentData } from './student-data.tsx';

const CHECK_WORDS = { 'half-way': 'Half-way check', final: 'Final check' } as const;
const day = (date: string) => format(parseISO(date), 'd MMM yyyy');

/** One student over all classes: where they were, what was checked, the links they have, and what is kept of them. */
export function StudentPage() {
  const { student: id = '' } = useParams();
  const { data, error } = useQuery(studentQuery(id));
  if (!data)
    return <StudioPage title="A student">{error ? <Failure error={error} /> : <Skeleton />}</StudioPage>;
  return (
    <StudioPage title={data.student.name}>
      <chakra.div display="grid" gap="6">
        <Classes classes={data.classes} />
        <Checks {...data} />
        <StudentData student={id} name={data.student.name} />
      </chakra.div>
    </StudioPage>
  );
}

function Classes({ classes }: Pick<FoundStudent, 'classes'>) {
  const roles = useRoleWords();
  if (classes.length === 0) return <p>In no class yet.</p>;
  return (
    <chakra.section aria-label="Classes">
      <chakra.h2 fontSize="lg">Classes</chakra.h2>
      <GridTable look="fields" heads={['Class', 'Evenings', 'Role and days']}>
        {classes.map(({ section, course, name, start, first, last, entered }) => (
          <TableRow key={section}>
            <TableCell>
              <Link to={`/courses/${course}/lesson?class=${section}`}>{name}</Link>{' '}
              <Label>{first ? `${format(parseISO(first), 'EEEE')} ${start}` : start}</Label>
            </TableCell>
            <TableCell>{first && last ? `${day(first)} to ${day(last)}` : 'none yet'}</TableCell>
            <TableCell>
              {entered.length === 0
                ? 'taken out'
                : entered.map(entry => `${roles[entry.role]}, ${daysOf(entry)}`).join('; ')}
            </TableCell>
          </TableRow>
        ))}
      </GridTable>
    </chakra.section>
  );
}

function Checks({ classes, checks, links }: AnswerOf<'student.read'>) {
  const courseOf = (section: string) => classes.find(one => one.section === section);
  if (checks.length === 0 && links.length === 0) return <p>Not marked in any check, and no link given.</p>;
  return (
    <chakra.section aria-label="Checks and links" display="grid" gap="2">
      <chakra.h2 fontSize="lg">Checks and links</chakra.h2>
      {checks.map(({ section, check, kind, date, marks }) => (
        <p key={check}>
          <Link
            to={`/courses/${courseOf(section)?.course}/check?class=${section}&check=${check}&view=student`}
          >
            {CHECK_WORDS[kind]} of {courseOf(section)?.name ?? section}
          </Link>
          , {day(date)} <Label>{marks} marks</Label>
        </p>
      ))}
      {links.map(({ section, check, kind, expires }) => (
        <p key={`${kind} ${section} ${check} ${expires}`}>
          A link to {kind === 'check' ? 'what they were told of a check' : 'what they missed'} in{' '}
          {courseOf(section)?.name ?? section} <Label>works until {day(expires)}</Label>
        </p>
      ))}
    </chakra.section>
  );
}
