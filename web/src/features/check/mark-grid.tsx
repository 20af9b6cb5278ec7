import { chakra } from '@chakra-ui/react';
import { type Candidate, type Criterion, figureName, LAYERS, type Layer, layersFor } from '@map-step/core';
import { type KeyboardEvent, memo, useEffect, useMemo, useRef, useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Label } from '../../ui/parts.tsx';
import { Segments } from '../../ui/segments.tsx';
import { useCourse } from '../course/course-context.ts';
import { LAYER_WORDS, MARK_WORDS } from './check-words.ts';
import { isMark, MarkGlyph, markOf } from './mark-glyph.tsx';
import type { MarkedCell, Marks } from './use-marks.ts';
import { missingInWords, SHARES, type Share, useShare } from './use-share.ts';

interface Place {
  readonly row: number;
  readonly column: number;
}

interface MarkGridProps {
  readonly marks: Marks;
  readonly mayMark: boolean;
}

/** Students against figures, a layer at a time: one key marks and goes on, over the end of a row and of a layer. */
export function MarkGrid({ marks, mayMark }: MarkGridProps) {
  const { library } = useCourse();
  const { nameOf } = marks;
  const [share, setShare] = useState<Share>('all');
  const { candidates, items } = useShare(marks, share);
  const layers = useMemo(() => {
    const asked = new Set(items.flatMap(item => item.layers));
    return LAYERS.filter(layer => asked.has(layer));
  }, [items]);
  const [layer, setLayer] = useState<Layer>(layers[0] ?? 'steps');
  const [place, setPlace] = useState<Place>({ row: 0, column: 0 });
  const grid = useRef<HTMLDivElement>(null);
  const wantsFocus = useRef(mayMark);
  const putShare = (next: Share) => {
    wantsFocus.current = false;
    setShare(next);
    setPlace({ row: 0, column: 0 });
  };
  const asked = (at: Place, of: Layer = layer) => {
    const [candidate, item] = [candidates[at.row], items[at.column]];
    return candidate !== undefined && item !== undefined && layersFor(item, candidate.role).includes(of);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: the focus follows the place, whatever drew it
  useEffect(() => {
    if (wantsFocus.current)
      grid.current?.querySelector<HTMLElement>(`[data-cell="${place.row} ${place.column}"]`)?.focus();
  }, [place, layer]);

  /** The next cell that is asked, row after row and layer after layer; undefined after the last. */
  const next = (): { readonly place: Place; readonly layer: Layer } | undefined => {
    const columns = items.length;
    let index = place.row * columns + place.column + 1;
    for (const of of layers.slice(layers.indexOf(layer))) {
      for (; index < candidates.length * columns; index += 1) {
        const at = { row: Math.floor(index / columns), column: index % columns };
        if (asked(at, of)) return { place: at, layer: of };
      }
      index = 0;
    }
    return undefined;
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const moves: Readonly<Record<string, Place>> = {
      ArrowLeft: { row: place.row, column: Math.max(0, place.column - 1) },
      ArrowRight: { row: place.row, column: Math.min(items.length - 1, place.column + 1) },
      ArrowUp: { row: Math.max(0, place.row - 1), column: place.column },
      ArrowDown: { row: Math.min(candidates.length - 1, place.row + 1), column: place.column },
      Home: { row: place.row, column: 0 },
      End: { row: place.row, column: items.length - 1 },
    };
    const to = moves[event.key];
    wantsFocus.current = true;
    if (to) {
      event.preventDefault();
      setPlace(to);
      return;
    }
    const candidate = candidates[place.row];
    const item = items[place.column];
    if (!mayMark || !isMark(event.key) || !candidate || !item || !asked(place)) return;
    event.preventDefault();
    event.stopPropagation();
    marks.put({ ...candidate, pattern: item.pattern, layer }, markOf(event.key));
    const after = next();
    if (!after) return;
    setPlace(after.place);
    setLayer(after.layer);
  };
  const columns = `minmax(8rem, 12rem) repeat(${items.length}, minmax(2.75rem, 1fr))`;
  return (
    <chakra.div display="grid" gap="2">
      <chakra.div>
        <Segments
          label="What is looked at"
          value={layer}
          among={layers.map(value => ({ value, words: LAYER_WORDS[value] }))}
          set={next => {
            wantsFocus.current = false;
            setLayer(next);
          }}
        />
      </chakra.div>
      {mayMark && (
        <chakra.div display="flex" gap="3" alignItems="center" flexWrap="wrap">
          <Choice label="Shown" hidesLabel width="20rem" value={share} among={SHARES} set={putShare} />
          <Label>{missingInWords(marks, candidates, items)}</Label>
        </chakra.div>
      )}
      {mayMark && (
        <Label>
          0 not yet · 1 with prompting · 2 unprompted · 3 reliable with any partner. Each key marks and goes
          on; arrows move.
        </Label>
      )}
      <chakra.div overflowX="auto">
        <chakra.div
          ref={grid}
          role="grid"
          aria-label={`Marks, ${LAYER_WORDS[layer]}`}
          tabIndex={-1}
          onKeyDown={onKeyDown}
          minW={`${8 + items.length * 2.75}rem`}
          fontSize="sm"
        >
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
          {candidates.map((candidate, row) => (
            <GridRow
              key={`${candidate.student} ${candidate.role}`}
              row={row}
              candidate={candidate}
              name={nameOf(candidate.student)}
              layer={layer}
              items={items}
              marks={marks}
              columns={columns}
              at={place.row === row ? place.column : undefined}
              go={setPlace}
            />
          ))}
        </chakra.div>
      </chakra.div>
    </chakra.div>
  );
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

function GridRow({ row, candidate, name, layer, items, marks, columns, at, go }: GridRowProps) {
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
            own={own}
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

interface GridCellProps extends MarkedCell {
  readonly row: number;
  readonly column: number;
  readonly isAsked: boolean;
  readonly isHere: boolean;
  go(place: Place): void;
}

/** Drawn again only when something of it has changed: hundreds of others stay. */
const GridCell = memo(function GridCell(props: GridCellProps) {
  const { row, column, isAsked, isHere, own, average, markers, go } = props;
  const others = own === undefined ? markers : markers - 1;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a cell of a grid that is gone through with arrows, not of a table
    <div
      role="gridcell"
      tabIndex={isHere ? 0 : -1}
      data-cell={`${row} ${column}`}
      aria-label={isAsked ? wordsOf(own, average, others) : 'not asked'}
      onFocus={isHere ? undefined : () => go({ row, column })}
      style={{ padding: '3px 6px', cursor: 'pointer', display: 'flex', alignItems: 'center', gap: '3px' }}
    >
      {isAsked && <MarkGlyph mark={own ?? average} isOthers={own === undefined} />}
      {isAsked && others > 0 && own !== undefined && <sup>+{others}</sup>}
    </div>
  );
});

function wordsOf(own: MarkedCell['own'], average: number | undefined, others: number): string {
  if (own !== undefined)
    return `${own}, ${MARK_WORDS[own]}${others > 0 ? `, and ${others} more marked` : ''}`;
  if (average !== undefined) return `not marked by you; others gave ${Math.round(average * 10) / 10}`;
  return 'not marked';
}
