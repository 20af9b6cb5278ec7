import { type Candidate, type Criterion, LAYERS, type Layer, layersFor } from '@map-step/core';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import type { Place } from './grid-row.tsx';
import { isMark, markOf } from './mark-glyph.tsx';
import type { Marks } from './use-marks.ts';

interface GridTerms {
  readonly candidates: readonly Candidate[];
  readonly items: readonly Criterion[];
  readonly marks: Marks;
  readonly mayMark: boolean;
  note(): void;
}

/** The cell of the grid that one stands in: arrows move it, a mark puts it on the next that is asked. */
export function useGridPlace({ candidates, items, marks, mayMark, note }: GridTerms) {
  const layers = useMemo(() => {
    const asked = new Set(items.flatMap(item => item.layers));
    return LAYERS.filter(layer => asked.has(layer));
  }, [items]);
  const [layer, setLayer] = useState<Layer>(layers[0] ?? 'steps');
  const [place, setPlace] = useState<Place>({ row: 0, column: 0 });
  const grid = useRef<HTMLDivElement>(null);
  const wantsFocus = useRef(mayMark);
  const cellOf = (at: Place, of: Layer) => {
    const [candidate, item] = [candidates[at.row], items[at.column]];
    const isAsked = candidate && item && layersFor(item, candidate.role).includes(of);
    return isAsked ? { ...candidate, pattern: item.pattern, layer: of } : undefined;
  };
  const here = cellOf(place, layer);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the focus follows the place, whatever drew it
  useEffect(() => {
    if (wantsFocus.current)
      grid.current?.querySelector<HTMLElement>(`[data-cell="${place.row} ${place.column}"]`)?.focus();
  }, [place, layer]);

  const goOn = () => {
    const after = nextAsked({ place, layer }, layers, [candidates.length, items.length], cellOf);
    if (!after) return;
    setPlace(after.place);
    setLayer(after.layer);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    wantsFocus.current = true;
    const to = moved(event.key, place, [candidates.length, items.length]);
    const mark = mayMark && here && isMark(event.key) ? markOf(event.key) : undefined;
    const isNoted = here !== undefined && event.key === 'r';
    if (!to && mark === undefined && !isNoted) return;
    event.preventDefault();
    if (to) return setPlace(to);
    event.stopPropagation();
    if (isNoted) return note();
    if (here && mark !== undefined) marks.put(here, mark);
    goOn();
  };
  return {
    layers,
    layer,
    place,
    here,
    grid,
    onKeyDown,
    go: setPlace,
    showLayer: (next: Layer) => {
      wantsFocus.current = false;
      setLayer(next);
    },
    /** To the first cell; the focus stays where it is. */
    restart: () => {
      wantsFocus.current = false;
      setPlace({ row: 0, column: 0 });
    },
  };
}

type Size = readonly [rows: number, columns: number];

function moved(key: string, { row, column }: Place, [rows, columns]: Size): Place | undefined {
  const moves: Readonly<Record<string, Place>> = {
    ArrowLeft: { row, column: Math.max(0, column - 1) },
    ArrowRight: { row, column: Math.min(columns - 1, column + 1) },
    ArrowUp: { row: Math.max(0, row - 1), column },
    ArrowDown: { row: Math.min(rows - 1, row + 1), column },
    Home: { row, column: 0 },
    End: { row, column: columns - 1 },
  };
  return moves[key];
}

interface Stand {
  readonly place: Place;
  readonly layer: Layer;
}

/** The next cell that is asked, row after row and layer after layer; undefined after the last. */
function nextAsked(
  { place, layer }: Stand,
  layers: readonly Layer[],
  [rows, columns]: Size,
  isAsked: (at: Place, of: Layer) => unknown,
): Stand | undefined {
  let index = place.row * columns + place.column + 1;
  for (const of of layers.slice(layers.indexOf(layer))) {
    for (; index < rows * columns; index += 1) {
      const at = { row: Math.floor(index / columns), column: index % columns };
      if (isAsked(at, of)) return { place: at, layer: of };
    }
    index = 0;
  }
  return undefined;
}
