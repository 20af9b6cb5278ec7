import {
  type Figure,
  type FigureIssue,
  findMend,
  KEEP,
  type Library,
  makePartNatural,
  makeStepKeep,
  makeStepNatural,
  putSteps,
  type Role,
  removeStep,
  rocksApart,
  rockTogether,
  rolesOf,
  writtenSteps,
} from '@map-step/core';
import { type KeyboardEvent, useState } from 'react';
import type { SheetPlace } from '../figure/sheet-place.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import { type CellLine, type CellLineKind, cellLine } from './cell-lines.ts';

/** What is being typed in the cell one is in. */
export interface OpenCell {
  readonly kind: CellLineKind;
  /** As it stands when it is opened. */
  readonly text: string;
  readonly line: CellLine;
}

export interface SheetCursor {
  readonly place: SheetPlace;
  readonly opened: OpenCell | undefined;
  readonly fault: string | undefined;
  goTo(place: SheetPlace): void;
  /** Begins to write the step of a cell. */
  open(place: SheetPlace): void;
  /** Takes over what was typed and goes on; with a fault it stays, and says why. */
  commit(text: string): void;
  /** Takes over what was typed and goes on or back by a cell; what cannot be read is kept as it is. */
  leave(text: string, by?: -1 | 1): void;
  close(): void;
  onKey(event: KeyboardEvent): void;
}

/** The rooms of the page that a key of the sheet leads to. */
export interface SheetDoors {
  note(place: SheetPlace): void;
  pieces(): void;
}

