import type { Readiness } from '../check/readiness.ts';
import type { Level, Role } from '../model/document.ts';
import { levelBelow } from './level-below.ts';

/** A class with its newest check. */
export interface CheckedClass {
  readonly section: string;
  readonly level: string | undefined;
  readonly date: string;
  readonly results: readonly Readiness[];
}

/** Somebody who may come to a class of a level. */
export interface Returning {
  readonly student: string;
  readonly role: Role;
  /** `ready`: for it, from the level below; `nearly`: for it, from the level below; `again`: the level once more. */
  readonly why: 'ready' | 'nearly' | 'again';
  /** The class that they come from. */
  readonly section: string;
  /** What their check said. */
  readonly told: Readiness;
}

const ORDER = { ready: 0, again: 1, nearly: 2 } as const satisfies Record<Returning['why'], number>;

/**
 * Who comes back to a level by the newest check of each student in it and in the level below: who is ready for it first, then who
 * takes it again, then who is nearly ready for it; each in the order of their classes. Once a student.
 */
export function returningTo(
  level: string,
  levels: readonly Level[],
  classes: readonly CheckedClass[],
): readonly Returning[] {
  const below = levelBelow(level, levels);
  const newest = new Map<string, Returning | undefined>();
  for (const one of classes.toSorted((a, b) => b.date.localeCompare(a.date))) {
    if (one.level === undefined || (one.level !== level && one.level !== below?.id)) continue;
    for (const told of one.results) {
      if (newest.has(told.student) || told.result === 'unseen') continue;
      const why = reasonFor(told.result, one.level === level);
      newest.set(told.student, why && { ...pick(told), why, section: one.section, told });
    }
  }
  return [...newest.values()].flatMap(one => one ?? []).sort((a, b) => ORDER[a.why] - ORDER[b.why]);
}

function pick({ student, role }: Readiness): Pick<Returning, 'student' | 'role'> {
  return { student, role };
}

function reasonFor(
  result: Exclude<Readiness['result'], 'unseen'>,
  isOwnLevel: boolean,
): Returning['why'] | undefined {
  if (isOwnLevel) return result === 'ready' ? undefined : 'again';
  return result === 'repeat' ? undefined : result;
}
