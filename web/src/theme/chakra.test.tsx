import { ChakraProvider, chakra as uncompiled } from '@chakra-ui/react';
import type { ComponentType } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { chakra } from './chakra.ts';
import { recipes } from './recipes.ts';
import { system } from './system.ts';

/** The markup of an element, with the rules that dress it. */
function drawn(element: unknown, props: object): string {
  const Element = element as ComponentType<object>;
  return renderToStaticMarkup(
    <ChakraProvider value={system}>
      <Element {...{ ...props, children: 'Swing out' }} />
    </ChakraProvider>,
  );
}

const STYLES = [
  {},
  { display: 'grid', gap: '2', fontSize: 'sm' },
  { px: { base: '3', lg: '5' }, bg: 'panel', _hover: { color: 'ink' } },
  { css: { '& > p': { color: 'quiet' } }, className: 'no-print', 'aria-label': 'Board' },
];

const CHOICES = [
  {},
  { strand: 'turn', state: 'chosen' },
  { strand: 'drill', position: 'relative', opacity: 0.4, 'data-figure': 'swing-out' },
];

describe('elements with compiled recipes', () => {
  it.each(STYLES)('are dressed as the library dresses them: %j', props => {
    expect(drawn(chakra.div, props)).toBe(drawn(uncompiled.div, props));
    expect(drawn(chakra.div, props)).toContain('Swing out');
  });

  it.each(CHOICES)('take the variants of their recipe: %j', props => {
    const own = chakra('button', recipes.figureChip, { defaultProps: { type: 'button' } });
    const theirs = uncompiled('button', recipes.figureChip, { defaultProps: { type: 'button' } });
    expect(drawn(own, props)).toBe(drawn(theirs, props));
    expect(drawn(own, props)).toContain('type="button"');
  });

  it('differ where their variants do', () => {
    const own = chakra('button', recipes.figureChip);
    expect(drawn(own, { state: 'broken' })).not.toBe(drawn(own, { state: 'calm' }));
  });

  it('are made once for each tag', () => {
    expect(chakra.section).toBe(chakra.section);
    expect(chakra.section).not.toBe(chakra.aside);
  });
});
