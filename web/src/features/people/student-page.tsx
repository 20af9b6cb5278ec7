import { chakra } from '@chakra-ui/react';
import type { AnswerOf, FoundStudent } from '@map-step/contract';
import { allOf } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { Link, useParams } from 'react-router';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Markdown } from '../../ui/markdown.tsx';
import { Button, Label, Skeleton } from '../../ui/parts.tsx';
import { saveFile } from '../../ui/save-file.ts';
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
        <Classes {...data} />
        <Checks {...data} />
        <Disclosure title={`In words for ${data.student.name}`} isLazy>
          <Markdown text={data.words} />
          <Button
            size="small"
            onClick={() => saveFile(`${data.student.name}.md`, data.words, 'text/markdown')}
          >
            Save it as a file
          </Button>
        </Disclosure>
        <StudentData student={id} name={data.student.name} />
      </chakra.div>
    </StudioPage>
  );
}

const RESULTS = {
  ready: 'Ready for the next level.',
  nearly: 'Nearly ready.',
  repeat: 'Takes the level again.',
} as const;

function Classes({ classes, stories }: AnswerOf<'student.read'>) {
  if (classes.length === 0) return <p>In no class yet.</p>;
  return (
    <chakra.section aria-label="Classes" display="grid" gap="3">
      <chakra.h2 fontSize="lg">Classes</chakra.h2>
      {classes.map(one => (
        <ClassOfStudent
          key={one.section}
          of={one}
          story={stories.find(({ section }) => section === one.section)}
        />
      ))}
    </chakra.section>
  );
}

interface ClassOfStudentProps {
  readonly of: FoundStudent['classes'][number];
  readonly story: AnswerOf<'student.read'>['stories'][number] | undefined;
}

/** What became of them in a class: the check first, then what they danced and what they were away for. */
function ClassOfStudent({ of, story }: ClassOfStudentProps) {
  const roles = useRoleWords();
  const { section, course, name, start, first, last, entered } = of;
  const { check, evenings = 0, there = 0, had = [], lacks = [] } = story ?? {};
  const days = first && last ? `${day(first)} to ${day(last)}` : 'no evening yet';
  return (
    <chakra.article borderTop="1px solid" borderColor="line" pt="2" display="grid" gap="1">
      <chakra.h3 fontSize="md">
        <Link to={`/courses/${course}/lesson?class=${section}`}>{name}</Link>{' '}
        <Label>
          {first ? `${format(parseISO(first), 'EEEE')} ` : ''}
          {start}, {days};{' '}
          {entered.length === 0
            ? 'taken out'
            : entered.map(entry => `${roles[entry.role]}, ${daysOf(entry)}`).join('; ')}
        </Label>
      </chakra.h3>
      {check && (
        <p>
          <strong>{RESULTS[check.result]}</strong>{' '}
          <Label>
            {CHECK_WORDS[check.kind]}, {day(check.date)}
          </Label>
          {check.passed.length > 0 && ` Passed ${allOf(check.passed)}.`}
          {check.missing.length > 0 && ` Lacks ${check.missing.join('; ')}.`}
        </p>
      )}
      {evenings > 0 && (
        <p>
          There on {there} of {evenings} evenings.
          {had.length > 0 && ` Danced ${allOf(had)}.`}
        </p>
      )}
      {lacks.length > 0 && <p>Away when these were new: {allOf(lacks)}.</p>}
    </chakra.article>
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
