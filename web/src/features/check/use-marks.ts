import type { Versioned } from '@map-step/contract';
import type { Candidate, Cell, Check, Mark } from '@map-step/core';
import { averageMark, cellKey, checkCandidates, standingMarks } from '@map-step/core';
import { useCallback, useMemo } from 'react';
import { useClass, useCourse } from '../course/course-context.ts';

export interface MarkedCell {
  /** What this person gave. */
  readonly own: Mark['mark'] | undefined;
  /** The average of all who marked. */
  readonly average: number | undefined;
  readonly markers: number;
}

export interface Marks {
  /** With what has not reached the server yet. */
  readonly check: Check;
  readonly candidates: readonly Candidate[];
  nameOf(student: string): string;
  cell(cell: Cell): MarkedCell;
  put(cell: Cell, mark: Mark['mark']): void;
}

const NOTHING: MarkedCell = { own: undefined, average: undefined, markers: 0 };

/** The marks of a check as they stand, this person's taps with them at once. */
export function useMarks({ body }: Versioned<Check>): Marks {
  const { me } = useCourse();
  const { section, waiting, keep } = useClass();
  const check = useMemo((): Check => {
    const there = new Set(body.marks.map(({ id }) => id));
    const own = waiting.flatMap(event =>
      event.kind === 'mark' &&
      event.check === body.id &&
      event.refused === undefined &&
      !there.has(event.entry.id)
        ? [{ ...event.entry, by: me.id }]
        : [],
    );
    return own.length === 0 ? body : { ...body, marks: [...body.marks, ...own] };
  }, [body, waiting, me.id]);
  const standing = useMemo(() => standingMarks(check.marks), [check.marks]);
  const candidates = useMemo(
    () => (section ? checkCandidates(section.section, check) : []),
    [section, check],
  );
  const names = useMemo(() => new Map(section?.students.map(({ id, name }) => [id, name])), [section]);
  const put = useCallback(
    (cell: Cell, mark: Mark['mark']) =>
      keep({
        kind: 'mark',
        check: body.id,
        entry: { ...cell, id: crypto.randomUUID(), mark, at: new Date().toISOString() },
      }),
    [keep, body.id],
  );
  return {
    check,
    candidates,
    nameOf: student => names.get(student) ?? student,
    cell: cell => {
      const marks = standing.get(cellKey(cell));
      if (!marks) return NOTHING;
      return { own: marks.get(me.id)?.mark, average: averageMark(marks), markers: marks.size };
    },
    put,
  };
}
