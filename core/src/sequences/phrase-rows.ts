import { TICKS_PER_BEAT, type Ticks, ticks } from '../model/units.ts';

/** What lies of one figure in one phrase, in ticks from the phrase's start. */
export interface PhrasePiece {
  /** Index of the figure in the sequence. */
  readonly row: number;
  readonly from: Ticks;
  readonly to: Ticks;
  /** False where it began in the phrase before, or ends in the next. */
  readonly begins: boolean;
  readonly ends: boolean;
}

/** Figures laid on phrases of so many beats: a list for each phrase; the last may be left short. */
export function phraseRows(lengths: readonly Ticks[], phrase: number): readonly (readonly PhrasePiece[])[] {
  const size = phrase * TICKS_PER_BEAT;
  const rows: PhrasePiece[][] = [];
  let at = 0;
  for (const [row, length] of lengths.entries()) {
    const end = at + length;
    for (let index = Math.floor(at / size); index * size < end; index += 1) {
      const [from, to] = [Math.max(at, index * size), Math.min(end, (index + 1) * size)];
      const pieces = rows[index] ?? [];
      rows[index] = pieces;
      pieces.push({
        ...{ row, from: ticks(from - index * size), to: ticks(to - index * size) },
        ...{ begins: from === at, ends: to === end },
      });
    }
    at = end;
  }
  return rows;
}
