import { chakra } from '@chakra-ui/react';
import { partnersIn } from '@map-step/core';
import { useState } from 'react';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Group } from '../../ui/group.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import type { StudentHere } from './use-attendance.ts';
import { useNow } from './use-now.ts';

const MINUTE = 60_000;
const USUAL_MINUTES = 3;

/** Partners change on a timer; where roles are uneven everybody waits equally often, and who waits is told by name. */
export function Partners({ students }: { students: readonly StudentHere[] }) {
  const [round, setRound] = useState(0);
  const [minutes, setMinutes] = useState(USUAL_MINUTES);
  const [since, setSince] = useState<number>();
  const now = useNow(since !== undefined);
  const isSaid = students.some(({ here }) => here !== undefined);
  const there = students.filter(({ here }) => (isSaid ? here : true));
  const of = (role: 'lead' | 'follow') => there.filter(student => student.role === role).map(({ id }) => id);
  const { pairs, waiting } = partnersIn(of('lead'), of('follow'), round);
  const after = partnersIn(of('lead'), of('follow'), round + 1);
  if (pairs.length === 0) return null;
  const name = (id: string) => students.find(student => student.id === id)?.name ?? id;
  const left = since === undefined ? undefined : since + minutes * MINUTE - now;
  const change = () => {
    setRound(round + 1);
    if (since !== undefined) setSince(Date.now());
  };
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
          save={value => setMinutes(value ?? USUAL_MINUTES)}
        />
        <Label>min</Label>
        <Button size="small" onClick={() => setSince(since === undefined ? Date.now() : undefined)}>
          {since === undefined ? 'Start the timer' : 'Stop the timer'}
        </Button>
      </chakra.div>
      <Button look={left !== undefined && left <= 0 ? 'next' : 'choice'} onClick={change}>
        {left === undefined
          ? 'Change partners'
          : left <= 0
            ? 'Change partners now'
            : `Change in ${Math.floor(left / MINUTE)}:${String(Math.floor(left / 1000) % 60).padStart(2, '0')}`}
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
