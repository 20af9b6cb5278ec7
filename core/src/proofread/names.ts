import type { Library } from '../library/library.ts';
import type { Pattern } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { type Slip, slipAt } from './slip.ts';

/** Every name of the figures that a text may speak of, longest first. */
export interface Names {
  readonly all: readonly { readonly name: string; readonly pattern: Pattern }[];
}

export function namesOf({ patterns }: Pick<Library, 'patterns'>, dances: readonly string[]): Names {
  const all = [...patterns.values()]
    .filter(({ dance }) => dances.includes(dance))
    .flatMap(pattern =>
      [pattern.name, ...(pattern.aliases ?? []).map(({ name }) => name)].map(name => ({ name, pattern })),
    )
    // A sign of a name that would be markup is written with a stroke before it.
    .flatMap(({ name, pattern }) =>
      [...new Set([name, escapeMarkdown(name)])].map(said => ({ name: said, pattern })),
    );
  return { all: all.sort((a, b) => b.name.length - a.name.length) };
}

/** Small letters, hyphens and typographic quotes as plain ones; every letter stays at its place. */
export function plain(text: string): string {
  return text.replace(/[-–]/g, ' ').replace(/[’]/g, "'").toLowerCase();
}

/** The figures that a text names, each where it is named first; a longer name hides those within it. */
export function figuresIn(
  text: string,
  { all }: Names,
): readonly { readonly pattern: Pattern; readonly at: number }[] {
  return namedIn(text, all).found;
}

/** The figures that a text names, and the text in small letters without their names. */
function namedIn(text: string, all: Names['all']) {
  let rest = plain(text);
  const found = new Map<string, { pattern: Pattern; at: number }>();
  for (const { name, pattern } of all) {
    const word = plain(name);
    for (let at = rest.indexOf(word); at >= 0; at = rest.indexOf(word, at + 1)) {
      if (
        /[a-z]/.test(rest[at - 1] ?? ' ') ||
        /[a-z]/.test((rest[at + word.length] ?? ' ').replace('s', ' '))
      )
        continue;
      const before = found.get(pattern.id);
      if (!before || at < before.at) found.set(pattern.id, { pattern, at });
      rest = rest.slice(0, at) + ' '.repeat(word.length) + rest.slice(at + word.length);
    }
  }
  return { found: [...found.values()].sort((a, b) => a.at - b.at), rest };
}

const LEAST_LETTERS = 5;

/** Words that are nearly the name of a figure and not quite: `Cross-ovr`. */
export function nearlyNames(text: string, at: number, { all }: Names): readonly Slip[] {
  const { rest } = namedIn(text, all);
  const words = [...text.matchAll(/[\p{L}][\p{L}'’-]*/gu)]
    .filter(({ index }) => rest[index] !== ' ')
    .map(match => ({ word: match[0], index: match.index }));
  const known = new Set(all.map(({ name }) => plain(name)));
  const slips: Slip[] = [];
  for (const { name } of all) {
    const wanted = plain(name);
    const count = wanted.split(' ').length;
    if (wanted.length < LEAST_LETTERS) continue;
    for (let first = 0; first < words.length; first += 1)
      for (const length of new Set([count, Math.max(1, count - 1)])) {
        const last = words[first + length - 1];
        const begin = words[first];
        if (!begin || !last) continue;
        const said = text.slice(begin.index, last.index + last.word.length);
        // Somebody who writes a figure's name begins it with a capital, as the house does.
        if (!/^\p{Lu}/u.test(said) || known.has(plain(said)) || known.has(plain(said).replace(/s$/, '')))
          continue;
        const most = wanted.length >= 8 ? 2 : 1;
        if (distance(plain(said), wanted, most) <= most)
          slips.push(slipAt('name', { at }, begin.index, said, name));
      }
  }
  return slips;
}

/** Letters to be put in, left out, changed or swapped (Damerau 1964, Levenshtein 1966); above `most` it is not exact. */
function distance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let [before, row]: [number[], number[]] = [[], Array.from({ length: b.length + 1 }, (_, index) => index)];
  for (let i = 1; i <= a.length; i += 1) {
    const next = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let cost = Math.min((row[j] ?? 0) + 1, (next[j - 1] ?? 0) + 1, (row[j - 1] ?? 0) + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        cost = Math.min(cost, (before[j - 2] ?? 0) + 1);
      next.push(cost);
    }
    [before, row] = [row, next];
  }
  return row[b.length] ?? most + 1;
}
