import { missedFigures } from '../class/missed.ts';
import { standingLogs, standingNotes, standingPrepared, standingPresence } from '../class/standing.ts';
import { type EveningByLog, eveningByLog } from '../evening/evening-by-log.ts';
import { figureName, type Library } from '../library/library.ts';
import { elementsOf } from '../likeness/taught-elements.ts';
import type {
  Attendance,
  Audience,
  Course,
  FigureLog,
  LessonNote,
  Log,
  LogResult,
  Pattern,
  Studio,
} from '../model/document.ts';
import { groupBy } from '../model/group-by.ts';
import { hasWholeWords } from '../model/whole-words.ts';
import type { Placed } from '../plan/problem.ts';
import { countedBy, type FigureTelling, tellBegun, tellFigure } from './figure-telling.ts';
import { seriesOrder } from './series-order.ts';

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
  /** All entries of the class; those of later lessons are passed over. */
  readonly logs: readonly Log[];
  readonly notes?: readonly LessonNote[];
  readonly attendance?: readonly Attendance[];
  /** Names of the students of the class: none of them comes into the text for students. */
  readonly students?: readonly { readonly id: string; readonly name: string }[];
  /** What the lesson was to introduce, in the order of the evening, and for how many tenths of a minute each. */
  readonly introduced: readonly string[];
  readonly minutes?: { readonly [pattern: string]: number };
  /** Figures of lessons before of which nobody wrote, by their lesson: they are taken as danced. */
  readonly supposed?: Placed;
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
  const { course, library, lesson, audience } = source;
  const evening = eveningByLog(source.logs, lesson, source.introduced, Object.keys(source.supposed ?? {}));
  const name = (id: string) => figureName(library, id);
  const list = (ids: readonly string[]) => ids.map(id => `- ${name(id)}`);
  const telling = (known: readonly string[]): FigureTelling => ({ ...source, known });
  const figureOf = (id: string) => library.readings.get(id)?.figure;
  const isLast = lesson === course.lessons.length;
  const lines = [
    `# ${course.name}, lesson ${lesson} of ${course.lessons.length}`,
    '',
    whereItIs(source),
    ...section(
      'Reviewed',
      evening.reviewed.map(log => reviewLine(log, source)),
    ),
    ...evening.fresh.flatMap(id => {
      const figure = figureOf(id);
      return figure ? section(`New: ${name(id)}`, tellFigure(figure, telling(evening.known)).slice(1)) : [];
    }),
    ...evening.begun.flatMap(id => {
      const figure = figureOf(id);
      return figure ? section(`Begun: ${name(id)}`, tellBegun(figure, telling(evening.known)).slice(1)) : [];
    }),
    ...section('Still to come', list(evening.missed)),
    ...section('We also did', [...preparedLines(source), ...elseLines(source)]),
    ...(isLast ? wholeSeries(source) : []),
    ...section('Practise at home', homework(evening, source)),
    ...(audience === 'staff' ? staffSection(source, evening) : []),
    ...section('Next week', list(source.next)),
  ];
  return `${lines
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()}\n`;
}

function section(title: string, lines: readonly string[]): string[] {
  return lines.length === 0 ? [] : ['', `## ${title}`, '', ...lines];
}

/** Which dance and level, and where the series is. */
function whereItIs({ course, library, lesson }: RecapSource): string {
  const dances = course.dances.map(id => library.dances.get(id)?.name ?? id).join(', ');
  const level = library.levels.get(course.level ?? '')?.name;
  return `*${[dances, level, `week ${lesson} of ${course.lessons.length}`].filter(Boolean).join(' · ')}*`;
}

function reviewLine({ pattern, result }: FigureLog, { library, audience }: RecapSource): string {
  return `- ${figureName(library, pattern)}${audience === 'staff' ? `: ${RESULT_WORDS[result]}` : ''}`;
}

/** What was taught ahead of next time. */
function preparedLines({ logs, lesson, course, library, audience }: RecapSource): string[] {
  const elements = elementsOf(
    library,
    course.items.map(({ pattern }) => pattern),
  );
  return standingPrepared(logs)
    .filter(log => log.lesson === lesson && log.result !== 'not-reached')
    .map(({ element, result }) => {
      const name = elements.get(element)?.name ?? element;
      return `- ${name}, for next time${audience === 'staff' ? `: ${RESULT_WORDS[result]}` : ''}`;
    });
}

/** Words of something else that was done; for students without those that name one of them. */
function elseLines({ notes = [], lesson, audience, students = [] }: RecapSource): string[] {
  const given = students.map(({ name }) => name.split(' ')[0] ?? name);
  const isNaming = (text: string) => given.some(name => hasWholeWords(text, name));
  return standingNotes(notes)
    .filter(note => note.lesson === lesson && note.kind === 'else')
    .filter(({ text }) => audience === 'staff' || !isNaming(text))
    .map(({ text }) => `- ${oneLine(text)}`);
}

function oneLine(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}

