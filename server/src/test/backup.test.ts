import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { StudioDocument } from '@map-step/core';
import { expect, test } from 'vitest';
import { backup, restore } from '../../../scripts/backup.mjs';
import { startThrowawayCluster } from '../../../scripts/postgres.mjs';
import { demoStudio } from './demo-studio.ts';
import { listen, startTestServer, type TestPerson } from './test-server.ts';

test('backup, fresh cluster, restore: the export is byte-equal, history and sessions are there', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'map-step-backup-'));
  const file = join(folder, 'studio.backup');
  const server = await startTestServer(demoStudio());
  const ottilie = await server.person('ottilie-marsh');
  const moves = [{ pattern: 'wrap', from: 6, to: 5 }];
  const body = { seen: 1, command: { kind: 'place', why: 'Wrap to lesson 5', moves } };
  await ottilie.call('course.command', { params: { course: 'hustle-1' }, body });
  const exported = async (who: TestPerson) =>
    JSON.stringify((await who.call<StudioDocument>('studio.export')).body);
  const before = await exported(ottilie);
  backup(server.databaseUrl, file);
  await server.close();

  const cluster = await startThrowawayCluster();
  restore(cluster.url('postgres'), file);
  const restored = await listen(cluster.url('postgres'));
  const again = await restored.person('ottilie-marsh');
  expect(await exported(again)).toBe(before);
  const course = await again.call('course.read', { params: { course: 'hustle-1' } });
  expect(course.body).toMatchObject({ version: 2, history: [{ what: 'Wrap to lesson 5' }] });
  const bram = await restored.person('bram-okoro');
  expect((await bram.call('studio.export')).status).toBe(403);
  await restored.close();
  cluster.remove();
  rmSync(folder, { recursive: true, force: true });
}, 60_000);
