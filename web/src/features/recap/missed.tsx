import { chakra } from '@chakra-ui/react';
import { figureName, missedFigures, printBlock } from '@map-step/core';
import { useMutation } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { GivenLink } from '../../ui/given-link.tsx';
import { Group } from '../../ui/group.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse } from '../course/course-context.ts';
import { areNamesHidden } from '../course/course-view.ts';

/** For each student who was away a link of their own, with just the figures that they missed. */
export function MissedByStudents() {
  const { section } = useClass();
  if (!section || areNamesHidden(section)) return null;
  const missed = [...missedFigures(section.logs, section.attendance)].flatMap(([student, figures]) => {
    const name = section.students.find(({ id }) => id === student)?.name;
    return name === undefined ? [] : [{ student, name, figures }];
  });
  if (missed.length === 0) return null;
  return (
    <Group title="Were away">
      {missed.map(one => (
        <Missed key={one.student} {...one} />
      ))}
    </Group>
  );
}

interface MissedProps {
  readonly student: string;
  readonly name: string;
  readonly figures: readonly string[];
}

function Missed({ student, name, figures }: MissedProps) {
  const { library, answer } = useCourse();
  const { section } = useClass();
  const names = figures.map(id => figureName(library, id));
  const send = useMutation({
    mutationFn: () =>
      call('section.missed', {
        params: { section: section?.section.id ?? '' },
        body: { student, markdown: textOf() },
      }),
  });
  return (
    <chakra.div display="grid" gap="1" justifyItems="start">
      <p>
        {name} <Label>missed {names.join(', ')}</Label>
      </p>
      {send.error && <Failure error={send.error} />}
      {send.data ? (
        <GivenLink title={`A link for ${name}`} link={send.data} path="/r/" lasts />
      ) : (
        <Button size="small" disabled={send.isPending} onClick={() => send.mutate()}>
          Make a link for {name}
        </Button>
      )}
    </chakra.div>
  );

  /** Just the figures, and nothing about anybody else. */
  function textOf(): string {
    const sections = figures.map(id =>
      [
        `## ${figureName(library, id)}`,
        printBlock({ kind: 'count', figure: id }),
        printBlock({ kind: 'sheet', figure: id }),
      ].join('\n\n'),
    );
    return [`# ${answer.course.name}: what you missed`, ...sections].join('\n\n');
  }
}
