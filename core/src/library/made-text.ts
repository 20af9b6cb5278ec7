// Pieces as a teacher writes them: `Basic ×3, 3–6 of Wrap, other side of Vine, Basic ×2 last Ending`.
import type { Dance, MadePiece } from '../model/document.ts';
import { failure, type Result, success } from '../model/result.ts';
import type { Figure } from '../steps/figure.ts';
import { findFigureByName, QUOTED, writtenName } from './figure-names.ts';
import { isOffered, type Library } from './library.ts';
import type { MadeFault } from './made.ts';

const SIDES: readonly (readonly [words: RegExp, side: NonNullable<MadePiece['side']>, written: string])[] = [
  [/^(?:the )?other side of\s+/i, 'other', 'other side of '],
  [/^mirrored\s+/i, 'mirrored', 'mirrored '],
];
const TIMES = /\s*[×x*]\s*(\d{1,2})$|\s+(\d{1,2})\s+times$/i;
const COUNTS = /^(\S+?)\s*[-–]\s*(\S+)\s+of\s+/i;
const LAST = /\s+last\s+(.+)$/i;

/** Reads pieces; a figure is named by its name, another of its names, its id, or how one of these begins. */
export function readMadeText(
  text: string,
  library: Library,
  dance: Dance,
): Result<readonly MadePiece[], readonly MadeFault[]> {
  const faults: MadeFault[] = [];
  const pieces = splitPieces(text).flatMap((words, piece) => {
    const read = readPiece(words, library, dance);
    if (read.ok) return [read.value];
    const joined = readJoined(words, library, dance);
    if (!joined) faults.push({ piece, message: read.fault });
    return joined ?? [];
  });
  if (faults.length > 0) return failure(faults);
  return pieces.length > 0 ? success(pieces) : failure([{ piece: 0, message: 'write at least one figure' }]);
}

const MOST_SUGGESTED = 6;

/** The lines that a beginning can become: its last figure by every name of the house that begins so. */
export function suggestMade(typed: string, { patterns }: Library, dance: Dance): readonly string[] {
  const [before = ''] = BEFORE_NAME.exec(typed) ?? [];
  const begun = typed.slice(before.length).toLowerCase();
  if (begun === '') return [];
  return [...patterns.values()]
    .filter(one => one.dance === dance.id && isOffered(one) && one.name.toLowerCase().startsWith(begun))
    .filter(({ name }) => name.toLowerCase() !== begun)
    .slice(0, MOST_SUGGESTED)
    .map(({ id }) => `${before}${writtenName(id, { patterns })}`);
}

/** All that stands before the name that is being typed. */
const BEFORE_NAME =
  /^(?:.*[,;+]\s*)?(?:(?:the )?other side of\s+|mirrored\s+)?(?:\S+?\s*[-–]\s*\S+\s+of\s+|.*\slast\s+)?/i;

/** Writes pieces so that they read back equal: a name with signs in it in quotes, the second of two that are called alike by its id. */
export function printMadeText(made: readonly MadePiece[], library: Library): string {
  const nameOf = (id: string) => writtenName(id, library);
  return made
    .map(({ pattern, times = 1, from, to, side, last }) => {
      const events = library.readings.get(pattern)?.figure.parts[0]?.rhythm.events ?? [];
      const counts =
        from === undefined && to === undefined
          ? ''
          : `${labelAt(events, from ?? 0)}–${labelAt(events, to ?? events.length - 1)} of `;
      const before = SIDES.find(([, name]) => name === side)?.[2] ?? '';
      return `${before}${counts}${nameOf(pattern)}${times > 1 ? ` ×${times}` : ''}${last === undefined ? '' : ` last ${nameOf(last)}`}`;
    })
    .join(', ');
}

/** Between commas and what else parts them, those within quotes apart. */
const PIECE = new RegExp(`(?:${QUOTED.source}|[^,;+])+`, 'g');

function splitPieces(text: string): readonly string[] {
  return (text.match(PIECE) ?? []).flatMap(piece => piece.trim() || []);
}

