import { chakra } from '@chakra-ui/react';
import { shotList } from '@map-step/core';
import { useState } from 'react';
import { Button, Empty, Label } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { Prompter } from './prompter.tsx';

/** The takes by which the new figures of a lesson are filmed, and the text to be spoken, scrolling. */
export function ShotsPage() {
  const { library, studio, answer } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  const [isPrompting, prompt] = useState(false);
  const shots = shotList({
    ...{ library, studio: studio.studio, lesson, logs: section?.logs ?? [] },
    lessons: answer.course.lessons.length,
  });
  const { takes, total } = shots;
  const text = section?.recaps.find(
    ({ audience, lesson: of }) => audience === 'students' && of === lesson,
  )?.markdown;
  if (takes.length === 0)
    return (
      <Empty title={`Nothing new was danced in lesson ${lesson}`}>
        A shot list has the figures that were new.
      </Empty>
    );
  if (isPrompting && text) return <Prompter text={text} shots={shots} close={() => prompt(false)} />;
  return (
    <chakra.article display="grid" gap="3">
      <chakra.div display="flex" gap="3" alignItems="baseline" flexWrap="wrap">
        <chakra.h2 fontSize="2xl">
          {answer.course.name}, lesson {lesson}: shot list
        </chakra.h2>
        <Label>
          {takes.length} takes, {minutesInWords(total)}
        </Label>
        <chakra.div className="no-print" ml="auto" display="flex" gap="2">
          {text && <Button onClick={() => prompt(true)}>Prompter</Button>}
          <Button onClick={() => window.print()}>Print it</Button>
        </chakra.div>
      </chakra.div>
      <GridTable look="ruled" heads={['', 'What', 'From where', 'Who', 'Tempo', 'Times', 'Seconds']}>
        {takes.map(({ what, angle, who, tempo, repeats, seconds }, index) => (
          <TableRow key={what}>
            <TableCell>{index + 1}</TableCell>
            <TableCell>{what}</TableCell>
            <TableCell>{angle}</TableCell>
            <TableCell>{who}</TableCell>
            <TableCell>{tempo ?? 'free'}</TableCell>
            <TableCell>{repeats}</TableCell>
            <TableCell>{seconds}</TableCell>
          </TableRow>
        ))}
      </GridTable>
    </chakra.article>
  );
}

function minutesInWords(seconds: number): string {
  const minutes = Math.floor(seconds / 60);
  return `${minutes} min ${seconds % 60} s`;
}
