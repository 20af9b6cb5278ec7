// Proof-reading of a recap, or of any text about figures: what it says is held against the figures themselves.

import type { Library } from '../library/library.ts';
import type { Role, Studio } from '../model/document.ts';
import { type Heading, headingsOf } from '../model/headings.ts';
import { escapePattern, hasWholeWords } from '../model/whole-words.ts';
import { countOf, labelOf } from '../steps/counts.ts';
import { type Figure, findPart } from '../steps/figure.ts';
import { stepInWords } from '../steps/words.ts';
import { CLAIMS } from './claims.ts';
import { figuresIn, type Names, namesOf, nearlyNames } from './names.ts';
import { type Slip, slipAt } from './slip.ts';

export interface ProofSource {
  readonly library: Library;
  readonly studio: Pick<Studio, 'roles'>;
  /** The dances that the text speaks of. */
  readonly dances: readonly string[];
  /** The lesson that it is about, and how many there are. */
  readonly lesson?: number;
  readonly of?: number;
  /** By the log: what may be told as new, and what as begun; undefined where there is no log to hold it against. */
  readonly told?: { readonly fresh: readonly string[]; readonly begun: readonly string[] };
}

/**
 * The places where a text disagrees with the figures, in its order. What it does not say is no slip, and what can be meant
 * in several ways is none either. About linear in the text for a house of some hundred figures.
 */
export function proofread(text: string, source: ProofSource): readonly Slip[] {
  const names = namesOf(source.library, source.dances);
  const slips: Slip[] = [];
  const headings = new Map(headingsOf(text).map(heading => [heading.from, heading]));
  let about: Subject | undefined;
  let at = 0;
  for (const line of text.split('\n')) {
    const heading = headings.get(at);
    slips.push(...weeks(line, at, source));
    if (heading) {
      const [named] = figuresIn(heading.title, names);
      const figure = named && source.library.readings.get(named.pattern.id)?.figure;
      about = figure && { figure, isBegun: heading.title.startsWith('Begun:') };
      slips.push(...headingSlips(heading, named?.pattern.id, names, source));
    } else slips.push(...lineSlips(line, at, about, names, source));
    at += line.length + 1;
  }
  const unique = new Map(slips.map(slip => [`${slip.from} ${slip.to} ${slip.kind}`, slip]));
  return [...unique.values()].sort((a, b) => a.from - b.from);
}

/** `week 4 of 8` in another week, or of another number of weeks. */
function weeks(line: string, at: number, { lesson, of }: ProofSource): readonly Slip[] {
  if (lesson === undefined || of === undefined) return [];
  return [...line.matchAll(/\b(week|lesson) (\d+) of (\d+)\b/gi)].flatMap(match =>
    Number(match[2]) === lesson && Number(match[3]) === of
      ? []
      : [slipAt('week', { at }, match.index, match[0], `${match[1]} ${lesson} of ${of}`)],
  );
}

/** `New: Wrap` of what was not new, and of what no figure is called. */
function headingSlips(
  { title, titleAt }: Heading,
  named: string | undefined,
  names: Names,
  { told }: ProofSource,
): readonly Slip[] {
  const [before = '', kind] = /^(New|Begun):\s*/.exec(title) ?? [];
  if (kind === undefined) return [];
  const [said, at] = [title.slice(before.length), titleAt + before.length];
  if (named === undefined) {
    const [near] = nearlyNames(said, at, names);
    return [near ?? slipAt('name', { at }, 0, said, 'a figure of the house')];
  }
  const list = kind === 'New' ? told?.fresh : told?.begun;
  if (!list || list.includes(named)) return [];
  const known = told?.fresh.includes(named)
    ? 'it was taught as new'
    : told?.begun.includes(named)
      ? 'it was only begun'
      : 'the log does not say so';
  return [slipAt('name', { at }, 0, said, known)];
}

/** The figure that a section is about. */
interface Subject {
  readonly figure: Figure;
  /** Told only as far as it was taught. */
  readonly isBegun: boolean;
}

function lineSlips(
  line: string,
  at: number,
  about: Subject | undefined,
  names: Names,
  source: ProofSource,
): readonly Slip[] {
  const written = about && writtenPart(line, about.figure, source);
  if (about && written) return partSlips(line, at, about, written);
  const near = nearlyNames(line, at, names);
  return [
    ...near,
    ...sentencesOf(line).flatMap(({ text, index }) =>
      sentenceSlips(text, at + index, about?.figure, names, source),
    ),
  ];
}

