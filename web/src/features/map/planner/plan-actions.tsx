import { chakra } from '@chakra-ui/react';
import { lastIntroducing } from '@map-step/core';
import { Redo2, Undo2 } from 'lucide-react';
import { Link, useLocation } from 'react-router';
import { Button, Label } from '../../../ui/parts.tsx';
import { type CourseCommands, useCoursePast, useIsSavingCourse } from '../../course/course-commands.ts';
import { useCourse, usePlan } from '../../course/course-context.ts';
import type { Planner } from './use-planner.ts';

interface PlanActionsProps {
  readonly planner: Planner;
  readonly commands: CourseCommands;
}

/** What the director does next, and undo and redo: never behind what has happened on the board. */
export function PlanActions({ planner, commands }: PlanActionsProps) {
  const { me, over, answer } = useCourse();
  const { problem } = usePlan().draft;
  const { search } = useLocation();
  const isSaving = useIsSavingCourse();
  const { canUndo, canRedo } = useCoursePast();
  if (me.role !== 'director' || planner.found) return null;
  return (
    <chakra.div display="grid" gap="2">
      {problem && over >= lastIntroducing(problem) ? (
        <p>
          Every lesson that brings something new is over.{' '}
          <Link to={{ pathname: `/courses/${answer.course.id}/next`, search }}>
            Roll the course over to the next term
          </Link>
        </p>
      ) : (
        <Button look="next" size="large" onClick={planner.start} disabled={isSaving}>
          {over === 0 || !problem
            ? 'Plan this level'
            : `Plan ${lessonsInWords(over + 1, lastIntroducing(problem))}`}
        </Button>
      )}
      <chakra.div display="flex" gap="2" alignItems="center">
        <Button size="small" onClick={commands.undo} disabled={!isSaving && !canUndo}>
          <Undo2 size={15} aria-hidden /> Undo
        </Button>
        <Button size="small" onClick={commands.redo} disabled={!canRedo}>
          <Redo2 size={15} aria-hidden /> Redo
        </Button>
        <Label aria-live="polite">{isSaving ? 'saving' : 'saved'}</Label>
      </chakra.div>
    </chakra.div>
  );
}

function lessonsInWords(from: number, to: number): string {
  return from === to ? `lesson ${from}` : `lessons ${from} to ${to}`;
}
