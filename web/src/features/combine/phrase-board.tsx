import { chakra } from '@chakra-ui/react';
import {
  DndContext,
  type DragEndEvent,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  type Dance,
  type PhrasePiece,
  phraseRows,
  TICKS_PER_BEAT,
  type Ticks,
  turnInWords,
  type Walk,
  type WalkRow,
} from '@map-step/core';
import { ArrowUp, LockKeyhole } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import { FigureChip, FigureSign, Label } from '../../ui/parts.tsx';
import { PromptSensor } from '../../ui/prompt-sensor.ts';
import { useCourse } from '../course/course-context.ts';

interface PhraseBoardProps {
  readonly walk: Walk;
  readonly dance: Dance;
  /** Indices of items at which the leader chooses. */
  readonly choices: ReadonlySet<number>;
  /** Items that stay when the rest is found anew. */
  readonly kept: readonly number[];
  /** Index of the figure that is looked at. */
  readonly chosen: number | undefined;
  choose(row: number): void;
  /** A figure let go over another; undefined for who may only read. */
  readonly drop: ((from: number, over: number) => void) | undefined;
  /** A key on a figure that does something with it; true where it was taken. */
  onFigureKey(event: KeyboardEvent, row: number): boolean;
}

// One object for all renders: with a new one every figure would be drawn again.
const FROM_FIVE_PIXELS = { activationConstraint: { distance: 5 } };

const IN_OUR_WORDS = {
  screenReaderInstructions: { draggable: 'Shift and an arrow moves the figure by one.' },
} as const;

/** Phrases in rows, with the figures laid on them to scale; below each the hold and where the couple faces. */
export function PhraseBoard({
  walk,
  dance,
  choices,
  kept,
  chosen,
  choose,
  drop,
  onFigureKey,
}: PhraseBoardProps) {
  const sensors = useSensors(useSensor(PromptSensor, FROM_FIVE_PIXELS));
  const { rows } = walk;
  const phrases = phraseRows(lengthsOf(walk), dance.phrase);
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const from = Number((event.target as HTMLElement).dataset.row ?? Number.NaN);
    if (Number.isNaN(from)) return;
    const step = event.shiftKey ? undefined : { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const next = step === undefined ? undefined : from + step;
    if (next !== undefined && next >= 0 && next < rows.length) {
      choose(next);
      event.currentTarget.querySelector<HTMLElement>(`[data-row="${next}"]`)?.focus();
      event.preventDefault();
    } else if (onFigureKey(event, from)) event.preventDefault();
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && drop) drop(Number(active.id), Number(over.id));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragEnd={onDragEnd}
      accessibility={IN_OUR_WORDS}
    >
      <chakra.ol aria-label="Phrases" listStyleType="none" p="0" display="grid" gap="2" onKeyDown={onKeyDown}>
        {phrases.map((pieces, index) => (
          <chakra.li
            key={`phrase-${index + 1}`}
            display="grid"
            gridTemplateColumns="1.75rem minmax(0, 1fr)"
            alignItems="start"
            columnGap="2"
            breakInside="avoid"
          >
            <chakra.span fontFamily="title" fontSize="lg" textAlign="right" lineHeight="2.4rem" color="quiet">
              {index + 1}
            </chakra.span>
            <PhraseLine
              {...{ pieces, rows, dance, choices, kept, chosen, choose }}
              faulty={new Set(walk.faults.map(({ row }) => row))}
              mayDrag={drop !== undefined}
            />
          </chakra.li>
        ))}
      </chakra.ol>
    </DndContext>
  );
}

function lengthsOf({ rows, beats }: Walk): readonly Ticks[] {
  return rows.map(({ beat }, index) => ((rows[index + 1]?.beat ?? beats) - beat) as Ticks);
}

interface PhraseLineProps extends Pick<PhraseBoardProps, 'dance' | 'choices' | 'kept' | 'chosen' | 'choose'> {
  readonly pieces: readonly PhrasePiece[];
  readonly rows: readonly WalkRow[];
  readonly faulty: ReadonlySet<number>;
  readonly mayDrag: boolean;
}

function PhraseLine({
  pieces,
  rows,
  dance,
  choices,
  kept,
  chosen,
  choose,
  faulty,
  mayDrag,
}: PhraseLineProps) {
  const whole = dance.phrase * TICKS_PER_BEAT;
  const beat = 100 / dance.phrase;
  const at = ({ from, to }: PhrasePiece) => ({
    left: `${(100 * from) / whole}%`,
    width: `${(100 * (to - from)) / whole}%`,
  });
  return (
    <div>
      <chakra.div
        position="relative"
        height="2.4rem"
        borderLeft="2px solid"
        borderColor="ink"
        style={{
          backgroundImage: `repeating-linear-gradient(90deg, var(--chakra-colors-line) 0 1px, transparent 1px ${beat}%)`,
        }}
      >
        {pieces.map(piece => (
          <FigurePiece
            key={`${piece.row} ${piece.from}`}
            {...{ piece, choose, mayDrag }}
            row={rows[piece.row]}
            isChoice={choices.has(rows[piece.row]?.item ?? -1)}
            stays={kept.includes(rows[piece.row]?.item ?? -1)}
            place={at(piece)}
            state={piece.row === chosen ? 'chosen' : faulty.has(piece.row) ? 'broken' : 'calm'}
            isStop={piece.row === (chosen ?? 0)}
          />
        ))}
      </chakra.div>
      <HoldRibbon {...{ pieces, rows, dance }} placeOf={at} />
    </div>
  );
}

