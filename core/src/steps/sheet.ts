// Where everything of a step sheet lies: columns from the onsets of all roles, and steps across them.
import type { Role } from '../model/document.ts';
import { TICKS_PER_BEAT, type Ticks, ticks } from '../model/units.ts';
import { slowQuickCall, timedSteps } from '../timing/calls.ts';
import { countLabel } from '../timing/renderings.ts';
import { countOf } from './counts.ts';
import { countTerms, danceBeats, type Figure, type FigurePart } from './figure.ts';

/** One moment of the figure, as wide as the time until the next. */
export interface SheetColumn {
  /** Ticks after count 1; null without timing. */
  readonly onset: Ticks | null;
  /** Beats that it lasts; 1 without timing. */
  readonly width: number;
  readonly label: string;
  readonly edge: 'phrase' | 'bar' | 'none';
  /** Index of the first role's event that begins here, rests counted. */
  readonly event: number | null;
}

/** What a role does from one column up to another. */
export interface SheetCell {
  readonly from: number;
  readonly to: number;
  /** Index of the step in its part; null for a rest. */
  readonly step: number | null;
  readonly event: number;
  /** How it is called in slows and quicks; empty where it is neither. */
  readonly call: string;
}

export interface SheetLayout {
  readonly columns: readonly SheetColumn[];
  readonly cells: ReadonlyMap<Role, readonly SheetCell[]>;
}

interface CallTerms {
  readonly slow: Ticks;
  readonly quick: Ticks;
}

/** The layout of a figure's step sheet; without timing each step has a column of one beat. */
export function sheetLayout(figure: Figure): SheetLayout {
  const terms = { slow: danceBeats(figure.dance, 'slow'), quick: danceBeats(figure.dance, 'quick') };
  const columns = sheetColumns(figure);
  const cells = new Map(figure.parts.map(part => [part.role, roleCells(part, columns, terms)]));
  return { columns, cells };
}

function sheetColumns(figure: Figure): readonly SheetColumn[] {
  const { parts, dance, pattern } = figure;
  const rhythm = parts[0]?.rhythm;
  const first = rhythm?.events ?? [];
  if (parts[0]?.rhythm.beats === null || first.length === 0)
    return first.map(({ label }, event) => ({ onset: null, width: 1, label, edge: 'none', event }));
  const onsets = new Set(parts.flatMap(({ rhythm }) => rhythm.events.map(({ onset }) => onset ?? 0)));
  const sorted = [...onsets].sort((a, b) => a - b);
  const end = (sorted[0] ?? 0) + (parts[0]?.rhythm.beats ?? 0);
  const terms = countTerms(pattern, dance);
  return sorted.map((onset, index) => {
    const event = first.findIndex(entry => entry.onset === onset);
    return {
      onset: ticks(onset),
      width: Math.max(0, ((sorted[index + 1] ?? end) - onset) / TICKS_PER_BEAT),
      label: rhythm && event >= 0 ? countOf(figure, rhythm, event) : (countLabel(ticks(onset), terms) ?? '·'),
      edge: edgeAt(onset, dance.beatsPerBar, dance.phrase),
      event: event < 0 ? null : event,
    };
  });
}

function edgeAt(onset: number, beatsPerBar: number, phrase: number): SheetColumn['edge'] {
  const isAt = (beats: number) => onset % (beats * TICKS_PER_BEAT) === 0;
  return isAt(phrase) ? 'phrase' : isAt(beatsPerBar) ? 'bar' : 'none';
}

function roleCells(
  { rhythm }: FigurePart,
  columns: readonly SheetColumn[],
  { slow, quick }: CallTerms,
): readonly SheetCell[] {
  const steps = timedSteps(rhythm);
  const calls = slowQuickCall(rhythm, slow, quick);
  const columnOf = (event: number) => {
    const onset = rhythm.events[event]?.onset ?? null;
    return onset === null ? event : columns.findIndex(column => column.onset === onset);
  };
  return rhythm.events.map(({ rest }, event) => {
    const step = rest ? -1 : steps.findIndex(timed => timed.event === event);
    const next = event + 1 < rhythm.events.length ? columnOf(event + 1) : columns.length;
    return { from: columnOf(event), to: next, step: step < 0 ? null : step, event, call: calls[step] ?? '' };
  });
}
