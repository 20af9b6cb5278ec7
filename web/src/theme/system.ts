import { createSystem, defaultBaseConfig, defineConfig, type SystemContext } from '@chakra-ui/react';
import {
  LIBRARY_COLORS,
  LIBRARY_RESET,
  LIBRARY_SHADOWS,
  LIBRARY_STYLES,
  LIBRARY_TOKENS,
} from './library-words.ts';
import { recipes } from './recipes.ts';

const both = (day: string, dim: string) => ({ value: { _light: day, _dark: dim } });

const COLORS = {
  ink: both('#1B1F3B', '#ECEDF4'),
  quiet: both('#565C78', '#A9AEC8'),
  paper: both('#F5F6F8', '#12142A'),
  panel: both('#FFFFFF', '#1B1E39'),
  line: both('#D8DCE6', '#363B5E'),
  lead: both('#1F6F78', '#63C0CB'),
  follow: both('#A63D6E', '#E891B9'),
  solo: both('#4B4E8C', '#A7AAEC'),
  ready: both('#2E7D4F', '#74C79B'),
  caution: both('#9A5B00', '#E5AE62'),
  stop: both('#B3261E', '#F58B82'),
  now: both('#E0A100', '#F0BE3A'),
  leadTint: both('#DDECEE', '#1C3A44'),
  followTint: both('#F6E3EC', '#45263A'),
  nowTint: both('#FBF0D2', '#3D341B'),
  stopTint: both('#F9E2E0', '#4A2226'),
  readyTint: both('#DFEFE5', '#1D3A2C'),
  onInk: both('#FFFFFF', '#12142A'),
};

/** Paper is light, whichever theme the screen has. */
const DAY_COLORS = Object.fromEntries(
  Object.entries(COLORS).map(([name, { value }]) => [
    `--chakra-colors-${name.replace(/[A-Z]/g, letter => `-${letter.toLowerCase()}`)}`,
    `${name === 'paper' ? '#FFFFFF' : value._light} !important`,
  ]),
);

const steps = (unit: number, sizes: readonly number[]) =>
  Object.fromEntries(sizes.map(size => [String(size), { value: `${size * unit}rem` }]));

interface ColorUtils {
  colorMix(value: string): { readonly invalid: boolean; readonly value: string };
}

const spacing = steps(0.25, [0, 0.5, 1, 1.5, 2, 2.5, 3, 4, 5, 6, 7, 8, 10, 12, 16]);

const config = defineConfig({
  // A rule that is put into a layer makes the browser lay out the whole page anew.
  disableLayers: true,
  // So does a media query that comes with a later element: whether there is a pointer to hover with is asked once.
  conditions: {
    hover: '.hovers &:is(:hover, [data-hover]):not(:disabled, [data-disabled])',
  },
  utilities: {
    // The library's own gives each element with a ground a variable of its own, which all below it then carry.
    background: {
      values: 'colors',
      shorthand: ['bg'],
      transform: (value: string, { utils }: { utils: ColorUtils }) => {
        const mix = utils.colorMix(value);
        return { background: mix.invalid ? value : mix.value };
      },
    },
  },
  globalCss: {
    ...LIBRARY_RESET,
    html: {
      colorPalette: 'inky',
      fontSize: '16px',
      // What takes the focus is not left behind the rail of lessons.
      scrollPaddingTop: '6rem',
    },
    '.light': { colorScheme: 'light' },
    '.dark': { colorScheme: 'dark' },
    body: { bg: 'paper', color: 'ink', fontFamily: 'body', lineHeight: '1.45', margin: 0 },
    '*': {
      boxSizing: 'border-box',
      '@media (prefers-reduced-motion: reduce)': {
        transitionDuration: '0s !important',
        animationDuration: '0s !important',
      },
    },
    // What is wide inside a grid or a row scrolls or wraps there: it does not widen the page.
    ':where(main, main *)': { minWidth: '0' },
    'h1, h2, h3': { fontFamily: 'title', fontWeight: '650', lineHeight: '1.15', margin: 0 },
    'p, ul, ol, dl, dd': { margin: 0 },
    'button, input, textarea, select': { font: 'inherit', color: 'inherit' },
    a: { color: 'inherit' },
    // Of all fields at once: one such rule that comes later makes the browser dress the whole page anew.
    '::placeholder': { color: 'quiet' },
    ':focus-visible': { outline: '3px solid var(--chakra-colors-now)', outlineOffset: '2px' },
    // It has the focus where a page begins, and nothing in it does yet.
    'main:focus-visible': { outline: 'none' },
    // Read by screen readers only.
    '.spoken': {
      position: 'absolute',
      width: '1px',
      height: '1px',
      overflow: 'hidden',
      clipPath: 'inset(50%)',
    },
    '.no-print': { '@media print': { display: 'none !important' } },
    '.only-print': { '@media screen': { display: 'none !important' } },
    ':root, :root *': { '@media print': { printColorAdjust: 'exact', ...DAY_COLORS } },
    input: { '@media print': { border: 'none', background: 'none', padding: '0', fieldSizing: 'content' } },
    // Nothing on paper can be pressed or opened.
    'button:not([data-prints]), form, nav, details': { '@media print': { display: 'none !important' } },
  },
  theme: {
    breakpoints: { sm: '30rem', md: '48rem', lg: '62rem', xl: '80rem' },
    ...LIBRARY_STYLES,
    tokens: {
      ...LIBRARY_TOKENS,
      fonts: {
        ...LIBRARY_TOKENS.fonts,
        title: { value: "'Bricolage Grotesque Variable', sans-serif" },
        body: { value: "'Atkinson Hyperlegible Next Variable', sans-serif" },
      },
      fontSizes: {
        ...LIBRARY_TOKENS.fontSizes,
        xs: { value: '0.8125rem' },
        sm: { value: '0.875rem' },
        md: { value: '1rem' },
        lg: { value: '1.1875rem' },
        xl: { value: '1.5rem' },
        '2xl': { value: '2rem' },
        '3xl': { value: '2.75rem' },
      },
      spacing: { ...spacing, ...LIBRARY_TOKENS.spacing },
      sizes: { ...spacing, ...LIBRARY_TOKENS.sizes, full: { value: '100%' } },
      radii: {
        ...LIBRARY_TOKENS.radii,
        sm: { value: '3px' },
        md: { value: '6px' },
        round: { value: '999px' },
      },
    },
    semanticTokens: {
      colors: { ...COLORS, ...LIBRARY_COLORS },
      shadows: LIBRARY_SHADOWS,
    },
    recipes,
  },
});

const made = createSystem(defaultBaseConfig, config);

type Compile = SystemContext['cva'] | SystemContext['sva'];

/**
 * Keeps what was made of a recipe: the library compiles it anew at each drawing of each element. Whatever a recipe's
 * variants are, what is made of it is the same, which the library's types cannot say.
 */
function once<Make extends Compile>(make: Make): Make {
  const compile = make as (recipe: object) => unknown;
  const kept = new WeakMap<object, unknown>();
  const remember = (recipe: object) => {
    const known = kept.get(recipe) ?? compile(recipe);
    kept.set(recipe, known);
    return known;
  };
  return remember as Make;
}

export const system: SystemContext = { ...made, cva: once(made.cva), sva: once(made.sva) };
