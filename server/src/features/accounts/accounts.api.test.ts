import type { LinkAnswer } from '@map-step/contract';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

const PASSWORD = 'a long enough word';
const founder = {
  studio: 'Pier Rooms',
  name: 'Ada Finch',
  email: 'ada@pier.example',
  password: PASSWORD,
  timezone: 'Europe/London',
};

/** A studio of one's own: its founder, and a teacher and an assistant who cannot come in yet. */
async function foundStudio(server: TestServer, more: Partial<typeof founder> = {}) {
  const ada = await server.person();
  const made = await ada.call('setup.create', { body: { ...founder, ...more } });
  expect(made.status).toBe(200);
  for (const [id, role] of [
    ['ben', 'teacher'],
    ['cy', 'assistant'],
  ])
    await ada.call('entry.create', { body: { kind: 'people', entry: { id, name: id, role } } });
  return ada;
}

async function invite(ada: TestPerson, person: string): Promise<LinkAnswer> {
  const { status, body } = await ada.call('person.invite', { params: { person } });
  expect(status).toBe(200);
  return body;
}

let server: TestServer;
/** As somebody with a link does. */
const accept = (who: TestPerson, token: string, email: string, password = PASSWORD) =>
  who.call('invitation.accept', { params: { token }, body: { email, password } });

