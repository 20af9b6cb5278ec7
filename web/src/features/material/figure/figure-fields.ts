// The fields of a figure that are written as one line of text, and how that line is read.
import type { Pattern } from '@map-step/core';

export interface FigureLine {
  readonly key: 'aliases' | 'variantOf' | 'rank' | 'made' | 'call' | 'turn' | 'align' | 'tempo';
  /** A second field that the line holds. */
  readonly also?: 'variantWhy';
  readonly word: string;
  print(pattern: Pattern, figures: FigureNames): string;
  /** Undefined for a line that cannot be read. */
  read(text: string, figures: FigureNames): Partial<Pattern> | undefined;
}

/** How the house calls its figures: in these lines they stand by name. */
export interface FigureNames {
  nameOf(id: string): string;
  /** Whatever the case of the letters; undefined for a name that no figure has. */
  idOf(name: string): string | undefined;
}

/** The names of these figures. Of two with one name the first is meant. */
export function figureNames(patterns: Iterable<Pattern>): FigureNames {
  const names = new Map<string, string>();
  const ids = new Map<string, string>();
  for (const { id, name } of patterns) {
    names.set(id, name);
    if (!ids.has(name.toLowerCase())) ids.set(name.toLowerCase(), id);
  }
  return { nameOf: id => names.get(id) ?? id, idOf: name => ids.get(name.trim().toLowerCase()) };
}

const numbersIn = (text: string) =>
  text
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
const areWhole = (numbers: readonly number[]) => numbers.every(Number.isInteger);

export const CALL: FigureLine = {
  key: 'call',
  word: 'Spelled call, a syllable a step; - for none',
  print: ({ call }) => (call ?? []).map(syllable => syllable ?? '-').join(' '),
  read: text => {
    const call = text.split(/\s+/).filter(Boolean);
    return call.length === 0 ? {} : { call: call.map(syllable => (syllable === '-' ? null : syllable)) };
  },
};

export const TURN: FigureLine = {
  key: 'turn',
  word: 'The couple’s turn in degrees, left +; empty: as the leader turns',
  print: ({ turn }) => (turn === undefined ? '' : String(turn)),
  read: text => {
    const turns = numbersIn(text);
    if (turns.length > 1 || !areWhole(turns)) return undefined;
    return turns[0] === undefined ? {} : { turn: turns[0] };
  },
};

export const ALIGN: FigureLine = {
  key: 'align',
  word: 'May start at degrees to the line of dance, left +',
  print: ({ align }) => (align ?? []).join(', '),
  read: text => {
    const align = numbersIn(text);
    if (!areWhole(align)) return undefined;
    return align.length === 0 ? {} : { align };
  },
};

export const TEMPO: FigureLine = {
  key: 'tempo',
  word: 'Tempo of its own in beats a minute, such as 100-124',
  print: ({ tempo }) => (tempo ?? []).map(({ min, max }) => `${min}-${max}`).join(', '),
  read: text => {
    const ranges = text
      .split(',')
      .map(range => range.trim())
      .filter(Boolean);
    const read = ranges.map(range => /^(\d+)\s*-\s*(\d+)$/.exec(range));
    if (read.some(found => found === null || Number(found[1]) > Number(found[2]))) return undefined;
    return ranges.length === 0
      ? {}
      : { tempo: read.map(found => ({ min: Number(found?.[1]), max: Number(found?.[2]) })) };
  },
};

export const ALIASES: FigureLine = {
  key: 'aliases',
  word: 'Other names, as: Home step @ Harbour hall; Swap @ juniors',
  print: ({ aliases }) => (aliases ?? []).map(({ name, school }) => `${name} @ ${school}`).join('; '),
  read: text => {
    const names = text
      .split(';')
      .map(one => one.trim())
      .filter(Boolean);
    const read = names.map(one => /^(.+?)\s*@\s*(.+)$/.exec(one));
    if (read.some(found => found === null)) return undefined;
    const aliases = read.map(found => ({ name: found?.[1] ?? '', school: found?.[2] ?? '' }));
    return aliases.length === 0 ? {} : { aliases };
  },
};

const WHYS = ['easier', 'harder', 'ending', 'tempo', 'school'] as const;
const VARIANT_LINE = /^(.+?)(?:,\s*(easier|harder|ending|tempo|school))?$/;

export const VARIANT: FigureLine = {
  key: 'variantOf',
  also: 'variantWhy',
  word: 'Variant of which figure, and why: easier, harder, ending, tempo or school, as: Wrap, ending',
  print: ({ variantOf, variantWhy }, { nameOf }) =>
    [variantOf && nameOf(variantOf), variantWhy].filter(Boolean).join(', '),
  read: (text, { idOf }) => {
    const line = text.trim();
    if (line === '') return {};
    const [, name = '', variantWhy] = VARIANT_LINE.exec(line) ?? [];
    const variantOf = idOf(name);
    if (variantOf === undefined) return undefined;
    const why = WHYS.find(one => one === variantWhy);
    return { variantOf, ...(why && { variantWhy: why }) };
  },
};

export const RANK: FigureLine = {
  key: 'rank',
  word: 'Its rank among the forms of a figure: the easy form has the least',
  print: ({ rank }) => (rank === undefined ? '' : String(rank)),
  read: text => {
    const ranks = numbersIn(text);
    if (ranks.length > 1 || !areWhole(ranks)) return undefined;
    return ranks[0] === undefined ? {} : { rank: ranks[0] };
  },
};

/** `Wrap x2 0-3`: danced twice, from its event 0 up to its event 3. */
const PART_OF = /^(.+?)(?:\s+x(\d+))?(?:\s+(\d*)-(\d*))?$/;

export const MADE: FigureLine = {
  key: 'made',
  word: 'Made of these figures one after the other, as: Wrap x2, Unwrap',
  print: ({ made }, { nameOf }) =>
    (made ?? [])
      .map(({ pattern, times, from, to }) => {
        const range = from === undefined && to === undefined ? [] : [`${from ?? ''}-${to ?? ''}`];
        return [nameOf(pattern), ...(times === undefined ? [] : [`x${times}`]), ...range].join(' ');
      })
      .join(', '),
  read: (text, { idOf }) => {
    const parts = text
      .split(',')
      .map(one => one.trim())
      .filter(Boolean);
    const read = parts.map(one => PART_OF.exec(one));
    if (read.some(found => idOf(found?.[1] ?? '') === undefined)) return undefined;
    const made = read.map(found => {
      const [, name = '', times, from, to] = found ?? [];
      return {
        pattern: idOf(name) ?? '',
        ...(times && { times: Number(times) }),
        ...(from && { from: Number(from) }),
        ...(to && { to: Number(to) }),
      };
    });
    return made.length === 0 ? {} : { made };
  },
};

/** A pattern with these lines in place of what it had; undefined where one of them cannot be read. */
export function withFields(
  pattern: Pattern,
  fields: readonly FigureLine[],
  figures: FigureNames,
  textOf: (field: FigureLine) => string,
): Pattern | undefined {
  let next = pattern;
  for (const field of fields) {
    const read = field.read(textOf(field), figures);
    if (!read) return undefined;
    next = { ...without(without(next, field.key), field.also ?? field.key), ...read };
  }
  return next;
}

function without(pattern: Pattern, key: FigureLine['key'] | 'variantWhy'): Pattern {
  const { [key]: _, ...rest } = pattern;
  return rest;
}
