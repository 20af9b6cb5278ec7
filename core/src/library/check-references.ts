import type { Dance, StudioDocument } from '../model/document.ts';
import { type Issue, issue, type Path } from '../model/issue.ts';
import { wholeOf } from './halves.ts';

interface Reference {
  readonly kind: string;
  readonly id: string | null | undefined;
  readonly path: Path;
}

/** Every id that names something must name something that is there. */
export function checkReferences(document: StudioDocument): Issue[] {
  const known = new Map<string, ReadonlySet<string>>();
  for (const [kind, entries] of Object.entries(document))
    if (Array.isArray(entries)) known.set(kind, new Set(entries.map(entry => entry.id)));
  const dangling = references(document).flatMap(({ kind, id, path }) =>
    id === undefined || id === null || known.get(kind)?.has(id)
      ? []
      : [issue('unknown-id', path, `"${id}" is not among the ${kind}`)],
  );
  return [...dangling, ...checkLessons(document), ...checkHolds(document)];
}

function references(document: StudioDocument): Reference[] {
  return [...materialReferences(document), ...courseReferences(document), ...sectionReferences(document)];
}

function materialReferences(document: StudioDocument): Reference[] {
  const found: Reference[] = [];
  for (const [i, { dance }] of (document.levels ?? []).entries())
    found.push({ kind: 'dances', id: dance, path: ['levels', i, 'dance'] });
  for (const [i, pattern] of (document.patterns ?? []).entries()) {
    const at = (...rest: (string | number)[]) => ['patterns', i, ...rest];
    found.push({ kind: 'dances', id: pattern.dance, path: at('dance') });
    found.push({ kind: 'levels', id: pattern.level, path: at('level') });
    found.push({ kind: 'patterns', id: pattern.variantOf, path: at('variantOf') });
    found.push({ kind: 'patterns', id: pattern.over, path: at('over') });
    found.push(...each('patterns', pattern.needs, at('needs')));
    found.push(...each('patterns', pattern.lookalikes, at('lookalikes')));
    found.push(...each('elements', pattern.elements, at('elements')));
    for (const [j, made] of (pattern.made ?? []).entries())
      found.push(
        { kind: 'patterns', id: made.pattern, path: at('made', j, 'pattern') },
        { kind: 'patterns', id: made.last, path: at('made', j, 'last') },
      );
  }
  for (const [i, element] of (document.elements ?? []).entries())
    found.push({ kind: 'dances', id: element.dance, path: ['elements', i, 'dance'] });
  for (const [i, { dance, course, steps }] of (document.combinations ?? []).entries()) {
    found.push({ kind: 'dances', id: dance, path: ['combinations', i, 'dance'] });
    found.push({ kind: 'courses', id: course, path: ['combinations', i, 'course'] });
    for (const [j, step] of steps.entries()) {
      const at = ['combinations', i, 'steps', j];
      if ('oneOf' in step)
        found.push(
          ...each(
            'patterns',
            step.oneOf.map(id => id && wholeOf(id)),
            [...at, 'oneOf'],
          ),
        );
      else
        found.push(
          { kind: 'patterns', id: wholeOf(step.pattern), path: [...at, 'pattern'] },
          { kind: 'patterns', id: step.last && wholeOf(step.last), path: [...at, 'last'] },
        );
    }
  }
  return found;
}

function courseReferences(document: StudioDocument): Reference[] {
  const found: Reference[] = [];
  for (const [i, course] of (document.courses ?? []).entries()) {
    const at = (...rest: (string | number)[]) => ['courses', i, ...rest];
    found.push(...each('dances', course.dances, at('dances')));
    found.push({ kind: 'levels', id: course.level, path: at('level') });
    for (const [j, { dance, again }] of course.lessons.entries()) {
      found.push({ kind: 'dances', id: dance, path: at('lessons', j, 'dance') });
      found.push(...each('patterns', again, at('lessons', j, 'again')));
    }
    for (const list of ['items', 'placed'] as const)
      for (const [j, { pattern }] of (course[list] ?? []).entries())
        found.push({ kind: 'patterns', id: pattern, path: at(list, j, 'pattern') });
  }
  for (const [i, plan] of (document.plans ?? []).entries()) {
    found.push({ kind: 'courses', id: plan.course, path: ['plans', i, 'course'] });
    found.push({ kind: 'people', id: plan.by, path: ['plans', i, 'by'] });
    for (const [j, { pattern }] of plan.placed.entries())
      found.push({ kind: 'patterns', id: pattern, path: ['plans', i, 'placed', j, 'pattern'] });
    found.push(...each('patterns', plan.left, ['plans', i, 'left']));
  }
  return found;
}

