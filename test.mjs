// `npm test`: installs what is missing, then lint, types, unit and server tests, and browser tests.
// Plain Node, so that it runs before any package is there.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './scripts/build.mjs';
import { ensureChromium } from './scripts/chromium.mjs';
import { startDemoServer } from './scripts/demo-server.mjs';
import { ensurePackages } from './scripts/packages.mjs';
import { ensurePostgres } from './scripts/postgres.mjs';
import { say } from './scripts/say.mjs';
import { runSmall } from './scripts/small-runs.mjs';

const TODAY = '2026-03-09';
const root = fileURLToPath(new URL('.', import.meta.url));
const failed = [];

ensurePackages(root);
ensurePostgres();
ensureChromium();
run('lint', ['@biomejs/biome/bin/biome', 'check', '.']);
run('types', ['typescript/bin/tsc', '-b']);
run('what nothing uses', ['knip/bin/knip.js', '--no-progress']);
run('unit and server tests', ['vitest/vitest.mjs', 'run']);
await ensureBuilt(root);
await tryWhatIsDocumented();
await runInBrowser();
say(failed.length === 0 ? 'All of it passed.' : `Failed: ${failed.join(', ')}`);
process.exit(failed.length === 0 ? 0 : 1);

function run(name, [script, ...args], env = {}) {
  say(`\n== ${name}`);
  const { status } = spawnSync(process.execPath, [join(root, 'node_modules', script), ...args], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  if (status !== 0) failed.push(name);
}

async function tryWhatIsDocumented() {
  say('\n== what measures and draws, small');
  const failures = await runSmall(root);
  for (const failure of failures) say(failure);
  if (failures.length > 0) failed.push('what measures and draws');
}

async function runInBrowser() {
  const servers = [await startDemoServer(root, TODAY), await startDemoServer(root, TODAY)];
  const empty = await startDemoServer(root, TODAY, { MAPSTEP_DEMO: '0' });
  const env = {
    MAPSTEP_URLS: servers.map(({ address }) => address).join(' '),
    MAPSTEP_EMPTY_URL: empty.address,
  };
  run('browser tests', ['@playwright/test/cli.js', 'test', '--config', 'e2e/playwright.config.ts'], env);
  for (const server of [...servers, empty]) await server.stop();
}
