import { chakra } from '@chakra-ui/react';
import { addDays, type Role, type Section } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Commands } from '../../api/commands.ts';
import { Choice } from '../../ui/choice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { daysOf, useRoleWords } from '../course/class-words.ts';
import { sectionQuery } from '../course/course-queries.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import { EnterStudents, type EnterStudentsProps } from './enter-students.tsx';
import { returningQuery, WhoComesBack } from './who-comes-back.tsx';

interface ClassStudentsProps extends EnterStudentsProps {
  readonly commands: Commands<Section>;
}

/** Who is in the class, by their names and roles, from which day to which. */
export function ClassStudents(props: ClassStudentsProps) {
  const { section } = props;
  const { data: studio } = useQuery(studioQuery);
  const returning = useQuery(returningQuery(section));
  return (
    <chakra.section aria-label="Students" display="grid" gap="3">
      <chakra.h2 fontSize="lg">
        Students <Label>{section.students.length}</Label>
      </chakra.h2>
      <Label>
        {studio?.consent ??
          'Say under “Studio” what you tell students about their data; it then stands here.'}{' '}
        Names and marks are seen by the director and the staff of this class, by nobody else.
      </Label>
      <WhoComesBack {...props} />
      {/* Where the hand goes first is known once it is known who comes back. */}
      {!(props.takesFocus && returning.isPending) && (
        <EnterStudents
          key={section.students.length}
          {...props}
          takesFocus={props.takesFocus && returning.data?.students.length === 0}
        />
      )}
      {section.students.length > 0 && <StudentTable {...props} />}
      <TakenOut section={section} />
    </chakra.section>
  );
}

type Entry = Section['students'][number];

function StudentTable({ section, commands, isPair, today }: ClassStudentsProps) {
  const { data } = useQuery(sectionQuery(section.id));
  const words = useRoleWords();
  const nameOf = (id: string) => data?.students.find(one => one.id === id)?.name ?? '…';
  const replace = (entry: Entry, ...by: readonly Entry[]) =>
    commands.edit(`${nameOf(entry.student)}: days and roles`, now => ({
      ...now,
      students: now.students.flatMap(one =>
        one.student === entry.student && one.from === entry.from ? by : [one],
      ),
    }));
  const changeRole = (entry: Entry, role: Role) => {
    const { from: _, to: __, ...rest } = entry;
    const hasBegun = (section.dates[0] ?? today) < today && entry.from !== today;
    if (!hasBegun) replace(entry, { ...entry, role });
    // What they danced until now stays as it was.
    else replace(entry, { ...entry, to: addDays(today, -1) }, { ...rest, role, from: today });
  };
  return (
    <GridTable look="fields" heads={['Student', 'Role', 'Days', 'Leaves on', '']}>
      {section.students.map(entry => (
        <TableRow key={`${entry.student} ${entry.from ?? ''}`}>
          <TableCell>
            <Link to={`/students/${entry.student}`}>{nameOf(entry.student)}</Link>
          </TableCell>
          <TableCell>
            {isPair ? (
              <Choice
                label={`Role of ${nameOf(entry.student)}`}
                hidesLabel
                size="small"
                width="9rem"
                value={entry.role === 'follow' ? 'follow' : 'lead'}
                among={(['lead', 'follow'] as const).map(role => ({ value: role, words: words[role] }))}
                set={role => changeRole(entry, role)}
              />
            ) : (
              words[entry.role]
            )}
          </TableCell>
          <TableCell>{daysOf(entry)}</TableCell>
          <TableCell>
            <TextField
              label={`Last day of ${nameOf(entry.student)}`}
              hidesLabel
              type="date"
              value={entry.to ?? ''}
              onChange={event => {
                const { to: _, ...rest } = entry;
                replace(entry, event.target.value ? { ...rest, to: event.target.value } : rest);
              }}
            />
          </TableCell>
          <TableCell>
            <Button
              look="quiet"
              size="small"
              aria-label={`Take ${nameOf(entry.student)} out`}
              onClick={() => replace(entry)}
            >
              Take out
            </Button>
          </TableCell>
        </TableRow>
      ))}
    </GridTable>
  );
}

/** Whoever is in the class no more, and of whom something was written while they were. */
function TakenOut({ section }: { section: Section }) {
  const { data } = useQuery(sectionQuery(section.id));
  const inIt = new Set(section.students.map(({ student }) => student));
  const written = new Set((data?.attendance ?? []).map(({ student }) => student));
  const out = (data?.students ?? []).filter(({ id }) => written.has(id) && !inIt.has(id));
  if (out.length === 0) return null;
  return (
    <p>
      <Label>Taken out: </Label>
      {out.map(({ id, name }, index) => (
        <span key={id}>
          {index > 0 && ', '}
          <Link to={`/students/${id}`}>{name}</Link>
        </span>
      ))}
    </p>
  );
}
