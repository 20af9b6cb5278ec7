// @vitest-environment happy-dom
import { ChakraProvider } from '@chakra-ui/react';
import { cleanup, render } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { system } from '../theme/system.ts';
import { Markdown } from './markdown.tsx';

afterEach(cleanup);

const page = (text: string) => (
  <ChakraProvider value={system}>
    <Markdown text={text} />
  </ChakraProvider>
);

test('raw HTML stays text', () => {
  const { container } = render(page('# Week 5\n\n<img src=x onerror=alert(1)>'));
  expect(container.querySelector('h1')?.textContent).toBe('Week 5');
  expect(container.querySelector('img')).toBe(null);
});

test('what cannot be drawn stands as it was typed, and the next text is drawn again', () => {
  vi.spyOn(console, 'error').mockImplementation(() => undefined);
  const { container, rerender } = render(page(`${'>'.repeat(6000)} deep`));
  expect(container.textContent).toContain('> deep');
  rerender(page('**fine**'));
  expect(container.querySelector('strong')?.textContent).toBe('fine');
});
