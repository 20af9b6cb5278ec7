// What a recap tells of one figure, in Markdown paragraphs.
import type { Library } from '../library/library.ts';
import type { Pattern, Studio } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { printBeats } from '../model/fraction.ts';
import { needsOf } from '../model/needs.ts';
import { markCount, otherSchools } from '../steps/counts.ts';
import { figureCuts, stepsBefore } from '../steps/cuts.ts';
import type { Figure, FigurePart } from '../steps/figure.ts';
import { allExitHolds, entryHolds, findHold } from '../steps/holds.ts';
import { stepInWords } from '../steps/words.ts';
import { alsoCalled, countAs, countedBy } from './counted.ts';
import { likenessInWords } from './likeness-telling.ts';
import { tracksInWords } from './tracks-telling.ts';
import { allOf, namesOf, restOfSentence, sentenceOf, withinSentence } from './words.ts';

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
  /** What was said of all at once: how they are counted, in which hold they are danced. */
  readonly said?: { readonly count?: string | undefined; readonly hold?: string | undefined };
}

const MOST_OPENED = 3;

/** A figure whole: holds, counts, both parts, what it is like, its signal, fault, choices, easier form. */
export function tellFigure(figure: Figure, telling: FigureTelling): string[] {
  const { pattern } = figure;
  const { studio } = telling;
  const cues = marksOf(pattern, 'cue').map(({ text }) => withinSentence(text));
  return paragraphs([
    whatItOpens(pattern, telling),
    [heldInWords(figure, telling), handsInWords(figure), countedWhole(figure, telling)]
      .filter(Boolean)
      .join(' '),
    ...figure.parts.map(part => partInWords(figure, part, studio)),
    tracksInWords(figure, studio),
    likenessInWords(figure, telling.known, telling),
    ...(cues.length > 0 ? [`Think of this: ${cues.join('; ')}.`] : []),
    toldApart(pattern, telling),
    ...marksOf(pattern, 'fault').map(faultInWords),
    easierForm(pattern, telling),
  ]);
}

/** The same of a figure that was only begun: how it is held and counted, and its steps, up to its first cut and where it goes on. */
export function tellBegun(figure: Figure, telling: FigureTelling): string[] {
  const [cut] = figureCuts(figure);
  const first = figure.parts[0]?.rhythm;
  // A drill is told where it is practised.
  if (!first) return [];
  const isNext = telling.next?.includes(figure.pattern.id) ?? true;
  return paragraphs([
    [heldInWords(figure, telling), countedWhole(figure, telling)].filter(Boolean).join(' '),
    ...figure.parts.map(part => partInWords(figure, part, telling.studio, cut?.event)),
    cut
      ? `It goes on from ${countAs(figure, first, cut.event, telling.studio)} ${isNext ? 'next time' : 'another evening'}.`
      : '',
  ]);
}

/** The same for who takes a class tonight, a line each: hold and count, both parts, the signal and the usual fault; Markdown. */
export function tellBriefly(figure: Figure, studio: Studio): string {
  const signals = marksOf(figure.pattern, 'signal').map(({ text }) => `Its signal: ${restOfSentence(text)}`);
  const faults = marksOf(figure.pattern, 'fault').map(faultInWords);
  const lines = [
    [holdsInWords(figure), handsInWords(figure), countedWhole(figure, { studio })].filter(Boolean).join(' '),
    ...figure.parts.map(part => partInWords(figure, part, studio)),
    [...signals, ...faults].join(' '),
  ];
  return lines.filter(Boolean).join('  \n');
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

function heldInWords(figure: Figure, { said }: FigureTelling): string {
  return said?.hold ? '' : holdsInWords(figure);
}

export function holdsInWords({ pattern, dance }: Figure): string {
  const names = (ids: readonly string[]) =>
    ids.map(id => `**${escapeMarkdown(findHold(dance, id)?.name ?? id)}**`).join(' or ');
  const [entries, exits] = [entryHolds(pattern), allExitHolds(pattern)];
  if (entries.length === 0) return '';
  const stays = pattern.exit === undefined || pattern.exit === 'same' || entries.join() === exits.join();
  if (stays) return `Danced in ${names(entries)}.`;
  const isChosen = Array.isArray(pattern.exit) && pattern.exit.length > 1;
  return `Begins in ${names(entries)}, ends in ${names(exits)}${isChosen ? ', as the leader chooses' : ''}.`;
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
  { studio, tellsOtherCounts = false, said }: Pick<FigureTelling, 'studio' | 'tellsOtherCounts' | 'said'>,
): string {
  if (figure.parts.length === 0 || said?.count) return '';
  const counts = `**${countedBy(figure, studio.counting)}**${alsoCalled(figure, studio.counting)}`;
  const others = tellsOtherCounts
    ? otherSchools(figure).map(({ school, labels }) => ` ${school} counts it **${labels.join(' ')}**.`)
    : [];
  if (figure.beats === null) return 'It has no set timing.';
  return `Counted ${counts}, ${printBeats(figure.beats)} beats.${others.join('')}`;
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
    step
      ? [
          `${time && figure.beats !== null ? countAs(figure, part.rhythm, time.event, studio) : ''} ${stepInWords(step)}`.trim(),
        ]
      : [],
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
    `Usual fault: ${restOfSentence(text)}`,
    cure && sentenceOf(cure),
    rescue && `If it happens: ${restOfSentence(rescue)}`,
  ]
    .filter(Boolean)
    .join(' ');
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
