// The fields of a figure that are written as one line of text, and how that line is read.
import {
  circleThrough,
  type Dance,
  failure,
  findFigureByName,
  type Library,
  type Pattern,
  parseBeats,
  type Result,
  readFigure,
  success,
  writtenName,
} from '@map-step/core';

export interface FigureLine {
  readonly key: LineKey;
  /** A second field that the line holds. */
  readonly also?: 'variantWhy';
  readonly word: string;
  print(pattern: Pattern, library: Library): string;
  /** A fault says what is wrong and what would be right. */
  read(text: string, around: Around): Result<Partial<Pattern>, string>;
}

type LineKey =
  | ('aliases' | 'variantOf' | 'rank' | 'call' | 'turn' | 'align' | 'tempo' | 'cycle' | 'otherCounts')
  | ('minutes' | 'difficulty' | 'claps' | 'grades')
  | ('name' | 'kind' | 'level' | 'needs' | 'lookalikes' | 'overTwoLessons');

/** What a line is read against: the other figures, and this one as it stands. */
export interface Around {
  readonly library: Library;
  readonly figure: Pattern;
  readonly dance: Dance;
}

const splitAt = (text: string, by: string) => text.split(by).flatMap(one => one.trim() || []);

/** One whole number, or none. */
function wholeOf(text: string, what: string): Result<number | undefined, string> {
  const [first, ...more] = text.split(/[\s,]+/).filter(Boolean);
  if (first === undefined) return success(undefined);
  if (more.length > 0 || !/^[+-]?\d+$/.test(first)) return failure(`“${text.trim()}” is not ${what}`);
  return success(Number(first));
}

export const CALL: FigureLine = {
  key: 'call',
  word: 'Spelled call, a syllable a step; - for none',
  print: ({ call }) => (call ?? []).map(syllable => syllable ?? '-').join(' '),
  read: (text, { figure, dance }) => {
    const call = text.split(/\s+/).filter(Boolean);
    if (call.length === 0) return success({});
    const steps = readFigure(figure, dance).figure.parts[0]?.steps.length ?? 0;
    if (steps > 0 && call.length !== steps)
      return failure(
        `${call.length} syllables for ${steps} steps: write one a step, - where nothing is said`,
      );
    return success({ call: call.map(syllable => (syllable === '-' ? null : syllable)) });
  },
};

export const TURN: FigureLine = {
  key: 'turn',
  word: 'The couple’s turn in degrees, left +; empty: as the leader turns',
  print: ({ turn }) => (turn === undefined ? '' : String(turn)),
  read: text => {
    const turn = wholeOf(text, 'a number of degrees; write -90 for a quarter right');
    return turn.ok ? success(turn.value === undefined ? {} : { turn: turn.value }) : turn;
  },
};

export const ALIGN: FigureLine = {
  key: 'align',
  word: 'May start at degrees to the line of dance, left +',
  print: ({ align }) => (align ?? []).join(', '),
  read: text => {
    const written = text.split(/[\s,]+/).filter(Boolean);
    const odd = written.find(one => !/^[+-]?\d+$/.test(one));
    if (odd !== undefined)
      return failure(`“${odd}” is not a number of degrees; write -45, 0 for to the wall and along the line`);
    return success(written.length === 0 ? {} : { align: written.map(Number) });
  },
};

export const TEMPO: FigureLine = {
  key: 'tempo',
  word: 'Tempo of its own in beats a minute, such as 100-124',
  print: ({ tempo }) => (tempo ?? []).map(({ min, max }) => `${min}-${max}`).join(', '),
  read: text => {
    const ranges = splitAt(text, ',');
    const tempo = ranges.map(range => /^(\d+)\s*[-–]\s*(\d+)$/.exec(range));
    const odd = ranges.find((_, index) => !tempo[index]);
    if (odd !== undefined) return failure(`“${odd}” is not a tempo; write 100-124, or 100-124, 124-140`);
    const bands = tempo.map(found => ({ min: Number(found?.[1]), max: Number(found?.[2]) }));
    const falling = bands.find(({ min, max }) => min > max || min < 1);
    if (falling) return failure(`${falling.min}-${falling.max} falls: write the slower number first`);
    return success(bands.length === 0 ? {} : { tempo: bands });
  },
};

