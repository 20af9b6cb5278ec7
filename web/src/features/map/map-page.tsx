import { chakra } from '@chakra-ui/react';
import { DndContext, type DragEndEvent, pointerWithin, useSensor, useSensors } from '@dnd-kit/core';
import { useDeferredValue } from 'react';
import { Link } from 'react-router';
import { Notice } from '../../ui/notice.tsx';
import { OnPaper } from '../../ui/on-paper.tsx';
import { Empty, Spoken, TwoColumns } from '../../ui/parts.tsx';
import { PromptSensor } from '../../ui/prompt-sensor.ts';
import { useShortcuts } from '../../ui/shortcuts.ts';
import { useCourseCommands, useCoursePast } from '../course/course-commands.ts';
import { type PlanContent, useClass, useCourse, usePlan } from '../course/course-context.ts';
import { CourseRefusal } from '../course/course-refusal.tsx';
import { FigureInHand } from './board/figure-in-hand.tsx';
import { handsOn } from './board/hands.ts';
import { LeftOut } from './board/left-out.tsx';
import { PrintedPlan } from './board/printed-plan.tsx';
import { StrandBoard } from './board/strand-board.tsx';
import { useChips } from './board/use-chips.ts';
import { useSelection } from './board/use-selection.ts';
import { useMoves } from './plan/use-moves.ts';
import { withNames } from './plan/words.ts';
import { PlanMore, PlanPanel } from './plan-panel.tsx';
import { PlanActions } from './planner/plan-actions.tsx';
import { usePlanner } from './planner/use-planner.ts';

// One object for all renders: with a new one every chip would be drawn again.
const FROM_FIVE_PIXELS = { activationConstraint: { distance: 5 } };

const NONE_LEFT: readonly string[] = [];

/** What is said of a figure stays in sight, however far down the board the figure lies. */
const Beside = chakra('aside', {
  base: {
    display: 'grid',
    gridTemplateColumns: 'minmax(0, 1fr)',
    gap: '4',
    alignContent: 'start',
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
  },
});

/** Strands across lessons: where each figure of the level is introduced, and what that costs and breaks. */
export function MapPage() {
  const { library, answer } = useCourse();
  const { draft } = usePlan();
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
        <Link to={`/courses/${answer.course.id}/settings`}>Choose the figures of this course</Link>, or write
        the first ones in Material.
      </Empty>
    );
  return <PlanMap />;
}

function PlanMap() {
  const plan = usePlan();
  const { saved } = plan;
  const commands = useCourseCommands();
  const planner = usePlanner();
  const selection = useSelection();
  // A hand on the plan shows the plan as it is, while the planner goes on behind it.
  const { moves, spoken } = useMoves(commands, () => planner.isShown && planner.found && planner.show(false));
  const chipOf = useChips(selection);
  const { onClick, onKeyDown } = handsOn(selection, moves);
  const { canRedo } = useCoursePast();
  // The board answers a key at once; the words beside it follow.
  const told = useDeferredValue(plan);
  const chosen = useDeferredValue(selection.ids);
  const sensors = useSensors(useSensor(PromptSensor, FROM_FIVE_PIXELS));
  useShortcuts({
    undo: commands.undo,
    redo: canRedo ? commands.redo : undefined,
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
    const [to, from] = [Number(over.id), saved.placed[id]];
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
      <TwoColumns onClick={onClick} onKeyDown={onKeyDown}>
        <Beside aria-label="The plan" className="no-print">
          <PlanActions planner={planner} commands={commands} />
          <PlanPanel plan={told} planner={planner} moves={moves} chosen={chosen} />
          <LeftOut left={plan.draft.judgement?.left ?? NONE_LEFT} chipOf={chipOf} />
          <PlanMore plan={told} planner={planner} moves={moves} commands={commands} />
        </Beside>
        <chakra.div overflowX={{ base: 'auto', lg: 'visible' }} minW="0" className="no-print">
          <CourseRefusal commands={commands} />
          <StrandBoard chosen={selection.last} chipOf={chipOf} />
        </chakra.div>
      </TwoColumns>
      <FigureInHand />
      <OnPaper>
        <PlanOnPaper plan={told} />
      </OnPaper>
      <Spoken isLive>{spoken}</Spoken>
    </DndContext>
  );
}

function PlanOnPaper({ plan: { draft } }: { plan: PlanContent }) {
  const { answer, library, studio, today } = useCourse();
  const { section } = useClass();
  return <PrintedPlan course={answer.course.name} {...{ draft, library, section, studio, today }} />;
}
