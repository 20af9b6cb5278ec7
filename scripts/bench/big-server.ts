// The built server on a throwaway database that holds the big studio.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Client } from 'pg';
import { openDatabase } from '../../server/src/db/database.ts';
import { ensureBuilt } from '../build.mjs';
import { ensurePostgres, startThrowawayCluster, type ThrowawayCluster } from '../postgres.mjs';
import { type ServerProcess, startServerProcess } from '../server-process.mjs';
import { buildBigStudio, type StudioSize } from './big-studio.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));
export const DEMO = `${root}demo/tarn-street.json`;

export interface BigServer extends ServerProcess {
  readonly databaseUrl: string;
  readonly buildSeconds: number;
}

/** Builds the studio, starts the server, has it measured, and takes all away again. */
export async function withBigServer<Answer>(
  size: StudioSize,
  measure: (server: BigServer) => Promise<Answer>,
): Promise<Answer> {
  ensurePostgres();
  await ensureBuilt(root);
  const cluster = await startThrowawayCluster({ fast: false });
  const databaseUrl = cluster.url('postgres');
  try {
    tell(`Building ${size.patterns} figures and ${size.marks} marks …`);
    const begun = Date.now();
    await fillDatabase(cluster, size);
    const buildSeconds = Math.round((Date.now() - begun) / 1000);
    tell(`Built in ${buildSeconds} s`);
    const server = await startServerProcess(root, databaseUrl, {
      PORT: '0',
      LOG_LEVEL: 'fatal',
      MAPSTEP_DEMO_FILE: '',
      SESSION_SECRET: 'bench',
      // All of them are few people, and none of them is in a hurry.
      MAPSTEP_PERSON_RATE: '100000',
    });
    try {
      return await measure({ ...server, databaseUrl, buildSeconds });
    } finally {
      await server.stop('SIGTERM');
    }
  } finally {
    cluster.remove();
  }
}

async function fillDatabase(cluster: ThrowawayCluster, size: StudioSize): Promise<void> {
  const database = openDatabase(cluster.url('postgres'));
  await database.migrate();
  await database.close();
  const client = new Client({ connectionString: cluster.adminUrl('postgres') });
  await client.connect();
  await buildBigStudio(client, DEMO, size);
  // A studio that grew over years was analysed long ago; without this the database does it during the load.
  await client.query('VACUUM (ANALYZE)');
  await client.query('CHECKPOINT');
  await client.end();
}

/** The most resident memory that a process has had, in megabytes. */
export function mostMemory(pid: number): number {
  const found = /VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
  return Math.round(Number(found?.[1] ?? 0) / 1024);
}

/** How far it is, apart from what it found. */
export function tell(line: string): void {
  process.stderr.write(`${line}\n`);
}

export function say(line: string): void {
  process.stdout.write(`${line}\n`);
}
