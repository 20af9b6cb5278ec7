// Finding figures by any of their names and by what they are; an index of their names is made once.
import type { Pattern, PatternKind } from '../model/document.ts';
import type { Library } from './library.ts';

/** What is looked for; what is left out does not matter. */
export interface FigureWish {
  /** Words that all stand somewhere in the house's name, the other names or their schools. */
  readonly words?: string;
  readonly dance?: string;
  readonly kinds?: readonly PatternKind[];
  readonly level?: string;
  /** A hold that it starts in, changes to or ends in. */
  readonly hold?: string;
  readonly caution?: string;
  readonly hasFaults?: boolean;
}

export interface FigureIndex {
  readonly entries: readonly {
    readonly pattern: Pattern;
    readonly names: string;
    readonly hasFaults: boolean;
  }[];
}

/** The index of these figures, in their order. */
export function indexFigures(library: Library, patterns: readonly Pattern[]): FigureIndex {
  return {
    entries: patterns.map(pattern => ({
      pattern,
      names: plain(
        [pattern.name, ...(pattern.aliases ?? []).flatMap(({ name, school }) => [name, school])].join(' '),
      ),
      hasFaults: (library.readings.get(pattern.id)?.faults.length ?? 0) > 0,
    })),
  };
}

/** The figures that are as wished, in the order of the index. Linear in its figures. */
export function findFigures({ entries }: FigureIndex, wish: FigureWish): readonly Pattern[] {
  const words = plain(wish.words ?? '')
    .split(/\s+/)
    .filter(Boolean);
  return entries
    .filter(
      ({ pattern, names, hasFaults }) =>
        words.every(word => names.includes(word)) &&
        (wish.dance === undefined || pattern.dance === wish.dance) &&
        (wish.kinds === undefined || wish.kinds.includes(pattern.kind)) &&
        (wish.level === undefined || pattern.level === wish.level) &&
        (wish.hold === undefined || holdsOf(pattern).includes(wish.hold)) &&
        (wish.caution === undefined || cautionCodes(pattern).includes(wish.caution)) &&
        (wish.hasFaults === undefined || wish.hasFaults === hasFaults),
    )
    .map(({ pattern }) => pattern);
}

function holdsOf({ entry = [], exit, holds = [] }: Pattern): readonly string[] {
  const exits = exit === undefined || exit === 'same' ? [] : typeof exit === 'string' ? [exit] : exit;
  return [...entry, ...exits, ...holds.map(({ hold }) => hold)];
}

function cautionCodes({ marks = [] }: Pattern): readonly string[] {
  return marks.flatMap(({ kind, code }) => (kind === 'caution' && code ? [code] : []));
}

/** Small letters without accents. */
function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
}
