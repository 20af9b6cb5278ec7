import type { StudioDocument } from '../model/document.ts';
import { type Issue, issue } from '../model/issue.ts';
import { checkFigures, type Told } from './check-figures.ts';
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
  return { patterns: document.patterns?.length ?? 0, problems: problemsOf(document, 'all') };
}

/** What makes a document unusable, without what is only worth a look: linear in what is written. */
export function documentErrors(document: StudioDocument): readonly Issue[] {
  return problemsOf(document, 'errors').filter(({ severity }) => severity === 'error');
}

function problemsOf(document: StudioDocument, told: Told): Issue[] {
  return [
    ...checkDuplicates(document),
    ...checkReferences(document),
    ...checkFigures(document, openLibrary(document), told),
    ...findCircles(document),
  ];
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
