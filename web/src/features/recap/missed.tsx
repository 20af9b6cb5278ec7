import { chakra } from '@chakra-ui/react';
import { catchUpText, figureName, missedFigures, standingLogs } from '@map-step/core';
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { GivenLink } from '../../ui/given-link.tsx';
import { Group } from '../../ui/group.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse } from '../course/course-context.ts';
import { keys } from '../course/course-queries.ts';
import { areNamesHidden } from '../course/course-view.ts';

/** For each student who was away a link of their own, with just the figures that they missed. */
export function MissedByStudents() {
  const { section } = useClass();
  const isMeant = section !== undefined && !areNamesHidden(section);
  const { data } = useQuery({ ...missedQuery(section?.section.id ?? ''), enabled: isMeant });
  if (!section || !isMeant) return null;
  const missed = [...missedFigures(section.logs, section.attendance, section.section)].flatMap(
    ([student, figures]) => {
      const name = section.students.find(({ id }) => id === student)?.name;
      return name === undefined ? [] : [{ student, name, figures }];
    },
  );
  if (missed.length === 0) return null;
  return (
    <Group title="Were away">
      {missed.map(one => (
        <Missed
          key={one.student}
          {...one}
          since={data?.students.find(({ student }) => student === one.student)?.at}
        />
      ))}
    </Group>
  );
}

interface MissedProps {
  readonly student: string;
  readonly name: string;
  readonly figures: readonly string[];
  /** Since when they have a link; undefined for none. */
  readonly since: string | undefined;
}

function missedQuery(section: string) {
  return queryOptions({
    queryKey: [...keys.section(section), 'missed'],
    queryFn: () => call('section.missedLinks', { params: { section } }),
  });
}

function Missed({ student, name, figures, since }: MissedProps) {
  const { library, answer, studio } = useCourse();
  const { section, classPlan } = useClass();
  const names = figures.map(id => figureName(library, id));
  const client = useQueryClient();
  const id = section?.section.id ?? '';
  const onSuccess = () => client.invalidateQueries({ queryKey: missedQuery(id).queryKey });
  const send = useMutation({
    mutationFn: () =>
      call('section.missed', { params: { section: id }, body: { student, markdown: textOf() } }),
    onSuccess,
  });
  const withdraw = useMutation({
    mutationFn: () => call('section.unmiss', { params: { section: id, student } }),
    onSuccess: () => {
      send.reset();
      return onSuccess();
    },
  });
  const error = send.error ?? withdraw.error;
  return (
    <chakra.div display="grid" gap="1" justifyItems="start">
      <p>
        {name} <Label>missed {names.join(', ')}</Label>
      </p>
      {error && <Failure error={error} />}
      {send.data && <GivenLink title={`A link for ${name}`} link={send.data} path="/r/" lasts />}
      <chakra.div display="flex" gap="2" flexWrap="wrap">
        {!send.data && (
          <Button size="small" disabled={send.isPending} onClick={() => send.mutate()}>
            {since ? `Make a new link for ${name}; the old one ends` : `Make a link for ${name}`}
          </Button>
        )}
        {since && (
          <Button size="small" look="quiet" disabled={withdraw.isPending} onClick={() => withdraw.mutate()}>
            Withdraw the link of {format(parseISO(since), 'd MMM')}
          </Button>
        )}
      </chakra.div>
    </chakra.div>
  );

  /** Just the figures, and nothing about anybody else. */
  function textOf(): string {
    const had = standingLogs(section?.logs ?? []).flatMap(({ pattern, result }) =>
      result === 'not-reached' ? [] : [pattern],
    );
    const { course } = answer;
    const planned = Object.keys(classPlan?.answer.placed ?? {});
    const localRules = studio.localRules ?? undefined;
    return catchUpText({ course, library, studio: studio.studio, localRules, figures, had, planned });
  }
}
