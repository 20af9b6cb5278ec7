import { useDraggable } from '@dnd-kit/core';
import type { Pattern } from '@map-step/core';
import type { KeyboardEvent } from 'react';
import { FigureChip } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';

export type MoveFigure = (id: string, to: number | null) => void;

interface FigureOnMapProps {
  readonly pattern: Pattern;
  /** Undefined in the tray of what is left out. */
  readonly lesson: number | undefined;
  readonly isChosen: boolean;
  readonly choose: (id: string) => void;
  readonly move: MoveFigure;
}

/** A figure that can be chosen, dragged, or moved by the arrow keys. */
export function FigureOnMap({ pattern, lesson, isChosen, choose, move }: FigureOnMapProps) {
  const { draft } = useCourseView();
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: pattern.id });
  const isBroken = draft.judgement?.broken.some(({ at }) => at === pattern.id);
  const onKeyDown = (event: KeyboardEvent) => {
    const to = { ArrowLeft: (lesson ?? 2) - 1, ArrowRight: (lesson ?? 0) + 1, Backspace: null, Delete: null }[
      event.key
    ];
    if (to === undefined) return;
    event.preventDefault();
    choose(pattern.id);
    move(pattern.id, to);
  };
  return (
    <FigureChip
      ref={setNodeRef}
      {...listeners}
      data-figure={pattern.id}
      strand={pattern.kind}
      state={isChosen ? 'chosen' : isBroken ? 'broken' : 'calm'}
      aria-pressed={isChosen}
      aria-label={`${pattern.name}, ${lesson === undefined ? 'left out' : `lesson ${lesson}`}${isBroken ? ', breaks a rule' : ''}`}
      onClick={() => choose(pattern.id)}
      onKeyDown={onKeyDown}
      position="relative"
      zIndex={isDragging ? 5 : 1}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : {}}
    >
      {pattern.name}
    </FigureChip>
  );
}
