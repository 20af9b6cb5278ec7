import {
  compareFigures,
  describeCouple,
  type Figure,
  figureClosure,
  figureLinks,
  figureRoute,
  findDanceRoutes,
  findJoins,
  findJoinsOf,
  type Library,
  openLibrary,
  printBeats,
} from '@map-step/core';
import { readSoundStudio } from './files.ts';
import { type Arguments, takeWords, UsageError } from './usage.ts';

export function closure(args: Arguments) {
  const [file = '', id = ''] = takeWords(args, 'FILE', 'PATTERN');
  const { beats, ...repeats } = figureClosure(openFigures(file, id).get(id));
  return { ...repeats, beats: beats === null ? null : printBeats(beats) };
}

export function links(args: Arguments) {
  const [file = '', id = ''] = takeWords(args, 'FILE', 'PATTERN');
  const { library, get } = openFigures(file, id);
  return figureLinks(library, get(id));
}

export function couple(args: Arguments) {
  const [file = '', id = ''] = takeWords(args, 'FILE', 'PATTERN');
  return describeCouple(openFigures(file, id).get(id));
}

/** What fails between the figures of a file, or only where the second of two follows the first. */
export function joins(args: Arguments) {
  const { length } = args.words;
  if (length !== 1 && length !== 3) throw new UsageError(`expected FILE [A B], got ${length} word(s)`);
  const [file = '', first, second] = args.words;
  const isPair = first !== undefined && second !== undefined;
  const { library } = openFigures(file, ...(isPair ? [first, second] : []));
  const found = isPair ? findJoinsOf(library, first, second) : findJoins(library);
  const order = [...library.patterns.keys()];
  return {
    joins: found.map(({ figure, step, first: a, second: b, times, code, metres, message }) => ({
      ...{ first: a, second: b, ...(times !== undefined && { times }), code },
      ...{ at: `/patterns/${order.indexOf(figure)}/parts/follow/${step}`, metres, message },
    })),
  };
}

export function routes(args: Arguments) {
  const [file = '', id = ''] = takeWords(args, 'FILE', 'PATTERN');
  const { library, get } = openFigures(file, id);
  const figure = get(id);
  const found = findDanceRoutes(library).get(figure.dance.id);
  return found ? figureRoute(figure, found) : { in: null, out: null };
}

export function compare(args: Arguments) {
  const [file = '', a = '', b = ''] = takeWords(args, 'FILE', 'A', 'B');
  const { get } = openFigures(file, a, b);
  return compareFigures(get(a), get(b));
}

/** A studio in which these figures are sound; one that is missing or has errors is refused. */
export function openFigures(
  file: string,
  ...ids: readonly string[]
): { library: Library; get(id: string): Figure } {
  const library = openLibrary(readSoundStudio(file, new Set(ids)));
  const get = (id: string): Figure => {
    const reading = library.readings.get(id);
    if (!reading) throw new UsageError(`${file}: /patterns: there is no pattern "${id}"`);
    return reading.figure;
  };
  for (const id of ids) get(id);
  return { library, get };
}