function sentenceSlips(
  text: string,
  at: number,
  about: Figure | undefined,
  names: Names,
  { library, studio }: ProofSource,
): readonly Slip[] {
  const named = figuresIn(about ? withoutHolds(text, about) : text, names);
  const likened = /\b(as in|unlike|than|tell it from|not as|same as)\b/i.test(text);
  const own = named.map(({ pattern }) => library.readings.get(pattern.id)?.figure).find(Boolean);
  // Of two figures in one sentence it is not known which is meant.
  const figure = named.length > 1 || likened ? undefined : (own ?? about);
  if (!figure || figure.parts.length === 0) return [];
  const passage = { text, at, figure, role: roleIn(text, figure, studio) };
  return CLAIMS.flatMap(claim => claim(passage));
}

/** Many a hold is called as the figure that leads into it: `ends in Wrap` speaks of the hold. */
function withoutHolds(text: string, { dance }: Figure): string {
  const names = dance.holds.map(({ name }) => escapePattern(name)).sort((a, b) => b.length - a.length);
  if (names.length === 0) return text;
  const list = `\\**(?:${names.join('|')})\\**`;
  const inHolds = new RegExp(`\\b(?:in|into|from|to) (?:the |a )?${list}(?:(?:,| or|, or) ${list})*`, 'gi');
  return text.replace(inHolds, found => ' '.repeat(found.length));
}

/** The one role that a sentence names; undefined where it names none or both. */
function roleIn(text: string, figure: Figure, { roles }: Pick<Studio, 'roles'>): Role | undefined {
  const names = {
    lead: ['leader', 'leaders', 'lead', roles?.lead],
    follow: ['follower', 'followers', 'follow', roles?.follow],
    solo: [],
  };
  const found = figure.parts.filter(({ role }) =>
    names[role].some(name => name && hasWholeWords(text, name)),
  );
  return found.length === 1 ? found[0]?.role : undefined;
}

const SEPARATOR = ' · ';

/** The role whose part a line writes down, as recaps do: `**Leader:** 1 left side · 2 right close`. */
function writtenPart(line: string, figure: Figure, { studio }: ProofSource): Role | undefined {
  const title = /^\*\*([^*:]+):\*\*/.exec(line)?.[1]?.toLowerCase();
  const names = { lead: 'Leader', follow: 'Follower', solo: 'Steps', ...studio.roles };
  return figure.parts.find(({ role }) => names[role].toLowerCase() === title)?.role;
}

function partSlips(line: string, at: number, { figure, isBegun }: Subject, role: Role): readonly Slip[] {
  const part = findPart(figure, role);
  if (!part) return [];
  const begin = line.indexOf(':**') + 3;
  const steps = part.steps.flatMap(({ step, time }) => (step ? [{ words: stepInWords(step), time }] : []));
  const writtenAs = (count: typeof countOf) =>
    steps.map(({ words, time }) =>
      `${time && figure.beats !== null ? count(figure, part.rhythm, time.event) : ''} ${words}`.trim(),
    );
  const [written, called] = [writtenAs(countOf), writtenAs(labelOf)];
  const said = line.slice(begin).split(SEPARATOR);
  // What was only begun is written as far as it was taught.
  if (said.length !== written.length && !(isBegun && said.length < written.length))
    return [
      slipAt(
        'count',
        { at },
        begin,
        line.slice(begin),
        `${written.length} steps: ${written.join(SEPARATOR)}`,
      ),
    ];
  let index = begin;
  return said.flatMap((text, step) => {
    const here = index + (text.length - text.trimStart().length);
    index += text.length + SEPARATOR.length;
    const meant = written[step] ?? '';
    const own = text.trim();
    return [meant, called[step] ?? ''].some(words => plain(words) === plain(own))
      ? []
      : [slipAt(kindOf(own, meant), { at }, here, own, meant)];
  });
}

/** A step however it is put: `left back ball` as `left back, on the ball`. */
function plain(step: string): string {
  return step
    .replace(/,/g, '')
    .replace(/ on the (ball|heel|toe|flat)( foot)?/g, ' $1')
    .replace(/\b(turning|then) an? /g, '$1 ');
}

/** In what a written step differs from the true one. */
function kindOf(said: string, meant: string): Slip['kind'] {
  const [a, b] = [said, meant].map(
    text => /^(\S+)\s+(left|right|both)\b(.*?)(?: (?:then|turning) (.*))?$/.exec(plain(text)) ?? [],
  );
  if (a?.[1] !== b?.[1]) return 'count';
  if (a?.[2] !== b?.[2]) return 'foot';
  return a?.[4] === b?.[4] ? 'side' : 'turn';
}

/** The sentences of a line, each with where it begins; a list's mark is no part of one. */
function sentencesOf(line: string): readonly { readonly text: string; readonly index: number }[] {
  return [...line.matchAll(/[^.!?;]+[.!?;]*/g)].map(match => ({ text: match[0], index: match.index }));
}
