// The holds of a figure that is made of pieces.
import { dequal } from 'dequal/lite';
import type { HoldAt, Pattern } from '../model/document.ts';
import { failure, type Result, success } from '../model/result.ts';
import type { Figure } from '../steps/figure.ts';
import { entryHolds, exitHolds, findHold } from '../steps/holds.ts';

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

/** A way through the stretches from one hold. */
interface HoldWay {
  readonly entry: string;
  readonly changes: readonly HoldAt[];
  readonly exits: readonly string[];
}

/**
 * Entry, changes and exit: each stretch goes on in the hold in which the one before it ends. Entries from which another
 * way would be danced than from the first are left out. A fault names the stretch that cannot go on.
 */
export function holdsOf(
  stretches: readonly Stretch[],
): Result<
  Pick<Pattern, 'entry' | 'exit' | 'holds'>,
  { readonly stretch: Stretch; readonly message: string }
> {
  const [begin] = stretches;
  const entries = begin ? holdsBefore(begin) : [];
  const [first, ...others] = entries.map(entry => wayFrom(entry, stretches));
  if (!first) return success({});
  if (!first.ok) return first;
  const { changes, exits } = first.value;
  const stays = stretches.every(({ figure }) => (figure.pattern.exit ?? 'same') === 'same');
  const isSame = changes.length === 0 && stays;
  const alike = others.flatMap(way =>
    way.ok && dequal(way.value.changes, changes) && (isSame || dequal(way.value.exits, exits))
      ? [way.value.entry]
      : [],
  );
  const [only] = exits;
  return success({
    entry: [first.value.entry, ...alike],
    exit: isSame ? 'same' : exits.length === 1 && only !== undefined ? only : exits,
    ...(changes.length > 0 && { holds: changes }),
  });
}

function wayFrom(
  entry: string,
  stretches: readonly Stretch[],
): Result<HoldWay, { readonly stretch: Stretch; readonly message: string }> {
  const changes: HoldAt[] = [];
  let hold = entry;
  let offset = 0;
  const change = (event: number, next: string) => {
    if (next !== hold) changes.push({ event, hold: next });
    hold = next;
  };
  for (const [index, stretch] of stretches.entries()) {
    const { figure, from, to } = stretch;
    for (const { event, hold: next } of figure.pattern.holds ?? [])
      if (event >= from && event < to) change(event - from + offset, next);
    offset += to - from + 1;
    const after = holdsAfter(stretch, hold);
    const next = stretches[index + 1];
    if (!next) return success({ entry, changes, exits: after });
    const wanted = after.find(id => holdsBefore(next).includes(id));
    if (wanted === undefined) return failure({ stretch: next, message: cannotGoOn(stretch, next, after) });
    change(offset - 1, wanted);
  }
  return success({ entry, changes, exits: [hold] });
}

function cannotGoOn(before: Stretch, next: Stretch, after: readonly string[]): string {
  const { dance } = next.figure;
  const names = (ids: readonly string[]) => OR.format(ids.map(id => findHold(dance, id)?.name ?? id));
  return `${next.figure.pattern.name} begins in ${names(holdsBefore(next))}, and ${before.figure.pattern.name} before it ends in ${names(after)}`;
}

const OR = new Intl.ListFormat('en', { type: 'disjunction' });

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
