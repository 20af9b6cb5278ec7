// The holds of a figure that is made of pieces.
import type { HoldAt, Pattern } from '../model/document.ts';
import type { Figure } from '../steps/figure.ts';
import { entryHolds, exitHolds } from '../steps/holds.ts';

/** A run of events of a figure, in one of its forms. */
export interface Stretch {
  readonly figure: Figure;
  /** Events, both of them in it. */
  readonly from: number;
  readonly to: number;
  readonly form: 'plain' | 'other' | 'mirrored';
  /** Index of the piece that it comes from. */
  readonly piece: number;
}

/** How many events a figure has, rests counted. */
export function eventsOf({ parts }: Figure): number {
  return parts[0]?.rhythm.events.length ?? 0;
}

/** Entry, changes and exit: each stretch goes on in the hold in which the one before it ends, where that can be. */
export function holdsOf(stretches: readonly Stretch[]): Pick<Pattern, 'entry' | 'exit' | 'holds'> {
  const [first] = stretches;
  const entries = first ? holdsBefore(first) : [];
  if (entries.length === 0) return {};
  const changes: HoldAt[] = [];
  let hold = entries[0] ?? '';
  let offset = 0;
  let changed = false;
  for (const [index, stretch] of stretches.entries()) {
    const { figure, from, to } = stretch;
    const within = (figure.pattern.holds ?? []).filter(({ event }) => event >= from && event < to);
    for (const { event, hold: next } of within) {
      changes.push({ event: event - from + offset, hold: next });
      hold = next;
      changed = true;
    }
    offset += to - from + 1;
    const next = stretches[index + 1];
    const after = holdsAfter(stretch, hold);
    const wanted = next ? after.find(id => holdsBefore(next).includes(id)) : undefined;
    const ends = wanted ?? after[0] ?? hold;
    if (!next)
      return {
        entry: entries,
        ...endsIn(after, changed, hold),
        ...(changes.length > 0 && { holds: changes }),
      };
    if (ends !== hold) {
      changes.push({ event: offset - 1, hold: ends });
      changed = true;
    }
    hold = ends;
  }
  return {};
}

function endsIn(after: readonly string[], changed: boolean, hold: string): Pick<Pattern, 'exit'> {
  const [only] = after;
  if (!changed && after.length === 1 && only === hold) return { exit: 'same' };
  return { exit: after.length === 1 && only !== undefined ? only : after };
}

function holdsBefore({ figure: { pattern }, from }: Stretch): readonly string[] {
  if (from === 0) return entryHolds(pattern);
  const before = (pattern.holds ?? []).filter(({ event }) => event < from).at(-1);
  return before ? [before.hold] : entryHolds(pattern);
}

function holdsAfter({ figure, to }: Stretch, hold: string): readonly string[] {
  const { pattern } = figure;
  const isEnd = to === eventsOf(figure) - 1;
  if (isEnd) {
    const exit = pattern.exit ?? 'same';
    return exit === 'same' ? [hold] : exitHolds(pattern, hold);
  }
  const at = (pattern.holds ?? []).find(({ event }) => event === to);
  return [at?.hold ?? hold];
}
