import { chakra } from '@chakra-ui/react';
import {
  type Agreement,
  figureName,
  type Layer,
  markerAgreement,
  needsCalibration,
  standingMarks,
} from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Label } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { useCourse } from '../course/course-context.ts';
import { personName, studioQuery } from '../studio/studio-queries.ts';
import { LAYER_WORDS } from './check-words.ts';
import type { Marks } from './use-marks.ts';

const SHOWN = 8;

/** Whether those who marked the same students mean the same by the same mark, and what to look at together. */
export function Markers({ marks }: { marks: Marks }) {
  const { library } = useCourse();
  const { data: studio } = useQuery(studioQuery);
  const nameOf = (id: string) => personName(studio, id);
  const pairs = useMemo(() => markerAgreement(marks.check.marks), [marks.check.marks]);
  const apart = useMemo(() => farthestApart(marks), [marks]);
  if (pairs.length === 0)
    return (
      <p>
        No cell was marked by two. Let two mark the same few students: then it shows whether they mean the
        same by the same mark.
      </p>
    );
  const drifting = pairs.filter(needsCalibration);
  return (
    <chakra.section aria-label="Markers" display="grid" gap="4">
      <chakra.p fontSize="lg">
        {drifting.length === 0
          ? 'No two markers are surely apart.'
          : drifting.map(pair => driftInWords(pair, nameOf)).join(' ')}
      </chakra.p>
      <GridTable look="fields" heads={['Two who marked', 'Both marked', 'Agreement', 'Difference of a mark']}>
        {pairs.map(pair => (
          <TableRow key={`${pair.a} ${pair.b}`}>
            <TableCell>
              {nameOf(pair.a)} and {nameOf(pair.b)}
            </TableCell>
            <TableCell>
              {pair.cells} marks of {pair.students} students
            </TableCell>
            <TableCell>
              {kappaInWords(pair.kappa)} <Label>κ {pair.kappa.toFixed(2)}</Label>
            </TableCell>
            <TableCell>
              {pair.difference.toFixed(2)}{' '}
              <Label>
                {pair.low === null || pair.high === null
                  ? 'too few students to say how surely'
                  : `95 % from ${pair.low.toFixed(2)} to ${pair.high.toFixed(2)}`}
              </Label>
            </TableCell>
          </TableRow>
        ))}
      </GridTable>
      {apart.length > 0 && (
        <div>
          <chakra.h2 fontSize="lg">Look at these together</chakra.h2>
          <chakra.ul pl="5">
            {apart.slice(0, SHOWN).map(({ student, pattern, layer, given }) => (
              <li key={`${student} ${pattern} ${layer}`}>
                {marks.nameOf(student)}, {figureName(library, pattern)}, {LAYER_WORDS[layer]}:{' '}
                {given.map(({ by, mark }) => `${nameOf(by)} ${mark}`).join(', ')}
              </li>
            ))}
          </chakra.ul>
        </div>
      )}
    </chakra.section>
  );
}

function driftInWords({ a, b, difference }: Agreement, nameOf: (id: string) => string): string {
  const [higher, lower] = difference > 0 ? [a, b] : [b, a];
  return `${nameOf(higher)} marks higher than ${nameOf(lower)}, by ${Math.abs(difference).toFixed(1)} of a mark.`;
}

/** Of a kappa as people say it: bands of J. Landis and G. Koch, Biometrics 33, 1977. */
function kappaInWords(kappa: number): string {
  if (kappa >= 0.81) return 'almost the same';
  if (kappa >= 0.61) return 'mostly the same';
  if (kappa >= 0.41) return 'partly the same';
  if (kappa >= 0.21) return 'hardly the same';
  return 'not the same';
}

interface ApartCell {
  readonly student: string;
  readonly pattern: string;
  readonly layer: Layer;
  readonly given: readonly { readonly by: string; readonly mark: number }[];
}

/** Cells in which markers are two marks or more apart, the farthest first. */
function farthestApart({ check }: Marks): readonly ApartCell[] {
  const spread = ({ given }: ApartCell) =>
    Math.max(...given.map(({ mark }) => mark)) - Math.min(...given.map(({ mark }) => mark));
  return [...standingMarks(check.marks).values()]
    .flatMap((own): ApartCell[] => {
      const given = [...own.values()];
      const [first] = given;
      return first ? [{ student: first.student, pattern: first.pattern, layer: first.layer, given }] : [];
    })
    .filter(cell => spread(cell) >= 2)
    .sort((a, b) => spread(b) - spread(a));
}
