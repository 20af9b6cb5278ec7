/** What the plans teach a lesson ahead of its first figure: by course, each element with its lesson. */
const AHEAD: { readonly [course: string]: { readonly [element: string]: number } } = {
  'hustle-2': { 'hold-apart': 6 },
  'hustle-3': { 'hold-cuddle': 1, 'hold-crossed': 3, 'hold-basket': 3 },
  'quickstep-1': { 'turn-lead-l90': 2, 'turn-follow-r135': 4, 'turn-lead-l45': 5 },
  'tap-1': { 'turn-solo-l90': 8, 'rhythm-split-swung': 8 },
};

/** The part of a course that says what is taught ahead. */
export function shownAhead(course: string) {
  return { ahead: true, along: true, placedAhead: Object.keys(AHEAD[course] ?? {}) };
}

/** The elements that a course teaches ahead in one of its lessons. */
export function aheadIn(course: string, lesson: number): readonly string[] {
  return Object.entries(AHEAD[course] ?? {}).flatMap(([element, at]) => (at === lesson ? [element] : []));
}
