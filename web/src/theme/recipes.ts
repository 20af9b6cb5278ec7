import { defineRecipe } from '@chakra-ui/react';

const button = defineRecipe({
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    gap: '2',
    border: '1.5px solid transparent',
    borderRadius: 'md',
    cursor: 'pointer',
    fontWeight: '600',
    lineHeight: '1.2',
    textDecoration: 'none',
    bg: 'transparent',
    transition: 'background-color 120ms',
    _disabled: { opacity: 0.5, cursor: 'not-allowed' },
  },
  variants: {
    look: {
      next: { bg: 'ink', color: 'onInk', _hover: { bg: 'quiet' } },
      choice: {
        borderColor: 'line',
        bg: 'panel',
        _hover: { borderColor: 'ink' },
        '&[aria-pressed=true]': { borderColor: 'ink', bg: 'nowTint' },
      },
      quiet: { color: 'quiet', _hover: { color: 'ink', textDecoration: 'underline' } },
    },
    size: {
      small: { minHeight: '2rem', px: '2.5', fontSize: 'sm' },
      normal: { minHeight: '2.5rem', px: '4', fontSize: 'md' },
      large: { minHeight: '3.25rem', px: '5', fontSize: 'lg' },
    },
  },
  defaultVariants: { look: 'choice', size: 'normal' },
});

/**
 * A ground whose right edge comes down in three steps. Drawn and not cut out, which would cut off the ring around what
 * has the focus.
 */
const stairs = (fill: string) => ({
  backgroundImage: Array.from({ length: 3 }, () => `linear-gradient({colors.${fill}} 0 0)`).join(', '),
  backgroundSize: 'calc(100% - 10px) 100%, calc(100% - 5px) 66%, 100% 33%',
  backgroundPosition: 'left bottom',
  backgroundOrigin: 'border-box',
  backgroundRepeat: 'no-repeat',
  backgroundColor: 'transparent',
});

/** Along the two edges that are straight. */
const alongStairs = (color: string) => ({
  borderColor: 'transparent',
  borderLeftColor: color,
  borderBottomColor: color,
});

/** A figure wherever it lies: its edge says its strand, its fill whether it is broken, chosen or left out. */
const figureChip = defineRecipe({
  base: {
    display: 'block',
    width: 'full',
    textAlign: 'left',
    px: '1.5',
    py: '0.5',
    fontSize: 'xs',
    fontWeight: '600',
    lineHeight: '1.2',
    border: '1.5px solid',
    borderColor: 'quiet',
    bg: 'panel',
    color: 'ink',
    cursor: 'grab',
    touchAction: 'none',
    overflowWrap: 'anywhere',
  },
  variants: {
    strand: {
      basic: { borderRadius: '0', borderLeftWidth: '5px' },
      pattern: {
        ...stairs('line'),
        borderColor: 'transparent',
        borderLeftColor: 'quiet',
        pr: '3',
      },
      turn: { borderRadius: 'round', px: '2.5' },
      drill: { borderStyle: 'dashed' },
      quality: { borderStyle: 'dotted' },
    },
    state: {
      calm: {},
      chosen: { bg: 'nowTint', borderColor: 'now' },
      broken: { bg: 'stopTint', borderColor: 'stop', color: 'stop' },
      related: {
        borderLeftColor: 'ink',
        borderLeftWidth: '5px',
        textDecoration: 'underline',
        textDecorationThickness: '2px',
        textUnderlineOffset: '2px',
      },
    },
  },
  compoundVariants: [
    { strand: 'pattern', state: 'chosen', css: { ...stairs('nowTint'), ...alongStairs('now') } },
    { strand: 'pattern', state: 'broken', css: { ...stairs('stopTint'), ...alongStairs('stop') } },
  ],
  defaultVariants: { strand: 'pattern', state: 'calm' },
});

const field = defineRecipe({
  base: {
    width: 'full',
    border: '1.5px solid',
    borderColor: 'line',
    borderRadius: 'md',
    bg: 'panel',
    px: '3',
    minHeight: '2.5rem',
  },
});

const label = defineRecipe({
  base: { fontSize: 'sm', color: 'quiet', fontWeight: '500' },
});

export const recipes = { button, figureChip, field, label };
