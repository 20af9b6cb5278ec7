import { chakra } from '@chakra-ui/react';
import { type Figure, madeAnew, madeOf, type Pattern } from '@map-step/core';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { Button } from '../../../ui/parts.tsx';
import { useShortcuts } from '../../../ui/shortcuts.ts';
import { useCourse } from '../../course/course-context.ts';
import type { FigureEditing } from './use-figure-draft.ts';
import { useOtherSide } from './use-other-side.ts';

/** Where a figure and its pieces have come apart, whose piece it is, and its other side as a figure of its own. */
export function MadeNotice({ editing }: { editing: FigureEditing }) {
  const { library } = useCourse();
  const { figure } = editing.reading;
  const anew = useMemo(() => madeAnew(figure, library), [figure, library]);
  const others = useMemo(() => madeOf(library, figure.pattern.id), [library, figure]);
  const changed = useMemo(
    () => others.filter(other => madeAnew(other, library) !== undefined),
    [others, library],
  );
  const otherSide = useOtherSide(editing);
  useShortcuts({ 'other-side': otherSide?.make });
  return (
    <chakra.div className="no-print" display="grid" gap="1.5" mt="2" justifyItems="start">
      {anew && editing.mayWrite && (
        <chakra.div
          display="flex"
          gap="2"
          alignItems="center"
          flexWrap="wrap"
          color="caution"
          fontWeight="600"
        >
          <span>It is no longer what its pieces make.</span>
          <Button
            size="small"
            onClick={() => editing.change('Written from its pieces', now => ({ ...now, ...anew }))}
          >
            Write it anew from its pieces
          </Button>
          <Button size="small" onClick={() => editing.change('A figure of its own', ownFigure)}>
            Keep it, as a figure of its own
          </Button>
        </chakra.div>
      )}
      {others.length > 0 && <MadeOfThis figures={others} changed={changed} />}
      {otherSide && (
        <Button size="small" onClick={otherSide.make}>
          {otherSide.words}
        </Button>
      )}
    </chakra.div>
  );
}

function ownFigure({ made: _, ...rest }: Pattern): Pattern {
  return rest;
}

/** The figures that this one is a piece of; those that it would change are said to. */
function MadeOfThis({ figures, changed }: { figures: readonly Figure[]; changed: readonly Figure[] }) {
  const { answer } = useCourse();
  const { search } = useLocation();
  const isChanged = new Set(changed);
  return (
    <p>
      A piece of{' '}
      {figures.map((figure, index) => (
        <span key={figure.pattern.id}>
          {index > 0 && ', '}
          <Link to={{ pathname: `/courses/${answer.course.id}/material/${figure.pattern.id}`, search }}>
            {figure.pattern.name}
          </Link>
          {isChanged.has(figure) && ' (no longer what its pieces make)'}
        </span>
      ))}
      .
    </p>
  );
}
