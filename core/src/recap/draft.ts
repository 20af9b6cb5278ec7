import { standingLogs } from '../class/standing.ts';
import { type EveningByLog, eveningByLog } from '../evening/evening-by-log.ts';
import { figuresBelow } from '../library/figures-below.ts';
import type { Library } from '../library/library.ts';
import type { Pattern } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { isOnlyPractised } from '../model/only-practised.ts';
import { cautionLines } from './cautions.ts';
import { broughtBy, eveningInWords } from './evening-telling.ts';
import { type FigureTelling, tellBegun, tellFigure } from './figure-telling.ts';
import { nextTimeInWords } from './next-time.ts';
import { practiceLines, practised } from './practice.ts';
import type { RecapSource } from './recap-source.ts';
import { everythingOnce, keepDancing, type SharedTelling, sharedBy } from './series-telling.ts';
import { staffLines } from './staff-telling.ts';
import { dateInWords } from './words.ts';

/**
 * The recap of a lesson as Markdown, drafted from its log: one text, in which each thing is told once. The same input gives the
 * same text.
 */
export function draftRecap(source: RecapSource): string {
  const { course, library, lesson, audience, studio, localRules, logs } = source;
  const evening = eveningByLog(logs, lesson, source.introduced, Object.keys(source.supposed ?? {}));
  const isLast = lesson === course.lessons.length;
  const atHome = isLast ? [] : practised(evening, library);
  const shown = isLast ? everyFigureTaught(source) : [...evening.fresh, ...evening.begun, ...atHome];
  const lines = [
    `# ${escapeMarkdown(course.name)}, lesson ${lesson} of ${course.lessons.length}`,
    '',
    whereItIs(source),
    '',
    eveningInWords(source, evening),
    // Colleagues look for it first.
    ...(audience === 'staff' ? section('For the staff', staffLines(source, evening)) : []),
    ...figureSections(source, evening),
    ...(isLast ? wholeSeries(source, evening) : []),
    ...section('Practise at home', practiceLines(atHome, evening, library)),
    ...section('Take care', cautionLines(patternsOf(library, [...new Set(shown)]), { studio, localRules })),
    ...section('Next time', [nextTimeInWords(source, evening)].filter(Boolean)),
  ];
  return `${lines
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()}\n`;
}

function section(title: string, lines: readonly string[]): string[] {
  return lines.length === 0 ? [] : ['', `## ${title}`, '', ...lines];
}

function patternsOf(library: Library, ids: readonly string[]): readonly Pattern[] {
  return ids.flatMap(id => library.patterns.get(id) ?? []);
}

/** Which dance and level, and which day; what the title says is not said again. */
function whereItIs({ course, library, lesson, dates = [] }: RecapSource): string {
  const names = [
    ...course.dances.map(id => library.dances.get(id)?.name ?? id),
    library.levels.get(course.level ?? '')?.name ?? '',
  ].filter(name => !course.name.includes(name));
  const day = dates[lesson - 1];
  const said = [...names.map(escapeMarkdown), ...(day ? [dateInWords(day)] : [])];
  return said.length === 0 ? '' : `*${said.join(' · ')}*`;
}

/**
 * A section for each figure that is new, finished or begun tonight; the count is said before them where all share it. What
 * went on without an end was told when it was begun.
 */
function figureSections(source: RecapSource, evening: EveningByLog): readonly string[] {
  const { library, studio, next } = source;
  const { news, finished, started } = broughtBy(evening, source);
  const told = [...evening.fresh.filter(id => [...news, ...finished].includes(id)), ...started];
  const figures = told.flatMap(id => library.readings.get(id)?.figure ?? []);
  const said = sharedBy(figures, studio);
  const tellingAt = tellingOf(source, evening, told);
  return [
    ...saidOfAll(said),
    ...told.flatMap((id, index) => {
      const figure = library.readings.get(id)?.figure;
      if (!figure) return [];
      const title = started.includes(id) ? 'Begun' : finished.includes(id) ? 'Finished' : 'New';
      const tell = title === 'Begun' ? tellBegun : tellFigure;
      const isHalf = title === 'New' && figure.pattern.overTwoLessons && next.includes(id);
      const telling = { ...tellingAt(index), said };
      return section(`${title}: ${escapeMarkdown(figure.pattern.name)}`, [
        ...tell(figure, telling).slice(1),
        ...(isHalf ? ['', 'Tonight its pieces; next time they are joined.'] : []),
        ...(title === 'Finished' && evening.known.includes(id) ? ['', 'Its pieces are joined now.'] : []),
      ]);
    }),
  ];
}

/** `Both are danced in **Close** and counted **1 2 3**.` */
function saidOfAll({ figures, hold, count }: SharedTelling): readonly string[] {
  const ways = [hold && `danced in ${hold}`, count && `counted ${count}`].filter(Boolean);
  return ways.length === 0 ? [] : ['', `${figures === 2 ? 'Both' : 'All'} are ${ways.join(' and ')}.`];
}

/** What each of the figures told may be likened to, and which others may be named beside it. */
function tellingOf(
  { course, library, studio, next, planned, tellsOtherCounts = false }: RecapSource,
  { known }: EveningByLog,
  told: readonly string[],
): (index: number) => FigureTelling {
  const had = [...figuresBelow(library, course.level).map(({ id }) => id), ...known];
  const met = new Set([...had, ...told, ...(planned ?? course.items.map(({ pattern }) => pattern))]);
  return index => ({
    ...{ studio, library, met, next, tellsOtherCounts },
    known: [...had, ...told.slice(0, index)],
  });
}

function everyFigureTaught({ library, logs, lesson }: RecapSource): readonly string[] {
  const taught = standingLogs(logs).flatMap(({ pattern, lesson: at, result }) =>
    at <= lesson && result !== 'not-reached' && !isOnlyPractised(library.patterns.get(pattern))
      ? [pattern]
      : [],
  );
  return [...new Set(taught)];
}

/** At the end of a series. */
function wholeSeries(source: RecapSource, { fresh }: EveningByLog): readonly string[] {
  const { course, library, studio, wrapUp } = source;
  const taught = new Set(everyFigureTaught(source));
  const series = { course, library, studio, taught, told: new Set(fresh), wrapUp };
  return [
    ...section('Everything once', everythingOnce(series)),
    ...section('Keep dancing', keepDancing(series)),
  ];
}
