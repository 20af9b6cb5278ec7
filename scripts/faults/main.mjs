// `npm run faults [-- KILLS]`, or `-- hostile [SECONDS]` for that part alone: what happens to acknowledged writes when the server is killed in the middle of
// them again and again, when PostgreSQL goes away under load, takes no changes, or has no room left on its disk, and to
// people at work while others send what they should not.
// Prints the counts; exit 1 when one is off.
import { spawnSync } from 'node:child_process';
import { chmodSync, closeSync, mkdtempSync, openSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { ensureBuilt } from '../build.mjs';
import { ensurePackages } from '../packages.mjs';
import { ensurePostgres, startCluster, startThrowawayCluster } from '../postgres.mjs';
import { say } from '../say.mjs';
import { orFew } from '../small.mjs';
import { standHostility } from './hostile.mjs';
import { checkRefusals, openScene, verify } from './scene.mjs';

/** How many writes are acknowledged, at the most, before the next kill falls among them. */
const WRITES_A_KILL = 40;
const LONGEST_STORM_MS = 5000;
/** Work goes on so long after a fault. */
const AFTER_MS = orFew(4000, 1500);
const AWAY_MS = orFew(20_000, 1500);
const READ_ONLY_MS = orFew(3000, 1000);
const FULL_MS = 6000;
const SMALL_DISK = '400m';
const HOSTILE_SECONDS = orFew(60, 8);

const root = fileURLToPath(new URL('../..', import.meta.url));
const [part, seconds] = process.argv[2] === 'hostile' ? ['hostile', process.argv[3]] : ['all'];
const kills = Number((part === 'all' && process.argv[2]) || 200);
ensurePackages(root);
ensurePostgres();
await ensureBuilt(root);
const failures = [];

if (part === 'hostile') {
  failures.push(...(await standHostility(root, Number(seconds ?? HOSTILE_SECONDS))));
  conclude();
}
const cluster = await startThrowawayCluster({ fast: false });
const scene = await openScene(root, cluster);
await killRepeatedly();
await verify(scene, 'after the kills');
await loseDatabase();
await verify(scene, 'after the database was away');
await closeForWriting();
await verify(scene, 'after it took no changes');
await scene.server.stop('SIGTERM');
cluster.remove();
failures.push(...scene.failures);
await fillTheDisk();
failures.push(...(await standHostility(root, HOSTILE_SECONDS)));
conclude();

function conclude() {
  for (const failure of failures) say(`WRONG: ${failure}`);
  say(failures.length === 0 ? 'Nothing acknowledged was lost.' : `${failures.length} things are wrong.`);
  process.exit(failures.length === 0 ? 0 : 1);
}

async function killRepeatedly() {
  const written = () => scene.count('taps') + scene.count('commands');
  for (let kill = 1; kill <= kills; kill += 1) {
    const end = Date.now() + LONGEST_STORM_MS;
    const enough = written() + 1 + Math.random() * WRITES_A_KILL;
    const storm = scene.storm(() => end);
    while (written() < enough && Date.now() < end) await wait(3);
    await scene.server.stop('SIGKILL');
    await storm;
    await scene.restart();
    if (kill % 20 === 0)
      say(`${kill} kills, ${scene.count('taps')} taps and ${scene.count('commands')} commands acknowledged`);
  }
  for (const client of scene.clients) client.refused.length = 0;
}

async function loseDatabase() {
  const storm = scene.storm(endingIn(AWAY_MS + AFTER_MS));
  await wait(1000);
  cluster.stop();
  await wait(AWAY_MS);
  await startCluster(cluster.folder, { port: cluster.port });
  await storm;
  checkRefusals(scene, `database away ${AWAY_MS / 1000} s`, ['database-away']);
}

async function closeForWriting() {
  const storm = scene.storm(endingIn(READ_ONLY_MS + AFTER_MS));
  await setReadOnly('on');
  await wait(READ_ONLY_MS);
  await setReadOnly('off');
  await storm;
  checkRefusals(scene, 'database takes no changes', ['read-only', 'database-away']);
}

async function setReadOnly(value) {
  const client = new pg.Client({ connectionString: cluster.url('template1') });
  await client.connect();
  await client.query(`ALTER DATABASE postgres SET default_transaction_read_only = ${value}`);
  await client.query("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = 'postgres'");
  await client.end();
}

/** A cluster on a small disk that is filled to the last byte under load, and cleared again. */
async function fillTheDisk() {
  const disk = mkdtempSync(join(tmpdir(), 'map-step-small-disk-'));
  chmodSync(disk, 0o755);
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${SMALL_DISK},mode=755`, 'tmpfs', disk]);
  if (mounted.status !== 0) {
    say('disk full: not tried, a small disk can only be mounted as root');
    rmSync(disk, { recursive: true });
    return;
  }
  const folder = join(disk, 'postgres');
  const small = await startCluster(folder, { port: 0 });
  const full = await openScene(root, small);
  let end = Date.now() + 60_000;
  const storm = full.storm(() => end);
  await wait(1000);
  fill(join(disk, 'filler'));
  await wait(FULL_MS);
  rmSync(join(disk, 'filler'));
  const again = await startCluster(folder, { port: small.port });
  end = Date.now() + AFTER_MS;
  await storm;
  checkRefusals(full, 'disk full', ['storage-full', 'database-away']);
  await verify(full, 'after the disk was full');
  await full.server.stop('SIGTERM');
  small.stop();
  again.stop();
  spawnSync('umount', [disk]);
  rmSync(disk, { recursive: true, force: true });
  failures.push(...full.failures);
}

function fill(path) {
  const file = openSync(path, 'w');
  for (const size of [1 << 20, 1 << 12, 1]) {
    try {
      for (;;) if (writeSync(file, Buffer.alloc(size)) < size) break;
    } catch {
      // No room for one of this size: a smaller one may still fit.
    }
  }
  closeSync(file);
}

function endingIn(milliseconds) {
  const end = Date.now() + milliseconds;
  return () => end;
}

function wait(milliseconds) {
  return new Promise(resolve => setTimeout(resolve, milliseconds));
}