export const ALIASES: FigureLine = {
  key: 'aliases',
  word: 'Other names, as: Home step @ Harbour hall; Swap @ juniors',
  print: ({ aliases }) => (aliases ?? []).map(({ name, school }) => `${name} @ ${school}`).join('; '),
  read: text => {
    const names = splitAt(text, ';');
    const read = names.map(one => /^(.+?)\s*@\s*(.+)$/.exec(one));
    const odd = names.find((_, index) => !read[index]);
    if (odd !== undefined)
      return failure(`“${odd}” does not say who calls it so; write ${odd} @ their school`);
    const aliases = read.map(found => ({ name: found?.[1] ?? '', school: found?.[2] ?? '' }));
    return success(aliases.length === 0 ? {} : { aliases });
  },
};

const WHYS = ['easier', 'harder', 'ending', 'tempo', 'school'] as const;

export const VARIANT: FigureLine = {
  key: 'variantOf',
  also: 'variantWhy',
  word: 'Variant of which figure, and why: easier, harder, ending, tempo or school, as: Wrap, ending',
  print: ({ variantOf, variantWhy }, library) =>
    [variantOf && writtenName(variantOf, library), variantWhy].filter(Boolean).join(', '),
  read: (text, { library, dance, figure }) => {
    const line = text.trim();
    if (line === '') return success({});
    const [, named = line, reason] = /^(.+),\s*(\S+)$/.exec(line) ?? [];
    const whole = findFigureByName(line, library, dance);
    const found = whole.ok ? whole : findFigureByName(named, library, dance);
    if (!found.ok) return found;
    const variantOf = found.value.pattern.id;
    const circle = circleThrough({ ...figure, variantOf }, library.patterns, 'variant-cycle');
    if (circle) return failure(`these would be variants of each other: ${circle}`);
    if (whole.ok) return success({ variantOf });
    const variantWhy = WHYS.find(one => one === reason);
    if (!variantWhy) return failure(`“${reason}” is no reason; write ${WHYS.join(', ')}`);
    return success({ variantOf, variantWhy });
  },
};

export const RANK: FigureLine = {
  key: 'rank',
  word: 'Its rank among the forms of a figure: the easy form has the least',
  print: ({ rank }) => (rank === undefined ? '' : String(rank)),
  read: text => {
    const rank = wholeOf(text, 'a rank; write 1 for the easiest form');
    return rank.ok ? success(rank.value === undefined ? {} : { rank: rank.value }) : rank;
  },
};

export const CYCLE: FigureLine = {
  key: 'cycle',
  word: 'Counted up to, where it is not the dance’s own count',
  print: ({ cycle }) => (cycle === undefined ? '' : String(cycle)),
  read: text => {
    const cycle = wholeOf(text, 'a count; write 8 for a figure of eights');
    if (!cycle.ok) return cycle;
    if (cycle.value === undefined) return success({});
    return cycle.value >= 1 && cycle.value <= 1000
      ? success({ cycle: cycle.value })
      : failure(`${cycle.value} is not a count; write a number from 1 on`);
  },
};

export const OTHER_COUNTS: FigureLine = {
  key: 'otherCounts',
  word: 'Counted by another school, as: Harbour hall: 1 2 &3 (3 beats)',
  print: ({ otherCounts }) =>
    (otherCounts ?? [])
      .map(
        ({ school, rhythm, beats }) =>
          `${school}: ${rhythm}${beats === undefined ? '' : ` (${beats} beats)`}`,
      )
      .join('; '),
  read: (text, { figure, dance }) => {
    const schools = splitAt(text, ';');
    const counts: NonNullable<Pattern['otherCounts']>[number][] = [];
    for (const line of schools) {
      const [, school = '', rhythm = '', beats] =
        /^([^:]+):\s*(.+?)(?:\s*\(\s*([\d/]+)\s*beats?\s*\))?$/.exec(line) ?? [];
      if (school === '')
        return failure(`“${line}” does not say whose count it is; write Harbour hall: 1 2 &3`);
      if (beats !== undefined && !parseBeats(beats).ok) return failure(`“${beats}” is not a number of beats`);
      const count = {
        school: school.trim(),
        rhythm,
        ...(beats && { beats: /^\d+$/.test(beats) ? Number(beats) : beats }),
      };
      const fault = countsFault(figure, dance, count);
      if (fault) return failure(`${school.trim()}: ${fault}`);
      counts.push(count);
    }
    return success(counts.length === 0 ? {} : { otherCounts: counts });
  },
};