/** `Wrap and Vine`, where no figure is called so. */
function readJoined(words: string, library: Library, dance: Dance): readonly MadePiece[] | undefined {
  const read = words.split(/ and /i).map(part => readPiece(part.trim(), library, dance));
  const pieces = read.flatMap(one => (one.ok ? [one.value] : []));
  return read.length > 1 && pieces.length === read.length ? pieces : undefined;
}

/** One count of a figure, or so many of it. */
const SINGLE = /^(\d[\d.]*) of (.+)$/i;

function readPiece(words: string, library: Library, dance: Dance): Result<MadePiece, string> {
  const quoted: string[] = [];
  // What is quoted is a name, whatever signs stand in it.
  let rest = words.replace(new RegExp(QUOTED, 'g'), name => `"${quoted.push(name.slice(1, -1)) - 1}"`);
  const unquoted = (name: string) =>
    name.replace(/"(\d+)"/g, (_, index: string) => quoted[Number(index)] ?? '');
  const take = (pattern: RegExp) => {
    const found = pattern.exec(rest);
    if (found) rest = rest.replace(pattern, '').trim();
    return found;
  };
  const side = SIDES.find(([pattern]) => take(pattern))?.[1];
  const ending = take(LAST)?.[1];
  const times = take(TIMES);
  const counts = take(COUNTS);
  const single = SINGLE.exec(rest);
  if (single) {
    const [, count = '', name = ''] = single;
    return failure(
      `“${words}” can mean two things: write ${unquoted(name)} ×${count}, or ${count}–${count} of ${unquoted(name)}`,
    );
  }
  const figure = findFigureByName(unquoted(rest), library, dance);
  if (!figure.ok) return figure;
  const last = ending === undefined ? undefined : findFigureByName(unquoted(ending), library, dance);
  if (last && !last.ok) return last;
  const range = counts ? readCounts(counts[1] ?? '', counts[2] ?? '', figure.value) : undefined;
  if (range && !range.ok) return range;
  const often = Number(times?.[1] ?? times?.[2] ?? 1);
  if (last && often === 1)
    return failure(`“${words}”: only the last of several is another one; write ×2 or more before “last”`);
  if (often < 1) return failure(`“${words}”: a piece is danced at least once`);
  return success({
    pattern: figure.value.pattern.id,
    ...(often > 1 && { times: often }),
    ...range?.value,
    ...(side && { side }),
    ...(last?.ok && { last: last.value.pattern.id }),
  });
}

type Events = Figure['parts'][number]['rhythm']['events'];

/** The events from one count to another, both in it; a count that comes twice is told apart by its place: `3.2`. */
function readCounts(
  from: string,
  to: string,
  { parts, pattern }: Figure,
): Result<Pick<MadePiece, 'from' | 'to'>, string> {
  const events = parts[0]?.rhythm.events ?? [];
  const begin = eventAt(events, from);
  const end = begin === undefined ? undefined : eventAt(events, to, begin);
  if (begin !== undefined && end === undefined && eventAt(events, to) !== undefined)
    return failure(`${from}–${to} of ${pattern.name} runs backwards; write ${to}–${from}`);
  if (begin === undefined || end === undefined)
    return failure(
      `${pattern.name} is counted ${events.map((_, index) => labelAt(events, index)).join(' ')}: there is no ${begin === undefined ? from : to}`,
    );
  return success({ from: begin, to: end });
}

function eventAt(events: Events, label: string, after = 0): number | undefined {
  const labels = events.map((_, index) => labelAt(events, index));
  const exact = labels.indexOf(label);
  if (exact >= after) return exact;
  const plain = events.findIndex((event, index) => index >= after && event.label === label);
  return plain < 0 ? undefined : plain;
}

/** `3`, or `3.2` where it is the second 3 of the figure. */
function labelAt(events: Events, index: number): string {
  const label = events[index]?.label ?? '';
  const before = events.slice(0, index).filter(event => event.label === label).length;
  return before === 0 ? label : `${label}.${before + 1}`;
}
