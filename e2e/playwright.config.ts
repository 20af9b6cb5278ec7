import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  workers: 1,
  timeout: 90_000,
  expect: { timeout: 15_000 },
  reporter: [['list']],
  outputDir: '../.tmp/e2e',
  use: {
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      chromiumSandbox: false,
      args: ['--disable-gpu', '--disable-quic', '--font-render-hinting=none', '--force-color-profile=srgb'],
    },
  },
});
