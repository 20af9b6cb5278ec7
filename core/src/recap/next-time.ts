// What comes next, with its date: what is carried over first, then what is new.
import type { EveningByLog } from '../evening/evening-by-log.ts';
import type { Library } from '../library/library.ts';
import type { Course } from '../model/document.ts';
import { isOnlyPractised } from '../model/only-practised.ts';
import { allOf, dayInWords, namesOf } from './words.ts';

interface NextTime {
  readonly course: Course;
  readonly library: Library;
  readonly lesson: number;
  /** Of each lesson of the class. */
  readonly dates?: readonly string[] | undefined;
  /** What the plan has for the next lesson. */
  readonly next: readonly string[];
}

/** A paragraph; empty after the last lesson. What is not in the plan of the next lesson is not named. */
export function nextTimeInWords(
  { course, library, lesson, dates = [], next }: NextTime,
  {
    missed,
    begun,
    fresh,
    known,
    touched,
  }: Pick<EveningByLog, 'missed' | 'begun' | 'fresh' | 'known' | 'touched'>,
): string {
  const count = course.lessons.length;
  if (lesson >= count) return '';
  const [own, then] = [dates[lesson - 1], dates[lesson]];
  const when = own && then ? dayInWords(then, own) : 'next time';
  const among = (ids: readonly string[]) => next.filter(id => ids.includes(id));
  const isDrill = (id: string) => library.patterns.get(id)?.kind === 'drill';
  const open = among([...begun, ...touched.filter(id => !fresh.includes(id))]);
  const twice = [...among(fresh), ...open.filter(isDrill)];
  const finished = open.filter(id => !isDrill(id));
  const left = among(missed).filter(id => !open.includes(id));
  const fresher = next.filter(id => ![...open, ...left, ...twice].includes(id));
  const does = [
    ...told('finish', finished),
    ...told('go on with', twice),
    ...told('come to', left),
    ...told(finished.length + left.length + twice.length > 0 ? 'begin' : 'learn', fresher),
  ];
  const begins = when.charAt(0).toUpperCase() + when.slice(1);
  const isLastNext = lesson === count - 1;
  if (does.length === 0 && !isLastNext) return `${begins}, we dance what we have had.`;
  const plan = `${begins}, we ${allOf(does)}.`;
  if (!isLastNext) return plan;
  const asked = course.items
    .map(({ pattern }) => pattern)
    .filter(id => [...known, ...fresh, ...begun, ...next].includes(id))
    .filter(id => !isOnlyPractised(library.patterns.get(id)));
  const check = course.lessons[count - 1]?.fixed.check
    ? `, and the check asks for ${namesOf(library, asked)}`
    : '';
  const last = `the last lesson: everything is danced through once more${check}.`;
  return does.length === 0 ? `${begins}, is ${last}` : `${plan} It is ${last}`;

  function told(verb: string, ids: readonly string[]): string[] {
    return ids.length === 0 ? [] : [`${verb} ${namesOf(library, ids)}`];
  }
}
