import { chakra } from '@chakra-ui/react';
import {
  cellWords,
  type Figure,
  markCount,
  type Opening,
  type PatternMark,
  type Role,
  signalsBy,
  stepCount,
} from '@map-step/core';
import { Link, useLocation } from 'react-router';
import { useCourse } from '../../course/course-context.ts';

/** The steps that a branch begins with. */
export function openingSteps({ figures: [first], depth }: Opening, role: Role): string {
  return first ? stepsOf(first, role, 0, depth) : '';
}

interface OpeningDrawingProps {
  readonly tree: Opening;
  readonly role: Role;
  /** Steps that stand before this branch. */
  readonly from?: number;
  /** The count on which this branch parted from the others. */
  readonly parted?: string;
}

/** A tree over the counts: figures that begin alike share a trunk, and part where their steps do. */
export function OpeningDrawing({ tree, role, from = 0, parted }: OpeningDrawingProps) {
  const first = tree.figures[0];
  const steps = first ? stepsOf(first, role, from, tree.depth) : '';
  return (
    <chakra.div display="flex" alignItems="stretch" overflowX={from === 0 ? 'auto' : undefined}>
      {steps !== '' && (
        <chakra.div
          minW="7rem"
          maxW="14rem"
          px="2"
          py="1"
          fontSize="sm"
          borderLeft="3px solid"
          borderColor={role}
          bg={tree.figures.length > 1 ? 'nowTint' : undefined}
          alignSelf="center"
        >
          {steps}
          {tree.by !== undefined && tree.depth > 0 && (
            <chakra.p fontWeight="700">These part on {tree.by}</chakra.p>
          )}
        </chakra.div>
      )}
      {tree.branches.length === 0 ? (
        <chakra.div px="2" py="1" alignSelf="center" fontWeight="600">
          {tree.figures.map(figure => (
            <div key={figure.pattern.id}>
              <FigureName figure={figure} />
              {from > 0 && <Signals figure={figure} partedAt={from} by={parted} />}
            </div>
          ))}
        </chakra.div>
      ) : (
        <chakra.div display="grid" gap="1" borderLeft="1px solid" borderColor="line" my="0.5">
          {tree.branches.map(branch => (
            <OpeningDrawing
              key={branch.figures.map(({ pattern }) => pattern.id).join(' ')}
              tree={branch}
              role={role}
              from={tree.depth}
              {...(tree.by !== undefined && { parted: tree.by })}
            />
          ))}
        </chakra.div>
      )}
    </chakra.div>
  );
}

/** What tells a figure from those that began like it, while there is still time; or that nothing does. */
function Signals({ figure, partedAt, by }: { figure: Figure; partedAt: number; by: string | undefined }) {
  const inTime = signalsBy(figure, partedAt);
  const late = (figure.pattern.marks ?? []).filter(mark => mark.kind === 'signal' && !inTime.includes(mark));
  return (
    <chakra.div fontSize="sm" fontWeight="400" maxW="20rem">
      {inTime.map(mark => (
        <p key={mark.text}>
          Signal{countOf(figure, mark)}: {mark.text}
        </p>
      ))}
      {late.map(mark => (
        <chakra.p key={mark.text} color="caution">
          Signal{countOf(figure, mark)} comes too late for {by}: {mark.text}
        </chakra.p>
      ))}
      {inTime.length + late.length === 0 && <chakra.p color="quiet">No signal by {by}</chakra.p>}
    </chakra.div>
  );
}

function countOf(figure: Figure, { event }: PatternMark): string {
  return event === undefined ? '' : ` on ${markCount(figure, event)}`;
}

function FigureName({ figure: { pattern } }: { figure: Figure }) {
  const { answer } = useCourse();
  const { search } = useLocation();
  return (
    <chakra.p whiteSpace="nowrap">
      <Link to={{ pathname: `/courses/${answer.course.id}/material/${pattern.id}`, search }}>
        {pattern.name}
      </Link>
    </chakra.p>
  );
}

/** The steps from one to another, each with its count: `2 forward, then quarter right; 3 close`. */
function stepsOf(figure: Figure, role: Role, from: number, to: number): string {
  const part = figure.parts.find(one => one.role === role);
  return (part?.steps ?? [])
    .slice(from, to)
    .map(({ step }, index) => {
      return step && part ? `${stepCount(figure, part, from + index)} ${cellWords(step).join(', ')}` : '';
    })
    .join('; ');
}
