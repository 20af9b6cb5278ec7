import { chakra } from '@chakra-ui/react';
import type { WalkInBody, WalkInsOffered } from '@map-step/contract';
import type { Role } from '@map-step/core';
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { Tick } from '../../ui/tick.tsx';
import { studentInWords, useRoleWords } from '../course/class-words.ts';
import { useCourse, usePlace } from '../course/course-context.ts';
import { keys } from '../course/course-queries.ts';
import type { LessonAttendance } from './use-attendance.ts';

interface WalkInProps {
  readonly section: string;
  say: LessonAttendance['say'];
}

/** Somebody who comes unannounced: from a parallel class with one tap, anybody else by name and role. */
export function WalkIn(props: WalkInProps) {
  return (
    <Disclosure title="Somebody else is here" size="small" isLazy>
      <WhoWalksIn {...props} />
    </Disclosure>
  );
}

function WhoWalksIn({ section, say }: WalkInProps) {
  const { lesson } = usePlace();
  const roles = useRoles();
  const words = useRoleWords();
  const [name, setName] = useState('');
  const [stays, setStays] = useState(true);
  const client = useQueryClient();
  const askedFor = (named: string) => walkInsQuery({ section, lesson }, named);
  const { data } = useQuery(askedFor(''));
  const enter = useWalkIn({ section, say });
  const typed = name.trim();
  const { data: asked, isPlaceholderData } = useQuery(askedFor(typed));
  const known = typed === '' ? [] : (asked?.named ?? []);
  const put = (body: WalkInBody) => enter.mutate(body, { onSuccess: () => setName('') });
  /** Nobody is made anew before it was seen whether the studio has them: who turns out to be known is offered first. */
  const putTyped = async (role: Role) => {
    const isAsked = asked !== undefined && !isPlaceholderData;
    const answer = isAsked ? asked : await client.fetchQuery(askedFor(typed)).catch(() => undefined);
    if (isAsked || !answer?.named.length) put({ name: typed, role, stays });
  };
  return (
    <chakra.div display="grid" gap="2" pt="1">
      {enter.isError && <Failure error={enter.error} />}
      <Parallel
        offered={data?.parallel ?? []}
        enter={({ student, name: called, role }) => put({ name: called, role, known: student, stays: false })}
      />
      <TextField label="Name" value={name} maxLength={200} onChange={event => setName(event.target.value)} />
      <Tick isOn={!stays} set={isOn => setStays(!isOn)}>
        Only tonight
      </Tick>
      <chakra.div display="flex" gap="2" flexWrap="wrap">
        {roles.map(role => (
          <Button key={role} disabled={typed === '' || enter.isPending} onClick={() => void putTyped(role)}>
            {words[role]}
            {known.length > 0 && ', somebody new'}
          </Button>
        ))}
      </chakra.div>
      {known.map(student => (
        <chakra.div key={student.id} display="flex" gap="2" flexWrap="wrap" alignItems="center" role="status">
          <Label>
            {student.name} of {studentInWords(student)}:
          </Label>
          {roles.map(role => (
            <Button
              key={role}
              look="next"
              size="small"
              disabled={enter.isPending}
              onClick={() => put({ name: student.name, role, known: student.id, stays })}
            >
              {words[role]}
            </Button>
          ))}
        </chakra.div>
      ))}
    </chakra.div>
  );
}

type OfParallel = WalkInsOffered['parallel'][number];

interface ParallelProps {
  readonly offered: readonly OfParallel[];
  enter(one: OfParallel): void;
}

/** Who is in another class of the course comes as a guest, in their role. */
function Parallel({ offered, enter }: ParallelProps) {
  if (offered.length === 0) return null;
  return (
    <chakra.div>
      <Label>From a parallel class, for tonight</Label>
      <chakra.div display="flex" gap="1" flexWrap="wrap" maxH="11rem" overflowY="auto">
        {offered.map(one => (
          <Button key={one.student} size="small" title={one.from} onClick={() => enter(one)}>
            {one.name}
          </Button>
        ))}
      </chakra.div>
    </chakra.div>
  );
}

function walkInsQuery(
  { section, lesson }: { readonly section: string; readonly lesson: number },
  named: string,
) {
  return queryOptions({
    queryKey: [...keys.section(section), 'walk-ins', lesson, named.toLowerCase()],
    queryFn: () =>
      call('walkIn.offered', { params: { section, lesson }, query: named === '' ? {} : { named } }),
    placeholderData: previous => previous,
    retry: false,
  });
}

function useRoles(): readonly Role[] {
  const { library, answer } = useCourse();
  const isPair = library.dances.get(answer.course.dances[0] ?? '')?.roles !== 'solo';
  return isPair ? ['lead', 'follow'] : ['solo'];
}

/** They are entered on the server, and then are here. */
function useWalkIn({ section, say }: WalkInProps) {
  const { lesson } = usePlace();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: WalkInBody) => call('walkIn.enter', { params: { section, lesson }, body }),
    onSuccess: async ({ student }, { name, role }) => {
      await client.invalidateQueries({ queryKey: keys.section(section) });
      say(
        { id: student, name, role, ownRole: role, here: undefined, isLate: false, isDisputed: false },
        { here: true },
      );
    },
  });
}
