import type { SessionAnswer } from '@map-step/contract';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { type ListeningServer, startTestServer, type TestServer, TODAY } from '../../test/test-server.ts';

const founder = {
  studio: 'Pier Rooms',
  name: 'Ada Finch',
  email: 'Ada@pier.example',
  password: 'a long enough word',
  timezone: 'Europe/London',
};

describe('a fresh server', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startTestServer();
  });
  afterAll(() => server.close());

  test('a short password is refused with its place', async () => {
    const reply = await (await server.person()).call('setup.create', {
      body: { ...founder, password: 'short' },
    });
    expect(reply.status).toBe(400);
    expect(reply.body.problems).toEqual([
      { at: '/password', message: 'a password has at least 10 characters' },
    ]);
  });

  test('says that it is empty, takes its first studio, and then no second one', async () => {
    const ada = await server.person();
    expect((await ada.call<SessionAnswer>('session.read')).body).toMatchObject({ empty: true, person: null });
    const made = await ada.call<SessionAnswer>('setup.create', { body: founder });
    expect(made.body.person).toMatchObject({ name: 'Ada Finch', role: 'director' });
    const other = await (await server.person()).call('setup.create', {
      body: { ...founder, email: 'b@pier.example' },
    });
    expect(other.status).toBe(403);
  });

  test('the e-mail is found whatever its case; a wrong password and an unknown address are told alike', async () => {
    const signIn = async (email: string, password: string) =>
      (await server.person()).call('session.signIn', { body: { email, password } });
    expect((await signIn('ada@PIER.example', founder.password)).status).toBe(200);
    const wrong = await signIn(founder.email, 'not the password');
    const unknown = await signIn('nobody@pier.example', founder.password);
    expect([wrong.status, unknown.status]).toEqual([401, 401]);
    expect(wrong.body.message).toBe(unknown.body.message);
  });

  test('after five wrong attempts it asks to wait, whichever of two servers they went to', async () => {
    const other = await server.another();
    const guess = async (at: ListeningServer) =>
      (await at.person()).call('session.signIn', { body: { email: founder.email, password: 'guess' } });
    const statuses: number[] = [];
    for (let attempt = 0; attempt < 5; attempt += 1)
      statuses.push((await guess(attempt % 2 === 0 ? server : other)).status);
    expect(statuses).toContain(401);
    expect([(await guess(server)).status, (await guess(other)).status]).toEqual([429, 429]);
    await server.sql("UPDATE sign_in_tries SET resets_at = now() - interval '1 second'");
    expect((await guess(other)).status).toBe(401);
    await other.close();
  });
});

describe('the demo', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startTestServer(demoStudio());
  });
  afterAll(() => server.close());

  test('offers its people, and nobody else', async () => {
    const visitor = await server.person();
    const { body } = await visitor.call<SessionAnswer>('session.read');
    expect(body.demo?.people.map(({ id }) => id)).toContain('ottilie-marsh');
    expect(body.today).toBe(TODAY);
    expect((await visitor.call('session.demo', { body: { person: 'nobody' } })).status).toBe(404);
  });

  test('a session is written again once a day, not by every request', async () => {
    const bram = await server.person('bram-okoro');
    const written = async () => {
      const rows = await server.database.select<{ xmin: string }>('SELECT xmin::text FROM sessions', []);
      return rows.map(({ xmin }) => xmin).sort();
    };
    await bram.call('session.read');
    const before = await written();
    await bram.call('course.list');
    await bram.call('session.read');
    expect(await written()).toEqual(before);
    server.setNow(new Date('2026-03-10T19:00:00Z'));
    await bram.call('session.read');
    expect(await written()).not.toEqual(before);
  });

  test('a change without the token of the session is refused', async () => {
    const ottilie = await server.person('ottilie-marsh');
    const reply = await ottilie.call('session.signOut', { csrf: 'forged' });
    expect(reply.status).toBe(403);
    expect((await ottilie.call<SessionAnswer>('session.read')).body.person).not.toBeNull();
  });

  test('after signing out the same browser reads nothing', async () => {
    const bram = await server.person('bram-okoro');
    expect((await bram.call('course.list')).status).toBe(200);
    await bram.call('session.signOut');
    expect((await bram.call('course.list')).status).toBe(401);
  });
});