describe('the people of a studio', () => {
  let ada: TestPerson;
  beforeAll(async () => {
    server = await startTestServer();
    ada = await foundStudio(server);
  });
  afterAll(() => server.close());

  test('a link says whose it is, lets in once, and is then spent', async () => {
    const { token } = await invite(ada, 'ben');
    const ben = await server.person();
    expect((await ben.call('invitation.read', { params: { token } })).body).toMatchObject({
      studio: 'Pier Rooms',
      name: 'ben',
      kind: 'invitation',
    });
    expect((await accept(ben, token, 'ben@pier.example')).body.person).toMatchObject({
      id: 'ben',
      role: 'teacher',
    });
    const again = await accept(await server.person(), token, 'eve@pier.example');
    expect([again.status, again.body.code]).toEqual([410, 'link-expired']);
    const { body } = await ada.call('people.accounts');
    expect(body.accounts.find(({ person }) => person === 'ben')).toMatchObject({
      email: 'ben@pier.example',
      invited: null,
      sessions: 1,
    });
  });

  test('of two who accept one link at once, one comes in', async () => {
    const { token } = await invite(ada, 'cy');
    const tries = ['x@pier.example', 'y@pier.example'].map(async email =>
      accept(await server.person(), token, email),
    );
    const statuses = (await Promise.all(tries)).map(({ status }) => status);
    expect(statuses.sort()).toEqual([200, 410]);
    expect(
      await server.database.select("SELECT email FROM accounts WHERE email LIKE '_@%'", []),
    ).toHaveLength(1);
    await ada.call('person.endAccount', { params: { person: 'cy' } });
  });

  test('a link that is withdrawn, replaced or two weeks old lets nobody in', async () => {
    const first = await invite(ada, 'cy');
    const second = await invite(ada, 'cy');
    const look = async ({ token }: LinkAnswer) =>
      (await (await server.person()).call('invitation.read', { params: { token } })).status;
    expect([await look(first), await look(second)]).toEqual([410, 200]);
    await ada.call('person.withdraw', { params: { person: 'cy' } });
    expect(await look(second)).toBe(410);
    const third = await invite(ada, 'cy');
    await server.sql("UPDATE invitations SET expires_at = '2026-03-01'");
    expect(await look(third)).toBe(410);
  });

  test('a forgotten password is set anew by a link, for the same e-mail; who was in by the old one is out', async () => {
    const before = await server.person();
    await before.call('session.signIn', { body: { email: 'ben@pier.example', password: PASSWORD } });
    const { token } = await invite(ada, 'ben');
    const ben = await server.person();
    expect((await ben.call('invitation.read', { params: { token } })).body.kind).toBe('new-password');
    expect((await accept(ben, token, 'other@pier.example', 'another long word')).status).toBe(400);
    expect((await accept(ben, token, 'ben@pier.example', 'another long word')).status).toBe(200);
    expect((await before.call('course.list')).status).toBe(401);
    const old = await (await server.person()).call('session.signIn', {
      body: { email: 'ben@pier.example', password: PASSWORD },
    });
    expect(old.status).toBe(401);
  });

  test('a password is changed by who knows the old one; the other sessions end, this one stays', async () => {
    await server.sql('DELETE FROM sign_in_tries');
    const [here, there] = [await server.person(), await server.person()];
    for (const who of [here, there])
      await who.call('session.signIn', {
        body: { email: 'ben@pier.example', password: 'another long word' },
      });
    const change = (old: string) =>
      here.call('account.password', { body: { old, fresh: 'a third long word' } });
    const wrong = await change('not it at all');
    expect([wrong.status, wrong.body.problems?.[0]?.at]).toEqual([400, '/old']);
    expect((await change('another long word')).status).toBe(200);
    expect([(await here.call('course.list')).status, (await there.call('course.list')).status]).toEqual([
      200, 401,
    ]);
  });

  test('one sees where one is signed in and ends a session there', async () => {
    await server.sql('DELETE FROM sign_in_tries');
    const [here, there] = [await server.person(), await server.person()];
    for (const who of [here, there])
      await who.call('session.signIn', {
        body: { email: 'ben@pier.example', password: 'a third long word' },
      });
    const { body } = await here.call('account.read');
    expect(body.sessions.filter(({ isThis }) => isThis)).toHaveLength(1);
    for (const { id } of body.sessions.filter(({ isThis }) => !isThis))
      await here.call('account.end', { params: { session: id } });
    expect([(await here.call('course.list')).status, (await there.call('course.list')).status]).toEqual([
      200, 401,
    ]);
  });

  test('a changed role and an ended account count from the next request on', async () => {
    await server.sql('DELETE FROM sign_in_tries');
    const ben = await server.person();
    await ben.call('session.signIn', { body: { email: 'ben@pier.example', password: 'a third long word' } });
    expect((await ben.call('people.accounts')).status).toBe(403);
    const role = (from: string, to: string) =>
      ada.call('entry.command', {
        params: { kind: 'people', entry: 'ben' },
        body: { command: { kind: 'edit', what: `ben ${to}`, changes: [{ field: 'role', from, to }] } },
      });
    expect((await role('teacher', 'director')).status).toBe(200);
    expect((await ben.call('people.accounts')).status).toBe(200);
    expect((await role('director', 'teacher')).status).toBe(200);
    expect((await ben.call('people.accounts')).status).toBe(403);
    expect((await ada.call('person.endAccount', { params: { person: 'ben' } })).body.ended).toBe(1);
    expect((await ben.call('course.list')).status).toBe(401);
    const [entry] = (await ada.call('studio.read')).body.people.filter(({ id }) => id === 'ben');
    expect(entry).toBeDefined();
  });

  test('one director always remains: not the role, not the account, not the entry of the last can go', async () => {
    const refused = [
      await ada.call('person.endAccount', { params: { person: 'director' } }),
      await ada.call('entry.remove', { params: { kind: 'people', entry: 'director' } }),
      await ada.call('entry.command', {
        params: { kind: 'people', entry: 'director' },
        body: {
          command: {
            kind: 'edit',
            what: 'x',
            changes: [{ field: 'role', from: 'director', to: 'teacher' }],
          },
        },
      }),
    ];
    expect(refused.map(({ status }) => status)).toEqual([409, 409, 409]);
    expect((await ada.call('people.accounts')).status).toBe(200);
  });
});

