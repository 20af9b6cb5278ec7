import type { Editor } from '@tiptap/core';

/** Code stays as it is written. */
const CODE_OR_ANGLE = /(```[\s\S]*?```|`[^`\n]*`)|</g;

/** A recap as the editor takes it: what looks like HTML in it is text, and stays. */
export function forEditor(markdown: string): string {
  return markdown.replace(
    CODE_OR_ANGLE,
    (found, code: string | undefined) => code ?? (found === '<' ? '&lt;' : found),
  );
}

const SIGNS: Readonly<Record<string, string>> = {
  '&amp;': '&',
  '&lt;': '<',
  '&gt;': '>',
  '&quot;': '"',
  '&#39;': "'",
};

/** The text of the editor as a recap is kept: signs as people type them. */
export function fromEditor(editor: Editor): string {
  const text = editor
    .getMarkdown()
    .replace(
      /(```[\s\S]*?```|`[^`\n]*`)|&(?:amp|lt|gt|quot|#39);/g,
      (found, code: string | undefined) => code ?? SIGNS[found] ?? found,
    );
  return `${text.trim()}\n`;
}
