import type { Versioned } from '@map-step/contract';
import type { Candidate, Cell, Check, Mark } from '@map-step/core';
import { averageMark, cellKey, checkCandidates, standingMarks } from '@map-step/core';
import { useCallback, useMemo, useState } from 'react';
import type { Option } from '../../ui/choice.tsx';
import { useClass, useCourse } from '../course/course-context.ts';
import { withWaiting } from '../course/with-waiting.ts';

export interface MarkedCell {
  /** What this person gave. */
  readonly own: Mark | undefined;
  /** The average of all who marked. */
  readonly average: number | undefined;
  readonly markers: number;
}

/** What a marker says beside a mark. */
export type MarkNote = Pick<Mark, 'with' | 'quality' | 'remark' | 'lookAgain'>;

export interface Marks {
  /** With what has not reached the server yet. */
  readonly check: Check;
  readonly candidates: readonly Candidate[];
  nameOf(student: string): string;
  cell(cell: Cell): MarkedCell;
  /** The standing mark of each marker. */
  given(cell: Cell): readonly Mark[];
  /** Marks a cell; without a note what was said beside the mark before stays, and the partner of now is set down. */
  put(cell: Cell, mark: Mark['mark'], note?: MarkNote): void;
  /** Whom somebody may have danced with; nobody in a solo dance. */
  partnersFor(candidate: Candidate): readonly Option<string>[];
  /** Whom somebody dances with while this person marks; empty when it is not said. */
  partnerOf(student: string): string;
  setPartner(student: string, partner: string): void;
}

const NOTHING: MarkedCell = { own: undefined, average: undefined, markers: 0 };

/** The marks of a check as they stand, this person's taps with them at once. */
export function useMarks({ body }: Versioned<Check>): Marks {
  const { me } = useCourse();
  const { section, waiting, keep } = useClass();
  const check = useMemo((): Check => {
    const own = waiting.filter(event => event.kind === 'mark' && event.check === body.id);
    return withWaiting(body, own, me.id);
  }, [body, waiting, me.id]);
  const standing = useMemo(() => standingMarks(check.marks), [check.marks]);
  const candidates = useMemo(
    () => (section ? checkCandidates(section.section, check) : []),
    [section, check],
  );
  const names = useMemo(() => new Map(section?.students.map(({ id, name }) => [id, name])), [section]);
  const [pairs, setPairs] = useState<Readonly<Record<string, string>>>({});
  const ownPairs = useMemo(() => lastPairs(check.marks, me.id), [check.marks, me.id]);
  const partnerOf = useCallback(
    (student: string) => pairs[student] ?? ownPairs.get(student) ?? '',
    [pairs, ownPairs],
  );
  const put = useCallback(
    (cell: Cell, mark: Mark['mark'], note?: MarkNote) => {
      const partner = partnerOf(cell.student);
      const before = standing.get(cellKey(cell))?.get(me.id);
      const said = note ?? { ...noteOf(before), ...(partner && { with: partner }) };
      keep({
        kind: 'mark',
        check: body.id,
        entry: {
          ...{ student: cell.student, role: cell.role, pattern: cell.pattern, layer: cell.layer },
          ...said,
          id: crypto.randomUUID(),
          mark,
          at: new Date().toISOString(),
        },
      });
    },
    [keep, body.id, standing, me.id, partnerOf],
  );
  return {
    check,
    candidates,
    nameOf: student => names.get(student) ?? student,
    cell: cell => {
      const marks = standing.get(cellKey(cell));
      if (!marks) return NOTHING;
      return { own: marks.get(me.id), average: averageMark(marks), markers: marks.size };
    },
    given: cell => [...(standing.get(cellKey(cell))?.values() ?? [])],
    put,
    partnersFor: ({ student, role }) =>
      role === 'solo'
        ? []
        : candidates
            .filter(other => other.student !== student && other.role !== role)
            .map(other => ({ value: other.student, words: names.get(other.student) ?? other.student })),
    partnerOf,
    setPartner: (student, partner) =>
      setPairs(now => ({ ...now, [student]: partner, ...(partner && { [partner]: student }) })),
  };
}

function noteOf(mark: Mark | undefined): MarkNote {
  if (!mark) return {};
  const { with: partner, quality, remark, lookAgain } = mark;
  return {
    ...(partner && { with: partner }),
    ...(quality && { quality }),
    ...(remark && { remark }),
    ...(lookAgain && { lookAgain }),
  };
}

/** Whom each student danced with when this person marked last. */
function lastPairs(marks: readonly Mark[], by: string): ReadonlyMap<string, string> {
  const newest = new Map<string, Mark>();
  for (const mark of marks)
    if (mark.by === by && mark.with && (newest.get(mark.student)?.at ?? '') <= mark.at)
      newest.set(mark.student, mark);
  return new Map([...newest].map(([student, mark]) => [student, mark.with ?? '']));
}
