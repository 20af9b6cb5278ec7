/** A text from outside as it stands in Markdown: on one line, with no sign that would become markup. */
export function escapeMarkdown(text: string): string {
  return text
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/[\\`*_[\]<>|]/g, sign => `\\${sign}`)
    .replace(/^(\d*)(#+|[-+.)])(?=\s)/, '$1\\$2');
}
