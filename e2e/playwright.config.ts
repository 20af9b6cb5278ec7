import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../scripts/chromium.mjs';

export default defineConfig({
  testDir: '.',
  workers: process.env.MAPSTEP_URLS?.split(' ').length ?? 1,
  timeout: 480_000,
  expect: { timeout: 60_000 },
  reporter: [['list']],
  maxFailures: 3,
  outputDir: '../.tmp/e2e',
  use: {
    actionTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    // What a journey makes of a request must not be answered from what an earlier page kept.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: CHROMIUM,
      chromiumSandbox: false,
      args: ['--disable-gpu', '--disable-quic', '--font-render-hinting=none', '--force-color-profile=srgb'],
    },
  },
});