describe('several studios on one server', () => {
  afterAll(() => server.close());

  test('made freely where that is so configured, and each with an address of its own', async () => {
    server = await startTestServer();
    await foundStudio(server);
    const open = await server.another({ founding: 'open' });
    const dot = await open.person();
    const made = await dot.call('setup.create', { body: { ...founder, email: 'dot@quay.example' } });
    expect(made.status).toBe(200);
    const slugs = await server.database.select<{ slug: string }>(
      'SELECT slug FROM studios ORDER BY slug',
      [],
    );
    expect(slugs.map(({ slug }) => slug)).toEqual(['pier-rooms', expect.stringMatching(/^pier-rooms-/)]);
    const told = await dot.call('address.read', { params: { slug: 'pier-rooms' } });
    expect(told.body).toEqual({ name: 'Pier Rooms' });
    await open.close();
  });

  test('by invitation: a director’s link founds one studio, once', async () => {
    const invited = await server.another({ founding: 'invitation' });
    const ada = await invited.person();
    await ada.call('session.signIn', { body: { email: founder.email, password: PASSWORD } });
    const { token } = (await ada.call('founding.invite')).body;
    const found = async (email: string, invitation?: string) => {
      const body = { ...founder, studio: 'Quay Rooms', email, ...(invitation && { invitation }) };
      return (await (await invited.person()).call('setup.create', { body })).status;
    };
    expect(await found('e@quay.example')).toBe(403);
    expect(await found('e@quay.example', token)).toBe(200);
    expect(await found('f@quay.example', token)).toBe(410);
    await invited.close();
    const closed = await (await server.person()).call('setup.create', {
      body: { ...founder, email: 'g@quay.example' },
    });
    expect(closed.status).toBe(403);
  });

  test('one person in two: each by its address, nothing of the one in the other, and a switch between them', async () => {
    await server.sql('DELETE FROM sign_in_tries');
    const eve = await server.person();
    const atQuay = { email: 'e@quay.example', password: PASSWORD, at: 'quay-rooms' };
    expect((await eve.call('session.signIn', { body: atQuay })).body.person?.role).toBe('director');
    const ada = await server.person();
    await ada.call('session.signIn', {
      body: { email: founder.email, password: PASSWORD, at: 'pier-rooms' },
    });
    const { token } = await invite(ada, 'ben');
    const joined = await accept(eve, token, 'e@quay.example');
    expect(joined.body).toMatchObject({
      person: {
        id: 'ben',
        role: 'teacher',
      },
    });
    await ada.call('entry.create', {
      body: {
        kind: 'rooms',
        entry: { id: 'pier-loft', name: 'Pier loft', width: 10, length: 8 },
      },
    });
    const rooms = async () => (await eve.call('studio.read')).body.rooms.map(({ name }) => name);
    expect(await rooms()).toEqual(['Pier loft']);
    const { studios } = (await eve.call('account.read')).body;
    const quay = studios.find(({ name }) => name === 'Quay Rooms');
    await eve.call('account.enter', { body: { studio: quay?.studio } });
    expect(await rooms()).toEqual([]);
    expect((await eve.call('studio.read')).body.studio.name).toBe('Quay Rooms');
    const foreign = await eve.call('account.enter', { body: { studio: crypto.randomUUID() } });
    expect(foreign.status).toBe(404);
  });

  test('the password of who belongs to two studios cannot be set by the director of one', async () => {
    await server.sql('DELETE FROM sign_in_tries');
    const ada = await server.person();
    await ada.call('session.signIn', { body: { email: founder.email, password: PASSWORD } });
    const refused = await ada.call('person.invite', { params: { person: 'ben' } });
    expect([refused.status, refused.body.message]).toEqual([409, expect.stringContaining('another studio')]);
    await ada.call('person.endAccount', { params: { person: 'ben' } });
    const eve = await server.person();
    const back = await eve.call('session.signIn', { body: { email: 'e@quay.example', password: PASSWORD } });
    expect(back.body.person?.role).toBe('director');
  });
});