function sectionReferences(document: StudioDocument): Reference[] {
  const found: Reference[] = [];
  for (const [i, section] of (document.sections ?? []).entries()) {
    const at = (...rest: (string | number)[]) => ['sections', i, ...rest];
    found.push({ kind: 'courses', id: section.course, path: at('course') });
    found.push({ kind: 'rooms', id: section.room, path: at('room') });
    for (const [j, { person }] of section.staff.entries())
      found.push({ kind: 'people', id: person, path: at('staff', j, 'person') });
    for (const [j, { student }] of section.students.entries())
      found.push({ kind: 'students', id: student, path: at('students', j, 'student') });
  }
  for (const [i, log] of (document.logs ?? []).entries()) {
    found.push({ kind: 'sections', id: log.section, path: ['logs', i, 'section'] });
    found.push({ kind: 'patterns', id: log.pattern, path: ['logs', i, 'pattern'] });
    found.push({ kind: 'people', id: log.by, path: ['logs', i, 'by'] });
  }
  for (const [i, entry] of (document.attendance ?? []).entries()) {
    found.push({ kind: 'sections', id: entry.section, path: ['attendance', i, 'section'] });
    found.push({ kind: 'students', id: entry.student, path: ['attendance', i, 'student'] });
    found.push({ kind: 'people', id: entry.by, path: ['attendance', i, 'by'] });
  }
  for (const [i, note] of (document.notes ?? []).entries()) {
    found.push({ kind: 'sections', id: note.section, path: ['notes', i, 'section'] });
    found.push({ kind: 'people', id: note.by, path: ['notes', i, 'by'] });
  }
  for (const [i, recap] of (document.recaps ?? []).entries())
    found.push({ kind: 'sections', id: recap.section, path: ['recaps', i, 'section'] });
  for (const [i, check] of (document.checks ?? []).entries()) {
    found.push({ kind: 'sections', id: check.section, path: ['checks', i, 'section'] });
    for (const [j, { pattern }] of check.items.entries())
      found.push({ kind: 'patterns', id: pattern, path: ['checks', i, 'items', j, 'pattern'] });
    for (const [j, mark] of check.marks.entries()) {
      found.push({ kind: 'students', id: mark.student, path: ['checks', i, 'marks', j, 'student'] });
      found.push({ kind: 'students', id: mark.with, path: ['checks', i, 'marks', j, 'with'] });
      found.push({ kind: 'patterns', id: mark.pattern, path: ['checks', i, 'marks', j, 'pattern'] });
      found.push({ kind: 'people', id: mark.by, path: ['checks', i, 'marks', j, 'by'] });
    }
  }
  return found;
}

/** What is told of a lesson is told of one that the course of the class has. */
function checkLessons(document: StudioDocument): Issue[] {
  const { courses = [], sections = [], logs, attendance, notes, recaps } = document;
  const lessons = new Map(courses.map(({ id, lessons }) => [id, lessons.length]));
  const lengths = new Map(sections.map(({ id, course }) => [id, lessons.get(course)]));
  return Object.entries({ logs, attendance, notes, recaps }).flatMap(([kind, entries = []]) =>
    entries.flatMap(({ section, lesson }, index) =>
      lesson <= (lengths.get(section) ?? lesson)
        ? []
        : [
            issue(
              'unknown-id',
              [kind, index, 'lesson'],
              `${lesson} is not among the ${lengths.get(section)} lessons of "${section}"`,
            ),
          ],
    ),
  );
}

function each(kind: string, ids: readonly (string | null)[] | undefined, path: Path): Reference[] {
  return (ids ?? []).map((id, index) => ({ kind, id, path: [...path, index] }));
}

function checkHolds(document: StudioDocument): Issue[] {
  const dances = new Map((document.dances ?? []).map(dance => [dance.id, dance]));
  const missing = (dance: Dance, hold: string, path: Path): Issue[] =>
    dance.holds.some(({ id }) => id === hold)
      ? []
      : [issue('unknown-hold', path, `"${hold}" is not a hold of ${dance.name}`)];
  const ofPatterns = (document.patterns ?? []).flatMap((pattern, i) => {
    const dance = dances.get(pattern.dance);
    if (!dance) return [];
    const at = (...rest: (string | number)[]) => ['patterns', i, ...rest];
    const { exit } = pattern;
    return [
      ...(pattern.entry ?? []).flatMap((hold, j) => missing(dance, hold, at('entry', j))),
      ...(typeof exit === 'string'
        ? exit === 'same'
          ? []
          : missing(dance, exit, at('exit'))
        : (exit ?? []).flatMap((hold, j) => missing(dance, hold, at('exit', j)))),
      ...(pattern.holds ?? []).flatMap(({ hold }, j) => missing(dance, hold, at('holds', j, 'hold'))),
      ...(pattern.cuts ?? []).flatMap(({ hold }, j) => {
        const path = at('cuts', j, 'hold');
        if (hold !== undefined) return missing(dance, hold, path);
        return dance.roles === 'solo'
          ? []
          : [issue('unknown-hold', path, 'a cut of two dancers says in which hold it is')];
      }),
      ...(pattern.tracks ?? []).flatMap(({ quality }, j) =>
        dance.qualities?.some(({ id }) => id === quality)
          ? []
          : [
              issue(
                'unknown-id',
                at('tracks', j, 'quality'),
                `"${quality}" is not a quality of ${dance.name}`,
              ),
            ],
      ),
    ];
  });
  const ofCombinations = (document.combinations ?? []).flatMap(({ dance: id, start }, i) => {
    const dance = dances.get(id);
    return dance && start.hold !== undefined
      ? missing(dance, start.hold, ['combinations', i, 'start', 'hold'])
      : [];
  });
  return [...ofPatterns, ...ofCombinations];
}
