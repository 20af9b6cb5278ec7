// What colleagues need besides: what to do first, results, minutes, who was away, what was noted, what was not logged.
import { missedFigures } from '../class/missed.ts';
import { standingNotes, standingPresence } from '../class/standing.ts';
import type { EveningByLog } from '../evening/evening-by-log.ts';
import { figureName } from '../library/library.ts';
import type { LogResult } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { groupBy } from '../model/group-by.ts';
import type { RecapSource } from './recap-source.ts';
import { allOf, namesOf, sentenceOf } from './words.ts';

export const RESULT_WORDS: Readonly<Record<LogResult, string>> = {
  solid: 'solid',
  shaky: 'shaky',
  touched: 'touched only',
  'not-reached': 'not reached',
};

export function staffLines(source: RecapSource, evening: EveningByLog): readonly string[] {
  const { introduced, library, lesson, minutes = {}, notes = [] } = source;
  const { logs } = evening;
  const name = (id: string) => escapeMarkdown(figureName(library, id));
  const unlogged = introduced.filter(id => !logs.some(({ pattern }) => pattern === id));
  return [
    ...doFirst(source, evening, name),
    ...whatMoved(source, evening, name),
    ...whoStoodIn(source),
    ...logs.map(({ pattern, result, minutes: taken, note }) => {
      const planned = minutes[pattern];
      const over =
        taken !== undefined && planned !== undefined ? `, planned ${Math.round(planned / 10)}` : '';
      const time = taken === undefined ? '' : `, ${taken} min${over}`;
      return `- ${name(pattern)}: ${RESULT_WORDS[result]}${time}.${note ? ` ${sentenceOf(note)}` : ''}`;
    }),
    ...unlogged.map(id => `- ${name(id)}: not logged.`),
    ...takenAsPlanned(source),
    ...whoWasAway(source),
    ...standingNotes(notes)
      .filter(note => note.lesson === lesson && note.kind !== 'else')
      .map(({ kind, text, tempo }) =>
        kind === 'song'
          ? `- Song: ${escapeMarkdown(text)}${tempo ? `, ${tempo} beats a minute` : ''}.`
          : `- ${sentenceOf(text)}`,
      ),
  ];
}

/** What the next teacher begins with. */
function doFirst(
  { next }: RecapSource,
  { missed, begun, touched, fresh }: EveningByLog,
  name: (id: string) => string,
): readonly string[] {
  const open = [...begun, ...touched.filter(id => ![...begun, ...fresh].includes(id))];
  const told = [
    ...open.filter(id => next.includes(id)).map(id => `${name(id)} (begun)`),
    ...missed.filter(id => next.includes(id) && !open.includes(id)).map(id => `${name(id)} (not reached)`),
  ];
  return told.length === 0 ? [] : [`- First next time: go on with ${allOf(told)}.`];
}

/** Where what was to come has gone, and why. */
function whatMoved(
  { library, next, moved = [] }: RecapSource,
  { missed, begun }: EveningByLog,
  name: (id: string) => string,
): readonly string[] {
  const told = moved.filter(
    ({ pattern }) => !(next.includes(pattern) && [...missed, ...begun].includes(pattern)),
  );
  if (told.length === 0) return [];
  const byLesson = groupBy(told, ({ to }) => to);
  const ways = [...byLesson].map(([to, figures]) => {
    const names = namesOf(
      library,
      figures.map(({ pattern }) => pattern),
    );
    const from = figures[0]?.from;
    if (to === undefined) return `${names} ${figures.length === 1 ? 'has' : 'have'} no lesson any more`;
    return figures.length === 1 && from !== undefined
      ? `${names} from lesson ${from} to ${to}`
      : `${names} to lesson ${to}`;
  });
  const why = [
    missed.length > 0 && `${allOf(missed.map(name))} ${missed.length === 1 ? 'was' : 'were'} not reached`,
    begun.length > 0 && `${allOf(begun.map(name))} ${begun.length === 1 ? 'is' : 'are'} only begun`,
  ].filter(Boolean);
  const because = why.length === 0 ? '' : `, as ${why.join(' and ')}`;
  return [`- The plan has moved${because}: ${ways.join('; ')}.`];
}

/** `Paz Lindmark stood in, wrote the log and gave 12 marks.` */
function whoStoodIn({ stoodIn = [] }: RecapSource): readonly string[] {
  return stoodIn.map(({ name, logs, marks }) => {
    const did = [
      'stood in',
      ...(logs > 0 ? ['wrote the log'] : []),
      ...(marks > 0 ? [`gave ${marks === 1 ? 'a mark' : `${marks} marks`}`] : []),
    ];
    return `- ${escapeMarkdown(name)} ${allOf(did)}.`;
  });
}

/** Evenings of which nobody wrote. */
function takenAsPlanned({ supposed = {}, library }: RecapSource): readonly string[] {
  return [...groupBy(Object.keys(supposed), id => supposed[id] ?? 0)].map(
    ([lesson, ids]) =>
      `- Nothing was written of lesson ${lesson}: it is taken as planned (${namesOf(library, ids)}).`,
  );
}

/** Those who were away, together where they lack the same. */
function whoWasAway({
  logs,
  attendance = [],
  members,
  dates,
  students = [],
  lesson,
  library,
}: RecapSource): readonly string[] {
  const lacking = missedFigures(
    logs.filter(log => log.lesson <= lesson),
    attendance.filter(entry => entry.lesson <= lesson),
    members && dates ? { students: members, dates } : undefined,
  );
  const away = standingPresence(attendance)
    .filter(entry => entry.lesson === lesson && !entry.here)
    .map(({ student }) => student);
  const byLack = groupBy(away, student => namesOf(library, lacking.get(student) ?? []));
  return [...byLack].map(([lack, ids]) => {
    const names = allOf(ids.map(id => escapeMarkdown(students.find(one => one.id === id)?.name ?? id)));
    return `- Away: ${names}${lack === '' ? '' : `, who ${ids.length === 1 ? 'lacks' : 'lack'} ${lack}`}.`;
  });
}
