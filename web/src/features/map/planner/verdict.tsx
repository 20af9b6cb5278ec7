import { chakra } from '@chakra-ui/react';
import { type BrokenRule, figureName, type Library } from '@map-step/core';
import { Notice } from '../../../ui/notice.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import { useShortcuts } from '../../../ui/shortcuts.ts';
import type { MendsOfRule } from '../../../workers/plan.worker.ts';
import { useCourse } from '../../course/course-context.ts';
import type { DraftPlan } from '../../course/course-view.ts';
import { type MapMoves, moveInWords } from '../plan/use-moves.ts';
import { costInWords, leftInWords, points, withNames } from '../plan/words.ts';
import { useMends } from './use-mends.ts';

interface VerdictProps {
  /** Undefined for who may only look. */
  readonly moves: MapMoves | undefined;
}

interface WholeVerdictProps extends VerdictProps {
  readonly draft: DraftPlan;
  /** Something else is looked at: no more than how many points it costs. */
  readonly isBrief: boolean;
}

/** How good the plan is, in words: what is broken, with what would mend it, or what it costs. */
export function Verdict({ draft, moves, isBrief }: WholeVerdictProps) {
  const { library } = useCourse();
  const mends = useMends(draft, moves !== undefined);
  const { judgement } = draft;
  const first = mends.find(([mend]) => mend !== undefined)?.[0];
  const takeFirst = () => {
    if (first && moves) moves.move(first.moves, mendInWords(first, library));
  };
  useShortcuts({ mend: first && moves ? takeFirst : undefined });
  if (!judgement) return null;
  const { broken, cost } = judgement;
  if (broken.length > 0)
    return (
      <Notice
        tone="stop"
        title={broken.length === 1 ? 'One rule is broken' : `${broken.length} rules are broken`}
      >
        <chakra.ul listStyleType="none" p="0" fontSize="sm" display="grid" gap="2">
          {broken.map((rule, index) => (
            <Broken
              key={`${rule.at} ${rule.message}`}
              rule={rule}
              mends={mends[index] ?? []}
              first={first}
              library={library}
              moves={moves}
            />
          ))}
        </chakra.ul>
      </Notice>
    );
  const words = costInWords(cost);
  return (
    <chakra.section aria-live="polite" fontSize="sm">
      <chakra.h2 fontSize="md">{words.length === 0 ? 'No better plan exists' : leftInWords(draft)}</chakra.h2>
      <p>
        {words.length === 0
          ? 'Every figure fits, and nothing makes it harder to teach.'
          : `No rule is broken. What makes it harder to teach, ${points(cost.total)} points in all${isBrief ? '.' : ':'}`}
      </p>
      {!isBrief && (
        <chakra.ul pl="4">
          {words.map(word => (
            <li key={word}>{word}</li>
          ))}
        </chakra.ul>
      )}
    </chakra.section>
  );
}

interface BrokenProps extends VerdictProps {
  readonly library: Library;
  readonly rule: BrokenRule;
  readonly mends: MendsOfRule;
  /** The mend that the key takes. */
  readonly first: MendsOfRule[number] | undefined;
}

function Broken({ rule, mends, first, library, moves }: BrokenProps) {
  return (
    <li>
      <strong>{library.patterns.get(rule.at)?.name ?? `Lesson ${rule.lesson ?? ''}`}</strong>{' '}
      {withNames(rule.message, library)}
      {moves && (
        <chakra.div display="flex" gap="1" flexWrap="wrap" mt="1">
          {mends.slice(0, 2).map(mend => {
            const words = mendInWords(mend, library);
            return (
              <Button key={words} size="small" textAlign="left" onClick={() => moves.move(mend.moves, words)}>
                {words}
                {mend === first && <Label whiteSpace="nowrap">key .</Label>}
              </Button>
            );
          })}
        </chakra.div>
      )}
    </li>
  );
}

function mendInWords({ kind, moves }: MendsOfRule[number], library: Library): string {
  const steps = Object.entries(moves).map(([id, to]) => moveInWords(figureName(library, id), to));
  return kind === 'take-along' ? `Take its need along: ${steps.join(', ')}` : steps.join(', ');
}
