import { chakra } from '@chakra-ui/react';
import { COST_WEIGHTS, type CourseLesson, type Json, type Moves, type WhatIfAnswer } from '@map-step/core';
import { useEffect, useState } from 'react';
import { Button, Label } from '../../../ui/parts.tsx';
import { useCourseView } from '../../course/course-view.ts';
import { useCourseEdit } from '../../course/use-course-edit.ts';
import { differences } from '../plan/differences.ts';
import type { MapMoves } from '../plan/use-moves.ts';
import { useWhatIfs } from './use-what-ifs.ts';
import { points } from '../plan/words.ts';

const SHOWN = 8;
/** What is taken away costs what it was worth. */
const LOST = COST_WEIGHTS;

/** What would make it all fit: each change is really planned, listed by what it costs, and can be taken. */
export function FitPanel({ moves }: { moves: MapMoves }) {
  const { draft, library, answer } = useCourseView();
  const { answers, least, progress, isOld, hasFailed, ask, stop } = useWhatIfs();
  const { edit } = useCourseEdit();
  const [taken, setTaken] = useState<{ moves: Moves; words: string; lessons: string }>();
  const { lessons } = answer.course;
  const worthOf = (id: string) => answer.course.items.find(({ pattern }) => pattern === id)?.value ?? 'could';
  const rate = ({ cost, left, whatIf }: WhatIfAnswer) =>
    cost.total + (whatIf.kind === 'without' ? LOST[worthOf(whatIf.id)] : 0) + left.length / 100;
  // The figures move once the lessons are changed on the page: before that the longer plan would not fit it.
  useEffect(() => {
    if (!taken || taken.lessons !== JSON.stringify(lessons)) return;
    setTaken(undefined);
    moves.move(taken.moves, taken.words);
  }, [taken, moves, lessons]);
  const sorted = answers.toSorted((a, b) => rate(a) - rate(b));
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  const take = (found: WhatIfAnswer) => {
    const { whatIf } = found;
    const words = inWords(found, nameOf, worthOf);
    const next = whatIf.kind === 'without' ? lessons : changedLessons(lessons, found);
    edit(words, { lessons: next as unknown as Json });
    setTaken({ moves: differences(draft.placed, found.placed), words, lessons: JSON.stringify(next) });
  };
  return (
    <section className="part" aria-label="What would make it fit">
      <h2>What would make it fit</h2>
      {progress ? (
        <chakra.div display="flex" gap="2" alignItems="center" my="1">
          <chakra.progress
            value={progress.done}
            max={progress.of}
            aria-label="Changes tried"
            flex="1"
            minW="0"
          />
          <Label>
            {progress.done} of {progress.of}
          </Label>
          <Button size="small" onClick={stop}>
            Stop
          </Button>
        </chakra.div>
      ) : (
        <Button size="small" my="1" onClick={ask}>
          {answers.length > 0 ? 'Ask again' : 'Try what would help'}
        </Button>
      )}
      {hasFailed && (
        <Label role="alert">It could not be worked out. Try again; the plan itself is as it was.</Label>
      )}
      {isOld && <Label>The plan has changed since; these are of the one before.</Label>}
      {least !== undefined && (
        <chakra.div fontSize="sm" display="grid" gap="1" my="1">
          {least === null ? (
            <p>Not even 60 minutes more in each lesson would be enough.</p>
          ) : (
            <Option
              found={least.answer}
              words={inWords(least.answer, nameOf, worthOf)}
              more={
                least.atLeast !== undefined && least.answer.whatIf.kind === 'minutes'
                  ? least.answer.whatIf.minutes === 0
                    ? 'Plan the level to see how.'
                    : least.atLeast === least.answer.whatIf.minutes
                      ? 'No fewer would be enough.'
                      : `Fewer than ${least.atLeast} would surely not be enough.`
                  : ''
              }
              take={isOld ? undefined : () => take(least.answer)}
            />
          )}
        </chakra.div>
      )}
      <chakra.div display="grid" gap="1.5" fontSize="sm">
        {sorted.slice(0, SHOWN).map(found => (
          <Option
            key={JSON.stringify(found.whatIf)}
            found={found}
            words={inWords(found, nameOf, worthOf)}
            more=""
            take={isOld ? undefined : () => take(found)}
          />
        ))}
      </chakra.div>
    </section>
  );
}

interface OptionProps {
  readonly found: WhatIfAnswer;
  readonly words: string;
  readonly more: string;
  readonly take: (() => void) | undefined;
}

function Option({ found: { cost, left }, words, more, take }: OptionProps) {
  return (
    <chakra.div display="flex" gap="2" alignItems="start">
      <chakra.div flex="1">
        <chakra.p fontWeight="600">{words}</chakra.p>
        <Label>
          {left.length === 0 ? 'All the rest fits' : `${left.length} still left out`}, {points(cost.total)}{' '}
          points. {more}
        </Label>
      </chakra.div>
      <Button size="small" flex="none" disabled={!take} onClick={take}>
        Take
      </Button>
    </chakra.div>
  );
}

function inWords(
  { whatIf }: WhatIfAnswer,
  nameOf: (id: string) => string,
  worthOf: (id: string) => string,
): string {
  switch (whatIf.kind) {
    case 'lesson':
      return 'One more lesson';
    case 'minutes':
      if (whatIf.minutes === 0) return 'Nothing but planning it anew';
      return `${whatIf.minutes} ${whatIf.minutes === 1 ? 'minute' : 'minutes'} more in each lesson`;
    case 'without':
      return `Without ${nameOf(whatIf.id)}, a ${worthOf(whatIf.id)}`;
    default:
      return whatIf satisfies never;
  }
}

function changedLessons(lessons: readonly CourseLesson[], { whatIf }: WhatIfAnswer): readonly CourseLesson[] {
  if (whatIf.kind === 'minutes')
    return lessons.map(lesson => ({ ...lesson, minutes: lesson.minutes + whatIf.minutes }));
  const like = lessons.at(-2) ?? lessons[0];
  return like ? lessons.toSpliced(lessons.length - 1, 0, like) : lessons;
}
