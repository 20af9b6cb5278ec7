import { chakra } from '@chakra-ui/react';
import type { AnswerOf } from '@map-step/contract';
import { type Readiness, studentWords } from '@map-step/core';
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { GivenLink } from '../../ui/given-link.tsx';
import { Markdown } from '../../ui/markdown.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { LongTextField } from '../../ui/text-field.tsx';
import { Window } from '../../ui/window.tsx';
import { useCourse } from '../course/course-context.ts';
import { keys } from '../course/course-queries.ts';
import type { Marks } from './use-marks.ts';

interface OfCheck {
  readonly section: string;
  readonly check: string;
}

export function toldQuery(params: OfCheck) {
  return queryOptions({
    queryKey: [...keys.check(params.section, params.check), 'told'],
    queryFn: () => call('check.told', { params }),
  });
}

interface StudentWordsProps {
  readonly marks: Marks;
  readonly one: Readiness;
  readonly before: Readiness | undefined;
}

/** What this student is told, to read over, correct and give them by a link of their own. */
export function StudentWords({ marks, one, before }: StudentWordsProps) {
  const [isOpen, setOpen] = useState(false);
  const { check } = marks;
  const { data } = useQuery(toldQuery({ section: check.section, check: check.id }));
  const told = data?.students.find(({ student }) => student === one.student);
  const name = marks.nameOf(one.student);
  if (one.result === 'unseen') return null;
  return (
    <>
      <Button look="quiet" size="small" aria-label={`Words for ${name}`} onClick={() => setOpen(true)}>
        {told ? `Told ${format(parseISO(told.at), 'd MMM')}` : 'Words for them'}
      </Button>
      <Window title={`Words for ${name}`} isOpen={isOpen} close={() => setOpen(false)} closeWords="Close">
        {isOpen && <Desk marks={marks} one={one} before={before} told={told} name={name} />}
      </Window>
    </>
  );
}

interface DeskProps extends StudentWordsProps {
  readonly told: AnswerOf<'check.told'>['students'][number] | undefined;
  readonly name: string;
}

function Desk({ marks: { check }, one, before, told, name }: DeskProps) {
  const { library, answer } = useCourse();
  const client = useQueryClient();
  const [text, setText] = useState(
    () => studentWords({ library, course: answer.course.name, kind: check.kind, told: one, before }) ?? '',
  );
  const params = { section: check.section, check: check.id };
  const onSuccess = () => client.invalidateQueries({ queryKey: toldQuery(params).queryKey });
  const tell = useMutation({
    mutationFn: () => call('check.tell', { params, body: { student: one.student, markdown: text } }),
    onSuccess,
  });
  const untell = useMutation({
    mutationFn: () => call('check.untell', { params: { ...params, student: one.student } }),
    onSuccess: () => {
      tell.reset();
      return onSuccess();
    },
  });
  const error = tell.error ?? untell.error;
  return (
    <chakra.div display="grid" gap="3">
      <Label>Words, not numbers. Nobody sees them until you make the link and give it to them.</Label>
      <LongTextField
        label="What they read"
        rows={9}
        value={text}
        onChange={event => setText(event.target.value)}
      />
      <chakra.div borderLeft="3px solid" borderColor="line" pl="3" maxH="14rem" overflowY="auto">
        <Markdown text={text} />
      </chakra.div>
      {error && <Failure error={error} />}
      {tell.data ? (
        <GivenLink link={tell.data} lasts path="/r/" title={`The link of ${name}`} />
      ) : (
        <chakra.div display="flex" gap="2" flexWrap="wrap" alignItems="center">
          <Button look="next" disabled={tell.isPending || text.trim() === ''} onClick={() => tell.mutate()}>
            {told ? 'Make a new link; the old one ends' : 'Make their link'}
          </Button>
          {told && (
            <Button disabled={untell.isPending} onClick={() => untell.mutate()}>
              Withdraw the link
            </Button>
          )}
        </chakra.div>
      )}
    </chakra.div>
  );
}
