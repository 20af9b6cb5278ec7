import { existsSync } from 'node:fs';
import { installDebian } from './debian.mjs';

/** Debian's Chromium without its windows, which the browser tests and the pictures use. */
export const CHROMIUM = '/usr/bin/chromium-headless-shell';

export function ensureChromium() {
  if (!existsSync(CHROMIUM)) installDebian(['chromium-headless-shell'], 'Chromium');
}
