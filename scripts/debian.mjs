import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { giveUp, say } from './say.mjs';

/** Installs Debian packages as root; otherwise says what to install and ends. */
export function installDebian(packages, why) {
  const isRoot = process.getuid?.() === 0;
  if (!isRoot || !existsSync('/usr/bin/apt-get'))
    giveUp(
      `${why} is missing. Install it and start again, for example: sudo apt-get install ${packages.join(' ')}`,
    );
  say(`Installing ${packages.join(' ')} …`);
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const run = args => spawnSync('apt-get', args, { env: environment, encoding: 'utf8' });
  run(['update']);
  const install = run(['install', '-y', '--no-install-recommends', ...packages]);
  if (install.status !== 0) giveUp(`${why} could not be installed:\n${install.stderr.trim()}`);
}
