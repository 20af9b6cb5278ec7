// `npm run backup -- FILE` and `npm run restore -- FILE`: the whole database, with history, sessions and links.
// Restoring replaces what is in the database, in one transaction.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensurePostgres, findBinaries, startCluster } from './postgres.mjs';
import { giveUp, say } from './say.mjs';

/** Roles belong to a cluster, not to a database: a fresh one must have this before its rights come in. */
const MAKE_ROLE =
  'DO $$ BEGIN CREATE ROLE map_step_studio NOLOGIN; EXCEPTION WHEN duplicate_object THEN NULL; END $$';

export function backup(url, file) {
  run('pg_dump', ['--format=custom', '--no-owner', `--file=${file}`, url]);
}

export function restore(url, file) {
  if (!existsSync(file)) giveUp(`There is no file ${file}.`);
  run('psql', ['--quiet', '--no-psqlrc', '--set=ON_ERROR_STOP=1', `--command=${MAKE_ROLE}`, url]);
  run('pg_restore', [
    '--clean',
    '--if-exists',
    '--no-owner',
    '--single-transaction',
    `--dbname=${url}`,
    file,
  ]);
}

function run(program, args) {
  const { status, stderr } = spawnSync(join(findBinaries(), program), args, { encoding: 'utf8' });
  if (status !== 0) giveUp(`${program} failed; nothing was changed.\n${stderr.trim()}`);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [action, file] = process.argv.slice(2);
  if (!file || (action !== 'backup' && action !== 'restore'))
    giveUp('Name the file: npm run backup -- FILE, or npm run restore -- FILE');
  ensurePostgres();
  const root = fileURLToPath(new URL('..', import.meta.url));
  const folder = process.env.MAPSTEP_DATA ?? join(root, '.data');
  const own = process.env.DATABASE_URL
    ? undefined
    : await startCluster(join(folder, 'postgres'), { port: 54_170 });
  const url = process.env.DATABASE_URL ?? own.url('postgres');
  if (action === 'backup') backup(url, file);
  else restore(url, file);
  own?.stop();
  say(action === 'backup' ? `Everything is in ${file}.` : `${file} is restored.`);
}
