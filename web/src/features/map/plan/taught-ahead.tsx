import { chakra } from '@chakra-ui/react';
import { aheadLessons, changeEffect, mayComeAhead, moveAhead } from '@map-step/core';
import { Button } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import type { DraftPlan } from '../../course/course-view.ts';
import { useElementName } from '../../course/use-elements.ts';
import type { MapMoves } from './use-moves.ts';
import { aheadInWords, effectInWords } from './words.ts';

interface TaughtAheadProps {
  readonly id: string;
  readonly draft: DraftPlan;
  readonly moves: MapMoves | undefined;
}

/** What a figure is the first to use and may be shown a lesson ahead of it, and where it is. */
export function TaughtAhead({ id, draft, moves }: TaughtAheadProps) {
  const { library } = useCourse();
  const elementName = useElementName();
  const { problem, placed, ahead, judgement } = draft;
  const elements = problem?.items.find(item => item.id === id)?.elements ?? [];
  const lesson = placed[id];
  if (!problem || !judgement || lesson === undefined) return null;
  const may = mayComeAhead(problem);
  const could = aheadLessons(
    problem,
    placed,
    elements.filter(element => may.has(element)),
  );
  const own = [...could].filter(([element, before]) => elements.includes(element) && before === lesson - 1);
  if (own.length === 0) return null;
  return (
    <chakra.ul listStyleType="none" p="0" my="1" display="grid" gap="1.5">
      {own.map(([element, before]) => {
        const isOver = problem.taught?.prepared?.[element] !== undefined;
        const isAhead = isOver || ahead.includes(element);
        const minutes = (problem.elements[element] ?? 0) / 10;
        const to = { [element]: !isAhead };
        const effect = changeEffect(problem, judgement, { placed, ahead: moveAhead(ahead, to) });
        return (
          <li key={element}>
            {elementName(element)}, {minutes} min, {isOver ? 'was' : isAhead ? 'is' : 'comes with it'}
            {isAhead && ` shown in lesson ${before}`}.{' '}
            {moves && !isOver && (
              <chakra.div display="flex" gap="2" alignItems="start">
                <Button
                  size="small"
                  flex="none"
                  onClick={() => moves.move({}, aheadInWords(elementName(element), !isAhead), to)}
                >
                  {isAhead ? 'With the figure' : `Show it in ${before}`}
                </Button>
                <span>It {effectInWords(effect, library)}.</span>
              </chakra.div>
            )}
          </li>
        );
      })}
    </chakra.ul>
  );
}