/** What is wrong with the count of another school: it cannot be read, or has other events than the figure. */
function countsFault(
  figure: Pattern,
  dance: Dance,
  { rhythm, beats }: NonNullable<Pattern['otherCounts']>[number],
): string | undefined {
  const { otherCounts: _, beats: _beats, ...rest } = figure;
  const own = readFigure(figure, dance).figure.parts[0]?.rhythm.events.length ?? 0;
  const reading = readFigure({ ...rest, rhythm, ...(beats !== undefined && { beats }) }, dance);
  const fault = reading.faults.find(({ code }) => code === 'rhythm');
  if (fault) return fault.message;
  const other = reading.figure.parts[0]?.rhythm.events.length ?? 0;
  return other === own
    ? undefined
    : `${rhythm} has ${other} counts, the figure ${own}: name each of its counts`;
}

export const MINUTES: FigureLine = {
  key: 'minutes',
  word: 'Minutes to teach it; empty: as they are computed',
  print: ({ minutes }) => (minutes === undefined ? '' : String(minutes)),
  read: text => {
    const written = text.trim();
    if (written === '') return success({});
    return /^\d{1,3}(?:\.\d)?$/.test(written)
      ? success({ minutes: Number(written) })
      : failure(`“${written}” is not a number of minutes; write 7 or 7.5`);
  },
};

export const DIFFICULTY: FigureLine = {
  key: 'difficulty',
  word: 'How hard it is by your own word, in points, and why, as: 14, heavy on the back; empty: as it is computed',
  print: ({ difficulty }) => (difficulty ? `${difficulty.points}, ${difficulty.why}` : ''),
  read: text => {
    const written = text.trim();
    if (written === '') return success({});
    const [, points, why] = /^(\d{1,3}(?:\.\d+)?)\s*,\s*(\S.*)$/.exec(written) ?? [];
    return points !== undefined && why !== undefined && why.length <= 200
      ? success({ difficulty: { points: Number(points), why } })
      : failure(`“${written}” is not points and a reason; write 14, heavy on the back`);
  },
};

export const CLAPS: FigureLine = {
  key: 'claps',
  word: 'What is clapped to it, as a rhythm',
  print: ({ claps }) => claps ?? '',
  read: (text, { figure, dance }) => {
    const claps = text.trim();
    if (claps === '') return success({});
    const { beats: _, ...rest } = figure;
    const fault = readFigure({ ...rest, rhythm: claps }, dance).faults.find(({ code }) => code === 'rhythm');
    return fault ? failure(fault.message) : success({ claps });
  },
};

export const GRADES: FigureLine = {
  key: 'grades',
  word: 'Grades of a drill, from easy to hard, with ; between them',
  print: ({ grades }) => (grades ?? []).join('; '),
  read: text => {
    const grades = splitAt(text, ';');
    return success(grades.length === 0 ? {} : { grades });
  },
};

/**
 * A pattern with these lines in place of what it had; the faults under their keys where some cannot be read. A line that stands
 * as it was printed is not read again: what it names stays, whatever that is called by now.
 */
export function withFields(
  pattern: Pattern,
  fields: readonly FigureLine[],
  around: Around,
  textOf: (field: FigureLine) => string,
): Result<Pattern, ReadonlyMap<LineKey, string>> {
  const faults = new Map<LineKey, string>();
  let next = pattern;
  for (const field of fields) {
    const text = textOf(field);
    if (text === field.print(pattern, around.library)) continue;
    const read = field.read(text, around);
    if (read.ok) next = { ...without(without(next, field.key), field.also ?? field.key), ...read.value };
    else faults.set(field.key, read.fault);
  }
  return faults.size > 0 ? failure(faults) : success(next);
}

function without(pattern: Pattern, key: LineKey | 'variantWhy'): Pattern {
  // Every figure has these: they are replaced only.
  if (key === 'name' || key === 'kind') return pattern;
  const { [key]: _, ...rest } = pattern;
  return rest;
}
