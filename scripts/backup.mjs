// `npm run backup -- FILE` and `npm run restore -- FILE`: the whole database, with history, sessions and links.
// Restoring replaces what is in the database, in one transaction.
import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { connectionOf, ensurePostgres, findBinaries, startCluster } from './postgres.mjs';
import { giveUp, say } from './say.mjs';

/** Roles belong to a cluster, not to a database: a fresh one must have this before its rights come in. */
const MAKE_ROLE = `DO $$ BEGIN
  IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'map_step_studio') THEN
    CREATE ROLE map_step_studio NOLOGIN;
  END IF;
  IF NOT pg_has_role(CURRENT_USER, 'map_step_studio', 'MEMBER') THEN
    GRANT map_step_studio TO CURRENT_USER;
  END IF;
END $$`;

/** The file holds everything that anybody wrote here: only its owner may read it. */
export function backup(url, file) {
  const before = process.umask(0o077);
  try {
    if (existsSync(file)) chmodSync(file, 0o600);
    run(url, 'pg_dump', ['--format=custom', '--no-owner', `--file=${file}`]);
  } finally {
    process.umask(before);
  }
}

export function restore(url, file) {
  if (!existsSync(file)) giveUp(`There is no file ${file}.`);
  run(url, 'psql', ['--quiet', '--no-psqlrc', '--set=ON_ERROR_STOP=1', `--command=${MAKE_ROLE}`]);
  const whole = ['--clean', '--if-exists', '--no-owner', '--single-transaction'];
  run(url, 'pg_restore', whole, file);
}

function run(url, program, args, ...rest) {
  const { env, name } = connectionOf(url);
  const all = [...args, `--dbname=${name}`, ...rest];
  const { status, stderr } = spawnSync(join(findBinaries(), program), all, { encoding: 'utf8', env });
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
