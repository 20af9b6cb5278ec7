import { expect, test } from 'vitest';
import { sectionsMissing, withSection, withSentence } from './into-recap.ts';

const recap = '# Quay 1\n\n## New: Wrap\n\nCounted **1 2 3**.\n\n## Next week\n\n- Basket\n';
const sentence = 'Wrap: 1–2 as in Basic, 3 new.';

test('a sentence stands at the end of what is told of its figure', () => {
  expect(withSentence(recap, 'Wrap', sentence)).toBe(
    `# Quay 1\n\n## New: Wrap\n\nCounted **1 2 3**.\n\n${sentence}\n\n## Next week\n\n- Basket\n`,
  );
});

test('what a new draft tells besides is named by its heading, and goes before next week', () => {
  const draft = recap.replace('New: Wrap', 'Begun: Wrap');
  const [missing] = sectionsMissing(draft, recap);
  expect(missing).toEqual({ title: 'Begun: Wrap', text: '## Begun: Wrap\n\nCounted **1 2 3**.' });
  expect(missing && withSection(recap, missing)).toContain(
    '## Begun: Wrap\n\nCounted **1 2 3**.\n\n## Next week',
  );
  expect(sectionsMissing(recap, recap)).toEqual([]);
});

test('of a figure that is not told of it stands at the end, and only once', () => {
  const once = withSentence(recap, 'Basket', sentence);
  expect(once).toBe(`${recap.trimEnd()}\n\n${sentence}\n`);
  expect(withSentence(once, 'Basket', sentence)).toBe(once);
});
