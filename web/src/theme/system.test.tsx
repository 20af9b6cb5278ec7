import { ChakraProvider, chakra, createSystem, defaultBaseConfig } from '@chakra-ui/react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, test } from 'vitest';
import { recipes } from './recipes.ts';
import { system } from './system.ts';

const Chip = chakra('button', recipes.figureChip, { defaultProps: { type: 'button' } });
const uncompiled = createSystem(defaultBaseConfig, system._config);

/** The markup of a chip with the rules that dress it. */
const drawn = (props: object, value = system) =>
  renderToStaticMarkup(
    <ChakraProvider value={value}>
      <Chip {...props}>Swing out</Chip>
    </ChakraProvider>,
  );

describe('a recipe is compiled once', () => {
  test('and what is made of it is handed out again', () => {
    expect(system.cva(recipes.button)).toBe(system.cva(recipes.button));
    expect(system.cva(recipes.button)).not.toBe(system.cva(recipes.label));
  });

  test.each([
    {},
    { strand: 'turn', state: 'chosen' },
    { strand: 'drill', px: { base: '3', lg: '5' }, _hover: { color: 'ink' }, 'data-figure': 'swing-out' },
  ])('and dresses as the library does: %j', props => {
    expect(drawn(props)).toBe(drawn(props, uncompiled));
    expect(drawn(props)).toContain('type="button"');
  });

  test('and its variants differ', () => {
    expect(drawn({ state: 'broken' })).not.toBe(drawn({ state: 'calm' }));
  });
});

test('the words of the library are said in ours, so that both themes follow', () => {
  const css = JSON.stringify(system.getTokenCss());
  expect(css).toContain('"--chakra-colors-bg-panel":"var(--chakra-colors-panel)"');
  expect(css).toContain('"--chakra-colors-inky-solid":"var(--chakra-colors-ink)"');
});
