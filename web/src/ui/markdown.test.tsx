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

test('addresses that could run something are emptied, and an image may hold its own drawing', () => {
  const { container } = render(
    page(
      [
        '[a](javascript:alert(1)) [b](data:text/html,x) [c](https://quay.example)',
        '![d](data:text/html,x) ![e](javascript:alert(1)) ![f](data:image/svg+xml,%3Csvg%3E)',
      ].join('\n\n'),
    ),
  );
  expect([...container.querySelectorAll('a')].map(link => link.getAttribute('href'))).toEqual([
    '',
    '',
    'https://quay.example',
  ]);
  const sources = [...container.querySelectorAll('img')].map(image => image.getAttribute('src') ?? '');
  expect(sources.filter(Boolean)).toEqual(['data:image/svg+xml,%3Csvg%3E']);
});
