import { chakra } from '@chakra-ui/react';
import { DndContext, type DragEndEvent, pointerWithin, useSensor, useSensors } from '@dnd-kit/core';
import { memo, useDeferredValue } from 'react';
import { Failure } from '../../ui/failure.tsx';
import { OnPaper } from '../../ui/on-paper.tsx';
import { Empty, Notice, Spoken } from '../../ui/parts.tsx';
import { useSame } from '../../ui/same.ts';
import { useShortcuts } from '../../ui/shortcuts.ts';
import { type CourseView, LaterCourseViewContext, useCourseView } from '../course/course-view.ts';
import { Clash } from './plan/clash.tsx';
import { FigureInHand } from './board/figure-in-hand.tsx';
import { LeftOut } from './board/left-out.tsx';
import { PlanActions } from './planner/plan-actions.tsx';
import { type PanelProps, PlanMore, PlanPanel } from './plan-panel.tsx';
import { PrintedPlan } from './board/printed-plan.tsx';
import { PromptSensor } from './board/prompt-sensor.ts';
import { StrandBoard } from './board/strand-board.tsx';
import { useChips } from './board/use-chips.ts';
import { useMoves } from './plan/use-moves.ts';
import { usePlacing } from './plan/use-placing.ts';
import { usePlanner } from './planner/use-planner.ts';
import { useSelection } from './board/use-selection.ts';
import { withNames } from './plan/words.ts';

// One object for all renders: with a new one every chip would be drawn again.
const FROM_FIVE_PIXELS = { activationConstraint: { distance: 5 } };

const NONE_LEFT: readonly string[] = [];

/**
 * What is said of a figure stays in sight, however far down the board the figure lies. A move draws many words again:
 * they are plain elements, dressed here.
 */
const BESIDE_THE_BOARD = {
  '& > .part': { borderTop: '1px solid', borderColor: 'line', pt: '2' },
  '& > section > h2': { fontSize: 'md' },
  '& > .part > p, & > .verdict > p, & > .verdict > ul, & .choices': { fontSize: 'sm' },
  '& > .verdict > ul': { pl: '4' },
  '& .choices': { display: 'grid', gap: '1.5', my: '1.5' },
  '& .choices > div': { display: 'flex', gap: '2', alignItems: 'start' },
  '& .choices > div > button': { flex: 'none' },
  '& .choices > button': { justifySelf: 'start' },
  lg: {
    position: 'sticky',
    top: '6rem',
    maxHeight: 'calc(100vh - 8.25rem)',
    overflowY: 'auto',
    // Room for the ring around what has the focus.
    mx: '-1.5',
    px: '1.5',
    py: '1',
  },
} as const;

/** Strands across lessons: where each figure of the level is introduced, and what that costs and breaks. */
export function MapPage() {
  const { draft, library, answer } = useCourseView();
  const { problem, judgement } = draft;
  if (!problem || !judgement)
    return (
      <Notice tone="stop" title="This course cannot be planned yet">
        <chakra.ul pl="5">
          {draft.faults.map(fault => (
            <li key={fault}>{withNames(fault, library)}</li>
          ))}
        </chakra.ul>
      </Notice>
    );
  if (answer.course.items.length === 0)
    return (
      <Empty title="Nothing to teach yet">
        Choose the figures of this level under “Lessons, dates and rules”, or import them from the programme
        page.
      </Empty>
    );
  return <PlanMap />;
}

function PlanMap() {
  const view = useCourseView();
  const { saved, draft } = view;
  const placing = usePlacing();
  const planner = usePlanner();
  const selection = useSelection();
  // A hand on the plan shows the plan as it is, while the planner goes on behind it.
  const { moves, spoken } = useMoves(placing, () => planner.isShown && planner.found && planner.show(false));
  const chipOf = useChips(selection, moves);
  // The board answers a key at once; the words beside it follow as soon as there is time.
  const panel = useDeferredValue(
    useSame({ view, planner, moves, selection, publish: placing.publish, keep: placing.keep }),
  );
  const sensors = useSensors(useSensor(PromptSensor, FROM_FIVE_PIXELS));
  useShortcuts({
    undo: placing.undo,
    redo: placing.redo,
    dismiss: () => (planner.found ? planner.dismiss() : selection.choose(undefined)),
    plan: planner.found === undefined ? planner.start : undefined,
  });
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over) return;
    const id = String(active.id);
    const ids = selection.ids.includes(id) ? selection.ids : [id];
    if (over.id === 'left') {
      moves.move(Object.fromEntries(ids.map(one => [one, null])));
      return;
    }
    const [to, from] = [Number(over.id), saved[id]];
    if (from === undefined || ids.length === 1) moves.move(Object.fromEntries(ids.map(one => [one, to])));
    else moves.shift(ids, to - from);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragEnd={onDragEnd}
      onDragStart={({ active }) => {
        if (!selection.ids.includes(String(active.id))) selection.choose(String(active.id));
      }}
    >
      <chakra.div
        display="grid"
        gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '15.5rem minmax(0, 1fr)' }}
        gap="5"
        alignItems="start"
      >
        <chakra.aside
          aria-label="The plan"
          className="no-print"
          display="grid"
          gap="4"
          alignContent="start"
          css={BESIDE_THE_BOARD}
        >
          <PlanActions placing={placing} planner={planner} />
          <PanelInItsTime {...panel} />
          <LeftOut left={draft.judgement?.left ?? NONE_LEFT} chipOf={chipOf} />
          <MoreInItsTime {...panel} />
        </chakra.aside>
        <chakra.div overflowX={{ base: 'auto', lg: 'visible' }} minW="0" className="no-print">
          {placing.clash ? (
            <Clash placing={placing} />
          ) : (
            placing.error && <Failure error={placing.error} retry={placing.dismiss} />
          )}
          <StrandBoard selection={selection} chipOf={chipOf} />
        </chakra.div>
      </chakra.div>
      <FigureInHand />
      <OnPaper>
        <PrintedPlan
          course={panel.view.answer.course.name}
          draft={panel.view.draft}
          library={panel.view.library}
          section={panel.view.section}
          studio={panel.view.studio}
          today={panel.view.today}
        />
      </OnPaper>
      <Spoken isLive>{spoken}</Spoken>
    </DndContext>
  );
}

interface InItsTime extends PanelProps {
  readonly view: CourseView;
}

const PanelInItsTime = memo(function PanelInItsTime({ view, ...props }: InItsTime) {
  return (
    <LaterCourseViewContext value={view}>
      <PlanPanel {...props} />
    </LaterCourseViewContext>
  );
});

const MoreInItsTime = memo(function MoreInItsTime({ view, ...props }: InItsTime) {
  return (
    <LaterCourseViewContext value={view}>
      <PlanMore {...props} />
    </LaterCourseViewContext>
  );
});
