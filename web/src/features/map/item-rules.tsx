import type { CourseItem, Pattern } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { memo } from 'react';
import { call } from '../../api/client.ts';
import { chakra } from '../../theme/chakra.ts';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label, Select } from '../../ui/parts.tsx';
import { useSameActions } from '../../ui/same.ts';
import { useCourseView } from '../course/course-view.ts';
import { itemField } from '../course/item-field.ts';
import { useCourseEdit } from '../course/use-course-edit.ts';

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
  return (
    <chakra.div display="grid" gap="1.5" my="2">
      {error && <Failure error={error} retry={dismiss} />}
      <RuleFields
        item={item}
        pattern={pattern}
        lesson={draft.placed[id]}
        count={answer.course.lessons.length}
        isSplit={draft.problem?.items.find(entry => entry.id === id)?.split === true}
        put={put}
      />
    </chakra.div>
  );
}

interface RuleFieldsProps {
  readonly item: CourseItem;
  readonly pattern: Pattern | undefined;
  /** Where it lies. */
  readonly lesson: number | undefined;
  /** Of lessons. */
  readonly count: number;
  readonly isSplit: boolean;
  put(what: string, more: Parameters<typeof itemField>[1]): void;
}

const RuleFields = memo(function RuleFields(props: RuleFieldsProps) {
  const { item, pattern, lesson, count, isSplit, put } = props;
  const lessons = Array.from({ length: count }, (_, index) => index + 1);
  return (
    <>
      <chakra.div display="flex" gap="1.5" flexWrap="wrap">
        <Button
          size="small"
          aria-pressed={item.pin !== undefined}
          disabled={item.pin === undefined && lesson === undefined}
          onClick={() =>
            item.pin === undefined
              ? put(`pinned to lesson ${lesson}`, { pin: lesson })
              : put('not pinned', { pin: undefined })
          }
        >
          {item.pin === undefined ? 'Pin it here' : `Pinned to ${item.pin}`}
        </Button>
        <Button
          size="small"
          aria-pressed={item.gate === true}
          onClick={() => put(item.gate ? 'no gate' : 'a gate', { gate: item.gate ? undefined : true })}
          title="Checked at the end, so it is taught two lessons before"
        >
          Gate
        </Button>
        {pattern && <OverTwoLessons pattern={pattern} isSplit={isSplit} />}
      </chakra.div>
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
    </>
  );
});

/** A long figure is taught in pieces in one lesson and joined in the next: that is a property of the figure. */
function OverTwoLessons({ pattern, isSplit }: { pattern: Pattern; isSplit: boolean }) {
  const client = useQueryClient();
  const toggle = useMutation({
    mutationFn: () => {
      const changes = [{ field: 'overTwoLessons', from: pattern.overTwoLessons ?? null, to: !isSplit }];
      const what = isSplit ? 'In one lesson' : 'Over two lessons';
      const command = { kind: 'edit', what, changes };
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
}
