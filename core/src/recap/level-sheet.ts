// A level on one page: for whoever thinks of coming, and for the staff.

import { type Criterion, generateCriteria } from '../check/criteria.ts';
import { PASS_SHARE } from '../check/readiness.ts';
import { LAYER_WORDS } from '../check/student-words.ts';
import type { Library } from '../library/library.ts';
import type { Course, Layer, Studio } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { groupBy } from '../model/group-by.ts';
import { needsOf } from '../model/needs.ts';
import { isOnlyPractised } from '../model/only-practised.ts';
import type { PlannedLesson } from '../plan/fill-lessons.ts';
import type { Placed } from '../plan/problem.ts';
import { cautionLines } from './cautions.ts';
import { allOf, namesOf } from './words.ts';

export interface LevelSheet {
  readonly library: Library;
  readonly studio: Studio;
  readonly localRules?: string | undefined;
  readonly course: Pick<Course, 'name' | 'format' | 'lessons' | 'items'>;
  /** The plan that is followed. */
  readonly placed: Placed;
  /** What each lesson then holds; the staff reads its minutes. */
  readonly lessons?: readonly PlannedLesson[];
  readonly audience: 'students' | 'staff';
}

/** The sheet as Markdown: what one can do afterwards, what comes when, what the check asks, what to take care of. */
export function levelSheet(sheet: LevelSheet): string {
  const { library, course, studio, localRules } = sheet;
  const taught = taughtIn(sheet);
  const figures = taught.flatMap(id => library.patterns.get(id) ?? []);
  const cautions = cautionLines(figures, { studio, localRules });
  const lines = [
    `# ${escapeMarkdown(course.name)}`,
    '',
    lessonsInWords(course),
    ...standsOn(sheet, taught),
    ...chapter('Afterwards you can', afterwards(sheet, taught)),
    ...chapter('Lesson by lesson', lessonLines(sheet)),
    ...chapter('What the check asks', checkLines(sheet)),
    ...chapter('Take care', cautions),
  ];
  return `${lines.join('\n')}\n`;
}

function taughtIn({ course, placed }: LevelSheet): readonly string[] {
  return course.items
    .flatMap(({ pattern }) => (placed[pattern] === undefined ? [] : [pattern]))
    .toSorted((a, b) => (placed[a] ?? 0) - (placed[b] ?? 0));
}

function chapter(title: string, lines: readonly string[]): readonly string[] {
  return lines.length === 0 ? [] : ['', `## ${title}`, '', ...lines];
}

function lessonsInWords({ lessons, format }: LevelSheet['course']): string {
  const lengths = [...new Set(lessons.map(({ minutes }) => minutes))];
  const each = lengths.length === 1 ? ` of ${lengths[0]} minutes` : '';
  const series = format === 'open' ? ', each for itself' : '';
  return `${lessons.length} ${lessons.length === 1 ? 'lesson' : 'lessons'}${each}${series}.`;
}

/** What its figures need and it does not teach. */
function standsOn({ library }: LevelSheet, taught: readonly string[]): readonly string[] {
  const needs = taught.flatMap(id => needsOf(library.patterns.get(id) ?? {}));
  const below = [...new Set(needs)].filter(id => !taught.includes(id));
  return below.length === 0 ? [] : ['', `You dance these already: ${namesOf(library, below)}.`];
}

function afterwards({ library, course }: LevelSheet, taught: readonly string[]): readonly string[] {
  const gates = course.items.flatMap(({ pattern, gate }) => (gate ? [pattern] : []));
  const danced = taught.filter(id => !isOnlyPractised(library.patterns.get(id)));
  const sure = danced.filter(id => gates.includes(id));
  const others = danced.filter(id => !gates.includes(id));
  return [
    ...(sure.length > 0 ? [`- dance without being prompted: ${namesOf(library, sure)}`] : []),
    ...(others.length > 0 ? [`- dance most of these: ${namesOf(library, others)}`] : []),
  ];
}

function lessonLines({ library, course, placed, lessons, audience }: LevelSheet): readonly string[] {
  return course.lessons.map((_, index) => {
    const own = taughtInLesson(course, placed, index + 1);
    const isLast = index === course.lessons.length - 1;
    const words = own.length > 0 ? namesOf(library, own) : isLast ? 'everything once more' : 'nothing new';
    const planned = audience === 'staff' ? lessons?.[index] : undefined;
    return `${index + 1}. ${words}${planned ? ` *(${minutesOf(planned)})*` : ''}`;
  });
}

function taughtInLesson({ items }: LevelSheet['course'], placed: Placed, lesson: number): readonly string[] {
  return items.flatMap(({ pattern }) => (placed[pattern] === lesson ? [pattern] : []));
}

function minutesOf({ new: fresh, review, capacity }: PlannedLesson): string {
  const words = (tenths: number) => `${Math.round(tenths) / 10}`;
  const free = capacity - fresh - review;
  return `${words(fresh)} min new, ${words(review)} of reviews, ${free < 0 ? `${words(-free)} over` : `${words(free)} free`}`;
}

function checkLines({ library, course, placed, audience }: LevelSheet): readonly string[] {
  const asked = generateCriteria(library, course, placed, 'final');
  const gates = asked.filter(({ gate }) => gate);
  const others = asked.filter(({ gate }) => !gate);
  const names = (criteria: readonly Criterion[]) =>
    namesOf(
      library,
      criteria.map(({ pattern }) => pattern),
    );
  const share = others.length === 0 ? 0 : Math.ceil(others.length * PASS_SHARE);
  if (asked.length === 0) return [];
  return [
    ...(gates.length > 0 ? [`Each of these: ${names(gates)}.`, ''] : []),
    ...(others.length > 0
      ? [
          `${share === others.length ? 'These too' : `${share} of these ${others.length}`}: ${names(others)}.`,
          '',
        ]
      : []),
    ...(audience === 'staff' ? layersOf(library, asked) : [lookedAt(asked.flatMap(({ layers }) => layers))]),
  ];
}

function lookedAt(layers: readonly Layer[]): string {
  return `It looks at ${allOf([...new Set(layers)].map(layer => LAYER_WORDS[layer]))}.`;
}

/** For whoever marks: figures that are looked at in the same ways together. */
function layersOf(library: Library, asked: readonly Criterion[]): readonly string[] {
  return [...groupBy(asked, ({ layers }) => layers.join())].map(
    ([, same]) =>
      `- ${namesOf(
        library,
        same.map(({ pattern }) => pattern),
      )}: ${allOf((same[0]?.layers ?? []).map(layer => LAYER_WORDS[layer]))}`,
  );
}
