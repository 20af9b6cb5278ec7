// Where a figure that is made of pieces comes from, and whether it still is what they make.

import { dequal } from 'dequal/lite';
import { readFigure } from '../couple/read-figure.ts';
import type { Pattern } from '../model/document.ts';
import { type Figure, figureTurn } from '../steps/figure.ts';
import { allExitHolds } from '../steps/holds.ts';
import type { SheetLayout } from '../steps/sheet.ts';
import { printStep } from '../steps/step.ts';
import { circleThrough } from './check-needs.ts';
import type { Library } from './library.ts';
import { type MadeFields, madeStretches, writeMade } from './made.ts';
import { eventsOf } from './made-holds.ts';

/** A stretch of a figure's events that comes from a piece. */
export interface MadeSpan {
  readonly pattern: string;
  /** How it is danced there: `Wrap`, `Wrap, other side`. */
  readonly words: string;
  readonly from: number;
  /** The event after the last. */
  readonly to: number;
}

const FORMS = { plain: '', other: ', other side', mirrored: ', mirrored' } as const;

/** The stretches of a figure by the pieces that it is made of; none where it is not, or they cannot be danced. */
export function madeSpans({ pattern, dance }: Figure, library: Library): readonly MadeSpan[] {
  if (!pattern.made) return [];
  const stretches = madeStretches(pattern.made, dance, id => library.readings.get(id)?.figure);
  if (!stretches.ok) return [];
  let from = 0;
  return stretches.value.map(({ figure, form, ...events }): MadeSpan => {
    const isPart = events.to - events.from + 1 < eventsOf(figure);
    const span = {
      pattern: figure.pattern.id,
      words: `${isPart ? 'part of ' : ''}${figure.pattern.name}${FORMS[form]}`,
      from,
      to: from + events.to - events.from + 1,
    };
    from = span.to;
    return span;
  });
}

/** A stretch of a sheet's columns that is read as one: a piece as often as it follows itself. */
export interface SheetFold {
  /** `Wrap`, `Basic ×3`. */
  readonly words: string;
  readonly from: number;
  /** The column after the last. */
  readonly to: number;
}

/** The pieces of a made figure as stretches of its sheet; none where it is not made of any. */
export function madeFolds(figure: Figure, library: Library, { columns }: SheetLayout): readonly SheetFold[] {
  const runs: { words: string; times: number; from: number }[] = [];
  for (const { words, from } of madeSpans(figure, library)) {
    const last = runs.at(-1);
    if (last?.words === words) last.times += 1;
    else runs.push({ words, times: 1, from: columns.findIndex(({ event }) => event === from) });
  }
  return runs.map(({ words, times, from }, index) => ({
    words: times === 1 ? words : `${words} ×${times}`,
    from,
    to: runs[index + 1]?.from ?? columns.length,
  }));
}

/** What the pieces of a figure make of it now, where that is not what it is; undefined where it is, or cannot be made. */
export function madeAnew({ pattern, dance }: Figure, library: Library): MadeFields | undefined {
  // What is made of itself would grow each time.
  if (!pattern.made || circleThrough(pattern, library.patterns, 'made-cycle')) return undefined;
  const fields = writeMade(pattern.made, dance, id => library.readings.get(id)?.figure);
  if (!fields.ok) return undefined;
  const danced = (of: Pattern) => dancedAs(readFigure(of, dance).figure);
  return dequal(danced(pattern), danced({ ...pattern, ...fields.value })) ? undefined : fields.value;
}

/** What is danced, however it is written. */
function dancedAs(figure: Figure) {
  const { pattern, parts } = figure;
  return {
    parts: parts.map(({ role, rhythm, steps }) => ({
      role,
      events: rhythm.events.map(({ onset, rest }) => [onset, rest]),
      steps: steps.map(({ step }) => step && printStep(step)),
    })),
    beats: figure.beats,
    entry: pattern.entry,
    exits: allExitHolds(pattern),
    holds: pattern.holds,
    turn: figureTurn(figure),
  };
}

/** The figures that are made of one, in the order of the library. */
export function madeOf(library: Library, id: string): readonly Figure[] {
  return [...library.readings.values()].flatMap(({ figure }) =>
    figure.pattern.made?.some(piece => piece.pattern === id || piece.last === id) ? [figure] : [],
  );
}
