import { chakra } from '@chakra-ui/react';
import { Link, useLocation } from 'react-router';
import { Label } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import { ChosenFigure } from './plan/chosen-figure.tsx';
import { ClassMend } from './plan/class-mend.tsx';
import { FitPanel } from './planner/fit-panel.tsx';
import { Proposal } from './planner/proposal.tsx';
import { PublishPlan } from './plan/publish-plan.tsx';
import type { MapMoves } from './plan/use-moves.ts';
import type { Placing } from './plan/use-placing.ts';
import type { Planner } from './planner/use-planner.ts';
import type { Selection } from './board/use-selection.ts';
import { Verdict } from './planner/verdict.tsx';
import { Versions } from './plan/versions.tsx';

export interface PanelProps extends Pick<Placing, 'publish' | 'keep'> {
  readonly planner: Planner;
  readonly moves: MapMoves;
  readonly selection: Selection;
}

/** The words beside the board: what is proposed, how good the plan is, what is known of the chosen figure. */
export function PlanPanel({ planner, moves, selection }: PanelProps) {
  const { me, answer, draft, library } = useCourseView();
  const isDirector = me.role === 'director';
  const { found } = planner;
  const hands = isDirector && !(found && planner.isShown) ? moves : undefined;
  return (
    <>
      {found && (
        <Proposal planner={planner} found={found} take={taken => moves.move(taken, 'The level planned')} />
      )}
      {!(found && planner.isShown) && <Verdict draft={draft} library={library} moves={hands} />}
      {selection.ids.length > 1 && (
        <Label>{selection.ids.length} figures are chosen: arrows and dragging move them together.</Label>
      )}
      {selection.last !== undefined && (
        <ChosenFigure
          id={selection.last}
          course={answer.course.id}
          draft={draft}
          library={library}
          moves={hands}
        />
      )}
    </>
  );
}

/** What follows what is left out: what would help, the class, the versions, publishing. */
export function PlanMore({ planner, moves, publish, keep }: PanelProps) {
  const { me, answer } = useCourseView();
  const { search } = useLocation();
  const isDirector = me.role === 'director';
  const hands = isDirector && !(planner.found && planner.isShown) ? moves : undefined;
  return (
    <>
      {hands && <FitPanel moves={hands} />}
      <ClassMend />
      <Versions moves={hands} />
      {hands && <PublishPlan publish={publish} keep={keep} />}
      <chakra.p fontSize="sm" display="grid" gap="1">
        <Link to={{ pathname: `/courses/${answer.course.id}/settings`, search }}>
          Lessons, dates and rules
        </Link>
        <Link to={{ pathname: `/courses/${answer.course.id}/cost`, search }}>What the points mean</Link>
      </chakra.p>
    </>
  );
}
