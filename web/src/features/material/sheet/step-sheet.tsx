import { chakra } from '@chakra-ui/react';
import {
  coupleAfter,
  coupleOnFloor,
  type Figure,
  findJoinMend,
  findMend,
  type Mend,
  type Pattern,
  readFigure,
  rocksApart,
  rolesOf,
  sheetLayout,
} from '@map-step/core';
import { useDeferredValue, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { Choice } from '../../../ui/choice.tsx';
import { Button } from '../../../ui/parts.tsx';
import { Segments } from '../../../ui/segments.tsx';
import { useMedia } from '../../../ui/use-media.ts';
import { useWidth } from '../../../ui/use-width.ts';
import { useCourse } from '../../course/course-context.ts';
import { useRoleNames } from '../../course/role-names.ts';
import { useCameFrom } from '../figure/came-from.ts';
import type { SheetPlace } from '../figure/sheet-place.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import type { DrawnSheet } from './drawn-sheet.ts';
import { RhythmField } from './rhythm-field.tsx';
import { withRoom } from './room-for-parts.ts';
import { SheetFolds } from './sheet-folds.tsx';
import { useSheetCursor } from './use-sheet-cursor.ts';

/** The narrowest column that a step can be read in, in pixels. */
const LEAST_COLUMN = { phone: 48, desk: 62 };
/** What a sheet of paper has room for, in pixels. */
const PAPER = 680;

const COUPLE_COMES = { alone: 'from the middle of the hold', again: 'for the second time' };

interface StepSheetProps {
  readonly editing: FigureEditing;
  /** Begins a note on a step. */
  note(place: SheetPlace): void;
}

/** The step sheet: one row a role, columns as wide as the beats they last, the hold as a ribbon below. */
export function StepSheet({ editing, note }: StepSheetProps) {
  const { library } = useCourse();
  const { dance } = editing.reading.figure;
  const cameFrom = useCameFrom(editing.reading.figure, COUPLE_COMES);
  const { shown, layout, preview } = useShown(editing, cameFrom.before);
  const pieces = useRef<HTMLInputElement>(null);
  const cursor = useSheetCursor(editing, library, { note, pieces: () => pieces.current?.focus() });
  const sheet = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const hasFocus = useRef(false);
  const { role, step } = cursor.place;
  const isOpen = cursor.opened !== undefined;
  useLayoutEffect(() => {
    if (!isOpen && hasFocus.current) focusCell(sheet.current, role, step);
  }, [role, step, isOpen]);
  const isPrinted = useMedia('print');
  const isPhone = useMedia('(max-width: 47.99rem)') && !isPrinted;
  const width = useWidth(sheet);
  const titleWidth = isPhone ? 72 : 100;
  const least = isPhone ? LEAST_COLUMN.phone : LEAST_COLUMN.desk;
  const room = (isPrinted ? PAPER : width) - titleWidth;
  const names = useRoleNames();
  return (
    <section aria-label="Step sheet">
      <RhythmField
        editing={editing}
        field={field}
        pieces={pieces}
        preview={preview}
        goOn={() => {
          const role = rolesOf(dance)[0] ?? 'lead';
          hasFocus.current = true;
          // The cell is there at once: whoever types fast loses no key.
          flushSync(() => cursor.goTo({ role, step: 0 }));
          focusCell(sheet.current, role, 0);
        }}
      />
      {isPhone && rolesOf(dance).length > 1 && (
        <Segments
          label="Whose steps"
          value={role}
          among={rolesOf(dance).map(one => ({ value: one, words: names[one] }))}
          set={one => cursor.goTo({ role: one, step: 0 })}
        />
      )}
      {layout.columns.length === 0 && <NothingYet isOver={editing.pattern.over !== undefined} />}
      <chakra.div
        ref={sheet}
        mt="2"
        bg="panel"
        border="1px solid"
        borderColor="line"
        onKeyDown={cursor.onKey}
        onFocus={event => {
          hasFocus.current = true;
          const place = placeOf(event.target);
          if (place && (place.role !== role || place.step !== step)) cursor.goTo(place);
        }}
        onDoubleClick={event => {
          const place = placeOf(event.target);
          if (place) cursor.open(place);
        }}
        onBlur={event => {
          hasFocus.current =
            event.relatedTarget === null || event.currentTarget.contains(event.relatedTarget);
        }}
      >
        <SheetFolds
          only={isPhone ? cursor.place.role : undefined}
          isFolded={!isPrinted}
          room={Math.max(room, least)}
          editing={shown}
          {...{ layout, cursor, names, titleWidth, least }}
        />
      </chakra.div>
      {layout.poses.length > 0 && <CoupleComes from={cameFrom} />}
      <GeneralIssues editing={editing} />
    </section>
  );
}

/** After what the couple is drawn. */
function CoupleComes({ from: { value, among, choose } }: { from: ReturnType<typeof useCameFrom> }) {
  return (
    <chakra.div className="no-print" mt="1" maxW="24rem">
      <Choice
        label="The couple comes in"
        layout="beside"
        size="small"
        value={value}
        among={among}
        set={choose}
      />
    </chakra.div>
  );
}

function NothingYet({ isOver }: { isOver: boolean }) {
  return (
    <chakra.p mt="2" color="quiet">
      {isOver
        ? 'This has no steps of its own; it is practised on another figure.'
        : 'Type the rhythm first; the columns for its steps appear here.'}
    </chakra.p>
  );
}

/** What is wrong with the figure as a whole. */
function GeneralIssues({ editing }: { editing: FigureEditing }) {
  const { issues, reading, mayWrite } = editing;
  const { library } = useCourse();
  const { figure } = reading;
  const general = useMemo(
    () => issues.filter(({ path }) => path.length < 3 && path[0] !== 'rhythm'),
    [issues],
  );
  // A mend of what follows is tried against the whole library: not with every key.
  const mends = useMemo(
    () =>
      general.map(issue =>
        mayWrite ? (findMend(figure, issue) ?? findJoinMend(library, figure, issue)) : undefined,
      ),
    [general, mayWrite, figure, library],
  );
  const offered = new Set<string>();
  return general.map(({ message, severity, code }, index) => (
    <chakra.p
      key={`${code} ${message}`}
      mt="1"
      fontSize="sm"
      fontWeight="600"
      color={severity === 'error' && code !== 'step-count' ? 'stop' : 'caution'}
    >
      {code === 'step-count' ? 'Not whole yet' : severity === 'error' ? 'To mend' : 'Worth a look'}: {message}
      <MendButton mend={mends[index]} offered={offered} editing={editing} />
    </chakra.p>
  ));
}

interface MendButtonProps {
  readonly mend: Mend | undefined;
  /** What was offered beside an issue before this one. */
  readonly offered: Set<string>;
  readonly editing: FigureEditing;
}

/** One press mends it; the same mend is offered once. */
function MendButton({ mend, offered, editing }: MendButtonProps) {
  if (!mend || offered.has(mend.words)) return null;
  offered.add(mend.words);
  const words = `${mend.words.charAt(0).toUpperCase()}${mend.words.slice(1)}`;
  return (
    <>
      {' '}
      <Button size="small" onClick={() => editing.change('Mended', () => mend.pattern)}>
        {words}
      </Button>
    </>
  );
}

/** What is typed is seen at once, the sheet with it as soon as there is time; a figure without parts has empty rows. */
function useShown(editing: FigureEditing, before: Figure | undefined) {
  const [typed, preview] = useState<Pattern>();
  const deferred = useDeferredValue(typed);
  const previewed = typed && deferred;
  const { dance } = editing.reading.figure;
  const shown = useMemo(
    () =>
      previewed
        ? { ...editing, reading: readFigure(withRoom(previewed, dance), dance) }
        : withEmptyParts(editing),
    [previewed, editing, dance],
  );
  const { figure } = shown.reading;
  // The couple is drawn as soon as there is time.
  const later = useDeferredValue(figure);
  const isAgain = before === editing.reading.figure;
  const couple = useMemo(
    () => ({
      poses: before ? coupleAfter(later, isAgain ? later : before) : coupleOnFloor(later),
      rocksApart: new Set(editing.mayWrite ? rocksApart(later) : []),
    }),
    [later, before, isAgain, editing.mayWrite],
  );
  const layout = useMemo((): DrawnSheet => ({ ...sheetLayout(figure), ...couple }), [figure, couple]);
  return { shown, layout, preview };
}

/** The cell in which something happened. */
function placeOf(target: EventTarget): SheetPlace | undefined {
  const cell = target instanceof Element ? target.closest<HTMLElement>('[data-place]') : null;
  const [role, step] = cell?.dataset['place']?.split(' ') ?? [];
  const found = (['lead', 'follow', 'solo'] as const).find(one => one === role);
  return found && { role: found, step: Number(step) };
}

function focusCell(sheet: HTMLElement | null, role: string, step: number): void {
  const cell = sheet?.querySelector<HTMLElement>(`[data-place="${role} ${step}"]`);
  const last = () => [...(sheet?.querySelectorAll<HTMLElement>(`[data-place^="${role} "]`) ?? [])].at(-1);
  (cell ?? last())?.focus();
}

function withEmptyParts(editing: FigureEditing): FigureEditing {
  if (editing.pattern.parts || editing.pattern.rhythm === undefined) return editing;
  const { dance } = editing.reading.figure;
  return { ...editing, reading: readFigure(withRoom(editing.pattern, dance), dance) };
}
