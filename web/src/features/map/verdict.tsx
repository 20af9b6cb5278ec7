import { chakra } from '@chakra-ui/react';
import { type BrokenRule, planMends } from '@map-step/core';
import { useMemo } from 'react';
import { Button, Notice } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import { type MapMoves, moveInWords } from './use-moves.ts';
import { costInWords, withNames } from './words.ts';

/** How good the plan is, in words: what is broken, with what would mend it, or what it costs. */
export function Verdict({ moves }: { moves: MapMoves | undefined }) {
  const { draft } = useCourseView();
  const { judgement } = draft;
  if (!judgement) return null;
  const { broken, cost } = judgement;
  if (broken.length > 0)
    return (
      <Notice
        tone="stop"
        title={broken.length === 1 ? 'One rule is broken' : `${broken.length} rules are broken`}
      >
        <chakra.ul listStyleType="none" p="0" fontSize="sm" display="grid" gap="2">
          {broken.map(rule => (
            <Broken key={`${rule.at} ${rule.message}`} rule={rule} moves={moves} />
          ))}
        </chakra.ul>
      </Notice>
    );
  const words = costInWords(cost);
  return (
    <section aria-live="polite">
      <chakra.h2 fontSize="md">
        {words.length === 0 ? 'No better plan exists' : 'Nothing is broken'}
      </chakra.h2>
      <chakra.p fontSize="sm">
        {words.length === 0
          ? 'Every figure fits, and every term of the cost is 0.'
          : `Costs ${cost.total.toFixed(1)} points:`}
      </chakra.p>
      <chakra.ul pl="4" fontSize="sm">
        {words.map(word => (
          <li key={word}>{word}</li>
        ))}
      </chakra.ul>
    </section>
  );
}

function Broken({ rule, moves }: { rule: BrokenRule; moves: MapMoves | undefined }) {
  const { draft, library } = useCourseView();
  const { problem, placed } = draft;
  const mends = useMemo(() => (problem ? planMends(problem, placed, rule) : []), [problem, placed, rule]);
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  return (
    <li>
      <strong>{library.patterns.get(rule.at)?.name ?? `Lesson ${rule.lesson ?? ''}`}</strong>{' '}
      {withNames(rule.message, library)}
      {moves && (
        <chakra.div display="flex" gap="1" flexWrap="wrap" mt="1">
          {mends.slice(0, 2).map(mend => {
            const words = Object.entries(mend.moves).map(([id, to]) => moveInWords(nameOf(id), to));
            const along =
              mend.kind === 'take-along' ? `Take its need along: ${words.join(', ')}` : words.join(', ');
            return (
              <Button key={along} size="small" textAlign="left" onClick={() => moves.move(mend.moves, along)}>
                {along}
              </Button>
            );
          })}
        </chakra.div>
      )}
    </li>
  );
}
