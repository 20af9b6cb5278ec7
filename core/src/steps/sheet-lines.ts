import type { SheetColumn } from './sheet.ts';

/**
 * Breaks the columns into lines of whole bars, each as many as have room; columns without timing wrap as they
 * come. Each line is the range of its columns. `room` in pixels, `least` the narrowest column.
 */
export function sheetLines(
  columns: readonly SheetColumn[],
  room: number,
  least: number,
): readonly (readonly [number, number])[] {
  if (columns.length === 0) return [];
  const narrowest = Math.min(...columns.map(({ width }) => width || 1));
  const perBeat = least / narrowest;
  const lines: [number, number][] = [];
  let from = 0;
  while (from < columns.length) {
    let to = from;
    let width = 0;
    let lastEdge = from;
    while (to < columns.length && width + (columns[to]?.width ?? 0) * perBeat <= room) {
      width += (columns[to]?.width ?? 0) * perBeat;
      to += 1;
      if (to < columns.length && columns[to]?.edge !== 'none') lastEdge = to;
    }
    const isLast = to >= columns.length;
    const end = isLast ? columns.length : lastEdge > from ? lastEdge : Math.max(to, from + 1);
    lines.push([from, end]);
    from = end;
  }
  return lines;
}
