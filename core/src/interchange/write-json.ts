import type { Pattern, StudioDocument } from '../model/document.ts';
import { studioDocument } from './schema.ts';

/** Sets, not lists: their order says nothing, so they are written sorted. */
const SETS = ['needs', 'lookalikes', 'elements'] as const satisfies readonly (keyof Pattern)[];

/**
 * The canonical text of a document: keys in the order of the schema, arrays as given, a pattern's `needs`,
 * `lookalikes` and `elements` sorted, NFC, LF. Equal documents are byte-equal.
 */
export function writeDocument(document: StudioDocument): string {
  const patterns = document.patterns?.map(sortSets);
  const ordered = studioDocument.parse(patterns ? { ...document, patterns } : document);
  return `${JSON.stringify(ordered, null, 2).normalize('NFC')}\n`;
}

function sortSets(pattern: Pattern): Pattern {
  const sorted = SETS.flatMap(key => (pattern[key] ? [[key, [...pattern[key]].sort()] as const] : []));
  return { ...pattern, ...Object.fromEntries(sorted) };
}
