import { chakra } from '@chakra-ui/react';
import {
  actionInWords,
  type Figure,
  type FigurePart,
  type MadeSpan,
  madeSpans,
  namedRuns,
  numberedCall,
  otherSchools,
  type Pattern,
  type Role,
  type SheetCell,
  type SheetColumn,
  writtenSteps,
} from '@map-step/core';
import { memo, type ReactNode } from 'react';
import { useCourse } from '../../course/course-context.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import { CellEditor } from './cell-editor.tsx';
import { CoupleRow } from './couple-row.tsx';
import type { DrawnSheet } from './drawn-sheet.ts';
import { HoldRibbon } from './hold-ribbon.tsx';
import { RowTitle } from './row-title.tsx';
import { StepCell } from './step-cell.tsx';
import { TrackRows } from './track-rows.tsx';
import type { SheetCursor } from './use-sheet-cursor.ts';

const NARROW = 112;

interface SheetLineProps {
  readonly editing: FigureEditing;
  readonly layout: DrawnSheet;
  /** The columns of this line. */
  readonly range: readonly [number, number];
  /** Where one is, in this line. */
  readonly cursor: SheetCursor | undefined;
  /** True where it need not be laid out while it is out of sight. */
  readonly isFarAway?: boolean;
  readonly names: Readonly<Record<Role, string>>;
  /** The one role that is shown, where there is no room for more. */
  readonly only: Role | undefined;
  /** Pixels of the titles in front. */
  readonly titleWidth: number;
  /** Pixels that a beat has here. */
  readonly perBeat: number;
}

/** One line of the step sheet: the calls above, a row a role, the hold below. */
export const SheetLine = memo(function SheetLine(props: SheetLineProps) {
  const { editing, layout, range, cursor, names, only, titleWidth, perBeat, isFarAway = false } = props;
  const [from, to] = range;
  const { figure } = editing.reading;
  const parts = figure.parts.filter(({ role }) => only === undefined || role === only);
  const columns = layout.columns.slice(from, to);
  const template = `${titleWidth}px ${columns.map(({ width }) => `minmax(0, ${width}fr)`).join(' ')}`;
  const beats = columns.reduce((sum, { width }) => sum + width, 0);
  return (
    <chakra.div
      display="grid"
      gridTemplateColumns={template}
      maxW={`${titleWidth + beats * Math.max(perBeat, 128)}px`}
      role="presentation"
      {...(isFarAway && { contentVisibility: 'auto', containIntrinsicHeight: 'auto 28rem' })}
    >
      <SheetHead figure={figure} first={parts[0]} layout={layout} range={range} />
      {parts.map(part => (
        <PartRow
          key={part.role}
          part={part}
          word={names[part.role]}
          {...{ editing, layout, range, cursor, perBeat }}
        />
      ))}
      <HoldRibbon figure={figure} layout={layout} range={range} />
      <CoupleRow layout={layout} range={range} perBeat={perBeat} />
      <TrackRows editing={editing} layout={layout} range={range} only={only} />
    </chakra.div>
  );
});

interface SheetHeadProps {
  readonly figure: Figure;
  /** The part that is counted. */
  readonly first: FigurePart | undefined;
  readonly layout: DrawnSheet;
  readonly range: readonly [number, number];
}

