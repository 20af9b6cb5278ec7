import { useDraggable } from '@dnd-kit/core';
import type { Pattern } from '@map-step/core';
import { Pin } from 'lucide-react';
import { type KeyboardEvent, type MouseEvent, memo } from 'react';
import { FigureChip } from '../../../ui/parts.tsx';

export interface ChipActions {
  /** With `adds` beside what is chosen already. */
  choose(id: string, adds: boolean): void;
  /** Moves the figure, and all that is chosen with it, by so many lessons; null leaves them out. */
  step(id: string, by: number | null): void;
}

interface FigureOnMapProps extends ChipActions {
  readonly pattern: Pattern;
  /** Undefined in the tray of what is left out. */
  readonly lesson: number | undefined;
  readonly state: 'calm' | 'chosen' | 'broken' | 'related';
  readonly isPinned: boolean;
  readonly isSplit: boolean;
  /** Where it lies in the saved plan, when a proposal lays it elsewhere. */
  readonly movedFrom?: string | undefined;
}

const STEPS: Readonly<Record<string, number | null>> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  Backspace: null,
  Delete: null,
};

/** A figure that can be chosen, dragged, or moved by the arrow keys, alone or with the others that are chosen. */
export const FigureOnMap = memo(function FigureOnMap(props: FigureOnMapProps) {
  const { pattern, lesson, state, isPinned, isSplit, movedFrom, choose, step } = props;
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: pattern.id });
  const onKeyDown = (event: KeyboardEvent) => {
    const by = STEPS[event.key];
    if (by === undefined || event.altKey || event.ctrlKey) return;
    event.preventDefault();
    step(pattern.id, by);
  };
  const words = [
    pattern.name,
    lesson === undefined ? 'left out' : `lesson ${lesson}`,
    isPinned ? 'pinned' : '',
    isSplit ? 'over two lessons' : '',
    state === 'broken' ? 'breaks a rule' : '',
    movedFrom ? `was ${movedFrom}` : '',
  ];
  return (
    <FigureChip
      ref={setNodeRef}
      {...listeners}
      data-figure={pattern.id}
      strand={pattern.kind}
      state={state}
      aria-pressed={state === 'chosen'}
      aria-label={words.filter(Boolean).join(', ')}
      onClick={(event: MouseEvent) => choose(pattern.id, event.shiftKey || event.ctrlKey || event.metaKey)}
      onKeyDown={onKeyDown}
      position="relative"
      zIndex="1"
      opacity={isDragging ? 0.4 : undefined}
    >
      {isPinned && <Pin size={11} aria-hidden style={{ display: 'inline', marginRight: 3 }} />}
      {pattern.name}
      {isSplit && ' · 2 lessons'}
    </FigureChip>
  );
});
