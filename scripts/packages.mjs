import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { giveUp, say } from './say.mjs';

/** Runs `npm ci` when the installed packages are not those of the lock file. */
export function ensurePackages(root) {
  const stamp = join(root, 'node_modules', '.map-step-lock');
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('Installing npm packages …');
  const install = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' },
  });
  if (install.status !== 0) giveUp(`npm ci failed:\n${install.stderr.trim()}`);
  writeFileSync(stamp, lock);
}
