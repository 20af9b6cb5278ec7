// What the plan of a class takes back from one evening to the next, and why.
import type { ClassPlan } from './class-plan.ts';

/** A figure that was moved after one evening and is back where it was after the next. */
export interface Reversal {
  readonly pattern: string;
  /** Where it lies again; null where it is left out again. */
  readonly lesson: number | null;
  /** Where it lay in between. */
  readonly between: number | null;
  /** What was open after the evening in between, wanted room, and has been danced since. */
  readonly danced: readonly string[];
}

type Planned = Pick<ClassPlan, 'answer' | 'progress'>;

/** The figures that three plans in a row, each after one evening more, move away and back. */
export function findReversals(earlier: Planned, between: Planned, now: Planned): readonly Reversal[] {
  const placeIn = ({ answer }: Planned, id: string) => answer.placed[id] ?? null;
  const openIn = ({ progress }: Planned) => [...progress.carried, ...progress.begun];
  const stillOpen = new Set(openIn(now));
  const danced = openIn(between).filter(id => !stillOpen.has(id) && now.progress.taught[id] !== undefined);
  const ids = new Set([earlier, between, now].flatMap(({ answer }) => Object.keys(answer.placed)));
  return [...ids]
    .filter(id => now.progress.taught[id] === undefined)
    .filter(id => placeIn(now, id) === placeIn(earlier, id) && placeIn(now, id) !== placeIn(between, id))
    .map(id => ({ pattern: id, lesson: placeIn(now, id), between: placeIn(between, id), danced }));
}
