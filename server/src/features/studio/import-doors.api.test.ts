// What a file may not do to the people of a studio, nor to the server.
import { FORMAT } from '@map-step/core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { exportStudio, fileResult, undoImport, waitForJob } from '../../test/run-import.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

let server: TestServer;
let ada: TestPerson;
beforeAll(async () => {
  server = await startTestServer();
  ada = await server.person();
  await ada.call('setup.create', {
    body: {
      studio: 'Pier Rooms',
      name: 'Ada Finch',
      email: 'ada@pier.example',
      password: 'a long enough word',
      timezone: 'Europe/London',
    },
  });
});
afterAll(() => server.close());

const take = async (document: object, query: Record<string, string> = { do: 'take' }) => {
  const { body } = await ada.call('studio.import', {
    query: new URLSearchParams(query),
    text: JSON.stringify({
      format: FORMAT,
      studio: { name: 'Pier Rooms', timezone: 'Europe/London' },
      ...document,
    }),
  });
  return waitForJob(ada, body.id, ({ state }) => state !== 'waiting' && state !== 'running');
};
const stranger = { id: 'director', name: 'Zed Mole', role: 'teacher' } as const;
const people = async () => (await exportStudio(ada)).people;

describe('people who sign in', () => {
  test('are renamed and demoted by no file, and the preview asks who is meant', async () => {
    const preview = fileResult(await take({ people: [stranger] }, { do: 'preview' }));
    expect(preview.asked).toEqual([
      {
        person: 'director',
        here: { id: 'director', name: 'Ada Finch', role: 'director' },
        file: stranger,
      },
    ]);
    expect((await take({ people: [stranger] })).state).toBe('done');
    expect(await people()).toEqual([{ id: 'director', name: 'Ada Finch', role: 'director' }]);
  });

  test('told to be another, somebody of the file comes in under an id of their own, with what they did', async () => {
    const section = {
      id: 'monday',
      course: 'one',
      start: '19:00',
      dates: ['2026-03-09'],
      staff: [{ person: 'director' }],
      students: [],
    };
    const course = {
      ...{ id: 'one', dances: ['waltz'], name: 'One', format: 'series', approach: 'steps-first' },
      ...{ lookalikes: 'apart', items: [] },
      lessons: [{ minutes: 60, fixed: { arrive: 3, combine: 8, dance: 10, recap: 4 } }],
    };
    const dance = {
      ...{ id: 'waltz', name: 'Waltz', roles: 'pair', beatsPerBar: 3, countCycle: 3, slow: 2, quick: 1 },
      ...{ split: 'straight', phrase: 8, tempo: [], floor: 'line', holds: [] },
    };
    const file = { people: [stranger], dances: [dance], courses: [course], sections: [section] };
    const job = await take(file, { do: 'take', others: 'director' });
    expect(job.fault).toBe(null);
    const after = await exportStudio(ada);
    expect(after.people?.map(({ id, name }) => [id, name])).toEqual([
      ['director', 'Ada Finch'],
      ['zed-mole', 'Zed Mole'],
    ]);
    expect(after.sections?.[0]?.staff).toEqual([{ person: 'zed-mole' }]);
    expect((await undoImport(ada, job.id)).state).toBe('done');
  });

  test('one director who can sign in remains, whoever writes the rows and at whatever moment', async () => {
    const demote = `UPDATE people SET body = jsonb_set(body, '{role}', '"teacher"') WHERE id = 'director'`;
    await expect(server.sql(demote)).rejects.toThrow(/no director is left/);
    await expect(server.sql('DELETE FROM memberships')).rejects.toThrow(/no director is left/);
    await expect(server.sql("DELETE FROM people WHERE id = 'director'")).rejects.toThrow(
      /no director is left/,
    );
    expect((await ada.call('people.accounts')).status).toBe(200);
  });
});

describe('a file that is made to be large', () => {
  test.each([
    [
      'values',
      `{"format":"${FORMAT}","dances":[${'[],'.repeat(3_000_001)}[]]}`,
      /more than 3,000,000 values/,
    ],
    ['a version that every object knows', '{"format":"constructor"}', /mapstep/],
    ['NUL', `{"format":"${FORMAT}\\u0000"}`, /cannot be kept/],
  ])('of %s is refused in words', async (_, text, words) => {
    const { body } = await ada.call('studio.import', { text });
    const job = await waitForJob(ada, body.id, ({ state }) => state !== 'waiting' && state !== 'running');
    expect(job.state).toBe('failed');
    expect(JSON.stringify(job.fault)).toMatch(words);
  });

  test('five wait at most; a sixth is refused in words, and none is in the queue twice', async () => {
    await server.leaveQueue();
    const statuses = [];
    for (let more = 0; more < 7; more += 1)
      statuses.push((await ada.call('studio.import', { text: '{}' })).status);
    expect(statuses).toEqual([200, 200, 200, 200, 200, 429, 429]);
    const queued = await server.database.select<{ count: number }>(
      "SELECT count(*)::integer AS count FROM pgboss.job WHERE name = 'map-step-studios' AND state = 'created'",
      [],
    );
    expect(queued).toEqual([{ count: 1 }]);
  });
});
