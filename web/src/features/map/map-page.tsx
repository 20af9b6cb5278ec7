import { chakra } from '@chakra-ui/react';
import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { Failure } from '../../ui/failure.tsx';
import { Empty, Notice, Spoken } from '../../ui/parts.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { useCourseView } from '../course/course-view.ts';
import { Clash } from './clash.tsx';
import { MinutesProfile } from './minutes-profile.tsx';
import { PlanPanel } from './plan-panel.tsx';
import { PrintedPlan } from './printed-plan.tsx';
import { StrandBoard } from './strand-board.tsx';
import { useChips } from './use-chips.ts';
import { useMoves } from './use-moves.ts';
import { usePlacing } from './use-placing.ts';
import { usePlanner } from './use-planner.ts';
import { useSelection } from './use-selection.ts';
import { withNames } from './words.ts';

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
  const { draft } = useCourseView();
  const placing = usePlacing();
  const planner = usePlanner();
  const selection = useSelection();
  const moves = useMoves(placing);
  const chipOf = useChips(selection, planner.found ? { ...moves, move: nothing, shift: nothing } : moves);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  useKeys({
    'Ctrl+z': () => placing.undo?.(),
    'Ctrl+Shift+Z': () => placing.redo?.(),
    Escape: () => (planner.found ? planner.dismiss() : selection.choose(undefined)),
    p: () => planner.found === undefined && planner.start(),
  });
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || planner.found) return;
    const id = String(active.id);
    const ids = selection.ids.includes(id) ? selection.ids : [id];
    if (over.id === 'left') {
      moves.move(Object.fromEntries(ids.map(one => [one, null])));
      return;
    }
    const [to, from] = [Number(over.id), draft.placed[id]];
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
        <PlanPanel placing={placing} planner={planner} moves={moves} selection={selection} chipOf={chipOf} />
        <chakra.div overflowX={{ base: 'auto', lg: 'visible' }} minW="0" className="no-print">
          {placing.clash ? (
            <Clash placing={placing} />
          ) : (
            placing.error && <Failure error={placing.error} retry={placing.dismiss} />
          )}
          <StrandBoard selection={selection} chipOf={chipOf} />
          <MinutesProfile />
        </chakra.div>
      </chakra.div>
      <PrintedPlan />
      <Spoken aria-live="polite">{moves.spoken}</Spoken>
    </DndContext>
  );
}

const nothing = () => undefined;
