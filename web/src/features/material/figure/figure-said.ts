// What is said of a figure from a cell of its sheet, one thing a line: `needs basic, wrap`, `rank 2`, `level 2`.
import {
  circleThrough,
  failure,
  findFigureByName,
  type Library,
  type Pattern,
  type Result,
  success,
  writtenName,
} from '@map-step/core';
import { KINDS } from '../../course/course-words.ts';
import type { Around, FigureLine } from './figure-fields.ts';
import * as lines from './figure-fields.ts';

interface Said {
  /** What the line begins with. */
  readonly word: string;
  readonly line: FigureLine;
  /** The names that go with it. */
  namesOf?(around: Around): readonly string[];
}

const NAME: FigureLine = {
  key: 'name',
  word: 'What the house calls it',
  print: ({ name }) => name,
  read: text => (text.trim() === '' ? failure('a figure has a name') : success({ name: text.trim() })),
};

const KIND: FigureLine = {
  key: 'kind',
  word: 'basic, pattern, turn, drill or quality',
  print: ({ kind }) => kind,
  read: text => {
    const begun = text.trim().toLowerCase();
    const found = KINDS.find(({ value }) => begun !== '' && value.startsWith(begun));
    return found
      ? success({ kind: found.value })
      : failure(`“${text}” is no kind; write ${KINDS.map(({ value }) => value).join(', ')}`);
  },
};

const LEVEL: FigureLine = {
  key: 'level',
  word: 'The level it belongs to; empty: none',
  print: ({ level }, { levels }) => levels.get(level ?? '')?.name ?? '',
  read: (text, { library, dance }) => {
    const wanted = text.trim().toLowerCase();
    if (wanted === '') return success({});
    const own = levelsOf(library, dance.id);
    const found = own.filter(
      ({ id, name }) =>
        id === wanted || name.toLowerCase().endsWith(wanted) || name.toLowerCase().startsWith(wanted),
    );
    const [only, ...others] = found;
    return only && others.length === 0
      ? success({ level: only.id })
      : failure(`“${text}” is no level of ${dance.name}; write ${own.map(({ name }) => name).join(', ')}`);
  },
};

const OVER_TWO: FigureLine = {
  key: 'overTwoLessons',
  word: 'Over two lessons: its pieces first, joined the lesson after; “no” takes it back',
  print: ({ overTwoLessons }) => (overTwoLessons ? 'yes' : 'no'),
  read: text => success(/^\s*no\b/i.test(text) ? {} : { overTwoLessons: true }),
};

/** Figures by name, with commas between them; what they need must not lead back. */
function figuresLine(key: 'needs' | 'lookalikes', word: string): FigureLine {
  return {
    key,
    word,
    print: (pattern, library) => (pattern[key] ?? []).map(id => writtenName(id, library)).join(', '),
    read: (text, { library, figure, dance }) => {
      const ids: string[] = [];
      for (const name of text.match(/"[^"]*"|[^,]+/g) ?? []) {
        if (name.trim() === '') continue;
        const found = findFigureByName(name, library, dance);
        if (!found.ok) return found;
        ids.push(found.value.pattern.id);
      }
      const circle =
        key === 'needs' && circleThrough({ ...figure, needs: ids }, library.patterns, 'needs-cycle');
      if (circle) return failure(`these would need each other: ${circle}`);
      return success(ids.length === 0 ? {} : { [key]: [...new Set(ids)] });
    },
  };
}

const figureNames = ({ library, dance }: Around) =>
  [...library.patterns.values()].flatMap(({ id, dance: of }) =>
    of === dance.id ? writtenName(id, library) : [],
  );

const SAID: readonly Said[] = [
  { word: 'needs', line: figuresLine('needs', 'The figures it needs first'), namesOf: figureNames },
  {
    word: 'level',
    line: LEVEL,
    namesOf: ({ library, dance }) => levelsOf(library, dance.id).map(({ name }) => name),
  },
  { word: 'variant of', line: lines.VARIANT, namesOf: figureNames },
  { word: 'rank', line: lines.RANK },
  { word: 'name', line: NAME },
  { word: 'minutes', line: lines.MINUTES },
  { word: 'two lessons', line: OVER_TWO },
  { word: 'kind', line: KIND, namesOf: () => KINDS.map(({ value }) => value) },
  {
    word: 'looks like',
    line: figuresLine('lookalikes', 'The figures it is mistaken for'),
    namesOf: figureNames,
  },
  { word: 'tempo', line: lines.TEMPO },
  { word: 'also called', line: lines.ALIASES },
  { word: 'call', line: lines.CALL },
  { word: 'counted', line: lines.OTHER_COUNTS },
  { word: 'turn', line: lines.TURN },
  { word: 'align', line: lines.ALIGN },
  { word: 'up to', line: lines.CYCLE },
  { word: 'claps', line: lines.CLAPS },
  { word: 'grades', line: lines.GRADES },
];

const MOST_SUGGESTED = 8;

/** What a line can begin with, or what goes with the word that it begins with. */
export function suggestSaid(typed: string, around: Around): readonly string[] {
  return allSaid(typed, around).slice(0, MOST_SUGGESTED);
}

function allSaid(typed: string, around: Around): readonly string[] {
  const said = saidOf(typed);
  if (!said)
    return SAID.filter(({ word }) => word.startsWith(typed.toLowerCase())).map(({ word }) => `${word} `);
  const names = said.namesOf?.(around) ?? [];
  const [before = ''] = /^.*,\s*/.exec(said.rest) ?? [];
  const begun = said.rest.slice(before.length).toLowerCase();
  return names
    .filter(name => name.toLowerCase().startsWith(begun))
    .map(name => `${said.word} ${before}${name}`);
}

/** What the line is about, and what stands there. */
export function saidHint(typed: string, { figure, library }: Around): string | undefined {
  const said = saidOf(typed);
  if (!said) return undefined;
  const stands = said.line.print(figure, library);
  return `${said.line.word}${stands === '' ? '' : `. Now: ${stands}`}`;
}

/** The figure with what was said of it; a fault says what would be taken. */
export function readSaid(text: string, around: Around): Result<Pattern, string> {
  const said = saidOf(text) ?? saidOf(`${text.trim()} `);
  if (!said)
    return failure(
      `“${text}” is not said of a figure; begin with ${SAID.map(({ word }) => word).join(', ')}`,
    );
  const read = lines.withFields(around.figure, [said.line], around, () => said.rest.trim());
  return read.ok ? read : failure([...read.fault.values()].join('; '));
}

function saidOf(typed: string): (Said & { readonly rest: string }) | undefined {
  const lower = typed.toLowerCase();
  const whole = SAID.find(({ word }) => lower.startsWith(`${word} `));
  if (whole) return { ...whole, rest: typed.slice(whole.word.length + 1) };
  // A word cut short is enough where only one begins so.
  const [begun = ''] = /^\S+(?=\s)/.exec(lower) ?? [];
  const [only, ...others] = begun === '' ? [] : SAID.filter(({ word }) => word.startsWith(begun));
  return only && others.length === 0 ? { ...only, rest: typed.slice(begun.length + 1) } : undefined;
}

function levelsOf({ levels }: Library, dance: string) {
  return [...levels.values()].filter(level => level.dance === dance);
}
