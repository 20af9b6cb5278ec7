import { chakra } from '@chakra-ui/react';
import { type Candidate, type Criterion, figureName, LAYERS, type Layer, layersFor } from '@map-step/core';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Label } from '../../ui/parts.tsx';
import { Segments } from '../../ui/segments.tsx';
import { useCourse } from '../course/course-context.ts';
import { CellHere } from './cell-here.tsx';
import { CellNoteWindow } from './cell-note.tsx';
import { LAYER_WORDS } from './check-words.ts';
import { GridRow, type Place } from './grid-row.tsx';
import { isMark, markOf } from './mark-glyph.tsx';
import type { Marks } from './use-marks.ts';
import { missingInWords, SHARES, type Share, useShare } from './use-share.ts';

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
  const [isNoting, setNoting] = useState(false);
  const here = hereOf(candidates[place.row], items[place.column], layer);
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
    if (here && event.key === 'r') {
      event.preventDefault();
      event.stopPropagation();
      setNoting(true);
      return;
    }
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
          on; arrows move; r writes a note.
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
      {here && <CellHere cell={here} marks={marks} mayMark={mayMark} note={() => setNoting(true)} />}
      {here && isNoting && <CellNoteWindow cell={here} marks={marks} close={() => setNoting(false)} />}
    </chakra.div>
  );
}

function hereOf(candidate: Candidate | undefined, item: Criterion | undefined, layer: Layer) {
  const isAsked = candidate && item && layersFor(item, candidate.role).includes(layer);
  return isAsked ? { ...candidate, pattern: item.pattern, layer } : undefined;
}
