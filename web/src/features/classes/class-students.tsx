import { chakra } from '@chakra-ui/react';
import { PATHS } from '@map-step/contract';
import { addDays, type Role, type Section } from '@map-step/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import type { Commands } from '../../api/commands.ts';
import { Choice } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, ButtonLink, Label } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { LongTextField, TextField } from '../../ui/text-field.tsx';
import { Window } from '../../ui/window.tsx';
import { daysOf } from '../course/class-words.ts';
import { keys, sectionQuery } from '../course/course-queries.ts';
import { studioQuery } from '../studio/studio-queries.ts';

interface ClassStudentsProps {
  readonly section: Section;
  readonly commands: Commands<Section>;
  readonly isPair: boolean;
  readonly today: string;
  readonly takesFocus: boolean;
}

/** Who is in the class, by their names and roles, from which day to which. */
export function ClassStudents(props: ClassStudentsProps) {
  const { section } = props;
  const { data: studio } = useQuery(studioQuery);
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
      <EnterStudents key={section.students.length} {...props} />
      {section.students.length > 0 && <StudentTable {...props} />}
    </chakra.section>
  );
}

function useRoleWords(): Readonly<Record<Role, string>> {
  const { data: studio } = useQuery(studioQuery);
  const { lead = 'Leader', follow = 'Follower' } = studio?.studio.roles ?? {};
  return { lead, follow, solo: 'Solo' };
}

function EnterStudents({ section, isPair, today, takesFocus }: ClassStudentsProps) {
  const client = useQueryClient();
  const words = useRoleWords();
  const roles: readonly Role[] = isPair ? ['lead', 'follow'] : ['solo'];
  const [typed, setTyped] = useState<Partial<Record<Role, string>>>({});
  const isRunning = (section.dates[0] ?? today) < today;
  const enrol = useMutation({
    mutationFn: (students: readonly { name: string; role: Role }[]) =>
      call('section.enrol', {
        params: { section: section.id },
        body: { students, ...(isRunning && { from: today }) },
      }),
    onSuccess: answer => {
      client.setQueryData([...keys.section(section.id), 'document'], answer);
      void client.invalidateQueries({ queryKey: keys.section(section.id), exact: true });
      void client.invalidateQueries({ queryKey: keys.courses });
    },
  });
  const students = roles.flatMap(role =>
    (typed[role] ?? '')
      .split('\n')
      .map(name => name.trim())
      .filter(Boolean)
      .map(name => ({ name, role })),
  );
  return (
    <chakra.form display="grid" gap="2" justifyItems="start" action={() => enrol.mutate(students)}>
      {enrol.isError && <Failure error={enrol.error} />}
      <chakra.div display="flex" gap="3" flexWrap="wrap">
        {roles.map((role, index) => (
          <chakra.div key={role} width="18rem">
            <LongTextField
              label={`${words[role]}s, one name a line`}
              rows={4}
              autoFocus={takesFocus && index === 0}
              value={typed[role] ?? ''}
              onChange={event => setTyped({ ...typed, [role]: event.target.value })}
            />
          </chakra.div>
        ))}
      </chakra.div>
      <Button type="submit" look="next" disabled={students.length === 0 || enrol.isPending}>
        {students.length === 0
          ? 'Enter students'
          : `Enter ${students.length === 1 ? 'this student' : `these ${students.length} students`}`}
      </Button>
    </chakra.form>
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
    <GridTable look="fields" heads={['Student', 'Role', 'Days', 'Leaves on', '', '']}>
      {section.students.map(entry => (
        <TableRow key={`${entry.student} ${entry.from ?? ''}`}>
          <TableCell>{nameOf(entry.student)}</TableCell>
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
          <TableCell>
            <StudentData student={entry.student} name={nameOf(entry.student)} section={section.id} />
          </TableCell>
        </TableRow>
      ))}
    </GridTable>
  );
}

/** What is kept of a student: as a file for them, or made nobody’s. */
function StudentData({ student, name, section }: { student: string; name: string; section: string }) {
  const client = useQueryClient();
  const [isOpen, setOpen] = useState(false);
  const erase = useMutation({
    mutationFn: () => call('student.erase', { params: { student } }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.section(section) }),
  });
  return (
    <>
      <Button look="quiet" size="small" aria-label={`Data of ${name}`} onClick={() => setOpen(true)}>
        Data
      </Button>
      <Window
        title={`What is kept of ${name}`}
        isOpen={isOpen}
        close={() => setOpen(false)}
        closeWords="Close"
      >
        <chakra.div display="grid" gap="3" justifyItems="start">
          <p>
            Their name, classes, who was here when, marks, what they were told, and what was noted of them.
          </p>
          <ButtonLink href={PATHS['student.export'].path.replace(':student', student)} download>
            Give it out as a file
          </ButtonLink>
          {erase.isError && <Failure error={erase.error} />}
          {erase.data ? (
            <Notice tone="ready" title="Erased. Every count stays as it was.">
              {erase.data.changed.length > 0 && (
                <p>The name was taken out of: {erase.data.changed.join(', ')}.</p>
              )}
              {erase.data.mentions.length > 0 && (
                <p>
                  The given name still stands in: {erase.data.mentions.join('; ')}. It may be somebody else’s:
                  look at these.
                </p>
              )}
            </Notice>
          ) : (
            <>
              <p>
                Erasing puts a nobody in their place, everywhere and for good: so many came and so many passed
                as before, and nothing names them.
              </p>
              <EraseForGood name={name} isBusy={erase.isPending} erase={() => erase.mutate()} />
            </>
          )}
        </chakra.div>
      </Window>
    </>
  );
}

function EraseForGood({ name, isBusy, erase }: { name: string; isBusy: boolean; erase(): void }) {
  const [typed, setTyped] = useState('');
  return (
    <chakra.div display="flex" gap="2" alignItems="end">
      <TextField
        label={`To erase, write the name: ${name}`}
        value={typed}
        onChange={event => setTyped(event.target.value)}
      />
      <Button flexShrink="0" disabled={isBusy || typed.trim() !== name} onClick={erase}>
        Erase for good
      </Button>
    </chakra.div>
  );
}
