import { chakra } from '@chakra-ui/react';
import { COST_WEIGHTS, figureName, takeWhatIf, type WhatIfAnswer } from '@map-step/core';
import { Advance } from '../../../ui/advance.tsx';
import { Part } from '../../../ui/group.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import type { CourseCommands } from '../../course/course-commands.ts';
import { useCourse } from '../../course/course-context.ts';
import type { DraftPlan } from '../../course/course-view.ts';
import { points } from '../plan/words.ts';
import { useWhatIfs } from './use-what-ifs.ts';

const SHOWN = 8;
const NAMES = new Intl.ListFormat('en');
/** What is taken away costs what it was worth. */
const LOST = COST_WEIGHTS;

interface FitPanelProps {
  readonly draft: DraftPlan;
  readonly commands: CourseCommands;
}

/** What would make it all fit: each change is really planned, listed by what it costs, and can be taken. */
export function FitPanel({ draft, commands }: FitPanelProps) {
  const { library, answer } = useCourse();
  const { answers, least, progress, isOld, hasFailed, ask, stop } = useWhatIfs(draft);
  const worthOf = (id: string) => answer.course.items.find(({ pattern }) => pattern === id)?.value ?? 'could';
  const rate = ({ cost, left, whatIf }: WhatIfAnswer) =>
    cost.total + (whatIf.kind === 'without' ? LOST[worthOf(whatIf.id)] : 0) + left.length / 100;
  const sorted = answers.toSorted((a, b) => rate(a) - rate(b));
  const nameOf = (id: string) => figureName(library, id);
  const leftNow = (draft.problem?.items ?? []).flatMap(({ id }) =>
    draft.placed[id] === undefined ? [id] : [],
  );
  const take = (found: WhatIfAnswer) =>
    commands.edit(inWords(found, nameOf, worthOf), course => takeWhatIf(course, found.whatIf, found));
  return (
    <Part title="What would make it fit" label="What would make it fit">
      {progress ? (
        <chakra.div display="flex" gap="2" alignItems="center" my="1">
          <Advance label="Changes tried" done={progress.done} total={progress.of} />
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
            more={pushedOutInWords(found, leftNow, nameOf)}
            take={isOld ? undefined : () => take(found)}
          />
        ))}
      </chakra.div>
    </Part>
  );
}

interface OptionProps {
  readonly found: WhatIfAnswer;
  readonly words: string;
  readonly more: string;
  readonly take: (() => void) | undefined;
}

function Option({ found: { cost, left, broken }, words, more, take }: OptionProps) {
  return (
    <chakra.div display="flex" gap="2" alignItems="start">
      <chakra.div flex="1">
        <chakra.p fontWeight="600">{words}</chakra.p>
        <Label>
          {fitInWords(left.length, broken)}, {points(cost.total)} points. {more}
        </Label>
      </chakra.div>
      <Button size="small" flex="none" disabled={!take} onClick={take}>
        Take
      </Button>
    </chakra.div>
  );
}

function fitInWords(left: number, broken: number): string {
  const still = [
    ...(left > 0 ? [`${left} still left out`] : []),
    ...(broken > 0 ? [`${broken} ${broken === 1 ? 'rule' : 'rules'} still broken`] : []),
  ];
  return still.join(', ') || 'All the rest fits';
}

/** A pin is named as the cause of what has room without it. */
function pushedOutInWords(
  { whatIf, left }: WhatIfAnswer,
  leftNow: readonly string[],
  nameOf: (id: string) => string,
): string {
  const fits = whatIf.kind === 'unpin' ? leftNow.filter(id => !left.includes(id)) : [];
  return fits.length === 0 ? '' : `It pushes out ${NAMES.format(fits.map(nameOf))}.`;
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
    case 'unpin':
      return `The pin of ${nameOf(whatIf.id)} lifted`;
    case 'without':
      return `Without ${nameOf(whatIf.id)}, a ${worthOf(whatIf.id)}`;
    default:
      return whatIf satisfies never;
  }
}