/** The counts, and every way to call them. */
const SheetHead = memo(function SheetHead({ figure, first, layout, range }: SheetHeadProps) {
  const [from, to] = range;
  const cells = cellsIn(layout.cells.get(first?.role ?? 'lead'), range);
  const { studio, library } = useCourse();
  const line = (text: (cell: SheetCell) => ReactNode) => cells.map(cell => ({ cell, text: text(cell) }));
  const again = first && studio.studio.counting === 'numbered' ? numberedCall(first.rhythm, 2) : [];
  const lines = [
    { way: 'numbered', title: 'Second time', cells: line(({ step }) => again[step ?? -1] ?? '') },
    { way: 'slow-quick', title: 'Slow, quick', cells: line(({ call }) => call) },
    { way: 'words', title: 'In words', cells: line(({ step }) => wordsOf(first, step)) },
    { way: 'call', title: 'Call', cells: line(({ step }) => callOf(figure.pattern, step)) },
    { way: 'pieces', title: 'Read as', cells: pieceCells(figure, first, cells) },
    ...otherSchools(figure).map(({ school, labels }) => ({
      way: 'school',
      title: school,
      cells: line(({ event }) => labels[event] ?? ''),
    })),
    { way: 'made', title: 'Made of', cells: madeCells(madeSpans(figure, library), cells) },
  ].map(one => ({ ...one, isHouse: one.way === studio.studio.counting }));
  return (
    <>
      <RowTitle>Count</RowTitle>
      {layout.columns.slice(from, to).map((column, index) => (
        <chakra.div
          key={from + index}
          style={{ gridColumn: index + 2 }}
          px="1.5"
          py="1"
          {...edgeOf(column)}
          fontFamily="title"
          fontSize={column.width < 0.5 ? 'lg' : 'xl'}
          fontWeight="700"
        >
          {isRest(cells, from + index) ? `(${column.label})` : column.label}
        </chakra.div>
      ))}
      {lines
        .toSorted((a, b) => Number(b.isHouse) - Number(a.isHouse))
        .map(({ title, cells: called, isHouse }) => (
          <CallLine key={title} title={title} cells={called} {...{ isHouse, layout, range }} />
        ))}
    </>
  );
});

function cellsIn(
  cells: readonly SheetCell[] | undefined,
  [from, to]: readonly [number, number],
): readonly SheetCell[] {
  return (cells ?? []).filter(cell => cell.from >= from && cell.from < to);
}

interface CallLineProps {
  readonly title: string;
  /** As the house counts: first and clearest. */
  readonly isHouse: boolean;
  readonly cells: readonly { readonly cell: SheetCell; readonly text: ReactNode }[];
  readonly layout: DrawnSheet;
  readonly range: readonly [number, number];
}

function CallLine({ title, isHouse, cells, layout, range: [from, to] }: CallLineProps) {
  if (!cells.some(({ text }) => text)) return null;
  return (
    <>
      <RowTitle>{title}</RowTitle>
      {cells.map(({ cell, text }) => (
        <chakra.div
          key={cell.event}
          style={{ gridColumn: `${cell.from - from + 2} / ${Math.min(cell.to, to) - from + 2}` }}
          px="1.5"
          py="0.5"
          fontSize={isHouse ? 'md' : 'sm'}
          fontWeight={isHouse ? '650' : undefined}
          lineHeight="1.2"
          color={isHouse ? 'ink' : 'quiet'}
          overflowWrap="anywhere"
          {...edgeOf(layout.columns[cell.from])}
        >
          {text}
        </chakra.div>
      ))}
    </>
  );
}

interface PartRowProps extends Omit<SheetLineProps, 'names' | 'only' | 'titleWidth'> {
  readonly part: FigurePart;
  readonly word: string;
}

function PartRow({ part, word, editing, layout, range, cursor, perBeat }: PartRowProps) {
  const { role } = part;
  return (
    <>
      <RowTitle color={role}>{word}</RowTitle>
      {cellsIn(layout.cells.get(role), range).map(cell => {
        const isHere = cell.step !== null && cursor?.place.role === role && cursor.place.step === cell.step;
        return (
          <PlacedCell
            key={cell.event}
            figure={editing.reading.figure}
            issues={editing.issues}
            rocksApart={role === 'follow' && cell.step !== null && layout.rocksApart.has(cell.step)}
            // Only the cell one is on follows what is done there.
            cursor={isHere ? cursor : undefined}
            {...{ part, word, cell, layout, range, perBeat }}
          />
        );
      })}
    </>
  );
}

