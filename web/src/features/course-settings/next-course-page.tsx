import { chakra } from '@chakra-ui/react';
import { figureName, type RollOverProposal } from '@map-step/core';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { Button, Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { Tick } from '../../ui/tick.tsx';
import { useCourse } from '../course/course-context.ts';
import { keys } from '../course/course-queries.ts';
import { useRollOver } from './use-roll-over.ts';

const GROUPS: readonly (readonly [RollOverProposal['code'], string])[] = [
  ['minutes', 'Minutes that the logs teach'],
  ['left', 'What no class came to'],
  ['failed', 'What the check says the level did not teach'],
  ['above', 'What the next level found missing'],
];

function rollOverQuery(course: string) {
  return queryOptions({
    queryKey: [...keys.course(course), 'roll-over'],
    queryFn: () => call('course.rollOver', { params: { course } }),
  });
}

/** The course for the next term: this one, with what its classes teach about it; each change is taken or left. */
export function NextCoursePage() {
  const { answer, me } = useCourse();
  const { search } = useLocation();
  const { course } = answer;
  const { data, error } = useQuery({ ...rollOverQuery(course.id), enabled: me.role === 'director' });
  return (
    <chakra.article display="grid" gap="5" maxW="60rem">
      <chakra.div display="flex" gap="4" alignItems="baseline" flexWrap="wrap">
        <chakra.h2 fontSize="2xl">The next {course.name}</chakra.h2>
        <Link to={{ pathname: `/courses/${course.id}/settings`, search }}>Lessons, dates and rules</Link>
      </chakra.div>
      {me.role !== 'director' && (
        <Empty title="The director rolls a course over">You may look at its map.</Empty>
      )}
      {error && <Failure error={error} />}
      {me.role === 'director' && !data && !error && <Skeleton />}
      {data && <Changes key={course.id} held={data.held} proposals={data.proposals} />}
    </chakra.article>
  );
}

interface ChangesProps {
  readonly held: number;
  readonly proposals: readonly RollOverProposal[];
}

function Changes({ held, proposals }: ChangesProps) {
  const { answer, library } = useCourse();
  const [left, setLeft] = useState<ReadonlySet<RollOverProposal>>(new Set());
  const make = useRollOver();
  const taken = proposals.filter(one => !left.has(one));
  const set = (one: RollOverProposal, isTaken: boolean) => {
    const next = new Set(left);
    if (isTaken) next.delete(one);
    else next.add(one);
    setLeft(next);
  };
  return (
    <chakra.form
      display="grid"
      gap="4"
      action={data => make.mutate({ name: String(data.get('name')).trim(), taken })}
    >
      <p>{heldInWords(held, proposals.length)}</p>
      {GROUPS.map(([code, title]) => {
        const own = proposals.filter(one => one.code === code);
        return (
          own.length > 0 && (
            <chakra.fieldset key={code} border="0" p="0" display="grid" gap="2">
              <chakra.legend fontWeight="650" mb="1">
                {title}
              </chakra.legend>
              {own.map(one => (
                <Tick key={one.change.pattern} isOn={!left.has(one)} set={isTaken => set(one, isTaken)}>
                  <strong>
                    {figureName(library, one.change.pattern)}: {one.would}.
                  </strong>{' '}
                  <Label>{one.seen}.</Label>
                </Tick>
              ))}
            </chakra.fieldset>
          )
        );
      })}
      {make.isError && <Failure error={make.error} />}
      <chakra.div display="flex" gap="2" alignItems="end" flexWrap="wrap">
        <chakra.div minW="18rem">
          <TextField
            label="Name of the new course"
            name="name"
            required
            maxLength={200}
            defaultValue={`${answer.course.name}, next term`}
          />
        </chakra.div>
        <Button type="submit" look="next" disabled={make.isPending}>
          {madeInWords(taken.length)}
        </Button>
      </chakra.div>
      <Label>
        Figures lie where they lay until the planner is asked; minutes of a figure are the house’s, and hold
        in every course that teaches it.
      </Label>
    </chakra.form>
  );
}

function heldInWords(held: number, changes: number): string {
  if (held === 0) return 'None of its classes is over yet: the next one begins as this one is.';
  const classes = held === 1 ? 'Its class that is over speaks' : `Its ${held} classes that are over speak`;
  return changes === 0
    ? `${classes} for no change.`
    : `${classes} for ${changes === 1 ? 'one change' : `${changes} changes`}. Leave out what you see otherwise.`;
}

function madeInWords(changes: number): string {
  if (changes === 0) return 'Make it as it is';
  return changes === 1 ? 'Make it with this change' : `Make it with these ${changes} changes`;
}
