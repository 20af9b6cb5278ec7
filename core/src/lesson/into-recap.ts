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

/** The lines that a recap's last section, what comes next week, promises; empty where it has none. */
export function promisedInRecap(markdown: string): readonly string[] {
  const [, , next = ''] = /(^|\n)## Next week\n([\s\S]*?)(?=\n#|$)/.exec(markdown) ?? [];
  return next.split('\n').flatMap(line => /^[-*] (.+)/.exec(line.trim())?.[1] ?? []);
}
