import { chakra } from '@chakra-ui/react';
import {
  dropSecondLook,
  figureName,
  type RoomToSpare,
  roomToSpare,
  type SpareUse,
  shakyFigures,
  takeSpareUse,
  taughtLessons,
} from '@map-step/core';
import { useState } from 'react';
import { Part } from '../../../ui/group.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import type { CourseCommands } from '../../course/course-commands.ts';
import { useClass, useCourse } from '../../course/course-context.ts';
import type { DraftPlan } from '../../course/course-view.ts';

const SHOWN = 8;
/** Less than this in a lesson, in tenths, is no room. */
const LEAST = 20;
const NAMES = new Intl.ListFormat('en');

interface SparePanelProps {
  readonly draft: DraftPlan;
  readonly commands: CourseCommands;
}

/** The minutes that the plan leaves free, and what would use them; each use can be taken. */
export function SparePanel({ draft, commands }: SparePanelProps) {
  const { library, answer } = useCourse();
  const { section } = useClass();
  const [asked, setAsked] = useState<{ readonly room: RoomToSpare; readonly of: DraftPlan }>();
  const { problem, judgement } = draft;
  if (!problem || !judgement) return null;
  const over = taughtLessons(problem);
  const free = judgement.lessons.flatMap(({ capacity, new: fresh, review }, index) => {
    const tenths = capacity - fresh - review;
    return index >= over && tenths >= LEAST ? [{ lesson: index + 1, tenths }] : [];
  });
  const looks = answer.course.lessons.flatMap(({ again = [] }, index) =>
    again.map(id => ({ id, lesson: index + 1 })),
  );
  if (free.length === 0 && looks.length === 0) return null;
  const total = free.reduce((sum, { tenths }) => sum + tenths, 0) / 10;
  const ask = () => {
    const { published, taught } = problem;
    const history = { ...(published && { published }), ...(taught && { taught }) };
    const room = roomToSpare(library, answer.course, draft, history, shakyFigures(section?.logs ?? []));
    setAsked({ room, of: draft });
  };
  const take = (use: SpareUse) =>
    commands.edit(usedInWords(use, figureName(library, use.id)), course => takeSpareUse(course, use));
  const isOld = asked !== undefined && asked.of !== draft;
  return (
    <Part title="Room to spare" label="Room to spare">
      {free.length > 0 && (
        <p>
          {NAMES.format(free.map(({ lesson }) => `lesson ${lesson}`)).replace(/^l/, 'L')}{' '}
          {free.length === 1 ? 'has' : 'have'} minutes free, {total} in all.
        </p>
      )}
      {free.length > 0 && (
        <Button size="small" my="1" onClick={ask}>
          {asked ? 'Ask again' : 'See what would use them'}
        </Button>
      )}
      {isOld && <Label>The plan has changed since; these are of the one before.</Label>}
      {asked?.room.uses.length === 0 && <p>Nothing of this level or the next fits into them.</p>}
      <chakra.div display="grid" gap="1.5">
        {asked?.room.uses.slice(0, SHOWN).map(use => (
          <SpareUseRow key={`${use.kind} ${use.id}`} use={use} isOld={isOld} take={() => take(use)} />
        ))}
        {looks.map(({ id, lesson }) => (
          <SecondLook
            key={`${id} ${lesson}`}
            words={`${figureName(library, id)}, a second look in lesson ${lesson}`}
            drop={() =>
              commands.edit(`No second look at ${figureName(library, id)}`, course =>
                dropSecondLook(course, lesson, id),
              )
            }
          />
        ))}
      </chakra.div>
    </Part>
  );
}

interface SpareUseRowProps {
  readonly use: SpareUse;
  readonly isOld: boolean;
  take(): void;
}

function SpareUseRow({ use, isOld, take }: SpareUseRowProps) {
  const { library } = useCourse();
  const name = figureName(library, use.id);
  return (
    <chakra.div display="flex" gap="2" alignItems="start">
      <chakra.div flex="1">
        <chakra.p fontWeight="600">{name}</chakra.p>
        <Label>
          {KIND_WORDS[use.kind]}, {use.minutes / 10} minutes in lesson {use.lesson}
        </Label>
      </chakra.div>
      <Button
        size="small"
        flex="none"
        disabled={isOld}
        aria-label={`Take ${name} into lesson ${use.lesson}`}
        onClick={take}
      >
        Take
      </Button>
    </chakra.div>
  );
}

function SecondLook({ words, drop }: { words: string; drop: () => void }) {
  return (
    <chakra.div display="flex" gap="2" alignItems="center">
      <chakra.span flex="1">{words}</chakra.span>
      <Button look="quiet" size="small" onClick={drop}>
        Not again
      </Button>
    </chakra.div>
  );
}

const KIND_WORDS: Readonly<Record<SpareUse['kind'], string>> = {
  'left-out': 'left out until now',
  'this-level': 'of this level',
  'next-level': 'of the level above, its needs are met',
  'second-look': 'shaky: a second look',
};

function usedInWords({ kind, lesson }: SpareUse, name: string): string {
  return kind === 'second-look' ? `A second look at ${name}` : `${name} taken into lesson ${lesson}`;
}
