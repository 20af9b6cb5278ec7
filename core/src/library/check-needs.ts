import type { Pattern, StudioDocument } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import { type Issue, issue } from '../model/issue.ts';
import { needsOf } from '../model/needs.ts';
import { byId } from './library.ts';

/**
 * One issue for each circle of needs, of pieces and of variants, at the first of its patterns. Depth-first without recursion;
 * linear.
 */
export function findCircles(document: StudioDocument): Issue[] {
  const patterns = document.patterns ?? [];
  const tell = (
    code: 'needs-cycle' | 'variant-cycle',
    cycle: readonly string[],
    path: (of: Pattern) => string,
    words: string,
  ) => {
    const first = entryAt(cycle, 0);
    const index = patterns.findIndex(({ id }) => id === first);
    const field = path(entryAt(patterns, index));
    return issue(code, ['patterns', index, field], `${words}: ${[...cycle, first].join(' → ')}`);
  };
  const needed = circlesOf(patterns, needsOf).map(cycle => {
    const next = entryAt(cycle, 1 % cycle.length);
    const field = ({ needs = [] }: Pattern) => (needs.includes(next) ? 'needs' : 'made');
    return tell('needs-cycle', cycle, field, 'these need each other');
  });
  const varied = circlesOf(patterns, ({ variantOf }) => (variantOf === undefined ? [] : [variantOf])).map(
    cycle => tell('variant-cycle', cycle, () => 'variantOf', 'these are variants of each other'),
  );
  return [...needed, ...varied];
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