/** New figures, what was begun, and reviewed ones that were not solid: how to practise each. */
function homework({ fresh, begun, reviewed }: EveningByLog, { library }: RecapSource): string[] {
  const weak = reviewed.flatMap(({ pattern, result }) => (result === 'solid' ? [] : [pattern]));
  const drills = [...library.patterns.values()].filter(
    ({ kind, grades }) => kind === 'drill' && grades?.length,
  );
  return [...fresh, ...begun, ...weak].map(id => {
    const drill = drills.find(({ over }) => over === id);
    return `- ${figureName(library, id)}: ${drill ? gradesOf(drill) : waysOf(library.patterns.get(id))}`;
  });
}

function gradesOf({ name, grades = [] }: Pattern): string {
  return `with ${name}: ${grades.join(', then ')}`;
}

function waysOf(pattern: Pattern | undefined): string {
  if (pattern?.grades?.length) return pattern.grades.join(', then ');
  return 'first without music, then with music';
}

/** At the end of a series everything once, in an order that connects, counted; what to keep, and what builds on it. */
function wholeSeries({ course, library, logs, lesson, studio }: RecapSource): string[] {
  const taught = new Set(
    standingLogs(logs).flatMap(({ pattern, lesson: at, result }) =>
      at <= lesson && result !== 'not-reached' ? [pattern] : [],
    ),
  );
  const figures = course.items.flatMap(({ pattern }) => {
    const figure = library.readings.get(pattern)?.figure;
    return figure && taught.has(pattern) ? [figure] : [];
  });
  const order = seriesOrder(figures).map(({ figure, follows }) => {
    const anew = follows ? '' : ' (begin anew)';
    return `- ${figure.pattern.name}${anew}: **${countedBy(figure, studio.counting)}**`;
  });
  const own = library.levels.get(course.level ?? '');
  const above = [...library.levels.values()]
    .filter(level => own && level.dance === own.dance && level.order > own.order)
    .sort((a, b) => a.order - b.order)[0];
  const builds = [...library.patterns.values()]
    .filter(({ level }) => above && level === above.id)
    .flatMap(({ needs = [] }) => needs)
    .filter(id => taught.has(id));
  return [
    ...section('Everything once', order),
    ...section(
      'Keep dancing',
      [...new Set(builds)].map(id => `- ${figureName(library, id)}`),
    ),
    ...(above && builds.length > 0 ? ['', `${above.name} builds on these.`] : []),
  ];
}

/** What the next teacher begins with. */
function goOnWith(
  missed: readonly string[],
  begun: readonly string[],
  name: (id: string) => string,
): string[] {
  const told = [...missed.map(id => `${name(id)} (not reached)`), ...begun.map(id => `${name(id)} (begun)`)];
  return told.length === 0 ? [] : [`- Go on with ${told.join(', ')}`];
}

/** Evenings of which nobody wrote. */
function takenAsPlanned({ supposed = {} }: RecapSource, name: (id: string) => string): string[] {
  return [...groupBy(Object.keys(supposed), id => supposed[id] ?? 0)].map(
    ([lesson, ids]) =>
      `- Nothing was written of lesson ${lesson}: it is taken as planned (${ids.map(name).join(', ')})`,
  );
}

/** What colleagues need besides: results, minutes, who was away, what was noted, what was not logged. */
function staffSection(source: RecapSource, { logs, begun, missed }: EveningByLog): string[] {
  const { introduced, library, lesson, minutes = {}, attendance = [], students = [], notes = [] } = source;
  const name = (id: string) => figureName(library, id);
  const unlogged = introduced.filter(id => !logs.some(({ pattern }) => pattern === id));
  const away = standingPresence(attendance)
    .filter(entry => entry.lesson === lesson && !entry.here)
    .map(({ student }) => student);
  const lacking = missedFigures(
    source.logs.filter(log => log.lesson <= lesson),
    attendance.filter(entry => entry.lesson <= lesson),
  );
  return section('For the staff', [
    ...logs.map(({ pattern, result, minutes: taken, note }) => {
      const planned = minutes[pattern];
      const over =
        taken !== undefined && planned !== undefined ? `, planned ${Math.round(planned) / 10}` : '';
      const time = taken === undefined ? '' : `, ${taken} min${over}`;
      return `- ${name(pattern)}: ${RESULT_WORDS[result]}${time}${note ? `. ${oneLine(note)}` : ''}`;
    }),
    ...unlogged.map(id => `- ${name(id)}: not logged`),
    ...goOnWith(missed, begun, name),
    ...takenAsPlanned(source, name),
    ...away.map(id => {
      const student = students.find(one => one.id === id)?.name ?? id;
      return `- Away: ${student}, lacks ${(lacking.get(id) ?? []).map(name).join(', ') || 'nothing'}`;
    }),
    ...standingNotes(notes)
      .filter(note => note.lesson === lesson && note.kind !== 'else')
      .map(({ kind, text, tempo }) =>
        kind === 'song'
          ? `- Song: ${oneLine(text)}${tempo ? `, ${tempo} beats a minute` : ''}`
          : `- ${oneLine(text)}`,
      ),
  ]);
}
