// A course larger than the demo's: its figures over and over under other names, in as many lessons as wished.
import { type Course, needsOf, type Pattern, type StudioDocument } from '@map-step/core';

const PLACES = ['', 'Pier', 'Harbour', 'Quay'];

/** The studio with one more course, `big`, of so many figures and lessons; nothing is placed in it yet. */
export function withBigCourse(studio: StudioDocument, items: number, lessons: number): StudioDocument {
  const small = studio.courses?.find(({ id }) => id === 'hustle-1') as Course;
  const own = small.items.map(({ pattern }) => studio.patterns?.find(({ id }) => id === pattern) as Pattern);
  const copies = withNeeds(PLACES.flatMap(place => own.map(pattern => copyOf(pattern, place)))).slice(
    0,
    items,
  );
  const [first] = small.lessons;
  const last = small.lessons.at(-1);
  if (!first || !last) throw new Error('the course has no lessons');
  const big: Course = {
    ...small,
    id: 'big',
    name: `${items} figures in ${lessons} lessons`,
    lessons: [...Array.from({ length: lessons - 1 }, () => ({ ...first, minutes: 66 })), last],
    items: copies.map(({ id }, index) => ({
      pattern: id,
      value: index % 5 === 0 ? 'must' : index % 3 === 0 ? 'could' : 'should',
    })),
    placed: [],
  };
  const fresh = copies.filter(({ id }) => !own.some(pattern => pattern.id === id));
  return {
    ...studio,
    patterns: [...(studio.patterns ?? []), ...fresh],
    courses: [...(studio.courses ?? []), big],
  };
}

/** What is needed before what needs it, so that whatever is cut off leaves nothing without its needs. */
function withNeeds(patterns: readonly Pattern[]): readonly Pattern[] {
  const ordered: Pattern[] = [];
  const add = (pattern: Pattern | undefined) => {
    if (!pattern || ordered.includes(pattern)) return;
    for (const id of needsOf(pattern)) add(patterns.find(other => other.id === id));
    ordered.push(pattern);
  };
  for (const pattern of patterns) add(pattern);
  return ordered;
}

function copyOf(pattern: Pattern, place: string): Pattern {
  if (place === '') return pattern;
  const named = (id: string) => `${place.toLowerCase()}-${id}`;
  return {
    ...pattern,
    id: named(pattern.id),
    name: `${place} ${pattern.name.toLowerCase()}`,
    ...(pattern.needs && { needs: pattern.needs.map(named) }),
    ...(pattern.lookalikes && { lookalikes: pattern.lookalikes.map(named) }),
    ...(pattern.variantOf && { variantOf: named(pattern.variantOf) }),
    ...(pattern.made && { made: pattern.made.map(part => ({ ...part, pattern: named(part.pattern) })) }),
  };
}
