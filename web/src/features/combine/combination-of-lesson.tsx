import { chakra } from '@chakra-ui/react';
import { type Combination, callSheet, standOf, walkSequence } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Label, Skeleton } from '../../ui/parts.tsx';
import { useCourse, usePlace } from '../course/course-context.ts';
import { combinationsQuery, eveningQuery } from './combination-queries.ts';
import { phrasesInWords } from './sequence-words.ts';
import { proposedDance } from './use-answers.ts';
import { useFiguresHad } from './use-figures-had.ts';

interface CombinationOfLessonProps {
  /** The one that one looks at, where it is not said. */
  readonly lesson?: number;
  readonly isLarge?: boolean;
}

/** What is danced together in a lesson, a line a phrase: what is kept for it, else what is proposed. */
export function CombinationOfLesson({ lesson: asked, isLarge = false }: CombinationOfLessonProps) {
  const { answer } = useCourse();
  const place = usePlace();
  const lesson = asked ?? place.lesson;
  const { data } = useQuery(combinationsQuery(answer.course.id));
  const combination = data?.findLast(one => one.lesson === lesson);
  if (!data) return null;
  const room = { pathname: `/courses/${answer.course.id}/combine`, search: `?lesson=${lesson}` };
  if (!combination) return <Proposal {...{ room, lesson, isLarge }} />;
  const { id, name } = combination;
  const to = { ...room, pathname: `${room.pathname}/${id}` };
  return <Lines danced={combination} title={<Link to={to}>{name}</Link>} isLarge={isLarge} />;
}

interface ProposalProps {
  readonly room: { readonly pathname: string; readonly search: string };
  readonly lesson: number;
  readonly isLarge: boolean;
}

/** What the class could dance together, where nobody has said what it does. */
function Proposal({ room, lesson, isLarge }: ProposalProps) {
  const { material, materialStamp } = useCourse();
  const had = useFiguresHad(lesson);
  const { data } = useQuery(eveningQuery(material, materialStamp, had));
  const link = (words: string) => (
    <Link to={room} className="no-print">
      {words}
    </Link>
  );
  if (had && data === undefined) return <Skeleton lines={3} />;
  if (!had || !data) return <p>{link('Put something together')}</p>;
  const danced = { dance: had.dance.id, ...proposedDance(data) };
  return <Lines danced={danced} title={<>Proposed. {link('Change it or keep it')}</>} isLarge={isLarge} />;
}

interface LinesProps {
  readonly danced: Pick<Combination, 'dance' | 'start' | 'steps' | 'end'>;
  readonly title: ReactNode;
  readonly isLarge: boolean;
}

function Lines({ danced, title, isLarge }: LinesProps) {
  const { library, studio } = useCourse();
  const dance = library.dances.get(danced.dance);
  if (!dance) return null;
  const { start, steps, end } = danced;
  const walk = walkSequence(library, { dance, start: standOf(start), steps, end });
  const lines = callSheet(library, walk, { dance, counting: studio.studio.counting, steps });
  return (
    <chakra.div fontSize={isLarge ? { base: 'md', md: 'lg' } : undefined}>
      <p>
        {title} <Label>{phrasesInWords(walk.beats, dance) ?? 'not whole phrases'}</Label>
      </p>
      {walk.faults.length > 0 && (
        <chakra.p color="stop" fontWeight="600">
          It cannot be danced through: {walk.faults[0]?.message}.
        </chakra.p>
      )}
      <chakra.ol pl="0" listStyleType="none">
        {lines.map(({ phrase, figures }) => (
          <chakra.li key={phrase} display="flex" gap="3">
            <chakra.span minW="1.5rem" textAlign="right" color="quiet" fontVariantNumeric="tabular-nums">
              {phrase}
            </chakra.span>
            <span>{figures.map(({ name, or }) => [name, ...or].join(' or ')).join(' · ')}</span>
          </chakra.li>
        ))}
      </chakra.ol>
    </chakra.div>
  );
}
