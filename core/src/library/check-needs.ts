import type { Pattern, StudioDocument } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import { type Issue, issue } from '../model/issue.ts';
import { byId } from './library.ts';

/** One issue for each circle of needs, at the first of its patterns. Depth-first without recursion; linear. */
export function findNeedCycles(document: StudioDocument): Issue[] {
  const patterns = document.patterns ?? [];
  return needCycles(patterns).map(cycle => {
    const first = entryAt(cycle, 0);
    const index = patterns.findIndex(({ id }) => id === first);
    return issue(
      'needs-cycle',
      ['patterns', index, 'needs'],
      `these need each other: ${[...cycle, first].join(' → ')}`,
    );
  });
}

/** The circles of needs among these patterns, each as the ids along it. */
export function needCycles(patterns: readonly Pick<Pattern, 'id' | 'needs'>[]): string[][] {
  const known = byId(patterns);
  const done = new Set<string>();
  const cycles: string[][] = [];
  for (const { id: root } of patterns) {
    const trail: { id: string; next: number }[] = done.has(root) ? [] : [{ id: root, next: 0 }];
    while (trail.length > 0) {
      const here = entryAt(trail, trail.length - 1);
      const need = known.get(here.id)?.needs?.[here.next];
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
