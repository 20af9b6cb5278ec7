import { chakra } from '@chakra-ui/react';
import { type Criterion, figureName } from '@map-step/core';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Label } from '../../ui/parts.tsx';
import { Segments } from '../../ui/segments.tsx';
import { useCourse } from '../course/course-context.ts';
import { CellHere } from './cell-here.tsx';
import { CellNoteWindow } from './cell-note.tsx';
import { LAYER_WORDS } from './check-words.ts';
import { GridRow } from './grid-row.tsx';
import { useGridPlace } from './use-grid-place.ts';
import type { Marks } from './use-marks.ts';
import { missingInWords, SHARES, type Share, useShare } from './use-share.ts';

interface MarkGridProps {
  readonly marks: Marks;
  readonly mayMark: boolean;
}

/** Students against figures, a layer at a time: one key marks and goes on, over the end of a row and of a layer. */
export function MarkGrid({ marks, mayMark }: MarkGridProps) {
  const [share, setShare] = useState<Share>('all');
  const { candidates, items } = useShare(marks, share);
  const [isNoting, setNoting] = useState(false);
  const at = useGridPlace({ candidates, items, marks, mayMark, note: () => setNoting(true) });
  const { layer, here } = at;
  const columns = `minmax(8rem, 12rem) repeat(${items.length}, minmax(2.75rem, 1fr))`;
  return (
    <chakra.div display="grid" gap="2">
      <chakra.div>
        <Segments
          label="What is looked at"
          value={layer}
          among={at.layers.map(value => ({ value, words: LAYER_WORDS[value] }))}
          set={at.showLayer}
        />
      </chakra.div>
      {mayMark && (
        <chakra.div display="flex" gap="3" alignItems="center" flexWrap="wrap">
          <Choice
            label="Shown"
            hidesLabel
            width="20rem"
            value={share}
            among={SHARES}
            set={next => {
              setShare(next);
              at.restart();
            }}
          />
          <Label>{missingInWords(marks, candidates, items)}</Label>
        </chakra.div>
      )}
      {mayMark && (
        <Label>
          0 not yet · 1 with prompting · 2 unprompted · 3 reliable with any partner. Each key marks and goes
          on; arrows move; r writes a note.
        </Label>
      )}
      <chakra.div overflowX="auto">
        <chakra.div
          ref={at.grid}
          role="grid"
          aria-label={`Marks, ${LAYER_WORDS[layer]}`}
          tabIndex={-1}
          onKeyDown={at.onKeyDown}
          minW={`${8 + items.length * 2.75}rem`}
          fontSize="sm"
        >
          <GridHead items={items} columns={columns} />
          {candidates.map((candidate, row) => (
            <GridRow
              key={`${candidate.student} ${candidate.role}`}
              row={row}
              candidate={candidate}
              name={marks.nameOf(candidate.student)}
              layer={layer}
              items={items}
              marks={marks}
              columns={columns}
              at={at.place.row === row ? at.place.column : undefined}
              go={at.go}
            />
          ))}
        </chakra.div>
      </chakra.div>
      {here && <CellHere cell={here} marks={marks} mayMark={mayMark} note={() => setNoting(true)} />}
      {here && isNoting && <CellNoteWindow cell={here} marks={marks} close={() => setNoting(false)} />}
    </chakra.div>
  );
}

function GridHead({ items, columns }: { items: readonly Criterion[]; columns: string }) {
  const { library } = useCourse();
  return (
    <chakra.div role="row" display="grid" gridTemplateColumns={columns} alignItems="end">
      <Label role="columnheader">Student</Label>
      {items.map(({ pattern, gate }) => (
        <chakra.div
          role="columnheader"
          key={pattern}
          px="1"
          color={gate ? 'ink' : 'quiet'}
          fontWeight={gate ? '650' : '500'}
          overflowWrap="anywhere"
          lineHeight="1.15"
        >
          {figureName(library, pattern)}
          {gate && <chakra.span color="quiet"> gate</chakra.span>}
        </chakra.div>
      ))}
    </chakra.div>
  );
}
