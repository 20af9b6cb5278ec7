import {
  findMend,
  freeFootBefore,
  makeStepKeep,
  makeStepNatural,
  printStep,
  putSteps,
  type Role,
  readTypedSteps,
  removeStep,
  rolesOf,
  writtenSteps,
} from '@map-step/core';
import { type KeyboardEvent, useState } from 'react';
import type { SheetPlace } from '../figure/sheet-place.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';

export interface SheetCursor {
  readonly place: SheetPlace;
  /** What stood in the cell when it was opened; undefined while none is open. */
  readonly opened: string | undefined;
  readonly fault: string | undefined;
  goTo(place: SheetPlace): void;
  open(place: SheetPlace, text?: string): void;
  /** Takes over what was typed, or a suggestion, and goes on to the next cell; says whether it could be read. */
  commit(text: string): boolean;
  close(): void;
  onKey(event: KeyboardEvent): void;
}

/** Where one is on the step sheet, and what the keys do there. */
export function useSheetCursor(editing: FigureEditing, note: (place: SheetPlace) => void): SheetCursor {
  const { figure } = editing.reading;
  const roles = rolesOf(figure.dance);
  const [place, goTo] = useState<SheetPlace>({ role: roles[0] ?? 'lead', step: 0 });
  const [opened, setOpened] = useState<string>();
  const [fault, setFault] = useState<string>();
  const count = (role: Role) => writtenSteps(figure, role).length;
  const close = () => {
    setOpened(undefined);
    setFault(undefined);
  };
  const open: SheetCursor['open'] = (at, text) => {
    if (!editing.mayWrite) return;
    goTo(at);
    setFault(undefined);
    setOpened(text ?? writtenSteps(figure, at.role)[at.step] ?? '');
  };
  const commit = (text: string) => {
    const free = freeFootBefore(figure, place.role, place.step);
    const steps = readTypedSteps(text, { dance: figure.dance, free });
    if (!steps.ok) {
      setFault(steps.fault);
      return false;
    }
    close();
    if (steps.value.length === 0) return true;
    editing.change('Steps', (_, now) => putSteps(now, place.role, place.step, steps.value.map(printStep)));
    goTo({ role: place.role, step: place.step + steps.value.length });
    return true;
  };
  const move = (by: number) => {
    const last = count(place.role);
    goTo({ ...place, step: Math.min(last, Math.max(0, place.step + by)) });
  };
  const moveRole = (by: number) => {
    const role = roles[roles.indexOf(place.role) + by];
    if (role) goTo({ role, step: Math.min(place.step, count(role)) });
  };
  const mend = () => {
    const found = editing.issues.find(issue => isAt(issue.path, place) && findMend(figure, issue));
    const mended = found && findMend(figure, found);
    if (mended) editing.change('Mended', (now, read) => findMend(read, found)?.pattern ?? now);
  };
  const keys: Readonly<Record<string, () => void>> = {
    ArrowLeft: () => move(-1),
    ArrowRight: () => move(1),
    ArrowUp: () => moveRole(-1),
    ArrowDown: () => moveRole(1),
    Home: () => goTo({ ...place, step: 0 }),
    End: () => goTo({ ...place, step: count(place.role) }),
    Enter: () => open(place),
    F2: () => open(place),
    ...(editing.mayWrite && {
      Delete: () => editing.change('Steps', (_, now) => removeStep(now, place.role, place.step)),
      Backspace: () => {
        // At the end, where nothing is written yet, the step before.
        const isEmpty = place.step >= count(place.role);
        const step = isEmpty ? place.step - 1 : place.step;
        editing.change('Steps', (_, now) => removeStep(now, place.role, step));
        if (isEmpty) move(-1);
      },
      '.': mend,
      '=': () => editing.change('Natural step', (_, now) => makeStepNatural(now, place.step)),
      ...(place.role === 'follow' && {
        ',': () => editing.change('Step that keeps the hold', (_, now) => makeStepKeep(now, place.step)),
      }),
      '#': () => note(place),
    }),
  };
  const onKey = (event: KeyboardEvent) => {
    if (opened !== undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    const action = keys[event.key];
    const begins = /^[a-z+-]$/i.test(event.key) && editing.mayWrite;
    if (!action && !begins) return;
    event.preventDefault();
    if (action) action();
    else open(place, event.key);
  };
  return { place, opened, fault, goTo, open, commit, close, onKey };
}

/** True when an issue speaks of this step, or of the whole part while one is at its end. */
export function isAt(path: readonly (string | number)[], { role, step }: SheetPlace): boolean {
  return path[0] === 'parts' && path[1] === role && (path[2] === undefined || path[2] === step);
}
