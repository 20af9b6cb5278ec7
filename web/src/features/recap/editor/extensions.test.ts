// @vitest-environment happy-dom
import { Editor } from '@tiptap/core';
import { expect, test } from 'vitest';
import { demoStudio } from '../../../test/in-course.tsx';
import { EXTENSIONS } from './extensions.ts';
import { forEditor, fromEditor } from './markdown-text.ts';

/** What the editor makes of a text that nobody changes. */
function through(markdown: string): string {
  const editor = new Editor({
    extensions: EXTENSIONS,
    content: forEditor(markdown),
    contentType: 'markdown',
    injectCSS: false,
  });
  const text = fromEditor(editor);
  editor.destroy();
  return text;
}

const words = (text: string) =>
  text
    .replace(/[*_\\#>|-]/g, ' ')
    .split(/\s+/)
    .filter(Boolean);

test('no recap of the demo loses a word in the editor, and a second pass changes nothing', () => {
  for (const { markdown } of demoStudio.recaps ?? []) {
    const once = through(markdown);
    expect(words(once)).toEqual(words(markdown));
    expect(through(once)).toBe(once);
  }
});

test('blocks stay blocks, between paragraphs and at the ends', () => {
  const text = '{{sheet: wrap}}\n\nBefore.\n\n{{comparison: wrap, unwrap}}\n\n- after\n\n{{count: wrap}}';
  expect(through(text).trim()).toBe(text);
});

test('what is no block stays text', () => {
  for (const text of [
    '{{sheet: Wrap}} and {{x}}',
    '5 < 6 & 7 > 3',
    '<script>alert(1)</script>',
    'R&B, “quoted”, `a < b`',
  ])
    expect(through(text).trim()).toBe(text);
});
