import { standingLogs, standingNotes, standingPrepared } from '../class/standing.ts';
import { type EveningByLog, eveningByLog } from '../evening/evening-by-log.ts';
import type { Library } from '../library/library.ts';
import { elementsOf } from '../likeness/taught-elements.ts';
import type { Pattern } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { isOnlyPractised } from '../model/only-practised.ts';
import { hasWholeWords } from '../model/whole-words.ts';
import { cautionLines } from './cautions.ts';
import { type FigureTelling, tellBegun, tellFigure } from './figure-telling.ts';
import { nextTimeInWords } from './next-time.ts';
import { practiceLines } from './practice.ts';
import type { RecapSource } from './recap-source.ts';
import { everythingOnce, keepDancing, sharedCount } from './series-telling.ts';
import { staffLines } from './staff-telling.ts';
import { allOf, namesOf, sentenceOf, withinSentence } from './words.ts';

/**
 * The recap of a lesson as Markdown, drafted from its log: one text, in which each thing is told once. The same input gives the
 * same text.
 */
export function draftRecap(source: RecapSource): string {
  const { course, library, lesson, audience, studio, localRules, logs } = source;
  const evening = eveningByLog(logs, lesson, source.introduced, Object.keys(source.supposed ?? {}));
  const isLast = lesson === course.lessons.length;
  const lines = [
    `# ${escapeMarkdown(course.name)}, lesson ${lesson} of ${course.lessons.length}`,
    '',
    whereItIs(source),
    '',
    theEvening(source, evening),
    ...figureSections(source, evening),
    ...(isLast ? wholeSeries(source) : []),
    ...section('Practise at home', isLast ? [] : practiceLines(evening, library)),
    ...section(
      'Take care',
      cautionLines(patternsOf(library, [...evening.fresh, ...evening.begun]), { studio, localRules }),
    ),
    ...(audience === 'staff' ? section('For the staff', staffLines(source, evening)) : []),
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

/** Which dance and level, and where the series is; what the title says is not said again. */
function whereItIs({ course, library, lesson }: RecapSource): string {
  const dances = course.dances.map(id => library.dances.get(id)?.name ?? id).join(', ');
  const level = library.levels.get(course.level ?? '')?.name;
  const said = [
    dances,
    level === course.name ? undefined : level,
    `week ${lesson} of ${course.lessons.length}`,
  ];
  return `*${said.flatMap(words => (words ? [escapeMarkdown(words)] : [])).join(' · ')}*`;
}

/** The evening in a few sentences: what it was about, what was gone over again, what was begun, to which music, and what besides. */
function theEvening(source: RecapSource, evening: EveningByLog): string {
  const { library } = source;
  const { fresh, begun, reviewed } = evening;
  const isFinished = begunBefore(evening, source);
  const [news, finished] = [fresh.filter(id => !isFinished.has(id)), fresh.filter(id => isFinished.has(id))];
  const again = reviewed.map(({ pattern }) => pattern);
  const sentences = [
    news.length > 0 && `Tonight was about ${namesOf(library, news)}.`,
    finished.length > 0 && `${news.length > 0 ? 'We' : 'Tonight we'} finished ${namesOf(library, finished)}.`,
    fresh.length === 0 && begun.length > 0 && `Tonight we began ${namesOf(library, begun)}.`,
    again.length > 0 &&
      (fresh.length + begun.length > 0
        ? `We went over ${namesOf(library, again)} again.`
        : `Tonight we danced what we know: ${namesOf(library, again)}.`),
    fresh.length > 0 &&
      begun.length > 0 &&
      `${namesOf(library, begun)} ${begun.length === 1 ? 'is' : 'are'} begun.`,
    ...preparedSentences(source),
    ...musicSentences(source),
    ...elseSentences(source),
  ];
  return sentences.filter(Boolean).join(' ');
}

/** Figures that an evening before touched, or had the pieces of. */
function begunBefore({ known }: EveningByLog, { logs, lesson }: RecapSource): ReadonlySet<string> {
  const touched = standingLogs(logs).flatMap(({ pattern, lesson: at, result }) =>
    at < lesson && result === 'touched' ? [pattern] : [],
  );
  return new Set([...touched, ...known]);
}

/** A section for each figure that is new, finished or begun; the count is said before them where all share it. */
function figureSections(source: RecapSource, evening: EveningByLog): readonly string[] {
  const { library, studio, course, next } = source;
  const { fresh, begun, known } = evening;
  const isFinished = begunBefore(evening, source);
  const told = [...fresh, ...begun];
  const figures = told.flatMap(id => library.readings.get(id)?.figure ?? []);
  const shared = sharedCount(figures, studio.counting);
  const order = library.levels.get(course.level ?? '')?.order;
  const below = [...library.patterns.values()].filter(({ level }) => {
    const at = library.levels.get(level ?? '')?.order;
    return at !== undefined && order !== undefined && at < order;
  });
  const had = [...below.map(({ id }) => id), ...known];
  const planned = source.planned ?? course.items.map(({ pattern }) => pattern);
  const met = new Set([...had, ...told, ...planned]);
  const telling = (index: number): FigureTelling => ({
    ...{
      studio,
      library,
      met,
      known: [...had, ...told.slice(0, index)],
      isCounted: shared !== undefined,
      next,
    },
    tellsOtherCounts: source.tellsOtherCounts ?? false,
  });
  return [
    ...(shared === undefined ? [] : ['', `All are counted **${shared}**.`]),
    ...told.flatMap((id, index) => {
      const figure = library.readings.get(id)?.figure;
      if (!figure) return [];
      const title = begun.includes(id) ? 'Begun' : isFinished.has(id) ? 'Finished' : 'New';
      const tell = begun.includes(id) ? tellBegun : tellFigure;
      const isHalf = title === 'New' && figure.pattern.overTwoLessons && next.includes(id);
      return section(`${title}: ${escapeMarkdown(figure.pattern.name)}`, [
        ...tell(figure, telling(index)).slice(1),
        ...(isHalf ? ['', 'Tonight its pieces; next time they are joined.'] : []),
        ...(title === 'Finished' && known.includes(id) ? ['', 'Its pieces are joined now.'] : []),
      ]);
    }),
  ];
}

/** What was taught ahead of next time. */
function preparedSentences({ logs, lesson, course, library }: RecapSource): readonly string[] {
  const elements = elementsOf(
    library,
    course.items.map(({ pattern }) => pattern),
  );
  const names = standingPrepared(logs)
    .filter(log => log.lesson === lesson && log.result !== 'not-reached')
    .map(({ element }) => withinSentence(elements.get(element)?.name ?? element));
  return names.length === 0 ? [] : [`For next time we also tried this: ${allOf(names)}.`];
}

/** At which tempo it was danced to music. */
function musicSentences({ notes = [], lesson }: RecapSource): readonly string[] {
  const tempos = standingNotes(notes).flatMap(note =>
    note.lesson === lesson && note.kind === 'song' && note.tempo ? [note.tempo] : [],
  );
  const each = [...new Set(tempos)].sort((a, b) => a - b).map(String);
  return each.length === 0 ? [] : [`We danced to music at ${allOf(each)} beats a minute.`];
}

/** What else was done, in the words of who noted it; for students without those that name one of them. */
function elseSentences({ notes = [], lesson, audience, students = [] }: RecapSource): readonly string[] {
  const given = students.map(({ name }) => name.split(' ')[0] ?? name);
  const isNaming = (text: string) => given.some(name => hasWholeWords(text, name));
  return standingNotes(notes)
    .filter(note => note.lesson === lesson && note.kind === 'else')
    .filter(({ text }) => audience === 'staff' || !isNaming(text))
    .map(({ text }) => sentenceOf(text));
}

/** At the end of a series. */
function wholeSeries({ course, library, logs, lesson, studio, wrapUp }: RecapSource): readonly string[] {
  const taught = new Set(
    standingLogs(logs).flatMap(({ pattern, lesson: at, result }) =>
      at <= lesson && result !== 'not-reached' && !isOnlyPractised(library.patterns.get(pattern))
        ? [pattern]
        : [],
    ),
  );
  const series = { course, library, studio, taught, wrapUp };
  return [
    ...section('Everything once', everythingOnce(series)),
    ...section('Keep dancing', keepDancing(series)),
  ];
}
