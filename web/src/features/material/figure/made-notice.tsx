import { chakra } from '@chakra-ui/react';
import { type Figure, madeAnew, madeOf, type Pattern } from '@map-step/core';
import { useMemo } from 'react';
import { Failure } from '../../../ui/failure.tsx';
import { Notice } from '../../../ui/notice.tsx';
import { Button } from '../../../ui/parts.tsx';
import { useShortcuts } from '../../../ui/shortcuts.ts';
import { useCourse } from '../../course/course-context.ts';
import { FigureLink } from '../../course/figure-link.tsx';
import type { FigureEditing } from './use-figure-draft.ts';
import { useOtherSide } from './use-other-side.ts';
import { useAnewInWords, useWriteAnew } from './use-write-anew.ts';

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
  const inWords = useAnewInWords();
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
          <span>It is no longer what its pieces make. Written anew: {inWords(figure)}.</span>
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
      {others.length > 0 && <MadeOfThis figures={others} />}
      {changed.length > 0 && editing.mayWrite && <NoLongerMade figures={changed} />}
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

/** The figures that this one is a piece of. */
function MadeOfThis({ figures }: { figures: readonly Figure[] }) {
  return (
    <p>
      A piece of{' '}
      {figures.map((figure, index) => (
        <span key={figure.pattern.id}>
          {index > 0 && ', '}
          <FigureLink id={figure.pattern.id} />
        </span>
      ))}
      .
    </p>
  );
}

/** The figures that are no longer what this one makes of them: what each would become, and all of them with one press. */
function NoLongerMade({ figures }: { figures: readonly Figure[] }) {
  const inWords = useAnewInWords();
  const write = useWriteAnew();
  return (
    <Notice
      tone="now"
      title={`This change is offered to ${figures.length === 1 ? 'a figure' : `${figures.length} figures`} made of it:`}
    >
      {figures.map(figure => (
        <p key={figure.pattern.id}>
          <FigureLink id={figure.pattern.id} />: {inWords(figure)}.
        </p>
      ))}
      {write.error && <Failure error={write.error} />}
      <Button size="small" mt="2" disabled={write.isPending} onClick={() => write.mutate(figures)}>
        {figures.length === 1
          ? 'Write it anew from its pieces'
          : `Write all ${figures.length} anew from their pieces`}
      </Button>
    </Notice>
  );
}
