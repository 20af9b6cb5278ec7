import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import {
  type ListeningServer,
  startTestServer,
  type TestPerson,
  type TestServer,
  TODAY,
} from '../../test/test-server.ts';

const founder = {
  studio: 'Pier Rooms',
  name: 'Ada Finch',
  email: 'Ada@pier.example',
  password: 'a long enough word',
  timezone: 'Europe/London',
};

const person = (id: string) => ({ id, name: '', role: 'teacher' as const });

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

  test('a time zone that does not exist is refused, and nothing is founded', async () => {
    const ada = await server.person();
    const reply = await ada.call('setup.create', { body: { ...founder, timezone: 'Mars/Olympus' } });
    expect([reply.status, reply.body.problems?.[0]?.at]).toEqual([400, '/timezone']);
    expect((await ada.call('session.read')).body.empty).toBe(true);
  });

  test('of ten who found at once, at two servers, one does', async () => {
    const fresh = await startTestServer();
    const other = await fresh.another({}, { signInLimit: 100 });
    const tries = Array.from({ length: 10 }, async (_, index) => {
      const person = await (index % 2 ? fresh : other).person();
      const email = `founder-${index}@pier.example`;
      return (await person.call('setup.create', { body: { ...founder, email } })).status;
    });
    const statuses = await Promise.all(tries);
    expect(statuses.filter(status => status === 200)).toHaveLength(1);
    expect(await fresh.database.select('SELECT id FROM studios', [])).toHaveLength(1);
    expect(await fresh.database.select('SELECT id FROM accounts', [])).toHaveLength(1);
    await other.close();
    await fresh.close();
  });

  test('says that it is empty, takes its first studio, and then no second one', async () => {
    const ada = await server.person();
    expect((await ada.call('session.read')).body).toMatchObject({ empty: true, person: null });
    const made = await ada.call('setup.create', { body: founder });
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

  test('a real studio never offers a click to come in, in demo mode either', async () => {
    await server.sql('DELETE FROM sign_in_tries');
    const visitor = await server.person();
    expect((await visitor.call('session.read')).body).toMatchObject({
      demo: null,
      empty: false,
    });
    expect((await visitor.call('session.demo', { body: { person: 'director' } })).status).toBe(404);
    await server.sql('UPDATE studios SET demo = true');
    expect((await visitor.call('session.read')).body.demo).toBe(null);
    await server.sql('UPDATE studios SET demo = false');
  });

  test('one account tried from very many addresses is tried ever more slowly; its owner still comes in', async () => {
    const many = await server.another({}, { signInLimit: 100_000 });
    const owner = await many.person();
    const signIn = (who: TestPerson, password: string) =>
      who.call('session.signIn', { body: { email: founder.email, password } });
    expect((await signIn(owner, founder.password)).status).toBe(200);
    const statuses: number[] = [];
    for (let attempt = 0; attempt < 14; attempt += 1)
      statuses.push((await signIn(await many.person(), 'guess')).status);
    expect(statuses.filter(status => status === 401).length).toBeLessThanOrEqual(11);
    const late = await signIn(await many.person(), founder.password);
    expect([late.status, late.body.message]).toEqual([429, expect.stringMatching(/again in \d+ seconds/)]);
    expect((await signIn(owner, founder.password)).status).toBe(200);
    await server.sql("UPDATE sign_in_tries SET free_at = now() - interval '1 second'");
    expect((await signIn(await many.person(), founder.password)).status).toBe(200);
    await server.sql('DELETE FROM sign_in_tries');
    await many.close();
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
    await server.sql("UPDATE sign_in_tries SET resets_at = now() - interval '1 second', free_at = now()");
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
    const { body } = await visitor.call('session.read');
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

  test('a role that was changed counts from the next request on; who has left is out', async () => {
    const wren = await server.person('wren-adair');
    const write = () =>
      wren.call('figure.create', {
        body: { figure: { id: 'new', dance: 'hustle', name: 'New', kind: 'drill' } },
      });
    expect((await write()).status).toBe(403);
    const change = (role: string) =>
      server.sql(
        `UPDATE people SET body = jsonb_set(body, '{role}', '"${role}"')
         WHERE id = 'wren-adair' AND studio_id = '${server.studioId}'`,
      );
    await change('teacher');
    expect((await write()).status).toBe(200);
    await change('assistant');
    expect((await write()).status).toBe(403);
    await server.sql(`DELETE FROM people WHERE id = 'wren-adair' AND studio_id = '${server.studioId}'`);
    expect((await wren.call('course.list')).status).toBe(401);
    expect((await wren.call('session.read')).body.person).toBe(null);
  });

  test('without demo mode nobody comes in by a click, and who did is out', async () => {
    const bram = await server.person('bram-okoro');
    const real = await server.another({ demo: false });
    const { cookie } = await server.signIn({ ...person('bram-okoro'), studio: server.studioId });
    const ask = (address: string) => fetch(`${address}/api/courses`, { headers: { cookie } });
    expect([(await ask(server.address)).status, (await ask(real.address)).status]).toEqual([200, 401]);
    expect(
      (await (await real.person()).call('session.demo', { body: { person: 'bram-okoro' } })).status,
    ).toBe(404);
    expect((await bram.call('course.list')).status).toBe(200);
    await real.close();
  });

  test('a change without the token of the session is refused', async () => {
    const ottilie = await server.person('ottilie-marsh');
    const reply = await ottilie.call('session.signOut', { csrf: 'forged' });
    expect(reply.status).toBe(403);
    expect((await ottilie.call('session.read')).body.person).not.toBeNull();
  });

  test('after signing out the same browser reads nothing', async () => {
    const bram = await server.person('bram-okoro');
    expect((await bram.call('course.list')).status).toBe(200);
    await bram.call('session.signOut');
    expect((await bram.call('course.list')).status).toBe(401);
  });
});
