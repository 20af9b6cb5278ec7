import { type Heading, headingsOf } from '../model/headings.ts';

/** The deepest heading that begins something of its own. */
const DEEPEST = 3;

/**
 * A recap with one more sentence: at the end of the section that is about the figure, at the end of the text where there
 * is none. A sentence that stands there already is not written twice.
 */
export function withSentence(markdown: string, figure: string, sentence: string): string {
  if (markdown.includes(sentence)) return markdown;
  const headings = headingsOf(markdown).filter(({ depth }) => depth <= DEEPEST);
  const own = headings.findIndex(({ title }) => title.endsWith(figure));
  return insert(markdown, own < 0 ? undefined : headings[own + 1], sentence);
}

export interface RecapSection {
  /** `New: Wrap`. */
  readonly title: string;
  /** With its heading. */
  readonly text: string;
}

/** The sections of a recap under their headings of the second level, in order. */
export function recapSections(markdown: string): readonly RecapSection[] {
  const headings = headingsOf(markdown).filter(({ depth }) => depth === 2);
  return headings.map(({ title, from }, index) => ({
    title,
    text: markdown.slice(from, headings[index + 1]?.from).trimEnd(),
  }));
}

/** What a recap that is drafted anew tells under headings that the text does not have. */
export function sectionsMissing(draft: string, text: string): readonly RecapSection[] {
  const there = new Set(recapSections(text).map(({ title }) => title));
  return recapSections(draft).filter(({ title }) => !there.has(title));
}

/** A recap with one more section, before what comes next week. */
export function withSection(markdown: string, { text }: RecapSection): string {
  const next = headingsOf(markdown).find(
    ({ depth, title }) => depth === 2 && (title === 'Next time' || title === 'Next week'),
  );
  return insert(markdown, next, text);
}

/** A text with a passage before a heading, or at its end. */
function insert(markdown: string, before: Heading | undefined, passage: string): string {
  const at = before?.from ?? markdown.length;
  const parts = [markdown.slice(0, at).trimEnd(), passage, markdown.slice(at).trimEnd()];
  return `${parts.filter(Boolean).join('\n\n')}\n`;
}
