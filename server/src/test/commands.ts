import type { CourseCommand } from '@map-step/contract';

/** One figure to another lesson, or out; `from` is what the person saw. */
export interface Move {
  readonly pattern: string;
  readonly from: number | null;
  readonly to: number | null;
}

/** A change of where figures lie. */
export function moveCommand(what: string, ...moves: readonly Move[]): CourseCommand {
  const changes = moves.map(({ pattern, from, to }) => {
    const at = (lesson: number | null) => (lesson === null ? null : { pattern, lesson });
    return { field: `placed/${pattern}`, from: at(from), to: at(to) };
  });
  return { kind: 'edit', what, changes };
}
