import { useDraggable } from '@dnd-kit/core';
import type { Pattern } from '@map-step/core';
import { OctagonMinus, Pin } from 'lucide-react';
import { FigureChip } from '../../../ui/parts.tsx';

export interface FigureOnMapProps {
  readonly pattern: Pattern;
  /** Undefined in the tray of what is left out. */
  readonly lesson: number | undefined;
  readonly state: 'calm' | 'chosen' | 'broken' | 'related';
  readonly isPinned: boolean;
  readonly isSplit: boolean;
  /** It cannot be danced on, or into, in its first lesson. */
  readonly isStuck: boolean;
  /** Where it lies in the saved plan, when a proposal lays it elsewhere. */
  readonly movedFrom?: string | undefined;
}

/** A figure that can be chosen, dragged, or moved by the arrow keys, alone or with the others that are chosen. */
export function FigureOnMap({
  pattern,
  lesson,
  state,
  isPinned,
  isSplit,
  isStuck,
  movedFrom,
}: FigureOnMapProps) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: pattern.id });
  const words = [
    pattern.name,
    lesson === undefined ? 'left out' : `lesson ${lesson}`,
    isPinned ? 'pinned' : '',
    isSplit ? 'over two lessons' : '',
    isStuck ? 'a dead end' : '',
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
      position="relative"
      zIndex="1"
      opacity={isDragging ? 0.4 : undefined}
    >
      {isStuck && <OctagonMinus size={11} aria-hidden style={{ display: 'inline', marginRight: 3 }} />}
      {isPinned && <Pin size={11} aria-hidden style={{ display: 'inline', marginRight: 3 }} />}
      {pattern.name}
      {isSplit && ' · 2 lessons'}
    </FigureChip>
  );
}
