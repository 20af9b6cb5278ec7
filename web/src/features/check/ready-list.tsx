import { chakra } from '@chakra-ui/react';
import type { CheckListAnswer } from '@map-step/contract';
import { figureName, movedSince, partnersSeen, type Readiness, readiness } from '@map-step/core';
import { CircleCheck, CircleDashed, CircleDot, RotateCcw } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import { Label } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { useCourse } from '../course/course-context.ts';
import { missingInWords, RESULT_WORDS, shareInWords } from './check-words.ts';
import { StudentWords } from './student-words.tsx';
import { useEarlier } from './use-earlier.ts';
import type { Marks } from './use-marks.ts';

const ICONS = { ready: CircleCheck, nearly: CircleDot, repeat: RotateCcw, unseen: CircleDashed } as const;
const ORDER: readonly Readiness['result'][] = ['ready', 'nearly', 'repeat', 'unseen'];
/** A student of whom little is marked is told so. */
const THIN = 0.75;

interface ReadyListProps {
  readonly marks: Marks;
  readonly checks: CheckListAnswer['checks'];
  readonly section: string;
  readonly mayTell: boolean;
}

/** Who is ready for the next level, and what the others still lack, in words. */
export function ReadyList({ marks, checks, section, mayTell }: ReadyListProps) {
  const { check, candidates } = marks;
  const told = useMemo(
    () => readiness(check.items, check.marks, candidates),
    [check.items, check.marks, candidates],
  );
  const before = useEarlier(checks, check.id, section)?.byCandidate;
  const counts = ORDER.map(result => ({ result, count: told.filter(one => one.result === result).length }));
  return (
    <chakra.section aria-label="Who is ready" display="grid" gap="3">
      <chakra.p fontSize="lg">
        {counts
          .filter(({ count }) => count > 0)
          .map(({ result, count }) => `${count} ${RESULT_WORDS[result].toLowerCase()}`)
          .join(', ')}
        .
      </chakra.p>
      <GridTable look="fields" heads={['Student', 'Result', 'Still missing', 'Passed', 'Since half-way', '']}>
        {told
          .toSorted((a, b) => ORDER.indexOf(a.result) - ORDER.indexOf(b.result))
          .map(one => (
            <ReadyRow
              key={`${one.student} ${one.role}`}
              one={one}
              name={marks.nameOf(one.student)}
              items={check.items.length}
              marks={marks}
              mayTell={mayTell}
              before={before?.get(`${one.student} ${one.role}`)}
            />
          ))}
      </GridTable>
      <Label>
        Ready: every gate and 80 % of the other figures at “unprompted” or better. Nearly: one or two figures
        more would do. A mark that nobody gave is not passed.
      </Label>
    </chakra.section>
  );
}

interface ReadyRowProps {
  readonly one: Readiness;
  readonly name: string;
  readonly items: number;
  readonly before: Readiness | undefined;
  readonly marks: Marks;
  readonly mayTell: boolean;
}

function ReadyRow({ one, name, items, before, marks, mayTell }: ReadyRowProps) {
  const { library, answer } = useCourse();
  const { search } = useLocation();
  const Icon = ICONS[one.result];
  const names = (ids: readonly string[]) => ids.map(id => figureName(library, id)).join(', ');
  const needed = new Set(
    [...new Set(one.missing.map(({ pattern }) => pattern))].slice(0, one.enough || undefined),
  );
  const missing = one.missing.filter(({ pattern }) => needed.has(pattern));
  const others = one.result === 'unseen' ? [] : one.open.filter(id => !needed.has(id));
  const first = missing[0];
  const partners = partnersSeen(marks.check.marks, one);
  return (
    <TableRow>
      <TableCell>
        <chakra.span color={one.role} fontWeight="600">
          {name}
        </chakra.span>
      </TableCell>
      <TableCell whiteSpace="nowrap">
        <chakra.span display="inline-flex" gap="1.5" alignItems="center" fontWeight="650">
          <Icon size={16} aria-hidden />
          {RESULT_WORDS[one.result]}
        </chakra.span>
      </TableCell>
      <TableCell>
        {missing.length > 0 && missingInWords(missing, library)}{' '}
        {one.result === 'nearly' && first && (
          <Link to={{ pathname: `/courses/${answer.course.id}/material/${first.pattern}`, search }}>
            the sheet to practise from
          </Link>
        )}
        {others.length > 0 && <Label>also open: {names(others)} </Label>}
        {partners.length === 1 && (
          <Label>partnering seen with {marks.nameOf(partners[0] ?? '')} only: look once with another</Label>
        )}
        {one.result !== 'unseen' && one.marked < one.asked * THIN && (
          <Label>thin evidence: {shareInWords(one.marked, one.asked)} marked</Label>
        )}
      </TableCell>
      <TableCell whiteSpace="nowrap">{shareInWords(one.passed.length, items)}</TableCell>
      <TableCell>
        {before && before.result !== 'unseen' && sinceInWords(movedSince(before, one), names)}
      </TableCell>
      <TableCell whiteSpace="nowrap">
        {mayTell && <StudentWords marks={marks} one={one} before={before} />}
      </TableCell>
    </TableRow>
  );
}

function sinceInWords(
  { gained, lost }: ReturnType<typeof movedSince>,
  names: (ids: readonly string[]) => string,
): string {
  const more = gained.length > 0 ? [`${gained.length} more`] : [];
  const less = lost.length > 0 ? [`no longer ${names(lost)}`] : [];
  return [...more, ...less].join('; ') || 'the same';
}
