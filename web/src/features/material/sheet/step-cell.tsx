import { chakra } from '@chakra-ui/react';
import {
  cellWords,
  type Figure,
  type FigureIssue,
  type FigurePart,
  findMend,
  writtenSteps,
} from '@map-step/core';
import { Footprint } from '../figure/footprint.tsx';
import { MarkSign } from '../figure/mark-sign.tsx';
import { isAt } from './use-sheet-cursor.ts';

interface StepCellProps {
  readonly figure: Figure;
  readonly part: FigurePart;
  /** Index of the step in its part, and of its event with the rests. */
  readonly step: number;
  readonly event: number;
  /** Of the whole figure. */
  readonly issues: readonly FigureIssue[];
  readonly isNarrow: boolean;
  /** True where the leader rocks back, and one key lets both. */
  readonly rocksApart: boolean;
}

/**
 * One step: the footprint (filled when it takes weight), its direction, its turn, its words, what hangs on it and
 * what is wrong.
 */
export function StepCell(props: StepCellProps) {
  const { figure, part, step: index, event, issues: all, isNarrow } = props;
  const { role } = part;
  const figureStep = part.steps[index];
  const step = figureStep?.step;
  const text = step ? undefined : writtenSteps(figure, role)[index];
  const issues = all.filter(({ path }) => path.length === 3 && isAt(path, { role, step: index }));
  const firstRole = figure.parts[0]?.role;
  const marks = (figure.pattern.marks ?? []).filter(
    mark => mark.kind !== 'hold' && mark.event === event && (mark.role ?? firstRole) === role,
  );
  const [action, ...others] = step ? cellWords(step) : [];
  const isOwn = role === 'follow' && figureStep?.natural === 'own';
  return (
    <chakra.div p="1.5" display="grid" gap="1" alignContent="start" height="full">
      {step ? (
        <chakra.div
          display="grid"
          gridTemplateColumns={isNarrow ? '1fr' : '1.9rem 1fr'}
          columnGap="2.5"
          justifyItems={isNarrow ? 'center' : 'start'}
        >
          <Footprint step={step} dance={figure.dance} role={role} isHatched={isOwn} />
          <chakra.div fontSize="sm" lineHeight="1.2" textAlign={isNarrow ? 'center' : 'left'}>
            <chakra.p fontWeight="650" overflowWrap="anywhere">
              <chakra.span color={role}>{step.foot === 'B' ? 'both' : step.foot}</chakra.span> {action}
            </chakra.p>
            {others.map(words => (
              <p key={words}>{words}</p>
            ))}
            {isOwn && <chakra.p color="quiet">own step</chakra.p>}
          </chakra.div>
        </chakra.div>
      ) : (
        text && <chakra.p color="stop">{text}</chakra.p>
      )}
      {props.rocksApart && (
        <chakra.p className="no-print" fontSize="xs" lineHeight="1.2" color="quiet">
          Press <kbd>,</kbd> for both to rock back
        </chakra.p>
      )}
      {marks.map(mark => (
        <MarkSign key={`${mark.kind} ${mark.text}`} mark={mark} isShort={isNarrow} />
      ))}
      {issues.map(issue => (
        <chakra.p
          key={issue.message}
          fontSize="xs"
          lineHeight="1.2"
          color={issue.severity === 'error' ? 'stop' : 'caution'}
          fontWeight="600"
        >
          {issue.message}
          {findMend(figure, issue) && (
            <chakra.span display="block" color="ink">
              Press <kbd>.</kbd> to {findMend(figure, issue)?.words}
            </chakra.span>
          )}
        </chakra.p>
      ))}
    </chakra.div>
  );
}
