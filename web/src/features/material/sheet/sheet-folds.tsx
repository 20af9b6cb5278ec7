import { chakra } from '@chakra-ui/react';
import { madeFolds, type Role, type SheetFold, type SheetLayout, sheetLines } from '@map-step/core';
import { useDeferredValue, useLayoutEffect, useMemo, useState } from 'react';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Label } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import type { SheetPlace } from '../figure/sheet-place.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import type { DrawnSheet } from './drawn-sheet.ts';
import { SheetLine } from './sheet-line.tsx';
import type { SheetCursor } from './use-sheet-cursor.ts';

/** A sheet of more lines than this is read as its pieces. */
const LONG = 2;
/** Of a sheet of more lines than this only those in sight are laid out. */
const MANY = 6;

interface SheetFoldsProps {
  readonly editing: FigureEditing;
  readonly layout: DrawnSheet;
  readonly cursor: SheetCursor;
  readonly names: Readonly<Record<Role, string>>;
  readonly only: Role | undefined;
  readonly titleWidth: number;
  readonly isFolded: boolean;
  /** Pixels of a line, and of the narrowest column. */
  readonly room: number;
  readonly least: number;
}

/** The lines of a sheet; a long one is read as its pieces, and the one that is worked on is open. */
export function SheetFolds({ isFolded, ...rest }: SheetFoldsProps) {
  const { editing, layout, cursor, room, least } = rest;
  const { library } = useCourse();
  const { figure } = editing.reading;
  const folds = madeFolds(figure, library, layout);
  const here = folds.findIndex(fold => isIn(fold, columnOf(layout, cursor.place)));
  const [opened, open] = useState<ReadonlySet<number>>(new Set([0]));
  useLayoutEffect(() => open(before => new Set(before).add(here)), [here]);
  const isLong = sheetLines(layout.columns, room, least).length > LONG;
  if (!isFolded || !isLong || folds.length < 2) return <Lines range={[0, layout.columns.length]} {...rest} />;
  const toggle = (index: number) => {
    const next = new Set(opened);
    if (!next.delete(index)) next.add(index);
    open(next);
  };
  return folds.map((fold, index) => (
    <chakra.div key={fold.from} px="2" borderTop={index > 0 ? '1px solid' : undefined} borderColor="line">
      <Disclosure
        isOpen={opened.has(index)}
        onToggle={() => toggle(index)}
        title={
          <>
            {fold.words} <Label>{inWords(fold, layout)}</Label>
            {toMend(fold, rest) > 0 && (
              <chakra.span color="caution"> {toMend(fold, rest)} to look at</chakra.span>
            )}
          </>
        }
      >
        {opened.has(index) && <Lines range={[fold.from, fold.to]} {...rest} />}
      </Disclosure>
    </chakra.div>
  ));
}

interface LinesProps extends Omit<SheetFoldsProps, 'isFolded'> {
  readonly range: readonly [number, number];
}

/** Some of the columns as lines of whole bars; with one role they stand side by side, to be swiped through. */
function Lines({ range: [from, to], room, least, ...line }: LinesProps) {
  const { layout, only, cursor, editing } = line;
  const lines = useMemo(
    () =>
      sheetLines(layout.columns.slice(from, to), room, least).map(
        ([begin, end]) => [from + begin, from + end] as const,
      ),
    [layout, from, to, room, least],
  );
  const later = useDeferredValue(editing);
  const here = columnOf(layout, cursor.place);
  const isSideways = only !== undefined && lines.length > 1;
  return (
    <chakra.div
      display="grid"
      gap="2"
      {...(isSideways && {
        ...{ gridAutoFlow: 'column', gridAutoColumns: '100%' },
        ...{ overflowX: 'auto', scrollSnapType: 'x mandatory' },
      })}
    >
      {lines.map((range, index) => {
        const [begin, end] = range;
        const isHere = here >= begin && here < end;
        const beats = layout.columns.slice(...range).reduce((sum, { width }) => sum + width, 0);
        return (
          <chakra.div key={begin} scrollSnapAlign="start">
            {isSideways && (
              <Label px="2">
                {index + 1} of {lines.length}
              </Label>
            )}
            <SheetLine
              {...line}
              range={range}
              perBeat={beats > 0 ? room / beats : room}
              // One writes in one line: the others follow as soon as there is time.
              editing={isHere || lines.length <= LONG ? editing : later}
              cursor={isHere ? cursor : undefined}
              isFarAway={lines.length > MANY}
            />
          </chakra.div>
        );
      })}
    </chakra.div>
  );
}

function isIn({ from, to }: SheetFold, column: number): boolean {
  return column >= from && column < to;
}

function columnOf({ cells }: SheetLayout, { role, step }: SheetPlace): number {
  return cells.get(role)?.find(cell => cell.step === step)?.from ?? -1;
}

function inWords({ from, to }: SheetFold, { columns }: SheetLayout): string {
  const beats = columns.slice(from, to).reduce((sum, { width }) => sum + width, 0);
  return `${beats} beats`;
}

/** How many steps of a stretch have something to be told. */
function toMend(fold: SheetFold, { editing, layout }: Omit<SheetFoldsProps, 'isFolded'>): number {
  return editing.issues.filter(
    ({ path: [part, role, step] }) =>
      part === 'parts' &&
      (role === 'lead' || role === 'follow' || role === 'solo') &&
      isIn(fold, columnOf(layout, { role, step: Number(step) })),
  ).length;
}
