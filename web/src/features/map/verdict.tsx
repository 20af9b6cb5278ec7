import { chakra } from '@chakra-ui/react';
import type { SearchProgress } from '@map-step/core';
import { Label, Notice } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import { costInWords, withNames } from './words.ts';

/** How good the plan is, in words: what is broken, what it costs, and what is known of better ones. */
export function Verdict({ progress }: { progress: SearchProgress | undefined }) {
  const { draft, library } = useCourseView();
  const { judgement } = draft;
  if (!judgement) return null;
  const { broken, cost } = judgement;
  if (broken.length > 0)
    return (
      <Notice
        tone="stop"
        title={broken.length === 1 ? 'One rule is broken' : `${broken.length} rules are broken`}
      >
        <chakra.ul pl="4" fontSize="sm">
          {broken.map(rule => (
            <li key={`${rule.at} ${rule.message}`}>
              <strong>{library.patterns.get(rule.at)?.name ?? `Lesson ${rule.lesson ?? ''}`}</strong>{' '}
              {withNames(rule.message, library)}
            </li>
          ))}
        </chakra.ul>
      </Notice>
    );
  const words = costInWords(cost);
  return (
    <section aria-live="polite">
      <chakra.h2 fontSize="md">
        {progress
          ? `Improving: cost ${cost.total.toFixed(1)} points`
          : words.length === 0
            ? 'No better plan exists'
            : 'Nothing is broken'}
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
      {words.length > 0 && !progress && <Label>Whether a better plan exists is not proven.</Label>}
    </section>
  );
}
