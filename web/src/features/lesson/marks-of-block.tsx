import { figureName, type LessonBlock, type Library } from '@map-step/core';
import { useCourse } from '../course/course-context.ts';
import { useElementName } from '../course/use-elements.ts';
import { MarkRow } from './mark-row.tsx';
import type { LessonLog, MarksOf } from './use-log.ts';

/** Blocks of which each figure is marked: what is combined and asked was danced in another. */
const MARKED: ReadonlySet<LessonBlock['kind']> = new Set(['recall', 'new']);

/** What is marked in a block: its figures, or what it prepares for next time. */
export function markedIn({ kind, patterns, element }: LessonBlock): readonly string[] {
  if (element) return [element.id];
  return MARKED.has(kind) ? patterns : [];
}

/** Where the marks of a block are written. */
export function marksIn({ element }: LessonBlock, log: LessonLog | undefined): MarksOf | undefined {
  return element ? log?.prepared : log;
}

interface MarksOfBlockProps {
  readonly block: LessonBlock;
  readonly log: LessonLog | undefined;
  readonly size?: 'normal' | 'large';
  /** The one that the keys mark. */
  readonly aimed?: string | undefined;
  readonly taken?: number | undefined;
}

/** A row for each thing that is marked in a block; what is danced in passing says within what. */
export function MarksOfBlock({ block, log, size = 'normal', aimed, taken }: MarksOfBlockProps) {
  const { library } = useCourse();
  const elementName = useElementName();
  const marked = markedIn(block);
  return marked.map((id, index) => {
    const isTitle = index === 0 && (block.kind === 'new' || block.kind === 'prepare');
    return (
      <MarkRow
        key={id}
        id={id}
        name={block.element && elementName(id)}
        context={contextIn(block, id, library)}
        showName={!isTitle}
        log={marksIn(block, log)}
        size={size}
        isAimed={id === aimed && marked.length > 1}
        taken={isTitle ? taken : undefined}
      />
    );
  });
}

/** Within what a figure is danced in passing. */
function contextIn({ kind, within }: LessonBlock, id: string, library: Library): string | undefined {
  const taker = within[id];
  if (taker === undefined) return undefined;
  return kind === 'new' ? 'in passing' : `within ${figureName(library, taker)}`;
}
