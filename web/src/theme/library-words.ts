// The words in which the library's own parts are dressed, said in ours: so Day, Dim and paper follow by themselves.
import { animationStyles, keyframes, layerStyles } from '@chakra-ui/react/theme';

const is = (name: string) => ({ value: `{colors.${name}}` });

/** A palette: what is filled with it, what stands on that, and its quieter shades. */
const palette = (solid: string, tint: string) => ({
  solid: is(solid),
  contrast: is('onInk'),
  fg: is(solid),
  subtle: is(tint),
  muted: is(tint),
  emphasized: is('line'),
  border: is(solid),
  focusRing: is('now'),
});

export const LIBRARY_COLORS = {
  bg: {
    DEFAULT: is('panel'),
    subtle: is('paper'),
    muted: is('paper'),
    emphasized: is('line'),
    inverted: is('ink'),
    panel: is('panel'),
  },
  fg: {
    DEFAULT: is('ink'),
    muted: is('quiet'),
    subtle: is('quiet'),
    inverted: is('onInk'),
    error: is('stop'),
  },
  border: { DEFAULT: is('line'), muted: is('line'), emphasized: is('quiet'), error: is('stop') },
  inky: palette('ink', 'nowTint'),
  red: { ...palette('stop', 'stopTint'), 500: is('stop') },
  green: palette('ready', 'readyTint'),
  orange: palette('caution', 'nowTint'),
};

export const LIBRARY_TOKENS = {
  colors: {
    white: { value: '#FFFFFF' },
    transparent: { value: 'transparent' },
    blackAlpha: { 500: { value: 'rgba(18, 20, 42, 0.56)' } },
  },
  fonts: { mono: { value: 'ui-monospace, monospace' } },
  fontSizes: { '2xs': { value: '0.75rem' } },
  fontWeights: { medium: { value: '500' }, semibold: { value: '650' } },
  letterSpacings: { widest: { value: '0.1em' } },
  radii: {
    l1: { value: '3px' },
    l2: { value: '6px' },
    l3: { value: '6px' },
    full: { value: '999px' },
  },
  spacing: { '3.5': { value: '0.875rem' }, '4.5': { value: '1.125rem' } },
  sizes: {
    '3.5': { value: '0.875rem' },
    '4.5': { value: '1.125rem' },
    9: { value: '2.25rem' },
    11: { value: '2.75rem' },
    96: { value: '24rem' },
    xs: { value: '20rem' },
    sm: { value: '24rem' },
    md: { value: '28rem' },
    lg: { value: '32rem' },
    '2xl': { value: '42rem' },
    '4xl': { value: '56rem' },
  },
  zIndex: { popover: { value: 1500 }, toast: { value: 1700 }, tooltip: { value: 1800 } },
  durations: {
    fastest: { value: '50ms' },
    faster: { value: '100ms' },
    fast: { value: '120ms' },
    moderate: { value: '150ms' },
    slow: { value: '180ms' },
  },
  easings: { 'ease-in-smooth': { value: 'cubic-bezier(0.32, 0.72, 0, 1)' } },
  animations: {
    pulse: { value: 'pulse 2s ease-in-out infinite' },
    spin: { value: 'spin 1s linear infinite' },
  },
  cursor: {
    button: { value: 'pointer' },
    checkbox: { value: 'pointer' },
    disabled: { value: 'not-allowed' },
    menuitem: { value: 'pointer' },
    option: { value: 'pointer' },
    radio: { value: 'pointer' },
    slider: { value: 'pointer' },
    switch: { value: 'pointer' },
  },
};

const shadow = (value: string) => ({ value });

export const LIBRARY_SHADOWS = {
  xs: shadow('0 1px 2px {colors.line}'),
  sm: shadow('0 1px 3px {colors.line}'),
  md: shadow('0 0 0 1px {colors.line}, 0 4px 12px rgba(18, 20, 42, 0.18)'),
  lg: shadow('0 0 0 1px {colors.line}, 0 8px 24px rgba(18, 20, 42, 0.24)'),
  xl: shadow('0 0 0 1px {colors.line}, 0 12px 32px rgba(18, 20, 42, 0.28)'),
  inset: shadow('inset 0 0 0 1px {colors.line}'),
};

const textStyle = (fontSize: string) => ({ value: { fontSize, lineHeight: '1.35' } });

export const LIBRARY_STYLES = {
  keyframes,
  animationStyles,
  layerStyles,
  textStyles: {
    xs: textStyle('xs'),
    sm: textStyle('sm'),
    md: textStyle('md'),
    lg: textStyle('lg'),
  },
};

/** What those parts take for granted of every element, in rules that weigh nothing against any of ours. */
export const LIBRARY_RESET = {
  ':where(*, *::before, *::after)': { borderWidth: '0', borderStyle: 'solid', borderColor: 'line' },
  ':where(button)': { background: 'none', padding: '0' },
  ':where(table)': { borderCollapse: 'collapse' },
  ':where(fieldset)': { margin: '0', padding: '0', minWidth: '0' },
  '[hidden]': { display: 'none !important' },
};
