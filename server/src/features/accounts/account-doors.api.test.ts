// Doors of accounts and sessions that were open once: each is tried as whoever went through it did.
import { afterAll, beforeAll, describe, expect, test, vi } from 'vitest';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';
import { hashPassword, isPassword } from '../session/passwords.ts';

const PASSWORD = 'a long enough word';
const founderOf = (studio: string, email: string) => ({
  studio,
  name: 'Ada Finch',
  email,
  password: PASSWORD,
  timezone: 'Europe/London',
});

let server: TestServer;
let ada: TestPerson;
let open: Awaited<ReturnType<TestServer['another']>>;
beforeAll(async () => {
  server = await startTestServer();
  open = await server.another({ founding: 'open' }, { signInLimit: 1000 });
  ada = await open.person();
  await ada.call('setup.create', { body: founderOf('Pier Rooms', 'ada@pier.example') });
});
afterAll(async () => {
  await open.close();
  await server.close();
});

const accept = (who: TestPerson, token: string, email: string, password = PASSWORD) =>
  who.call('invitation.accept', { params: { token }, body: { email, password } });
const signIn = async (email: string, password = PASSWORD) => {
  const who = await open.person();
  return { who, reply: await who.call('session.signIn', { body: { email, password } }) };
};

let count = 0;
/** Somebody of Pier Rooms who has come in by a link. */
async function teacher(email: string): Promise<{ id: string; who: TestPerson }> {
  count += 1;
  const id = `teacher-${count}`;
  await ada.call('entry.create', { body: { kind: 'people', entry: { id, name: id, role: 'teacher' } } });
  const { body } = await ada.call('person.invite', { params: { person: id } });
  const who = await open.person();
  expect((await accept(who, body.token, email)).status).toBe(200);
  return { id, who };
}

describe('a link for a new password', () => {
  const tryLink = async (token: string, email: string) => {
    const thief = await open.person();
    const look = await thief.call('invitation.read', { params: { token } });
    const taken = await accept(thief, token, email, 'the words of a thief');
    return [look.status, taken.status];
  };

  test('sets none once its account has founded a studio of its own', async () => {
    const { id } = await teacher('ben@pier.example');
    const { token } = (await ada.call('person.invite', { params: { person: id } })).body;
    const ben = await open.person();
    const made = await ben.call('setup.create', { body: founderOf('Quay Rooms', 'ben@pier.example') });
    expect(made.status).toBe(200);
    expect(await tryLink(token, 'ben@pier.example')).toEqual([410, 410]);
    expect((await signIn('ben@pier.example')).reply.status).toBe(200);
  });

  test('sets none once its account has joined another studio, though it was made at the same moment', async () => {
    const { id } = await teacher('cy@pier.example');
    const { token } = (await ada.call('person.invite', { params: { person: id } })).body;
    const dot = await open.person();
    await dot.call('setup.create', { body: founderOf('Dock Rooms', 'dot@dock.example') });
    await dot.call('entry.create', {
      body: { kind: 'people', entry: { id: 'cy', name: 'Cy', role: 'teacher' } },
    });
    const other = (await dot.call('person.invite', { params: { person: 'cy' } })).body;
    expect((await accept(await open.person(), other.token, 'cy@pier.example')).status).toBe(200);
    // As if the link had been written a moment after the joining had looked for it.
    await server.sql(
      `INSERT INTO invitations (token_hash, studio_id, person_id, expires_at)
       SELECT encode(sha256(convert_to('late-link', 'UTF8')), 'hex'), studio_id, person_id, '2027-01-01'
       FROM memberships WHERE person_id = '${id}'`,
    );
    expect([await tryLink(token, 'cy@pier.example'), await tryLink('late-link', 'cy@pier.example')]).toEqual([
      [410, 410],
      [410, 410],
    ]);
  });

  test('holds no longer once the password has been changed', async () => {
    const { id, who } = await teacher('eve@pier.example');
    const { token } = (await ada.call('person.invite', { params: { person: id } })).body;
    const changed = await who.call('account.password', {
      body: { old: PASSWORD, fresh: 'words of her own' },
    });
    expect(changed.status).toBe(200);
    expect(await tryLink(token, 'eve@pier.example')).toEqual([410, 410]);
  });
});

