import { chakra } from '@chakra-ui/react';
import { type Figure, figureDifficulty, figureElements, printBeats, TICKS_PER_BEAT } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { type ReactNode, useDeferredValue, useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Group, GroupColumns } from '../../ui/group.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Empty, Label, TwoColumns } from '../../ui/parts.tsx';
import { useShortcuts } from '../../ui/shortcuts.ts';
import { UndoRedo } from '../../ui/undo-redo.tsx';
import { RescueCard } from '../combine/rescue-card.tsx';
import { useCourse, usePlan } from '../course/course-context.ts';
import { ratedInWords } from '../course/difficulty-words.ts';
import { FigureForm } from './figure/figure-form.tsx';
import { FigureMeaning } from './figure/figure-meaning.tsx';
import { FigureNotes } from './figure/figure-notes.tsx';
import { IntoCourse } from './figure/into-course.tsx';
import { MadeNotice } from './figure/made-notice.tsx';
import { NearestFigures } from './figure/nearest-figures.tsx';
import { NeedsDrawing } from './figure/needs-drawing.tsx';
import { PathDrawing } from './figure/path-drawing.tsx';
import { RetiredFigure, TakenFigure } from './figure/removed-figure.tsx';
import { useOthersDrafts, useShareDrafts } from './figure/shared-drafts.ts';
import type { SheetPlace } from './figure/sheet-place.ts';
import { type FigureEditing, useFigureDraft } from './figure/use-figure-draft.ts';
import { Variants } from './figure/variants.tsx';
import { FigureList } from './library/figure-list.tsx';
import { HoldForm } from './sheet/hold-form.tsx';
import { SheetFiles } from './sheet/sheet-files.tsx';
import { StepSheet } from './sheet/step-sheet.tsx';
import { BeingChanged, UnfinishedFigure } from './sheet/unfinished-figure.tsx';

/** The figures of the course's dances, and the step sheet of the one that is open. */
export function MaterialPage() {
  const { library, answer } = useCourse();
  const { pattern: asked } = useParams();
  const { dances } = answer.course;
  const figures = [...library.patterns.values()].filter(({ dance }) => dances.includes(dance));
  const openId = asked ?? figures[0]?.id;
  useShareDrafts();
  return (
    <TwoColumns>
      <FigureList figures={figures} openId={openId} />
      {openId === undefined ? (
        <Empty title="No figures yet">
          Write the first one with “New figure”, or import a file from the programme page.
        </Empty>
      ) : (
        <OpenFigure key={openId} id={openId} />
      )}
    </TwoColumns>
  );
}

function OpenFigure({ id }: { id: string }) {
  const editing = useFigureDraft(id);
  const [noteAt, beginNote] = useState<SheetPlace>();
  useShortcuts({ undo: editing?.undo, redo: editing?.redo });
  // What is computed beside the sheet follows as soon as there is time.
  const shown = useDeferredValue(editing?.reading.figure);
  const theirs = useOthersDrafts().find(({ figure }) => figure === id);
  if (!editing || !shown)
    return theirs ? (
      <UnfinishedFigure draft={theirs} />
    ) : (
      <Empty title="There is no such figure">It may have been renamed. Choose one from the list.</Empty>
    );
  const { figure } = editing.reading;
  return (
    <chakra.article display="grid" gap="4" minW="0" alignContent="start">
      <div>
        <TakenFigure />
        <Heading editing={editing} />
        <PrintedPlace editing={editing} />
        <RetiredFigure editing={editing} />
        {theirs && !theirs.isNew && <BeingChanged draft={theirs} />}
        <Unsaved editing={editing} />
        <StepSheet editing={editing} note={beginNote} />
        <MadeNotice editing={editing} />
        <IntoCourse editing={editing} />
        <HoldForm editing={editing} />
        {figure.parts.length > 0 && <SheetFiles figure={figure} />}
      </div>
      <GroupColumns>
        <Beside figure={shown} />
        <FigureNotes editing={editing} place={noteAt} begin={beginNote} />
        <ToLearn figure={shown} />
        <OnScreen>
          <FigureForm editing={editing} />
        </OnScreen>
      </GroupColumns>
    </chakra.article>
  );
}

