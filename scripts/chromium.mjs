import { existsSync } from 'node:fs';
import { installDebian } from './debian.mjs';

/** Debian's Chromium, which the browser tests and the pictures use. */
export const CHROMIUM = '/usr/bin/chromium';

export function ensureChromium() {
  if (!existsSync(CHROMIUM)) installDebian(['chromium'], 'Chromium');
}
