import { chakra } from '@chakra-ui/react';
import type { CourseItem, Pattern } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { memo } from 'react';
import { call } from '../../../api/client.ts';
import { Failure } from '../../../ui/failure.tsx';
import { Button, Label, Select } from '../../../ui/parts.tsx';
import { useSameActions } from '../../../ui/same.ts';
import { useCourseView } from '../../course/course-view.ts';
import { itemField } from '../../course/item-field.ts';
import { useCourseEdit } from '../../course/use-course-edit.ts';

const VALUES = ['must', 'should', 'could'] as const;

/** The rules that the planner keeps for one figure: pin, window, value, gate, one lesson or two. */
export function ItemRules({ id }: { id: string }) {
  const { answer, draft, library } = useCourseView();
  const { edit, error, dismiss } = useCourseEdit();
  const item = answer.course.items.find(({ pattern }) => pattern === id);
  const pattern = library.patterns.get(id);
  const { put } = useSameActions({
    put: (what: string, more: Parameters<typeof itemField>[1]) =>
      item && edit(`${pattern?.name ?? id} ${what}`, itemField(item, more)),
  });
  if (!item) return null;
  const isSplit = draft.problem?.items.find(entry => entry.id === id)?.split === true;
  return (
    <chakra.div display="grid" gap="1.5" my="2">
      {error && <Failure error={error} retry={dismiss} />}
      <chakra.div display="flex" gap="1.5" flexWrap="wrap">
        <Pin pin={item.pin} lesson={draft.placed[id]} put={put} />
        <Gate isGate={item.gate === true} put={put} />
        {pattern && <OverTwoLessons pattern={pattern} isSplit={isSplit} />}
      </chakra.div>
      <ValueAndWindow item={item} count={answer.course.lessons.length} put={put} />
    </chakra.div>
  );
}

interface Put {
  put(what: string, more: Parameters<typeof itemField>[1]): void;
}

interface PinProps extends Put {
  readonly pin: number | undefined;
  /** Where it lies. */
  readonly lesson: number | undefined;
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

// A move changes only whether a figure can be pinned: the other rules are not drawn again.
const Gate = memo(function Gate({ isGate, put }: Put & { isGate: boolean }) {
  return (
    <Button
      size="small"
      aria-pressed={isGate}
      onClick={() => put(isGate ? 'no gate' : 'a gate', { gate: isGate ? undefined : true })}
      title="Checked at the end, so it is taught two lessons before"
    >
      Gate
    </Button>
  );
});

interface ValueAndWindowProps extends Put {
  readonly item: CourseItem;
  /** Of lessons. */
  readonly count: number;
}

const ValueAndWindow = memo(function ValueAndWindow({ item, count, put }: ValueAndWindowProps) {
  const lessons = Array.from({ length: count }, (_, index) => index + 1);
  return (
    <chakra.div display="flex" gap="2" alignItems="end">
      <chakra.label display="grid">
        <Label>Value</Label>
        <Select
          value={item.value}
          minHeight="2rem"
          onChange={event =>
            put(`a ${event.target.value}`, { value: event.target.value as CourseItem['value'] })
          }
        >
          {VALUES.map(value => (
            <option key={value}>{value}</option>
          ))}
        </Select>
      </chakra.label>
      {(['from', 'to'] as const).map(end => (
        <chakra.label key={end} display="grid">
          <Label>{end === 'from' ? 'Not before' : 'Not after'}</Label>
          <Select
            value={item[end] ?? ''}
            minHeight="2rem"
            onChange={event =>
              put(end === 'from' ? 'not before a lesson' : 'not after a lesson', {
                [end]: event.target.value === '' ? undefined : Number(event.target.value),
              })
            }
          >
            <option value="">any</option>
            {lessons.map(number => (
              <option key={number}>{number}</option>
            ))}
          </Select>
        </chakra.label>
      ))}
    </chakra.div>
  );
});

/** A long figure is taught in pieces in one lesson and joined in the next: that is a property of the figure. */
const OverTwoLessons = memo(function OverTwoLessons({
  pattern,
  isSplit,
}: {
  pattern: Pattern;
  isSplit: boolean;
}) {
  const client = useQueryClient();
  const toggle = useMutation({
    mutationFn: () => {
      const changes = [{ field: 'overTwoLessons', from: pattern.overTwoLessons ?? null, to: !isSplit }];
      const what = isSplit ? 'In one lesson' : 'Over two lessons';
      const command = { kind: 'edit' as const, what, changes };
      return call('figure.command', { params: { figure: pattern.id }, body: { command } });
    },
    onSettled: () => client.invalidateQueries({ queryKey: ['material'] }),
  });
  return (
    <>
      {toggle.error && <Failure error={toggle.error} />}
      <Button
        size="small"
        aria-pressed={isSplit}
        disabled={toggle.isPending}
        onClick={() => toggle.mutate()}
        title="Its pieces in one lesson, joined in the next"
      >
        Over two lessons
      </Button>
    </>
  );
});