function Beside({ figure }: { figure: Figure }) {
  return (
    <>
      <FigureMeaning figure={figure} />
      <OnScreen>
        <NearestFigures figure={figure} />
        <NeedsDrawing id={figure.pattern.id} />
        <Variants id={figure.pattern.id} />
      </OnScreen>
      <PathDrawing figure={figure} />
      <Group title="If it goes wrong">
        <RescueCard figure={figure} />
      </Group>
    </>
  );
}

/** A part of the page that only serves to look further. */
function OnScreen({ children }: { children: ReactNode }) {
  return (
    <chakra.div className="no-print" display="contents">
      {children}
    </chakra.div>
  );
}

/** What a sheet of paper by itself must say: whose figure this is, and from when. */
function PrintedPlace({ editing: { pattern } }: { editing: FigureEditing }) {
  const { studio, library, today } = useCourse();
  const level = library.levels.get(pattern.level ?? '')?.name;
  return (
    <chakra.p className="only-print" mb="2">
      {[
        studio.studio.name,
        library.dances.get(pattern.dance)?.name,
        level,
        `as of ${format(parseISO(today), 'd MMMM yyyy')}`,
      ]
        .filter(Boolean)
        .join(' · ')}
    </chakra.p>
  );
}

function Heading({ editing }: { editing: FigureEditing }) {
  const { pattern, reading } = editing;
  const { beats } = reading.figure;
  return (
    <chakra.div display="flex" alignItems="baseline" gap="3" flexWrap="wrap" mb="1">
      <chakra.h2 fontSize="2xl">{pattern.name}</chakra.h2>
      <chakra.span color="quiet">
        {beats === null
          ? 'no set timing'
          : `${printBeats(beats)} ${beats === TICKS_PER_BEAT ? 'beat' : 'beats'}`}
        {pattern.aliases?.map(({ name, school }) => `, “${name}” at ${school}`)}
      </chakra.span>
      {editing.mayWrite && <SavedState editing={editing} />}
    </chakra.div>
  );
}

const STATE_WORDS = {
  saved: 'saved',
  saving: 'saving …',
  kept: 'not saved yet',
  refused: 'not saved',
} as const;

function SavedState({ editing: { undo, redo, state } }: { editing: FigureEditing }) {
  return (
    <chakra.span className="no-print" ml="auto" display="flex" gap="2" alignItems="center">
      <Label role="status">{STATE_WORDS[state]}</Label>
      <UndoRedo undo={undo} redo={redo} />
    </chakra.span>
  );
}

/** What stands only in this browser, and why. */
function Unsaved({ editing: { error, clashes, state, discard } }: { editing: FigureEditing }) {
  if (error && clashes.length === 0) return <Failure error={error} />;
  if (state !== 'kept') return null;
  return (
    <chakra.div className="no-print" mb="2">
      <Notice
        tone="now"
        title="Unfinished: colleagues see it as that until it can be danced; then it is saved by itself."
      >
        {discard && (
          <Button size="small" look="quiet" onClick={discard}>
            Forget what is not saved
          </Button>
        )}
      </Notice>
    </chakra.div>
  );
}

function ToLearn({ figure }: { figure: Figure }) {
  const { library } = useCourse();
  const { draft } = usePlan();
  const item = draft.problem?.items.find(({ id }) => id === figure.pattern.id);
  const elements = figureElements(figure, library.elements);
  const difficulty = useMemo(() => figureDifficulty(figure, library), [figure, library]);
  return (
    <Group title="What has to be learned once">
      {item && <p>{item.assembly / 10} minutes to put it together</p>}
      <chakra.ul pl="5" fontSize="sm">
        {elements.map(({ id, name, minutes }) => (
          <li key={id}>
            {name}, {minutes / 10} min
          </li>
        ))}
      </chakra.ul>
      {figure.parts.length > 0 && (
        <p>
          Difficulty {difficulty.total.toFixed(1)}: <Label>{ratedInWords(difficulty, figure.pattern)}</Label>
        </p>
      )}
      {figure.pattern.grades && <p>Grades: {figure.pattern.grades.join(' · ')}</p>}
    </Group>
  );
}