describe('sessions', () => {
  const sessionsOf = (email: string) =>
    server.database.select<{ sid: string }>(
      `SELECT sid FROM sessions s JOIN accounts a ON s.sess -> 'owner' ->> 'account' = a.id::text WHERE email = $1`,
      [email],
    );

  test('however many there are, a changed password ends all but this one', async () => {
    const { who } = await teacher('fay@pier.example');
    const [first] = await sessionsOf('fay@pier.example');
    await server.sql(
      `INSERT INTO sessions (sid, sess, expire) SELECT 'copy-' || n, jsonb_set(sess::jsonb, '{since}', '"2020-01-01T00:00:00Z"')::json, expire
       FROM sessions, generate_series(1, 130) n WHERE sid = '${first?.sid}'`,
    );
    await who.call('account.password', { body: { old: PASSWORD, fresh: 'words of her own' } });
    expect(await sessionsOf('fay@pier.example')).toEqual([first]);
    expect((await who.call('course.list')).status).toBe(200);
  });

  test('one that begins by the old password while it is changed holds no longer either', async () => {
    const { id } = await teacher('gus@pier.example');
    const late = await signIn('gus@pier.example');
    await server.sql(`UPDATE accounts SET epoch = epoch + 1 WHERE email = 'gus@pier.example'`);
    expect((await late.who.call('course.list')).status).toBe(401);
    expect(id).toBeTruthy();
  });

  test('of one account twenty live at a time: the oldest ends', async () => {
    const { who } = await teacher('hal@pier.example');
    for (let more = 1; more <= 20; more += 1) {
      open.setNow(new Date(`2026-03-09T20:${more + 10}:00Z`));
      await signIn('hal@pier.example');
    }
    open.setNow(new Date('2026-03-09T19:00:00Z'));
    expect(await sessionsOf('hal@pier.example')).toHaveLength(20);
    expect((await who.call('course.list')).status).toBe(401);
  });

  test('each ends after thirty days, however often it is used', async () => {
    const { who } = await teacher('ida@pier.example');
    for (const [day, status] of [
      ['2026-03-20', 200],
      ['2026-04-07', 200],
      ['2026-04-10', 401],
    ] as const) {
      open.setNow(new Date(`${day}T19:00:00Z`));
      expect((await who.call('course.list')).status).toBe(status);
    }
    open.setNow(new Date('2026-03-09T19:00:00Z'));
  });

  test('a stream ends at once when somebody else signs in on its browser', async () => {
    const { who } = await teacher('jo@pier.example');
    const stream = await who.follow();
    expect(stream.reply.status).toBe(200);
    await who.call('session.signIn', { body: { email: 'ada@pier.example', password: PASSWORD } });
    await vi.waitFor(() => expect(stream.isOver()).toBe(true), 3000);
  });
});

test('of twenty who come in at once nobody is turned away', async () => {
  const passwordHash = await hashPassword(PASSWORD);
  const hashed = Array.from({ length: 20 }, () => isPassword(passwordHash, PASSWORD));
  expect(await Promise.all(hashed)).toEqual(hashed.map(() => true));
});

test('servers that are told no secret share the one that their database keeps', async () => {
  const [first, second] = [open.database, server.database];
  const made = await first.shareSecret('session', 'one');
  expect(await second.shareSecret('session', 'another')).toBe(made);
});

describe('passwords', () => {
  test.each(['password123', 'Password1234!', 'aaaaaaaaaaaa', '1234567890', 'director-2026'])(
    '%s is among those that are tried first',
    async password => {
      const body = { ...founderOf('Mole Rooms', 'director@mole.example'), password };
      const reply = await (await open.person()).call('setup.create', { body });
      expect([reply.status, reply.body.problems?.[0]?.at]).toEqual([400, '/password']);
    },
  );

  test('whoever guesses at an address does not lock out a browser that has been in from there', async () => {
    const strict = await server.another({}, { signInLimit: 5 });
    const owner = await strict.person();
    const come = (who: TestPerson, password: string) =>
      who.call('session.signIn', { body: { email: 'ada@pier.example', password } });
    await server.sql('DELETE FROM sign_in_tries');
    expect((await come(owner, PASSWORD)).status).toBe(200);
    const guesser = await strict.person();
    const guesses = [];
    for (let more = 0; more < 8; more += 1)
      guesses.push(
        (
          await guesser.call('session.signIn', {
            body: { email: `guess-${more}@pier.example`, password: 'no word' },
          })
        ).status,
      );
    expect(guesses).toContain(429);
    expect((await come(owner, PASSWORD)).status).toBe(200);
    await server.sql('DELETE FROM sign_in_tries');
    await strict.close();
  });
});
