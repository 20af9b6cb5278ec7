import { type Figure, slowQuickCall, TICKS_PER_BEAT, type Ticks, timedSteps } from '@map-step/core';

/** A column of the step sheet: one event, as wide as the time it lasts. */
export interface SheetColumn {
  readonly event: number;
  readonly label: string;
  readonly isRest: boolean;
  /** Parts of a grid; a quarter beat is 1. */
  readonly width: number;
  /** How it is called in slows and quicks; empty where it is neither. */
  readonly call: string;
}

const QUARTER_BEAT = TICKS_PER_BEAT / 4;

/** The columns of a figure, from the rhythm of its first part. */
export function sheetColumns(figure: Figure, slow: Ticks, quick: Ticks): readonly SheetColumn[] {
  const rhythm = figure.parts[0]?.rhythm;
  if (!rhythm) return [];
  const calls = slowQuickCall(rhythm, slow, quick);
  const callOfEvent = new Map(timedSteps(rhythm).map(({ event }, index) => [event, calls[index] ?? '']));
  return rhythm.events.map(({ label, rest, length }, event) => ({
    event,
    label,
    isRest: rest,
    width: length === null ? 4 : Math.max(1, length / QUARTER_BEAT),
    call: callOfEvent.get(event) ?? '',
  }));
}
