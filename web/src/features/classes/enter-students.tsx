import { chakra } from '@chakra-ui/react';
import type { FoundStudent } from '@map-step/contract';
import type { Role, Section } from '@map-step/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { LongTextField } from '../../ui/text-field.tsx';
import { studentInWords, useRoleWords } from '../course/class-words.ts';
import { knownQuery } from '../course/student-queries.ts';
import { useEnrol } from './use-enrol.ts';

export interface EnterStudentsProps {
  readonly section: Section;
  readonly isPair: boolean;
  readonly today: string;
  readonly takesFocus: boolean;
}

interface Entered {
  readonly name: string;
  readonly role: Role;
}

/** Chosen for a name that the studio knows: somebody else who is called the same. */
const SOMEBODY_ELSE = '-';

/** The names of who comes, typed or pasted; a name that the studio knows is offered before a new student is made. */
export function EnterStudents({ section, isPair, today, takesFocus }: EnterStudentsProps) {
  const client = useQueryClient();
  const words = useRoleWords();
  const roles: readonly Role[] = isPair ? ['lead', 'follow'] : ['solo'];
  const [typed, setTyped] = useState<Partial<Record<Role, string>>>({});
  const [chosen, choose] = useState<Readonly<Record<string, string>>>({});
  const students = roles.flatMap(role => namesIn(typed[role]).map((name): Entered => ({ name, role })));
  const names = students.map(({ name }) => name);
  const { data: found, isFetching, isPlaceholderData } = useQuery(knownQuery(names));
  const isAsking = isFetching && (found === undefined || isPlaceholderData);
  const inIt = new Set(section.students.map(({ student }) => student));
  const knownOf = (name: string) =>
    (found?.students ?? []).filter(one => !inIt.has(one.id) && isSameName(one.name, name));
  const takenFor = (name: string) => chosen[name] ?? knownOf(name)[0]?.id ?? SOMEBODY_ELSE;
  const enrol = useEnrol(section, today);
  const entered = () =>
    students.map(({ name, role }, index) => {
      const known = takenFor(name);
      // Of two lines with one name only the first is the one who is known.
      const isFirst = names.findIndex(other => isSameName(other, name)) === index;
      return { name, role, ...(isFirst && known !== SOMEBODY_ELSE && { known }) };
    });
  /** Nobody is made anew before it was seen whether the studio has them: who turns out to be known is offered first. */
  const enter = async () => {
    const asked = isAsking ? await client.fetchQuery(knownQuery(names)).catch(() => undefined) : undefined;
    if (!asked?.students.some(({ id }) => !inIt.has(id))) enrol.mutate(entered());
  };
  return (
    <chakra.form display="grid" gap="2" justifyItems="start" action={enter}>
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
      {[...new Set(names)].map(name => (
        <KnownName
          key={name}
          name={name}
          known={knownOf(name)}
          value={takenFor(name)}
          choose={id => choose({ ...chosen, [name]: id })}
        />
      ))}
      <Button type="submit" look="next" disabled={students.length === 0 || enrol.isPending}>
        {students.length === 0
          ? 'Enter students'
          : `Enter ${students.length === 1 ? 'this student' : `these ${students.length} students`}`}
      </Button>
    </chakra.form>
  );
}

interface KnownNameProps {
  readonly name: string;
  readonly known: readonly FoundStudent[];
  readonly value: string;
  choose(id: string): void;
}

function KnownName({ name, known, value, choose }: KnownNameProps) {
  if (known.length === 0) return null;
  return (
    <chakra.div display="flex" gap="2" alignItems="center" flexWrap="wrap" role="status">
      <Label>{name} has been here before:</Label>
      <Choice
        label={`Who ${name} is`}
        hidesLabel
        width="28rem"
        value={value}
        among={[
          ...known.map(student => ({ value: student.id, words: `the one of ${studentInWords(student)}` })),
          { value: SOMEBODY_ELSE, words: 'somebody else of this name' },
        ]}
        set={choose}
      />
    </chakra.div>
  );
}

function namesIn(text = ''): readonly string[] {
  return text
    .split('\n')
    .map(name => name.trim())
    .filter(Boolean);
}

function isSameName(one: string, other: string): boolean {
  return one.toLowerCase() === other.toLowerCase();
}
