import { chakra } from '@chakra-ui/react';
import { createFigureChecker, type Pattern, readFigure } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Notice } from '../../../ui/notice.tsx';
import { Empty } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import { draftQuery, type SharedDraft } from '../figure/shared-drafts.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import { StepSheet } from './step-sheet.tsx';

/** A figure that a colleague is changing: what stands here will be another one. */
export function BeingChanged({ draft: { writer } }: { draft: SharedDraft }) {
  return <Notice tone="now" title={`${writer} is changing this figure and has not finished.`} />;
}

/** A colleague's new figure that cannot stand yet: to be read, not to be taught. */
export function UnfinishedFigure({ draft }: { draft: SharedDraft }) {
  const { data } = useQuery(draftQuery(draft.by, draft.figure));
  const editing = useReading(data?.now);
  if (!editing) return <Empty title={draft.name}>It is being written, and cannot be shown yet.</Empty>;
  return (
    <chakra.article display="grid" gap="4" minW="0" alignContent="start">
      <div>
        <chakra.h2 fontSize="2xl" mb="1">
          {draft.name}
        </chakra.h2>
        <Notice tone="now" title={`Unfinished: ${draft.writer} is writing it. It is not taught yet.`} />
        <StepSheet editing={editing} note={() => undefined} />
      </div>
    </chakra.article>
  );
}

/** A figure that is only read: nothing of it can be changed here. */
function useReading(pattern: Pattern | undefined): FigureEditing | undefined {
  const { library } = useCourse();
  return useMemo(() => {
    const dance = pattern && library.dances.get(pattern.dance);
    if (!dance) return undefined;
    const reading = readFigure(pattern, dance);
    const nothing = () => undefined;
    const issues = createFigureChecker(library)(reading);
    return {
      ...{ pattern, reading, issues, issuesNow: () => issues, mayWrite: false },
      ...{ isNew: false, state: 'saved', error: undefined, clashes: [], first: undefined, history: [] },
      ...{ change: nothing, settle: nothing, takeBack: nothing },
      ...{ undo: undefined, redo: undefined, discard: undefined },
    };
  }, [pattern, library]);
}
