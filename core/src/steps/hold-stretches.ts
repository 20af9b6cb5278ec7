import type { Hold } from '../model/document.ts';
import type { Figure } from './figure.ts';
import { findHold } from './holds.ts';
import type { SheetLayout } from './sheet.ts';

/** A stretch of a sheet's columns that is danced in one hold. */
export interface HoldStretch {
  readonly words: string;
  readonly hold: Hold | undefined;
  readonly from: number;
  /** The column after the last. */
  readonly to: number;
  /** True where the hold changes at its first column. */
  readonly isChange: boolean;
  /** How the figure ends, where it ends here. */
  readonly end?: { readonly words: string; readonly hold: Hold | undefined };
}

/** The hold along a range of a sheet's columns: where it starts, where it changes, where it ends; none where no hold is said. */
export function holdStretches(
  { pattern, dance, parts }: Figure,
  { columns }: SheetLayout,
  [from, to]: readonly [number, number],
): readonly HoldStretch[] {
  const [entry] = pattern.entry ?? [];
  if (entry === undefined || parts.length === 0) return [];
  const inWords = (ids: readonly string[]) => ids.map(id => findHold(dance, id)?.name ?? id).join(' or ');
  const changes = [...(pattern.holds ?? [])].sort((a, b) => a.event - b.event);
  const last = parts[0]?.rhythm.events.length ?? 0;
  const ways = (pattern.marks ?? []).filter(({ kind }) => kind === 'hold');
  const wayAt = (event: number) =>
    ways
      .filter(way => (way.event ?? last - 1) === event)
      .map(({ text }) => `, ${text}`)
      .join('');
  const stations = [
    { column: 0, words: inWords(pattern.entry ?? []), hold: findHold(dance, entry) },
    ...changes.map(({ event, hold }) => ({
      column: Math.max(
        0,
        columns.findIndex(column => column.event === event),
      ),
      words: `${inWords([hold])}${wayAt(event)}`,
      hold: findHold(dance, hold),
    })),
  ];
  return stations
    .map(({ column, words, hold }, index): HoldStretch => {
      const next = stations[index + 1]?.column ?? columns.length;
      return {
        ...{ words, hold, from: Math.max(from, column), to: Math.min(to, next) },
        isChange: index > 0 && column >= from,
        ...(next === columns.length && to === columns.length && { end: endOf() }),
      };
    })
    .filter(stretch => stretch.from < stretch.to);

  function endOf() {
    const exit = pattern.exit ?? 'same';
    const way = wayAt(last - 1);
    const [start, end] = [stations[0], stations.at(-1)];
    // The hold that it came in, whatever it changed to between.
    if (exit === 'same')
      return start?.hold === end?.hold
        ? { words: `in the same hold${way}`, hold: end?.hold }
        : { words: `${start?.words ?? ''}${way}`, hold: start?.hold };
    const exits = typeof exit === 'string' ? [exit] : exit;
    return { words: `${inWords(exits)}${way}`, hold: findHold(dance, exits[0] ?? '') };
  }
}
