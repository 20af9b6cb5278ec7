import { chakra } from '@chakra-ui/react';
import { partnersIn } from '@map-step/core';
import { z } from 'zod';
import { ownerOf } from '../../api/outbox.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Group } from '../../ui/group.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { inMinutes } from '../../ui/seconds.ts';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import type { StudentHere } from './use-attendance.ts';
import { useKept } from './use-kept.ts';
import { useNow } from './use-now.ts';

const MINUTE = 60_000;
const USUAL_MINUTES = 3;

/** So that nobody begins with the first partner again when the page is loaded anew. */
const changes = z.object({
  round: z.int().min(0),
  minutes: z.number().positive(),
  /** Since when the timer runs; null while it does not. */
  since: z.number().nullable(),
});
type Changes = z.output<typeof changes>;

/** Partners change on a timer; where roles are uneven everybody waits equally often, and who waits is told by name. */
export function Partners({ students }: { students: readonly StudentHere[] }) {
  const { me } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  const [kept, keep] = useKept(`partners ${ownerOf(me)} ${section?.section.id} ${lesson}`, changes);
  const { round, minutes, since } = kept ?? { round: 0, minutes: USUAL_MINUTES, since: null };
  const now = useNow(since !== null);
  const isSaid = students.some(({ here }) => here !== undefined);
  const there = students.filter(({ here }) => (isSaid ? here : true));
  const of = (role: 'lead' | 'follow') => there.filter(student => student.role === role).map(({ id }) => id);
  const { pairs, waiting } = partnersIn(of('lead'), of('follow'), round);
  const after = partnersIn(of('lead'), of('follow'), round + 1);
  if (pairs.length === 0) return null;
  const name = (id: string) => students.find(student => student.id === id)?.name ?? id;
  const left = since === null ? undefined : since + minutes * MINUTE - now;
  const put = (next: Partial<Changes>) => keep({ round, minutes, since, ...next });
  const change = () => put({ round: round + 1, since: since === null ? null : Date.now() });
  return (
    <Group title="Changing partners">
      <chakra.div display="flex" gap="2" alignItems="center" flexWrap="wrap">
        <Label>Every</Label>
        <NumberField
          label="Minutes with a partner"
          value={minutes}
          min={1}
          max={30}
          width="4rem"
          save={value => put({ minutes: value ?? USUAL_MINUTES })}
        />
        <Label>min</Label>
        <Button size="small" onClick={() => put({ since: since === null ? Date.now() : null })}>
          {since === null ? 'Start the timer' : 'Stop the timer'}
        </Button>
      </chakra.div>
      <Button look={left !== undefined && left <= 0 ? 'next' : 'choice'} onClick={change}>
        {left === undefined
          ? 'Change partners'
          : left <= 0
            ? 'Change partners now'
            : `Change in ${inMinutes(Math.floor(left / 1000))}`}
      </Button>
      {waiting.length > 0 && (
        <p>
          Waiting: {waiting.map(name).join(', ')}
          <Label> then {after.waiting.map(name).join(', ')}</Label>
        </p>
      )}
      <Disclosure size="small" title={`Who dances with whom, round ${round + 1}`}>
        <chakra.ul pl="4" fontSize="sm">
          {pairs.map(([leader, follower]) => (
            <li key={leader}>
              {name(leader)} with {name(follower)}
            </li>
          ))}
        </chakra.ul>
      </Disclosure>
    </Group>
  );
}
