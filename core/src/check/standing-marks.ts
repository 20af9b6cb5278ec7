import type { Layer, Mark, Role } from '../model/document.ts';

/** A student in a role, asked about one layer of one figure. */
export interface Cell {
  readonly student: string;
  readonly role: Role;
  readonly pattern: string;
  readonly layer: Layer;
}

export function cellKey({ student, role, pattern, layer }: Cell): string {
  return `${student} ${role} ${pattern} ${layer}`;
}

/** For each cell the newest mark of each marker; of two of one moment the later in the list. Linear in the marks. */
export function standingMarks(marks: readonly Mark[]): ReadonlyMap<string, ReadonlyMap<string, Mark>> {
  const cells = new Map<string, Map<string, Mark>>();
  for (const mark of marks) {
    const key = cellKey(mark);
    const own = cells.get(key);
    const before = own?.get(mark.by);
    if (!own) cells.set(key, new Map([[mark.by, mark]]));
    else if (!before || before.at <= mark.at) own.set(mark.by, mark);
  }
  return cells;
}

/** The markers' average in a cell, unrounded; undefined where nobody marked. */
export function averageMark(marks: ReadonlyMap<string, Mark> | undefined): number | undefined {
  if (!marks || marks.size === 0) return undefined;
  let sum = 0;
  for (const { mark } of marks.values()) sum += mark;
  return sum / marks.size;
}
