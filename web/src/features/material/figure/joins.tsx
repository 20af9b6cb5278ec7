import { chakra } from '@chakra-ui/react';
import {
  type Figure,
  figureJoins,
  findHold,
  type Join,
  nearestFigures,
  printBeats,
  readFigure,
  ticks,
} from '@map-step/core';
import { useMemo, useState } from 'react';
import { Button, Label } from '../../../ui/parts.tsx';
import { percent } from '../../../ui/percent.ts';
import { useCourse } from '../../course/course-context.ts';
import { useMadeFigure } from './use-made-figure.ts';

const MANY = 6;

/** The halves of a figure that join those of others: how long, in which hold, on which foot, how new; each can be taken. */
export function Joins({ figure }: { figure: Figure }) {
  const { library } = useCourse();
  const joins = useMemo(() => figureJoins(library, figure), [library, figure]);
  const [isOpen, open] = useState(false);
  if (joins.length === 0) return null;
  const shown = isOpen ? joins : joins.slice(0, MANY);
  return (
    <div>
      <Label>Its halves also join: </Label>
      {shown.map(join => (
        <JoinLine key={nameOf(join)} join={join} figure={figure} />
      ))}
      {joins.length > shown.length && (
        <Button look="quiet" size="small" onClick={() => open(true)}>
          and {joins.length - shown.length} more
        </Button>
      )}
    </div>
  );
}

function JoinLine({ join, figure }: { join: Join; figure: Figure }) {
  const { head, tail } = join;
  const made = useMadeFigure(figure.pattern);
  const pieces = [
    { pattern: head.figure.pattern.id, from: 0, to: head.event - 1 },
    { pattern: tail.figure.pattern.id, from: tail.event },
  ];
  const written = made?.write(pieces);
  const beats =
    head.headBeats === null || tail.tailBeats === null
      ? undefined
      : printBeats(ticks(head.headBeats + tail.tailBeats));
  const joined =
    written?.ok === true
      ? readFigure({ ...figure.pattern, ...written.value }, figure.dance).figure
      : undefined;
  const fresh = joined && nearestFigures(joined, [head.figure, tail.figure], 1)[0]?.novelty;
  const [free] = head.feet;
  return (
    <chakra.div display="flex" gap="2" alignItems="baseline" flexWrap="wrap">
      <span>{nameOf(join)}</span>
      <Label>
        {[
          beats && `${beats} beats`,
          head.hold !== undefined && `in ${findHold(figure.dance, head.hold)?.name ?? head.hold}`,
          free &&
            (free.free === 'L' || free.free === 'R') &&
            `${free.free === 'L' ? 'left' : 'right'} foot free`,
          fresh !== undefined && `${percent(fresh)} new`,
        ]
          .filter(Boolean)
          .join(', ')}
      </Label>
      {made && written?.ok && (
        <Button size="small" onClick={() => made.make(nameOf(join), pieces)}>
          Make it a figure
        </Button>
      )}
    </chakra.div>
  );
}

function nameOf({ head, tail }: Join): string {
  return `${head.figure.pattern.name}, then the end of ${tail.figure.pattern.name}`;
}
