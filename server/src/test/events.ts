import type { ClassEventKind } from '@map-step/core';

/** The body of `class.append` with these entries of one kind; of marks, of a check. */
export function eventsOf(kind: Exclude<ClassEventKind, 'mark'>, ...entries: readonly object[]) {
  return { events: entries.map(entry => ({ kind, entry })) };
}

export function marksOf(check: string, ...entries: readonly object[]) {
  return { events: entries.map(entry => ({ kind: 'mark', check, entry })) };
}
