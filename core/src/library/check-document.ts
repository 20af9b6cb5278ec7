import type { StudioDocument } from '../model/document.ts';
import { type Issue, issue } from '../model/issue.ts';
import { checkFigures } from './check-figures.ts';
import { findCircles } from './check-needs.ts';
import { checkReferences } from './check-references.ts';
import { openLibrary } from './library.ts';

export interface DocumentCheck {
  readonly patterns: number;
  readonly problems: readonly Issue[];
}

const KINDS_WITH_IDS = [
  ...(['dances', 'levels', 'patterns', 'elements', 'combinations', 'courses', 'rooms', 'people'] as const),
  ...(['students', 'sections', 'logs', 'attendance', 'notes', 'checks'] as const),
];

/** Everything that can be said about a studio's document, in the order of its arrays. */
export function checkDocument(document: StudioDocument): DocumentCheck {
  const library = openLibrary(document);
  const problems = [
    ...checkDuplicates(document),
    ...checkReferences(document),
    ...checkFigures(document, library),
    ...findCircles(document),
  ];
  return { patterns: document.patterns?.length ?? 0, problems };
}

function checkDuplicates(document: StudioDocument): Issue[] {
  return KINDS_WITH_IDS.flatMap(kind => {
    const seen = new Set<string>();
    return (document[kind] ?? []).flatMap(({ id }, index) => {
      const isTwice = seen.has(id);
      seen.add(id);
      return isTwice
        ? [issue('duplicate-id', [kind, index, 'id'], `"${id}" stands twice among the ${kind}`)]
        : [];
    });
  });
}
