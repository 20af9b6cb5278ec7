// What a recap tells of one figure, in Markdown paragraphs.
import type { Library } from '../library/library.ts';
import type { Pattern, Studio } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { printBeats } from '../model/fraction.ts';
import { needsOf } from '../model/needs.ts';
import { labelOf, markCount, otherSchools } from '../steps/counts.ts';
import { figureCuts, stepsBefore } from '../steps/cuts.ts';
import { danceBeats, type Figure, type FigurePart } from '../steps/figure.ts';
import { allExitHolds, entryHolds, findHold } from '../steps/holds.ts';
import { actionInWords, stepInWords } from '../steps/words.ts';
import { numberedCall, slowQuickCall } from '../timing/calls.ts';
import { likenessInWords } from './likeness-telling.ts';
import { allOf, namesOf, sentenceOf, withinSentence } from './words.ts';

export interface FigureTelling {
  readonly studio: Studio;
  /** True: other schools' counts stand beside the house's. */
  readonly tellsOtherCounts?: boolean;
  readonly library: Library;
  /** Figures that the class knows, those of lower levels with them: one of them is what a new one is likened to. */
  readonly known: readonly string[];
  /** Figures that the class has had or has in its plan: no other is named. */
  readonly met: ReadonlySet<string>;
  /** Figures that come next time. */
  readonly next?: readonly string[];
  /** True where the count is said of all at once. */
  readonly isCounted?: boolean;
}

const MOST_OPENED = 3;

/** A figure whole: holds, counts, both parts, what it is like, its signal, fault, choices, easier form. */
export function tellFigure(figure: Figure, telling: FigureTelling): string[] {
  const { pattern } = figure;
  const { studio } = telling;
  const cues = marksOf(pattern, 'cue').map(({ text }) => withinSentence(text));
  return paragraphs([
    whatItOpens(pattern, telling),
    [holdsInWords(figure), handsInWords(figure), countedWhole(figure, telling)].filter(Boolean).join(' '),
    ...figure.parts.map(part => partInWords(figure, part, studio)),
    likenessInWords(figure, telling.known, telling),
    ...(cues.length > 0 ? [`Think of this: ${cues.join('; ')}.`] : []),
    toldApart(pattern, telling),
    ...marksOf(pattern, 'fault').map(faultInWords),
    choices(figure),
    easierForm(pattern, telling),
  ]);
}

/** The same of a figure that was only begun: how it is held and counted, the first of its pieces, and that it goes on. */
export function tellBegun(figure: Figure, telling: FigureTelling): string[] {
  const [cut] = figureCuts(figure);
  const first = figure.parts[0]?.rhythm;
  const goesOn = cut && first ? `It goes on from ${labelOf(figure, first, cut.event)}` : 'It goes on';
  const isNext = telling.next?.includes(figure.pattern.id) ?? true;
  return paragraphs([
    [holdsInWords(figure), countedWhole(figure, telling)].filter(Boolean).join(' '),
    ...(cut ? figure.parts.map(part => partInWords(figure, part, telling.studio, cut.event)) : []),
    `${goesOn} ${isNext ? 'next time' : 'another evening'}.`,
  ]);
}

function paragraphs(lines: readonly string[]): string[] {
  return lines.filter(Boolean).flatMap(line => ['', line]);
}

function marksOf({ marks = [] }: Pattern, kind: 'cue' | 'signal' | 'fault') {
  return marks.filter(mark => mark.kind === kind);
}

/** What a figure is for: the figures of the house that need it. */
function whatItOpens({ id, dance }: Pattern, { library, met }: FigureTelling): string {
  const opens = [...library.patterns.values()].filter(
    other =>
      met.has(other.id) && other.dance === dance && needsOf(other).includes(id) && other.kind !== 'drill',
  );
  if (opens.length === 0) return '';
  const names = opens.slice(0, MOST_OPENED).map(({ name }) => escapeMarkdown(name));
  return `You need it for ${allOf([...names, ...(opens.length > MOST_OPENED ? ['more'] : [])])}.`;
}

export function holdsInWords({ pattern, dance }: Figure): string {
  const names = (ids: readonly string[]) =>
    ids.map(id => `**${escapeMarkdown(findHold(dance, id)?.name ?? id)}**`).join(' or ');
  const [entries, exits] = [entryHolds(pattern), allExitHolds(pattern)];
  if (entries.length === 0) return '';
  const stays = pattern.exit === undefined || pattern.exit === 'same' || entries.join() === exits.join();
  return stays ? `Danced in ${names(entries)}.` : `Begins in ${names(entries)}, ends in ${names(exits)}.`;
}

