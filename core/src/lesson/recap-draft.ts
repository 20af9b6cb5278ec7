import { figureName, type Library } from '../library/library.ts';
import type { Audience, Course, Log, LogResult, Pattern, Studio } from '../model/document.ts';
import { printBeats } from '../model/fraction.ts';
import { danceBeats, type Figure, type FigurePart, labelOf, otherSchools } from '../steps/figure.ts';
import { actionInWords, stepInWords } from '../steps/words.ts';
import { numberedCall, slowQuickCall } from '../timing/calls.ts';
import { cautionNotice, cautionsOf } from './cautions.ts';
import { standingLogs } from './progress.ts';

export interface RecapSource {
  readonly studio: Studio;
  /** Where the local rules stand. */
  readonly localRules?: string | undefined;
  /** True: other schools' counts stand beside the house's. */
  readonly tellsOtherCounts?: boolean;
  readonly course: Course;
  readonly library: Library;
  readonly lesson: number;
  readonly audience: Audience;
  /** The log of this lesson. */
  readonly logs: readonly Log[];
  /** What the lesson was to introduce, in order. */
  readonly introduced: readonly string[];
  /** What comes next week. */
  readonly next: readonly string[];
}

const RESULT_WORDS: Readonly<Record<LogResult, string>> = {
  solid: 'solid',
  shaky: 'shaky',
  touched: 'touched only',
  'not-reached': 'not reached',
};

/** The recap of a lesson as Markdown, drafted from its log. The same input gives the same text. */
export function draftRecap(source: RecapSource): string {
  const { library, lesson, audience } = source;
  const logs = standingLogs(source.logs).filter(log => log.lesson === lesson);
  const resultOf = new Map(logs.map(log => [log.pattern, log]));
  const isReached = (id: string) => (resultOf.get(id)?.result ?? 'not-reached') !== 'not-reached';
  const fresh = source.introduced.filter(isReached);
  const reviewed = logs.filter(({ pattern }) => !source.introduced.includes(pattern) && isReached(pattern));
  const name = (id: string) => figureName(library, id);
  const lines = [
    `# ${source.course.name}, lesson ${lesson} of ${source.course.lessons.length}`,
    ...section(
      'Reviewed',
      reviewed.map(
        ({ pattern, result }) =>
          `- ${name(pattern)}${audience === 'staff' ? `: ${RESULT_WORDS[result]}` : ''}`,
      ),
    ),
    ...fresh.flatMap(id => newItem(id, source)),
    ...section(
      'Practise at home',
      homework(fresh, reviewed, resultOf).map(id => `- ${name(id)}`),
    ),
    ...(audience === 'staff' ? staffSection(source.introduced, logs, name) : []),
    ...section(
      'Next week',
      source.next.map(id => `- ${name(id)}`),
    ),
  ];
  return `${lines
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()}\n`;
}

function section(title: string, lines: readonly string[]): string[] {
  return lines.length === 0 ? [] : ['', `## ${title}`, '', ...lines];
}

function newItem(id: string, source: RecapSource): string[] {
  const figure = source.library.readings.get(id)?.figure;
  if (!figure) return [];
  const { pattern } = figure;
  const marks = pattern.marks ?? [];
  const cues = marks.filter(({ kind }) => kind === 'cue').map(({ text }) => text);
  const cautions = cautionsOf(pattern, source.studio);
  return [
    ...section(`New: ${pattern.name}`, [wholeOnce(figure, source)]),
    ...figure.parts.flatMap(part => partLines(figure, part, source.studio)),
    ...(cues.length ? ['', `Think of: ${cues.join(' · ')}`] : []),
    ...lookalikeLines(pattern, source.library),
    ...faultLines(pattern),
    ...optionLines(figure),
    ...(cautions.length
      ? ['', ...cautions.map(text => `**Take care.** ${text}`), '', `*${cautionNotice(source.localRules)}*`]
      : []),
  ];
}

function wholeOnce(figure: Figure, { studio, tellsOtherCounts = false }: RecapSource): string {
  const counts = countedBy(figure, studio.counting);
  const others = tellsOtherCounts
    ? otherSchools(figure).map(({ school, labels }) => ` ${school} counts it **${labels.join(' ')}**.`)
    : [];
  const beats = figure.beats === null ? 'no set timing' : `${printBeats(figure.beats)} beats`;
  return figure.parts.length === 0 ? '' : `Counted **${counts}**, ${beats}.${others.join('')}`;
}

/** The figure as the house counts it; in numbers where it has no other way. */
function countedBy(figure: Figure, counting: Studio['counting']): string {
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

function partLines(figure: Figure, part: FigurePart, studio: Studio): string[] {
  const names = {
    lead: studio.roles?.lead ?? 'Leader',
    follow: studio.roles?.follow ?? 'Follower',
    solo: 'Steps',
  };
  const steps = part.steps.flatMap(({ step, time }) =>
    step ? [`${time ? labelOf(figure, part.rhythm, time.event) : ''} ${stepInWords(step)}`.trim()] : [],
  );
  return ['', `**${names[part.role]}:** ${steps.join(' · ')}`];
}

function lookalikeLines(pattern: Pattern, library: Library): string[] {
  const others = (pattern.lookalikes ?? []).flatMap(id => library.patterns.get(id)?.name ?? []);
  const signals = (pattern.marks ?? []).filter(({ kind }) => kind === 'signal').map(({ text }) => text);
  if (others.length === 0 && signals.length === 0) return [];
  const from = others.length ? `Tell it from ${others.join(', ')}: ` : 'Its signal: ';
  return ['', `${from}${signals.join('; ') || 'watch where it parts from the other'}`];
}

function faultLines(pattern: Pattern): string[] {
  return (pattern.marks ?? [])
    .filter(({ kind }) => kind === 'fault')
    .flatMap(({ text, cure }) => ['', `Usual fault: ${text}${cure ? ` Cure: ${cure}` : ''}`]);
}

function optionLines({ pattern, dance }: Figure): string[] {
  if (!Array.isArray(pattern.exit) || pattern.exit.length < 2) return [];
  const holds = pattern.exit.map(id => dance.holds.find(hold => hold.id === id)?.name ?? id);
  return ['', `At the end the leader chooses: ${holds.join(' or ')}.`];
}

/** New figures, and reviewed ones that were not solid. */
function homework(
  fresh: readonly string[],
  reviewed: readonly Log[],
  results: ReadonlyMap<string, Log>,
): string[] {
  const weak = reviewed.map(({ pattern }) => pattern).filter(id => results.get(id)?.result !== 'solid');
  return [...fresh, ...weak];
}

function staffSection(
  introduced: readonly string[],
  logs: readonly Log[],
  name: (id: string) => string,
): string[] {
  const unlogged = introduced.filter(id => !logs.some(({ pattern }) => pattern === id));
  return section('For the staff', [
    ...logs.map(({ pattern, result, minutes, note }) => {
      const time = minutes === undefined ? '' : `, ${minutes} min`;
      return `- ${name(pattern)}: ${RESULT_WORDS[result]}${time}${note ? `. ${note}` : ''}`;
    }),
    ...unlogged.map(id => `- ${name(id)}: not logged`),
  ]);
}
