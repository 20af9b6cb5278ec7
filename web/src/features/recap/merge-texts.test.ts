import { expect, test } from 'vitest';
import { mergeTexts } from './merge-texts.ts';

const base = '# Lesson 5\n\nWrap\n\nGather';

test('what each changed on lines of their own is in the text of both', () => {
  const mine = base.replace('Wrap', 'Wrap, from both sides');
  const theirs = `${base}\n\nBring flat shoes`;
  expect(mergeTexts(base, mine, theirs)).toBe(
    '# Lesson 5\n\nWrap, from both sides\n\nGather\n\nBring flat shoes',
  );
});

test('where both changed the same line both lines stay, theirs first', () => {
  expect(mergeTexts(base, base.replace('Wrap', 'Mine'), base.replace('Wrap', 'Theirs'))).toBe(
    '# Lesson 5\n\nTheirs\nMine\n\nGather',
  );
});

test('the same change by both stands once', () => {
  const both = base.replace('Gather', 'Gather twice');
  expect(mergeTexts(base, both, both)).toBe(both);
});