/** How the hands go where the hold changes, in the teacher's own words. */
function handsInWords(figure: Figure): string {
  const ways = (figure.pattern.marks ?? []).filter(({ kind }) => kind === 'hold');
  const told = ways.map(({ event, text }) =>
    event === undefined ? withinSentence(text) : `on ${markCount(figure, event)} ${withinSentence(text)}`,
  );
  return told.length === 0 ? '' : `Hands: ${told.join('; ')}.`;
}

function countedWhole(
  figure: Figure,
  { studio, tellsOtherCounts = false, isCounted = false }: FigureTelling,
): string {
  if (figure.parts.length === 0 || isCounted) return '';
  const counts = countedBy(figure, studio.counting);
  const others = tellsOtherCounts
    ? otherSchools(figure).map(({ school, labels }) => ` ${school} counts it **${labels.join(' ')}**.`)
    : [];
  if (figure.beats === null) return 'It has no set timing.';
  return `Counted **${counts}**, ${printBeats(figure.beats)} beats.${others.join('')}`;
}

/** The figure as the house counts it; in numbers where it has no other way. */
export function countedBy(figure: Figure, counting: Studio['counting']): string {
  const { pattern, dance, parts } = figure;
  const [first] = parts;
  if (!first) return '';
  const numbers = () =>
    first.rhythm.events
      .map(({ rest }, event) => [rest, labelOf(figure, first.rhythm, event)] as const)
      .map(([rest, count]) => (rest ? `(${count})` : count))
      .join(' ');
  switch (counting) {
    case 'slow-quick': {
      const calls = slowQuickCall(first.rhythm, danceBeats(dance, 'slow'), danceBeats(dance, 'quick'));
      return calls.every(call => call !== null) ? calls.join(' ') : numbers();
    }
    case 'numbered':
      return [1, 2].map(repeat => numberedCall(first.rhythm, repeat).join(' ')).join(', ');
    case 'call':
      return pattern.call?.every(word => word !== null) ? pattern.call.join(' ') : numbers();
    case 'words': {
      const words = first.steps.map(({ step }) => step && actionInWords(step.action));
      return words.every(word => word) ? words.join(', ') : numbers();
    }
    case 'numbers':
    case undefined:
      return numbers();
    default:
      return counting satisfies never;
  }
}

/** A part in words, up to an event of it. */
export function partInWords(
  figure: Figure,
  part: FigurePart,
  studio: Studio,
  upTo = Number.POSITIVE_INFINITY,
): string {
  const names = { lead: 'Leader', follow: 'Follower', solo: 'Steps', ...studio.roles };
  const steps = stepsBefore(part, upTo).flatMap(({ step, time }) =>
    step ? [`${time ? labelOf(figure, part.rhythm, time.event) : ''} ${stepInWords(step)}`.trim()] : [],
  );
  return `**${names[part.role]}:** ${steps.join(' · ')}`;
}

/** By what it is known, and from which look-alikes that the class has met. */
function toldApart(pattern: Pattern, { library, met }: FigureTelling): string {
  const others = (pattern.lookalikes ?? []).filter(id => met.has(id));
  const signals = marksOf(pattern, 'signal').map(({ text }) => withinSentence(text));
  if (signals.length === 0) return '';
  const from = others.length > 0 ? `Tell it from ${namesOf(library, others)}` : 'Its signal';
  return `${from}: ${signals.join('; ')}.`;
}

function faultInWords({ text, cure, rescue }: NonNullable<Pattern['marks']>[number]): string {
  return [
    `Usual fault: ${sentenceOf(withinSentence(text))}`,
    cure && sentenceOf(cure),
    rescue && `If it happens: ${sentenceOf(withinSentence(rescue))}`,
  ]
    .filter(Boolean)
    .join(' ');
}

function choices({ pattern, dance }: Figure): string {
  if (!Array.isArray(pattern.exit) || pattern.exit.length < 2) return '';
  const holds = pattern.exit.map(id => escapeMarkdown(findHold(dance, id)?.name ?? id));
  return `At the end the leader chooses: ${holds.join(' or ')}.`;
}

function easierForm({ id }: Pattern, { library, met }: FigureTelling): string {
  const easier = [...library.patterns.values()].filter(
    other => other.variantOf === id && other.variantWhy === 'easier' && met.has(other.id),
  );
  return easier.length === 0
    ? ''
    : `An easier form: ${namesOf(
        library,
        easier.map(other => other.id),
      )}.`;
}