interface PlacedCellProps {
  readonly figure: Figure;
  readonly part: FigurePart;
  readonly word: string;
  readonly cell: SheetCell;
  readonly layout: DrawnSheet;
  readonly range: readonly [number, number];
  readonly perBeat: number;
  readonly issues: FigureEditing['issues'];
  /** True where both might rock back, and the follower goes forward. */
  readonly rocksApart: boolean;
  readonly cursor: SheetCursor | undefined;
}

/** Drawn again only when something of it has changed: two dozen others stay as one goes from cell to cell. */
const PlacedCell = memo(function PlacedCell(props: PlacedCellProps) {
  const { figure, part, word, cell, layout, range, perBeat, issues, cursor } = props;
  const [from, to] = range;
  const { from: start, to: end, step, event } = cell;
  const label = `${word}, count ${layout.columns[start]?.label ?? ''}`;
  const frame = {
    style: { gridColumn: `${start - from + 2} / ${Math.min(end, to) - from + 2}` },
    ...edgeOf(layout.columns[start]),
    borderTop: '1px solid',
    borderTopColor: 'line',
    minH: '5.25rem',
  };
  if (step === null)
    return (
      <chakra.div {...frame}>
        <chakra.p p="1.5" fontSize="sm" color="quiet">
          rest
        </chakra.p>
      </chakra.div>
    );
  const beats = layout.columns.slice(start, end).reduce((sum, { width }) => sum + width, 0);
  return (
    <chakra.div
      {...frame}
      role="button"
      aria-label={`${label}: ${writtenSteps(figure, part.role)[step] ?? 'empty'}`}
      data-place={`${part.role} ${step}`}
      tabIndex={cursor ? 0 : -1}
      cursor="pointer"
      bg={cursor ? 'nowTint' : undefined}
    >
      {cursor?.opened !== undefined ? (
        <CellEditor cursor={cursor} opened={cursor.opened} label={label} />
      ) : (
        <StepCell
          figure={figure}
          part={part}
          step={step}
          event={event}
          issues={issues}
          rocksApart={props.rocksApart}
          isNarrow={beats * perBeat < NARROW}
        />
      )}
    </chakra.div>
  );
});

/** A bar begins with a firm line, a phrase with a double one. */
export function edgeOf(column: SheetColumn | undefined) {
  switch (column?.edge) {
    case 'phrase':
      return { borderLeft: '4px double', borderLeftColor: 'ink' };
    case 'bar':
      return { borderLeft: '2px solid', borderLeftColor: 'quiet' };
    default:
      return { borderLeft: '1px solid', borderLeftColor: 'line' };
  }
}

function isRest(cells: readonly SheetCell[], column: number): boolean {
  return cells.some(({ from, step }) => from === column && step === null);
}

function wordsOf(part: FigurePart | undefined, step: number | null): string {
  const action = step === null ? undefined : part?.steps[step]?.step?.action;
  return action ? actionInWords(action) : '';
}

function callOf({ call }: Pattern, step: number | null): string {
  return step === null ? '' : (call?.[step] ?? '');
}

/** Which piece each stretch of a made figure comes from, once across it. */
function madeCells(spans: readonly MadeSpan[], cells: readonly SheetCell[]) {
  return spans.flatMap(({ words, from, to }) => {
    const own = cells.filter(({ event }) => event >= from && event < to);
    const [first, last] = [own[0], own.at(-1)];
    return first && last ? [{ cell: { ...first, to: last.to }, text: words }] : [];
  });
}

/** Where a run of steps is a piece of the dance, its name stands once across it. */
function pieceCells(figure: Figure, part: FigurePart | undefined, cells: readonly SheetCell[]) {
  if (!part) return [];
  return namedRuns(figure.dance, part).flatMap(({ name, from, to }) => {
    const first = cells.find(({ step }) => step === from);
    const last = cells.find(({ step }) => step === to - 1);
    return first ? [{ cell: { ...first, to: last?.to ?? first.to }, text: name }] : [];
  });
}
