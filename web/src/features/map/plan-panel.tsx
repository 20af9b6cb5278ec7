import { chakra } from '@chakra-ui/react';
import { Link, useLocation } from 'react-router';
import { Label } from '../../ui/parts.tsx';
import type { CourseCommands } from '../course/course-commands.ts';
import { type PlanContent, useCourse } from '../course/course-context.ts';
import { ChosenFigure } from './plan/chosen-figure.tsx';
import { ClassMend } from './plan/class-mend.tsx';
import { PromisesAtRisk } from './plan/promises-at-risk.tsx';
import { PublishPlan } from './plan/publish-plan.tsx';
import { StuckFigures } from './plan/stuck-figures.tsx';
import type { MapMoves } from './plan/use-moves.ts';
import { Versions } from './plan/versions.tsx';
import { FitPanel } from './planner/fit-panel.tsx';
import { Proposal } from './planner/proposal.tsx';
import { SparePanel } from './planner/spare-panel.tsx';
import type { Planner } from './planner/use-planner.ts';
import { Verdict } from './planner/verdict.tsx';

interface PanelProps {
  readonly plan: PlanContent;
  readonly planner: Planner;
  readonly moves: MapMoves;
}

/** The moves of who may make them, while the board shows the plan as it is. */
function useHands({ planner, moves }: PanelProps): MapMoves | undefined {
  const { me } = useCourse();
  return me.role === 'director' && !(planner.found && planner.isShown) ? moves : undefined;
}

/** The words beside the board: what is proposed, how good the plan is, what is known of the chosen figure. */
export function PlanPanel({ chosen, ...props }: PanelProps & { readonly chosen: readonly string[] }) {
  const { plan, planner, moves } = props;
  const last = chosen.at(-1);
  const { found } = planner;
  const hands = useHands(props);
  return (
    <>
      {found && (
        <Proposal
          plan={plan}
          planner={planner}
          found={found}
          take={(taken, ahead) => moves.move(taken, 'The level planned', ahead)}
        />
      )}
      {!(found && planner.isShown) && (
        <Verdict draft={plan.draft} moves={hands} isBrief={last !== undefined} />
      )}
      <PromisesAtRisk plan={plan} />
      {chosen.length > 1 && (
        <Label>{chosen.length} figures are chosen: arrows and dragging move them together.</Label>
      )}
      {last !== undefined && <ChosenFigure id={last} draft={plan.draft} moves={hands} />}
      {!(found && planner.isShown) && <StuckFigures draft={plan.draft} moves={hands} />}
    </>
  );
}

/** What follows what is left out: what would help, the class, the versions, publishing. */
export function PlanMore({ commands, ...props }: PanelProps & { readonly commands: CourseCommands }) {
  const { plan } = props;
  const { answer } = useCourse();
  const { search } = useLocation();
  const hands = useHands(props);
  return (
    <>
      {hands && <FitPanel draft={plan.draft} commands={commands} />}
      {hands && <SparePanel draft={plan.draft} commands={commands} />}
      <ClassMend />
      <Versions plan={plan} moves={hands} />
      {hands && <PublishPlan plan={plan} commands={commands} />}
      <chakra.p fontSize="sm" display="grid" gap="1">
        <Link to={{ pathname: `/courses/${answer.course.id}/settings`, search }}>
          Lessons, dates and rules
        </Link>
        <Link to={{ pathname: `/courses/${answer.course.id}/cost`, search }}>What the points mean</Link>
      </chakra.p>
    </>
  );
}
