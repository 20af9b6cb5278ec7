// What a recap tells of one figure, in Markdown paragraphs.
import { isOffered, type Library } from '../library/library.ts';
import { comparisonInWords, nearestFigures } from '../likeness/compare.ts';
import type { Pattern, Studio } from '../model/document.ts';
import { printBeats } from '../model/fraction.ts';
import { needsOf } from '../model/needs.ts';
import { labelOf, markCount, otherSchools } from '../steps/counts.ts';
import { danceBeats, type Figure, type FigurePart } from '../steps/figure.ts';
import { allExitHolds, entryHolds, findHold } from '../steps/holds.ts';
import { actionInWords, stepInWords } from '../steps/words.ts';
import { numberedCall, slowQuickCall } from '../timing/calls.ts';
import { cautionNotice, cautionsOf } from './cautions.ts';

export interface FigureTelling {
  readonly studio: Studio;
  readonly localRules?: string | undefined;
  /** True: other schools' counts stand beside the house's. */
  readonly tellsOtherCounts?: boolean;
  readonly library: Library;
  /** Figures that the class knows: one of them is what a new one is likened to. */
  readonly known: readonly string[];
}

const MOST_OPENED = 3;
/** Likened only to what it shares half of its steps with. */
const LIKENED_UNDER = 0.5;

/** A figure whole: holds, counts, both parts, what it is like, its signal, fault, choices, easier form and cautions. */
export function tellFigure(figure: Figure, telling: FigureTelling): string[] {
  const { pattern } = figure;
  const { studio, library } = telling;
  const cues = marksOf(pattern, 'cue').map(({ text }) => text);
  const cautions = cautionsOf(pattern, studio);
  return paragraphs([
    whatItOpens(pattern, library),
    holdsInWords(figure),
    handsInWords(figure),
    countedWhole(figure, telling),
    ...figure.parts.map(part => partInWords(figure, part, studio)),
    likenedTo(figure, telling),
    ...(cues.length > 0 ? [`Think of: ${cues.join(' · ')}`] : []),
    toldApart(pattern, library),
    ...marksOf(pattern, 'fault').map(faultInWords),
    choices(figure),
    easierForm(pattern, library),
    ...cautions.map(text => `**Take care.** ${text}`),
    ...(cautions.length > 0 ? [`*${cautionNotice(telling.localRules)}*`] : []),
  ]);
}

/** The same of a figure that was only begun: how it is held and counted. */
export function tellBegun(figure: Figure, telling: FigureTelling): string[] {
  return paragraphs([
    'It goes on next time.',
    holdsInWords(figure),
    countedWhole(figure, telling),
    ...cautionsOf(figure.pattern, telling.studio).map(text => `**Take care.** ${text}`),
  ]);
}

function paragraphs(lines: readonly string[]): string[] {
  return lines.filter(Boolean).flatMap(line => ['', line]);
}

function marksOf({ marks = [] }: Pattern, kind: 'cue' | 'signal' | 'fault') {
  return marks.filter(mark => mark.kind === kind);
}

/** What a figure is for: the figures of the house that need it. */
function whatItOpens({ id, dance }: Pattern, { patterns }: Library): string {
  const opens = [...patterns.values()].filter(
    other =>
      other.dance === dance && needsOf(other).includes(id) && isOffered(other) && other.kind !== 'drill',
  );
  if (opens.length === 0) return '';
  const names = opens.slice(0, MOST_OPENED).map(({ name }) => name);
  return `You need it for ${names.join(', ')}${opens.length > MOST_OPENED ? ' and more' : ''}.`;
}

function holdsInWords({ pattern, dance }: Figure): string {
  const names = (ids: readonly string[]) =>
    ids.map(id => `**${findHold(dance, id)?.name ?? id}**`).join(' or ');
  const [entries, exits] = [entryHolds(pattern), allExitHolds(pattern)];
  if (entries.length === 0) return '';
  const stays = pattern.exit === undefined || pattern.exit === 'same' || entries.join() === exits.join();
  return stays ? `Danced in ${names(entries)}.` : `Begins in ${names(entries)}, ends in ${names(exits)}.`;
}

/** How the hands go where the hold changes, in the teacher's own words. */
function handsInWords(figure: Figure): string {
  const ways = (figure.pattern.marks ?? []).filter(({ kind }) => kind === 'hold');
  const told = ways.map(({ event, text }) =>
    event === undefined ? text : `on ${markCount(figure, event)} ${text}`,
  );
  return told.length === 0 ? '' : `Hands: ${told.join('; ')}.`;
}

function countedWhole(figure: Figure, { studio, tellsOtherCounts = false }: FigureTelling): string {
  if (figure.parts.length === 0) return '';
  const counts = countedBy(figure, studio.counting);
  const others = tellsOtherCounts
    ? otherSchools(figure).map(({ school, labels }) => ` ${school} counts it **${labels.join(' ')}**.`)
    : [];
  const beats = figure.beats === null ? 'no set timing' : `${printBeats(figure.beats)} beats`;
  return `Counted **${counts}**, ${beats}.${others.join('')}`;
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

function partInWords(figure: Figure, part: FigurePart, studio: Studio): string {
  const names = { lead: 'Leader', follow: 'Follower', solo: 'Steps', ...studio.roles };
  const steps = part.steps.flatMap(({ step, time }) =>
    step ? [`${time ? labelOf(figure, part.rhythm, time.event) : ''} ${stepInWords(step)}`.trim()] : [],
  );
  return `**${names[part.role]}:** ${steps.join(' · ')}`;
}

/** What is the same as in a figure that the class knows. */
function likenedTo(figure: Figure, { library, known, studio }: FigureTelling): string {
  const others = known.flatMap(id => {
    const other = library.readings.get(id)?.figure;
    return other && other.dance.id === figure.dance.id ? [other] : [];
  });
  const [nearest] = nearestFigures(figure, others, 1);
  if (!nearest || nearest.novelty >= LIKENED_UNDER) return '';
  return `You know most of it: ${comparisonInWords(figure, nearest.figure, studio.roles)}.`;
}

function toldApart(pattern: Pattern, { patterns }: Library): string {
  const others = (pattern.lookalikes ?? []).flatMap(id => patterns.get(id)?.name ?? []);
  const signals = marksOf(pattern, 'signal').map(({ text }) => text);
  if (others.length === 0 && signals.length === 0) return '';
  const from = others.length > 0 ? `Tell it from ${others.join(', ')}: ` : 'Its signal: ';
  return `${from}${signals.join('; ') || 'watch where it parts from the other'}`;
}

function faultInWords({ text, cure, rescue }: NonNullable<Pattern['marks']>[number]): string {
  return [`Usual fault: ${text}`, cure && `Cure: ${cure}`, rescue && `If it happens: ${rescue}`]
    .filter(Boolean)
    .join(' ');
}

function choices({ pattern, dance }: Figure): string {
  if (!Array.isArray(pattern.exit) || pattern.exit.length < 2) return '';
  const holds = pattern.exit.map(id => findHold(dance, id)?.name ?? id);
  return `At the end the leader chooses: ${holds.join(' or ')}.`;
}

function easierForm({ id }: Pattern, { patterns }: Library): string {
  const easier = [...patterns.values()].filter(
    ({ variantOf, variantWhy, retired }) => variantOf === id && variantWhy === 'easier' && !retired,
  );
  return easier.length === 0 ? '' : `An easier form: ${easier.map(({ name }) => name).join(', ')}.`;
}
