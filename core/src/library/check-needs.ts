import type { Pattern, StudioDocument } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import { type Issue, issue } from '../model/issue.ts';
import { needsOf, piecesOf } from '../model/needs.ts';
import { byId } from './library.ts';

/**
 * One issue for each circle of needs, of pieces and of variants, at the first of its patterns; what closes by pieces alone is
 * one of pieces. Depth-first without recursion; linear.
 */
export function findCircles(document: StudioDocument): Issue[] {
  const patterns = document.patterns ?? [];
  const known = byId(patterns);
  return CIRCLES.flatMap(({ code, words, leadsTo, fieldOf }) =>
    circlesOf(patterns, leadsTo)
      .filter(cycle => code !== 'needs-cycle' || !isOfPieces(cycle, known))
      .map(cycle => {
        const first = entryAt(cycle, 0);
        const index = patterns.findIndex(({ id }) => id === first);
        const field = fieldOf(entryAt(patterns, index), entryAt(cycle, 1 % cycle.length));
        return issue(code, ['patterns', index, field], `${words}: ${[...cycle, first].join(' → ')}`);
      }),
  );
}

const CIRCLES = [
  {
    code: 'needs-cycle',
    words: 'these need each other',
    leadsTo: needsOf,
    fieldOf: ({ needs = [] }: Pattern, next: string) => (needs.includes(next) ? 'needs' : 'made'),
  },
  { code: 'made-cycle', words: 'these are made of each other', leadsTo: piecesOf, fieldOf: () => 'made' },
  {
    code: 'variant-cycle',
    words: 'these are variants of each other',
    leadsTo: ({ variantOf }: Pattern) => (variantOf === undefined ? [] : [variantOf]),
    fieldOf: () => 'variantOf',
  },
] as const;

function isOfPieces(cycle: readonly string[], known: ReadonlyMap<string, Pattern>): boolean {
  return cycle.every((id, index) => {
    const pattern = known.get(id);
    return pattern !== undefined && piecesOf(pattern).includes(entryAt(cycle, (index + 1) % cycle.length));
  });
}

/**
 * Why a figure cannot be made of, need or vary what it would: the way by which that leads back to it, in the house's names;
 * undefined where it does not. Breadth-first; linear in the figures.
 */
export function circleThrough(
  figure: Pattern,
  patterns: ReadonlyMap<string, Pattern>,
  by: (typeof CIRCLES)[number]['code'],
): string | undefined {
  const { leadsTo } = entryAt(
    CIRCLES.filter(({ code }) => code === by),
    0,
  );
  const cameFrom = new Map<string, string>();
  const waiting = [figure.id];
  for (const here of waiting) {
    const pattern = here === figure.id ? figure : patterns.get(here);
    for (const next of pattern ? leadsTo(pattern) : []) {
      if (next === figure.id) {
        const way = [here];
        for (let at = here; at !== figure.id; ) {
          at = cameFrom.get(at) ?? figure.id;
          way.unshift(at);
        }
        return [...way, figure.id].map(id => patterns.get(id)?.name ?? figure.name).join(' → ');
      }
      if (!cameFrom.has(next)) {
        cameFrom.set(next, here);
        waiting.push(next);
      }
    }
  }
  return undefined;
}

/** The circles among entries that lead to others, each as the ids along it. */
export function circlesOf<Entry extends { readonly id: string }>(
  entries: readonly Entry[],
  leadsTo: (entry: Entry) => readonly string[],
): string[][] {
  const known = byId(entries);
  const done = new Set<string>();
  const cycles: string[][] = [];
  for (const { id: root } of entries) {
    const trail: { id: string; next: number }[] = done.has(root) ? [] : [{ id: root, next: 0 }];
    while (trail.length > 0) {
      const here = entryAt(trail, trail.length - 1);
      const entry = known.get(here.id);
      const need = entry && leadsTo(entry)[here.next];
      here.next += 1;
      if (need === undefined) {
        done.add(here.id);
        trail.pop();
        continue;
      }
      const start = trail.findIndex(({ id }) => id === need);
      if (start >= 0) cycles.push(trail.slice(start).map(({ id }) => id));
      else if (!done.has(need) && known.has(need)) trail.push({ id: need, next: 0 });
    }
  }
  return cycles;
}
