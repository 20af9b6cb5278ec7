import { createContext } from 'react';

/** Opens the palette, which lies over whatever page there is. */
export const OpenPalette = createContext<() => void>(() => undefined);
