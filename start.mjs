// `npm start`: installs what is missing, starts the database, migrates, loads the demo and serves.
// Plain Node, so that it runs before any package is there.
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './scripts/build.mjs';
import { ensurePackages } from './scripts/packages.mjs';
import { ensurePostgres, startCluster } from './scripts/postgres.mjs';
import { say } from './scripts/say.mjs';

const DATABASE_PORT = 54_170;
const root = fileURLToPath(new URL('.', import.meta.url));
const folder = process.env.MAPSTEP_DATA ?? join(root, '.data');

ensurePackages(root);
await ensureBuilt(root);
mkdirSync(folder, { recursive: true });
const database = await openDatabase();
const server = spawn(process.execPath, ['--enable-source-maps', join(root, 'server/dist/main.js')], {
  cwd: root,
  stdio: 'inherit',
  env: {
    MAPSTEP_DEMO: '1',
    MAPSTEP_DEMO_FILE: join(root, 'demo/tarn-street.json'),
    MAPSTEP_PAGES: join(root, 'web/dist'),
    NODE_ENV: 'production',
    ...process.env,
    DATABASE_URL: database.url,
  },
});

for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill('SIGTERM'));
server.once('exit', code => {
  database.stop();
  process.exit(code ?? 0);
});

/** The database of `DATABASE_URL`, or one of the project's own. */
async function openDatabase() {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, stop: () => undefined };
  ensurePostgres();
  const cluster = await startCluster(join(folder, 'postgres'), { port: DATABASE_PORT });
  if (!cluster.owned) say('The database is running already.');
  return { url: cluster.url('postgres'), stop: cluster.stop };
}
