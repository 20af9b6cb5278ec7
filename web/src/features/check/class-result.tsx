import { chakra } from '@chakra-ui/react';
import type { CheckListAnswer } from '@map-step/contract';
import {
  figureName,
  type ItemResult,
  itemResults,
  layerResults,
  notTaught,
  placedOf,
  readiness,
} from '@map-step/core';
import { lazy, Suspense, useMemo } from 'react';
import { Label, Skeleton } from '../../ui/parts.tsx';
import { percent } from '../../ui/percent.ts';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { useClass, useCourse } from '../course/course-context.ts';
import { LAYER_WORDS, shareInWords } from './check-words.ts';
import { useEarlier } from './use-earlier.ts';
import type { Marks } from './use-marks.ts';

/** Loaded where somebody would rather look than read. */
const MovementChart = lazy(async () => ({
  default: (await import('./movement-chart.tsx')).MovementChart,
}));
const LayerChart = lazy(async () => ({ default: (await import('./layer-chart.tsx')).LayerChart }));

interface ClassResultProps {
  readonly marks: Marks;
  readonly checks: CheckListAnswer['checks'];
}

/** What the class as a whole can do, and what the level did not teach. */
export function ClassResult({ marks, checks }: ClassResultProps) {
  const { library, answer } = useCourse();
  const { section } = useClass();
  const { check, candidates } = marks;
  const { items, layers, weak, seen } = useMemo(() => {
    const told = readiness(check.items, check.marks, candidates);
    const results = itemResults(check.items, told);
    return {
      items: results,
      layers: layerResults(check.items, check.marks, candidates),
      weak: notTaught(results),
      seen: told.filter(({ result }) => result !== 'unseen').length,
    };
  }, [check.items, check.marks, candidates]);
  const earlier = useEarlier(checks, check.id, check.section);
  const beforeOf = (pattern: string) => earlier?.items.find(item => item.pattern === pattern);
  const moved = items.flatMap(now => {
    const before = beforeOf(now.pattern);
    return before ? [{ name: figureName(library, now.pattern), before, now }] : [];
  });
  const plan = answer.published ? placedOf(answer.published) : {};
  const minutesOf = (pattern: string) =>
    (section?.logs ?? []).reduce((sum, log) => sum + (log.pattern === pattern ? (log.minutes ?? 0) : 0), 0);
  const nameOf = (id: string) => figureName(library, id);
  return (
    <chakra.section aria-label="The class" display="grid" gap="4">
      {seen * 2 < candidates.length && (
        <Label>
          Thin evidence: of {shareInWords(seen, candidates.length)} students enough is marked to say anything.
        </Label>
      )}
      {weak.length === 0 ? (
        <chakra.p fontSize="lg">Every figure was passed by at least 60 % of the class.</chakra.p>
      ) : (
        <div>
          <chakra.h2 fontSize="lg">What this level did not teach</chakra.h2>
          <chakra.ul pl="5">
            {weak.map(({ pattern, passed, asked }) => (
              <li key={pattern}>
                {nameOf(pattern)}: {shareInWords(passed, asked)} passed
                {plan[pattern] !== undefined && `, planned in lesson ${plan[pattern]}`}
                {minutesOf(pattern) > 0 && `, ${minutesOf(pattern)} minutes logged`}
              </li>
            ))}
          </chakra.ul>
        </div>
      )}
      <Suspense fallback={<Skeleton />}>
        <LayerChart results={layers} nameOf={nameOf} />
        {moved.length > 0 && <MovementChart figures={moved} />}
      </Suspense>
      <GridTable
        look="fields"
        heads={['Figure', 'Passed', 'Share', 'Half-way', ...Object.values(LAYER_WORDS)]}
      >
        {items.map(({ pattern, passed, asked }) => (
          <TableRow key={pattern}>
            <TableCell>{nameOf(pattern)}</TableCell>
            <TableCell>{shareInWords(passed, asked)}</TableCell>
            <TableCell>{asked > 0 ? percent(passed / asked) : ''}</TableCell>
            <TableCell>{halfWay(beforeOf(pattern))}</TableCell>
            {Object.keys(LAYER_WORDS).map(layer => {
              const result = layers.find(one => one.pattern === pattern && one.layer === layer);
              return (
                <TableCell key={layer}>{result ? shareInWords(result.passed, result.marked) : ''}</TableCell>
              );
            })}
          </TableRow>
        ))}
      </GridTable>
      <Label>
        Passed: every layer at “unprompted” or better. A layer counts those of whom somebody marked it.
      </Label>
    </chakra.section>
  );
}

function halfWay(before: ItemResult | undefined): string {
  return before && before.asked > 0 ? percent(before.passed / before.asked) : '';
}