interface FigurePieceProps {
  readonly piece: PhrasePiece;
  readonly row: WalkRow | undefined;
  readonly isChoice: boolean;
  readonly stays: boolean;
  readonly place: { readonly left: string; readonly width: string };
  readonly state: 'calm' | 'chosen' | 'broken';
  readonly isStop: boolean;
  readonly mayDrag: boolean;
  choose(row: number): void;
}

function FigurePiece({
  piece,
  row,
  isChoice,
  stays,
  place,
  state,
  isStop,
  mayDrag,
  choose,
}: FigurePieceProps) {
  const { library } = useCourse();
  const pattern = library.patterns.get(row?.pattern ?? '');
  const drag = useDraggable({ id: String(piece.row), disabled: !mayDrag || !piece.begins });
  const { setNodeRef } = useDroppable({ id: String(piece.row), disabled: !piece.begins });
  const own = pattern?.name ?? row?.pattern ?? '';
  const name = isChoice ? `${own}, or …` : own;
  const shared = {
    strand: pattern?.kind,
    state,
    position: 'absolute',
    top: '0',
    height: '2.2rem',
    overflow: 'hidden',
    overflowWrap: 'normal',
    opacity: drag.isDragging ? 0.4 : undefined,
  } as const;
  if (!piece.begins)
    return (
      <FigureSign
        aria-hidden
        {...shared}
        whiteSpace="nowrap"
        textOverflow="ellipsis"
        style={place}
        color="quiet"
        borderLeftStyle="dashed"
        title={name}
      >
        … {name}
      </FigureSign>
    );
  return (
    <FigureChip
      {...drag.listeners}
      ref={(element: HTMLButtonElement | null) => {
        drag.setNodeRef(element);
        setNodeRef(element);
      }}
      {...shared}
      style={place}
      data-row={piece.row}
      tabIndex={isStop ? 0 : -1}
      aria-pressed={state === 'chosen'}
      aria-label={`${piece.row + 1}, ${name}${stays ? ', stays' : ''}${state === 'broken' ? ', fails here' : ''}`}
      title={name}
      onClick={() => choose(piece.row)}
    >
      {stays && <LockKeyhole size={12} aria-hidden style={{ display: 'inline', marginRight: '.25rem' }} />}
      {name}
    </FigureChip>
  );
}

interface HoldRibbonProps extends Pick<PhraseLineProps, 'pieces' | 'rows' | 'dance'> {
  placeOf(piece: PhrasePiece): { readonly left: string; readonly width: string };
}

/** The hold where it changes, and where the couple faces as a figure begins. */
function HoldRibbon({ pieces, rows, dance, placeOf }: HoldRibbonProps) {
  return (
    <chakra.div position="relative" height="1.25rem" fontSize="xs" color="quiet" aria-hidden>
      {pieces.map((piece, index) => {
        const [row, before] = [rows[piece.row], rows[piece.row - 1]];
        if (!row || !piece.begins) return null;
        const tellsHold = row.hold !== before?.hold || index === 0;
        const tellsFacing = row.facing !== (before?.facing ?? 0);
        return (
          <chakra.span
            key={piece.row}
            position="absolute"
            display="inline-flex"
            alignItems="center"
            gap="1"
            whiteSpace="nowrap"
            overflow="hidden"
            borderLeft={row.hold !== before?.hold ? '3px solid' : undefined}
            borderColor="now"
            pl="1"
            style={placeOf(piece)}
          >
            {tellsFacing && (
              <ArrowUp size={12} style={{ flex: 'none', transform: `rotate(${-row.facing}deg)` }} />
            )}
            {tellsHold && holdName(dance, row.hold)}
          </chakra.span>
        );
      })}
    </chakra.div>
  );
}

function holdName(dance: Dance, id: string): string {
  return dance.holds.find(hold => hold.id === id)?.name ?? id;
}

/** How the couple stands as a figure begins. */
export function RowInWords({ row, dance }: { row: WalkRow; dance: Dance }) {
  const turned = row.facing > 180 ? row.facing - 360 : row.facing;
  const from = dance.floor === 'line' ? 'the line of dance' : 'where it began';
  return (
    <Label>
      begins in {holdName(dance, row.hold) || 'no hold'}
      {turned !== 0 && `, facing ${turnInWords(turned)} of ${from}`}
    </Label>
  );
}
