import { chakra } from '@chakra-ui/react';
import { type CourseItem, changeItem, figureName, type Pattern } from '@map-step/core';
import { useCommands, useIsSaving } from '../../../api/use-commands.ts';
import { Choice } from '../../../ui/choice.tsx';
import { Hint } from '../../../ui/hint.tsx';
import { Button } from '../../../ui/parts.tsx';
import { useCourseCommands } from '../../course/course-commands.ts';
import { useCourse } from '../../course/course-context.ts';
import { figureAggregate, figureFieldInWords } from '../../course/figure-document.ts';
import { RefusalNotice } from '../../history/refusal-notice.tsx';

const VALUES = [
  { value: 'must', words: 'must' },
  { value: 'should', words: 'should' },
  { value: 'could', words: 'could' },
] as const satisfies readonly { value: CourseItem['value']; words: string }[];

const ANY = 'any';

interface ItemRulesProps {
  readonly id: string;
  /** Where it lies. */
  readonly lesson: number | undefined;
  /** True where it is taught over two lessons. */
  readonly isSplit: boolean;
}

/** The rules that the planner keeps for one figure: pin, window, value, gate, one lesson or two. */
export function ItemRules({ id, lesson, isSplit }: ItemRulesProps) {
  const { answer, library } = useCourse();
  const commands = useCourseCommands();
  const item = answer.course.items.find(({ pattern }) => pattern === id);
  const pattern = library.patterns.get(id);
  const put: Put = (what, more) =>
    commands.edit(`${figureName(library, id)} ${what}`, course => changeItem(course, id, more));
  if (!item) return null;
  return (
    <chakra.div display="grid" gap="1.5" my="2">
      <chakra.div display="flex" gap="1.5" flexWrap="wrap">
        <Pin pin={item.pin} lesson={lesson} put={put} />
        <Hint words="Checked at the end, so it is taught two lessons before">
          <Button
            size="small"
            aria-pressed={item.gate === true}
            onClick={() => put(item.gate ? 'no gate' : 'a gate', { gate: item.gate ? undefined : true })}
          >
            Gate
          </Button>
        </Hint>
        {pattern && <OverTwoLessons pattern={pattern} isSplit={isSplit} />}
      </chakra.div>
      <ValueAndWindow item={item} count={answer.course.lessons.length} put={put} />
    </chakra.div>
  );
}

type Put = (what: string, more: Parameters<typeof changeItem>[2]) => void;

interface PinProps {
  readonly pin: number | undefined;
  /** Where it lies. */
  readonly lesson: number | undefined;
  readonly put: Put;
}

function Pin({ pin, lesson, put }: PinProps) {
  return (
    <Button
      size="small"
      aria-pressed={pin !== undefined}
      disabled={pin === undefined && lesson === undefined}
      onClick={() =>
        pin === undefined
          ? put(`pinned to lesson ${lesson}`, { pin: lesson })
          : put('not pinned', { pin: undefined })
      }
    >
      {pin === undefined ? 'Pin it here' : `Pinned to ${pin}`}
    </Button>
  );
}

interface ValueAndWindowProps {
  readonly item: CourseItem;
  /** Of lessons. */
  readonly count: number;
  readonly put: Put;
}

function ValueAndWindow({ item, count, put }: ValueAndWindowProps) {
  const numbers = Array.from({ length: count }, (_, index) => String(index + 1));
  const among = [ANY, ...numbers].map(value => ({ value, words: value }));
  const limit = (end: 'from' | 'to', label: string) => (
    <Choice
      label={label}
      size="small"
      value={String(item[end] ?? ANY)}
      among={among}
      set={value =>
        put(`${label.toLowerCase()} ${value === ANY ? 'a lesson' : value}`, {
          [end]: value === ANY ? undefined : Number(value),
        })
      }
    />
  );
  return (
    <chakra.div display="grid" gridTemplateColumns="1.2fr 1fr 1fr" gap="2" alignItems="end">
      <Choice
        label="Value"
        size="small"
        value={item.value}
        among={VALUES}
        set={value => put(`a ${value}`, { value })}
      />
      {limit('from', 'Not before')}
      {limit('to', 'Not after')}
    </chakra.div>
  );
}

/** A long figure is taught in pieces in one lesson and joined in the next: that is a property of the figure. */
function OverTwoLessons({ pattern, isSplit }: { pattern: Pattern; isSplit: boolean }) {
  const { me } = useCourse();
  const figure = figureAggregate(pattern.id);
  const commands = useCommands(figure, me.id);
  const isSaving = useIsSaving(figure.key);
  const toggle = () =>
    commands.change(isSplit ? 'In one lesson' : 'Over two lessons', [
      { field: 'overTwoLessons', from: pattern.overTwoLessons ?? null, to: !isSplit },
    ]);
  return (
    <>
      <RefusalNotice
        of={figure.key}
        commands={commands}
        nameOf={figureFieldInWords}
        wordsOf={value => (value === true ? 'yes' : 'no')}
      />
      <Hint words="Its pieces in one lesson, joined in the next">
        <Button size="small" aria-pressed={isSplit} disabled={isSaving} onClick={toggle}>
          Over two lessons
        </Button>
      </Hint>
    </>
  );
}
