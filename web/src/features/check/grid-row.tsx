import { chakra } from '@chakra-ui/react';
import { type Candidate, type Criterion, type Layer, layersFor, type Mark } from '@map-step/core';
import { memo } from 'react';
import { MARK_WORDS } from './check-words.ts';
import { MarkGlyph } from './mark-glyph.tsx';
import type { MarkedCell, Marks } from './use-marks.ts';

export interface Place {
  readonly row: number;
  readonly column: number;
}

interface GridRowProps {
  readonly row: number;
  readonly candidate: Candidate;
  readonly name: string;
  readonly layer: Layer;
  readonly items: readonly Criterion[];
  readonly marks: Marks;
  readonly columns: string;
  readonly at: number | undefined;
  go(place: Place): void;
}

/** One student of the grid. */
export function GridRow({ row, candidate, name, layer, items, marks, columns, at, go }: GridRowProps) {
  return (
    <chakra.div
      role="row"
      display="grid"
      gridTemplateColumns={columns}
      borderTop="1px solid"
      borderColor="line"
      alignItems="center"
    >
      <chakra.span role="rowheader" color={candidate.role} fontWeight="600">
        {name}
      </chakra.span>
      {items.map((item, column) => {
        const isAsked = layersFor(item, candidate.role).includes(layer);
        const { own, average, markers } = isAsked
          ? marks.cell({ ...candidate, pattern: item.pattern, layer })
          : NOT_ASKED;
        return (
          <GridCell
            key={item.pattern}
            row={row}
            column={column}
            isAsked={isAsked}
            own={own?.mark}
            isNoted={own !== undefined && (own.remark ?? own.lookAgain) !== undefined}
            average={average}
            markers={markers}
            isHere={at === column}
            go={go}
          />
        );
      })}
    </chakra.div>
  );
}

const NOT_ASKED: MarkedCell = { own: undefined, average: undefined, markers: 0 };

interface GridCellProps extends Omit<MarkedCell, 'own'> {
  readonly own: Mark['mark'] | undefined;
  readonly isNoted: boolean;
  readonly row: number;
  readonly column: number;
  readonly isAsked: boolean;
  readonly isHere: boolean;
  go(place: Place): void;
}

/** Drawn again only when something of it has changed: hundreds of others stay. */
const GridCell = memo(function GridCell(props: GridCellProps) {
  const { row, column, isAsked, isHere, own, average, markers, isNoted, go } = props;
  const others = own === undefined ? markers : markers - 1;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a cell of a grid that is gone through with arrows, not of a table
    <div
      role="gridcell"
      tabIndex={isHere ? 0 : -1}
      data-cell={`${row} ${column}`}
      aria-label={isAsked ? `${wordsOf(own, average, others)}${isNoted ? ', with a note' : ''}` : 'not asked'}
      onFocus={isHere ? undefined : () => go({ row, column })}
      style={{ padding: '3px 6px', cursor: 'pointer', display: 'flex', alignItems: 'center', gap: '3px' }}
    >
      {isAsked && <MarkGlyph mark={own ?? average} isOthers={own === undefined} />}
      {isAsked && others > 0 && own !== undefined && <sup>+{others}</sup>}
      {isNoted && <sup aria-hidden>•</sup>}
    </div>
  );
});

function wordsOf(own: Mark['mark'] | undefined, average: number | undefined, others: number): string {
  if (own !== undefined)
    return `${own}, ${MARK_WORDS[own]}${others > 0 ? `, and ${others} more marked` : ''}`;
  if (average !== undefined) return `not marked by you; others gave ${Math.round(average * 10) / 10}`;
  return 'not marked';
}
