// A combination as it is called: a line for each phrase, each figure with its count and what comes next.
import { figureName, type Library } from '../library/library.ts';
import type { Dance, Studio } from '../model/document.ts';
import { TICKS_PER_BEAT } from '../model/units.ts';
import type { SequenceItem, Walk, WalkRow } from '../sequences/walk.ts';
import { numberedCall } from '../timing/calls.ts';
import { countedBy } from './counted.ts';

export interface CalledFigure {
  readonly pattern: string;
  readonly name: string;
  /** As the house counts it; numbered, its first count says which of several in a row it is. */
  readonly call: string;
  /** The name to be said before it ends; undefined where the same goes on, or at the end. */
  readonly next?: string;
  /** What the leader may set instead; `go on` where it may be nothing. */
  readonly or: readonly string[];
  /** Index of the item that it comes from. */
  readonly item: number;
}

/** The figures that begin in one phrase. */
export interface CallLine {
  /** From 1. */
  readonly phrase: number;
  readonly figures: readonly CalledFigure[];
}

interface CallTerms {
  readonly dance: Dance;
  readonly counting: Studio['counting'];
  /** What was walked. */
  readonly steps: readonly SequenceItem[];
}

/** The lines of a walk; a phrase in which no figure begins has none. */
export function callSheet(
  library: Library,
  walk: Walk,
  { dance, counting, steps }: CallTerms,
): readonly CallLine[] {
  const lines: { phrase: number; figures: CalledFigure[] }[] = [];
  let repeat = 0;
  for (const [index, row] of walk.rows.entries()) {
    const [before, after] = [walk.rows[index - 1], walk.rows[index + 1]];
    repeat = before?.pattern === row.pattern ? repeat + 1 : 1;
    const phrase = Math.floor(row.beat / (dance.phrase * TICKS_PER_BEAT)) + 1;
    const next = after && after.pattern !== row.pattern ? figureName(library, after.pattern) : undefined;
    const called: CalledFigure = {
      ...{ pattern: row.pattern, name: figureName(library, row.pattern), item: row.item },
      call: callOf(library, row, counting, repeat),
      or: insteadOf(library, steps[row.item], row.pattern),
      ...(next !== undefined && { next }),
    };
    const line = lines.at(-1);
    if (line?.phrase === phrase) line.figures.push(called);
    else lines.push({ phrase, figures: [called] });
  }
  return lines;
}

function insteadOf(library: Library, item: SequenceItem | undefined, pattern: string): readonly string[] {
  if (!item || !('oneOf' in item)) return [];
  return item.oneOf.filter(id => id !== pattern).map(id => (id === null ? 'go on' : figureName(library, id)));
}

function callOf(library: Library, row: WalkRow, counting: Studio['counting'], repeat: number): string {
  const figure = library.readings.get(row.pattern)?.figure;
  const [part] = figure?.parts ?? [];
  if (!figure || !part) return '';
  return counting === 'numbered' ? numberedCall(part.rhythm, repeat).join(' ') : countedBy(figure, counting);
}
