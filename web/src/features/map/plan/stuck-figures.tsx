import { chakra } from '@chakra-ui/react';
import { figureName, findOpenings, type StuckItem } from '@map-step/core';
import { Part } from '../../../ui/group.tsx';
import { Button } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import type { DraftPlan } from '../../course/course-view.ts';
import { type MapMoves, moveInWords } from './use-moves.ts';
import { effectInWords, stuckInWords } from './words.ts';

interface StuckProps {
  readonly draft: DraftPlan;
  /** Undefined for who may only look. */
  readonly moves: MapMoves | undefined;
}

/** The figures that a class has had and cannot dance on yet, each with the move that opens it. */
export function StuckFigures({ draft, moves }: StuckProps) {
  const stuck = draft.judgement?.stuck ?? [];
  if (stuck.length === 0) return null;
  return (
    <Part label="Dead ends" title={stuck.length === 1 ? 'One dead end' : `${stuck.length} dead ends`}>
      <chakra.ul listStyleType="none" p="0" fontSize="sm" display="grid" gap="2">
        {stuck.map(item => (
          <Stuck key={item.id} item={item} draft={draft} moves={moves} />
        ))}
      </chakra.ul>
    </Part>
  );
}

function Stuck({ item, draft, moves }: StuckProps & { readonly item: StuckItem }) {
  const { library } = useCourse();
  const { problem, placed, judgement } = draft;
  if (!problem || !judgement) return null;
  const [opening] = moves ? findOpenings(problem, draft, item, judgement) : [];
  const words = Object.entries(opening?.moves ?? {}).map(([id, to]) =>
    moveInWords(figureName(library, id), to),
  );
  return (
    <li>
      {stuckInWords(item, { problem, placed }, library)}
      {opening && moves && (
        <chakra.div display="grid" gap="1" justifyItems="start" mt="1">
          <Button size="small" textAlign="left" onClick={() => moves.move(opening.moves, words.join(', '))}>
            {words.join(', ')}
          </Button>
          <span>It {effectInWords(opening.effect, library)}.</span>
        </chakra.div>
      )}
    </li>
  );
}
