/**
 * A recap with one more sentence: at the end of the section that is about the figure, at the end of the text where there
 * is none. A sentence that stands there already is not written twice.
 */
export function withSentence(markdown: string, figure: string, sentence: string): string {
  if (markdown.includes(sentence)) return markdown;
  const lines = markdown.trimEnd().split('\n');
  const own = lines.findIndex(line => /^#{1,3} /.test(line) && line.endsWith(figure));
  const next = own < 0 ? -1 : lines.findIndex((line, index) => index > own && /^#{1,3} /.test(line));
  const at = next < 0 ? lines.length : next;
  const before = lines.slice(0, at).join('\n').trimEnd();
  return `${[before, sentence, lines.slice(at).join('\n')].filter(Boolean).join('\n\n')}\n`;
}

export interface RecapSection {
  /** `New: Wrap`. */
  readonly title: string;
  /** With its heading. */
  readonly text: string;
}

/** The sections of a recap under their headings of the second level, in order. */
export function recapSections(markdown: string): readonly RecapSection[] {
  return [...markdown.matchAll(/^## (.+)\n[\s\S]*?(?=^## |(?![\s\S]))/gm)].map(match => ({
    title: match[1] ?? '',
    text: match[0].trimEnd(),
  }));
}

/** What a recap that is drafted anew tells under headings that the text does not have. */
export function sectionsMissing(draft: string, text: string): readonly RecapSection[] {
  const there = new Set(recapSections(text).map(({ title }) => title));
  return recapSections(draft).filter(({ title }) => !there.has(title));
}

/** A recap with one more section, before what comes next week. */
export function withSection(markdown: string, { text }: RecapSection): string {
  const next = markdown.search(/^## Next week$/m);
  if (next < 0) return `${markdown.trimEnd()}\n\n${text}\n`;
  return `${markdown.slice(0, next)}${text}\n\n${markdown.slice(next)}`;
}