/** Where one is on the step sheet, and what the keys do there. */
export function useSheetCursor(editing: FigureEditing, library: Library, doors: SheetDoors): SheetCursor {
  const { figure } = editing.reading;
  const roles = rolesOf(figure.dance);
  const [place, goTo] = useState<SheetPlace>({ role: roles[0] ?? 'lead', step: 0 });
  const { begin, ...typing } = useTyping(editing, library, place, goTo);
  const count = (role: Role) => writtenSteps(figure, role).length;
  const move = (by: number) => {
    const last = count(place.role);
    goTo({ ...place, step: Math.min(last, Math.max(0, place.step + by)) });
  };
  const moveRole = (by: number) => {
    const role = roles[roles.indexOf(place.role) + by];
    if (role) goTo({ role, step: Math.min(place.step, count(role)) });
  };
  /** Beyond the last step of a figure it is the last cell. */
  const beginHere = (kind: CellLineKind) => () =>
    begin(kind, { ...place, step: Math.min(place.step, cellsOf(figure, place.role) - 1) });
  const keys: Readonly<Record<string, () => void>> = {
    ArrowLeft: () => move(-1),
    ArrowRight: () => move(1),
    ArrowUp: () => moveRole(-1),
    ArrowDown: () => moveRole(1),
    '/': () => goTo({ role: roles.find(role => role !== place.role) ?? place.role, step: 0 }),
    Home: () => goTo({ ...place, step: 0 }),
    End: () => goTo({ ...place, step: count(place.role) }),
    Enter: () => begin('step', place),
    F2: () => begin('step', place),
    ...(editing.mayWrite && {
      ...changingKeys(editing, place, move),
      '#': () => doors.note(place),
      '*': doors.pieces,
      ...(roles.length > 1 && { ';': beginHere('hold') }),
      '!': beginHere('caution'),
      '@': beginHere('said'),
    }),
  };
  const onKey = (event: KeyboardEvent) => {
    if (typing.opened !== undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    const action = keys[event.key];
    const begins = /^[a-z+-]$/i.test(event.key) && editing.mayWrite;
    if (!action && !begins) return;
    event.preventDefault();
    if (action) action();
    else begin('step', place, event.key);
  };
  return { ...typing, place, goTo, open: at => begin('step', at), onKey };
}

/** What is typed in the cell one is in, and what becomes of it. */
function useTyping(
  editing: FigureEditing,
  library: Library,
  place: SheetPlace,
  goTo: (place: SheetPlace) => void,
) {
  const { figure } = editing.reading;
  const [typing, setTyping] = useState<{ readonly kind: CellLineKind; readonly text: string }>();
  const [fault, setFault] = useState<string>();
  const line = typing && cellLine(typing.kind, figure, place, library);
  const close = () => {
    setTyping(undefined);
    setFault(undefined);
  };
  const begin = (kind: CellLineKind, at: SheetPlace, text?: string) => {
    if (!editing.mayWrite) return;
    goTo(at);
    setFault(undefined);
    setTyping({ kind, text: text ?? cellLine(kind, figure, at, library).stands });
  };
  /** Takes it over where it can be read; else says why not. */
  const take = (text: string): { readonly cells: number } | { readonly fault: string } => {
    const read = line?.read(text, figure);
    if (!line || !read?.ok) return { fault: read?.ok === false ? read.fault : '' };
    const { cells } = read.value;
    close();
    if (text.trim() === '') return { cells: 0 };
    editing.change(line.what, (_, now) => {
      const again = line.read(text, now);
      return again.ok ? again.value.pattern : now.pattern;
    });
    return { cells };
  };
  const commit = (text: string) => {
    const taken = take(text);
    if ('fault' in taken) setFault(taken.fault);
    else goTo({ ...place, step: place.step + taken.cells });
  };
  const leave = (text: string, by?: -1 | 1) => {
    if (!line) return;
    const isUntouched = text === line.stands || text.trim() === '';
    const taken = isUntouched ? { cells: 1 } : take(text);
    if ('fault' in taken && line.keepsFaults)
      editing.change(line.what, (_, now) => putSteps(now, place.role, place.step, [text.trim()]));
    close();
    if (by === undefined) return;
    const cells = 'fault' in taken ? 1 : Math.max(1, taken.cells);
    goTo({ ...place, step: Math.max(0, place.step + (by > 0 ? cells : -1)) });
  };
  return { opened: typing && line && { ...typing, line }, fault, begin, commit, leave, close };
}

/** The keys that change the step one is on. */
function changingKeys(
  editing: FigureEditing,
  place: SheetPlace,
  move: (by: number) => void,
): Readonly<Record<string, () => void>> {
  const { figure } = editing.reading;
  const remove = (step: number) => editing.change('Steps', (_, now) => removeStep(now, place.role, step));
  const mend = () => {
    const mendable = (issue: FigureIssue) => findMend(figure, issue) !== undefined;
    // What is wrong here first, then what is wrong with the figure.
    const issues = editing.issuesNow();
    const found = issues.find(issue => isAt(issue.path, place) && mendable(issue)) ?? issues.find(mendable);
    const mended = found && findMend(figure, found);
    if (mended) editing.change('Mended', (now, read) => findMend(read, found)?.pattern ?? now);
  };
  /** The follower's step that keeps the hold, or both rocking back; from the leader's row the whole part. */
  const keep = () =>
    editing.change('Step that keeps the hold', (_, now) => {
      if (place.role === 'lead') return makePartNatural(now, KEEP);
      return rocksApart(now).includes(place.step) ? rockTogether(now) : makeStepKeep(now, place.step);
    });
  return {
    Delete: () => remove(place.step),
    Backspace: () => {
      // At the end, where nothing is written yet, the step before.
      const isEmpty = place.step >= writtenSteps(figure, place.role).length;
      remove(isEmpty ? place.step - 1 : place.step);
      if (isEmpty) move(-1);
    },
    '.': mend,
    '=': () => editing.change('Natural step', (_, now) => makeStepNatural(now, place.step)),
    ...(rolesOf(figure.dance).length > 1 && { ',': keep }),
  };
}

/** How many cells the row of a role has. */
function cellsOf({ parts }: Figure, role: Role): number {
  const part = parts.find(one => one.role === role);
  const events = part?.rhythm.events.filter(({ rest }) => !rest).length ?? 0;
  return Math.max(1, events, part?.steps.length ?? 0);
}

/** True when an issue speaks of this step, or of the whole part while one is at its end. */
export function isAt(path: readonly (string | number)[], { role, step }: SheetPlace): boolean {
  return path[0] === 'parts' && path[1] === role && (path[2] === undefined || path[2] === step);
}
