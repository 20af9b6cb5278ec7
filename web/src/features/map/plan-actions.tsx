import { Redo2, Undo2 } from 'lucide-react';
import { memo } from 'react';
import { chakra } from '../../theme/chakra.ts';
import { Button, Label } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import type { Placing } from './use-placing.ts';
import type { Planner } from './use-planner.ts';

interface PlanActionsProps {
  readonly placing: Placing;
  readonly planner: Planner;
}

/** What the director does next, and undo and redo: never behind what has happened on the board. */
export const PlanActions = memo(function PlanActions({ placing, planner }: PlanActionsProps) {
  const { me } = useCourseView();
  if (me.role !== 'director' || planner.found) return null;
  return (
    <chakra.div display="grid" gap="2">
      <Button look="next" size="large" onClick={planner.start} disabled={placing.isSaving}>
        Plan this level
      </Button>
      <chakra.div display="flex" gap="2" alignItems="center">
        <Button size="small" onClick={placing.undo} disabled={!placing.undo}>
          <Undo2 size={15} aria-hidden /> Undo
        </Button>
        <Button size="small" onClick={placing.redo} disabled={!placing.redo}>
          <Redo2 size={15} aria-hidden /> Redo
        </Button>
        <Label aria-live="polite">{placing.isSaving ? 'saving' : 'saved'}</Label>
      </chakra.div>
    </chakra.div>
  );
});
