// A figure cut in two where it may be: its head and its tail are danced as figures of their own, under ids that say so.
import { readFigure } from '../couple/read-figure.ts';
import type { Pattern } from '../model/document.ts';
import { labelOf } from '../steps/counts.ts';
import { figureCuts } from '../steps/cuts.ts';
import type { Figure, FigureReading } from '../steps/figure.ts';
import { writeMade } from './made.ts';
import { eventsOf } from './made-holds.ts';

/** Stands in no other id. */
export const HALF_SIGN = ':';
const HALF = /^(.+):(head|tail)-(\d+)$/;

/** The figure that an id names: of a half the whole. */
export function wholeOf(id: string): string {
  return HALF.exec(id)?.[1] ?? id;
}

/** The ids of the halves of a figure, cut by cut: `wrap:head-4`, up to event 4 and without it, and `wrap:tail-4`. */
export function halvesOf(figure: Figure): readonly string[] {
  return figureCuts(figure).flatMap(({ event }) =>
    (['head', 'tail'] as const).map(side => `${figure.pattern.id}:${side}-${event}`),
  );
}

/** A half read as a figure; undefined where there is no such cut, or a fault in the whole. Its marks are those of its events. */
export function readHalf(
  id: string,
  find: (whole: string) => FigureReading | undefined,
): FigureReading | undefined {
  const [, whole = '', side, at] = HALF.exec(id) ?? [];
  const reading = find(whole);
  if (!reading || reading.faults.length > 0) return undefined;
  const { figure } = reading;
  const event = Number(at);
  if (!figureCuts(figure).some(cut => cut.event === event)) return undefined;
  const [from, to] = side === 'head' ? [0, event - 1] : [event, eventsOf(figure) - 1];
  const fields = writeMade([{ pattern: whole, from, to }], figure.dance, () => figure);
  if (!fields.ok) return undefined;
  const half: Pattern = {
    ...ownOf(figure.pattern),
    ...{ id, name: nameOf(figure, side === 'head' ? 'to' : 'from', side === 'head' ? to : from) },
    ...fields.value,
    marks: marksWithin(figure.pattern, from, to),
  };
  return readFigure(half, figure.dance);
}

function ownOf({ dance, kind, level, cycle }: Pattern): Omit<Pattern, 'id' | 'name'> {
  return { dance, kind, ...(level !== undefined && { level }), ...(cycle !== undefined && { cycle }) };
}

function nameOf(figure: Figure, words: 'to' | 'from', event: number): string {
  const rhythm = figure.parts[0]?.rhythm;
  const label = rhythm ? labelOf(figure, rhythm, event) : '';
  // Slow and quick come more than once.
  return `${figure.pattern.name} ${words} ${/\d/.test(label) ? label : `step ${event + 1}`}`;
}

function marksWithin({ marks = [] }: Pattern, from: number, to: number): Pattern['marks'] & object {
  return marks.flatMap(mark => {
    if (mark.event === undefined) return [mark];
    return mark.event >= from && mark.event <= to ? [{ ...mark, event: mark.event - from }] : [];
  });
}
