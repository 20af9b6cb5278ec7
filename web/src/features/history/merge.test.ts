import { expect, test } from 'vitest';
import { canMerge, mergeBoth, mergeTexts } from './merge.ts';

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

const clash = { field: 'needs', seen: ['a'], mine: ['a', 'c'], theirs: ['a', 'b'] };

test('of two lists theirs come first, then what only mine has', () => {
  expect(canMerge(clash)).toBe(true);
  expect(mergeBoth(clash)).toEqual(['a', 'b', 'c']);
});

test('of two words one must be chosen', () => {
  expect(canMerge({ field: 'name', seen: 'Wrap', mine: 'Wrap in', theirs: 'Wrap up' })).toBe(false);
});

test('two texts of several lines are put together over what both had seen', () => {
  const texts = {
    field: 'markdown',
    seen: base,
    mine: `${base}\n\nMine`,
    theirs: base.replace('Wrap', 'Theirs'),
  };
  expect(canMerge(texts)).toBe(true);
  expect(mergeBoth(texts)).toBe('# Lesson 5\n\nTheirs\n\nGather\n\nMine');
});
