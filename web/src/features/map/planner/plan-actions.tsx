import { chakra } from '@chakra-ui/react';
import { Redo2, Undo2 } from 'lucide-react';
import { memo } from 'react';
import { Button, Label } from '../../../ui/parts.tsx';
import { useIsSavingCourse } from '../../course/course-commands.ts';
import { useCourseView } from '../../course/course-view.ts';
import type { Placing } from '../plan/use-placing.ts';
import type { Planner } from './use-planner.ts';

interface PlanActionsProps {
  readonly placing: Placing;
  readonly planner: Planner;
}

// Made once: a move draws these buttons again, and the icons in them not.
const BACK = <Undo2 size={15} aria-hidden />;
const FORTH = <Redo2 size={15} aria-hidden />;

/** What the director does next, and undo and redo: never behind what has happened on the board. */
export const PlanActions = memo(function PlanActions({ placing, planner }: PlanActionsProps) {
  const { me, answer } = useCourseView();
  const isSaving = useIsSavingCourse(answer.course.id);
  if (me.role !== 'director' || planner.found) return null;
  return (
    <chakra.div display="grid" gap="2">
      <Button look="next" size="large" onClick={planner.start} disabled={isSaving}>
        Plan this level
      </Button>
      <chakra.div display="flex" gap="2" alignItems="center">
        <Button size="small" onClick={placing.undo} disabled={!isSaving && !placing.canUndo}>
          {BACK} Undo
        </Button>
        <Button size="small" onClick={placing.redo} disabled={!placing.canRedo}>
          {FORTH} Redo
        </Button>
        <Label aria-live="polite">{isSaving ? 'saving' : 'saved'}</Label>
      </chakra.div>
    </chakra.div>
  );
});
