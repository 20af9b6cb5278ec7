// biome-ignore lint/style/noRestrictedImports: this is where it is compiled
import { type ChakraComponent, chakra as factory } from '@chakra-ui/react';
import type { ElementType } from 'react';
import { system } from './system.ts';

// What the library has compiled it takes as it is, though its types know only of what is to be compiled.
type Compiled = Parameters<typeof factory<'div', Record<string, never>>>[1];

const compiled = (recipe = {}) => system.cva(recipe) as unknown as Compiled;

const elements = new Map<string, ChakraComponent<ElementType>>();

/**
 * The library's elements with their recipes compiled once. Left to itself it compiles the recipe of an element, even
 * the empty one, at each drawing, which takes four times as long as all the rest of it.
 */
export const chakra = new Proxy(factory, {
  apply: (_, __, [tag, recipe, options]) => factory(tag, compiled(recipe), options),
  get: (_, tag: string) => {
    const known = elements.get(tag) ?? factory(tag as 'div', compiled());
    elements.set(tag, known);
    return known;
  },
});
