import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { eventsOf } from '../../test/events.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

let server: TestServer;
let bram: TestPerson;
let ottilie: TestPerson;
let suki: TestPerson;
let visitor: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  bram = await server.person('bram-okoro');
  ottilie = await server.person('ottilie-marsh');
  suki = await server.person('suki-larch');
  visitor = await server.person();
});
afterAll(() => server.close());

const section = { section: 'hustle-1-monday' };
const entry = (pattern: string, result = 'solid', lesson = 5) => ({
  id: randomUUID(),
  lesson,
  pattern,
  result,
  at: '2026-03-09T19:20:00Z',
});
const read = async () => (await bram.call('section.read', { params: section })).body;

describe('the log', () => {
  test('an entry sent three times is stored once, signed by who sent it', async () => {
    const wrap = entry('wrap');
    const replies = await Promise.all(
      [1, 2, 3].map(() => bram.call('class.append', { params: section, body: eventsOf('log', wrap) })),
    );
    expect(replies.map(({ status }) => status)).toEqual([200, 200, 200]);
    const stored = (await read()).logs.filter(({ id }) => id === wrap.id);
    expect(stored).toEqual([{ ...wrap, section: 'hustle-1-monday', by: 'bram-okoro' }]);
  });

  test('the same id with another content is refused and the first stays', async () => {
    const gather = entry('gather');
    await bram.call('class.append', { params: section, body: eventsOf('log', gather) });
    const again = await bram.call('class.append', {
      params: section,
      body: eventsOf('log', { ...gather, result: 'shaky' }),
    });
    expect([again.status, again.body.code]).toEqual([409, 'conflict']);
    expect((await read()).logs.find(({ id }) => id === gather.id)?.result).toBe('solid');
  });

  test('what happened goes together whatever it is, and nothing of it when one thing cannot be', async () => {
    const note = {
      id: randomUUID(),
      lesson: 5,
      kind: 'note',
      text: 'Wet floor.',
      at: '2026-03-09T19:21:00Z',
    };
    const append = (log: object) =>
      bram.call('class.append', {
        params: section,
        body: { events: [...eventsOf('note', note).events, ...eventsOf('log', log).events] },
      });
    const isNoted = async () => (await read()).notes.some(({ id }) => id === note.id);
    const wrong = await append(entry('waltz'));
    expect([wrong.status, await isNoted()]).toEqual([400, false]);
    const log = entry('gather', 'shaky');
    const { status, body } = await append(log);
    expect([status, body.stored, await isNoted()]).toEqual([200, [note.id, log.id], true]);
  });

  test('where pages of the last version send it, they are told to load again, and keep it', async () => {
    for (const old of ['logs', 'attendance', 'notes', 'checks/final/marks']) {
      const gone = await fetch(`${server.address}/api/sections/hustle-1-monday/${old}`, { method: 'POST' });
      expect([gone.status, ((await gone.json()) as { code: string }).code]).toEqual([403, 'old-page']);
    }
  });

  test('a batch with one unknown figure stores nothing', async () => {
    const good = entry('unwrap');
    const reply = await bram.call('class.append', {
      params: section,
      body: eventsOf('log', good, entry('waltz')),
    });
    expect(reply.status).toBe(400);
    expect((await read()).logs.some(({ id }) => id === good.id)).toBe(false);
  });

  test('what was taught ahead is logged by its element; an entry is of that or of a figure, never of both', async () => {
    const { pattern: _, ...hold } = { ...entry(''), element: 'hold-close' };
    const send = (log: object) => bram.call('class.append', { params: section, body: eventsOf('log', log) });
    expect((await send(hold)).status).toBe(200);
    expect((await read()).logs.find(({ id }) => id === hold.id)).toMatchObject({ element: 'hold-close' });
    const { element: __, ...neither } = { ...hold, id: randomUUID() };
    for (const wrong of [{ ...hold, id: randomUUID(), pattern: 'wrap' }, neither]) {
      const { status, body } = await send(wrong);
      expect([status, body.message]).toEqual([400, expect.stringContaining('taught ahead')]);
    }
  });

  test('a teacher of another class cannot write here, the director can', async () => {
    const suki = await server.person('suki-larch');
    const ottilie = await server.person('ottilie-marsh');
    const send = (who: TestPerson) =>
      who.call('class.append', { params: section, body: eventsOf('log', entry('cross-over')) });
    expect((await send(suki)).status).toBe(403);
    expect((await send(ottilie)).status).toBe(200);
    expect(
      (await visitor.call('class.append', { params: section, body: eventsOf('log', entry('wrap')) })).status,
    ).toBe(401);
  });
});

describe('a lesson and its recap', () => {
  const key = { ...section, lesson: 5, audience: 'students' };

  test('there is no recap before the lesson is finished', async () => {
    const reply = await bram.call('recap.read', { params: key });
    expect(reply.status).toBe(404);
  });

  test('finishing stores the last entries and drafts the recaps; a second time changes no text', async () => {
    const missed = entry('throw-out', 'not-reached');
    const finish = () =>
      bram.call('lesson.finish', { params: { ...section, lesson: 5 }, body: { logs: [missed] } });
    const { body } = await finish();
    expect(body.logs.some(({ id }) => id === missed.id)).toBe(true);
    const textFor = (audience: string) =>
      body.recaps.find(recap => recap.lesson === 5 && recap.audience === audience)?.markdown;
    expect(textFor('students')).toMatch(/^# Hustle 1, lesson 5 of 8/);
    expect(textFor('staff')).toMatch(/Throw-out/);
    expect((await finish()).body.recaps).toEqual(body.recaps);
  });

  test('a recap keeps which figures it promises: what its text is made to say no longer it promises no more', async () => {
    const four = { ...key, lesson: 4 };
    const { promises, markdown } = (await bram.call('recap.read', { params: four })).body.recap;
    expect(promises).toEqual(['close-basic', 'right-turn', 'hand-change', 'handshake-pass']);
    const changes = [{ field: 'markdown', from: markdown, to: markdown.replaceAll('Right turn', 'More') }];
    const command = { kind: 'edit', what: 'Text', changes } as const;
    const edited = await bram.call('recap.command', { params: four, body: { command } });
    expect(edited.body.recap.promises).toEqual(['close-basic', 'hand-change', 'handshake-pass']);
  });

  test('entries of another lesson do not finish this one', async () => {
    const body = { logs: [entry('wrap', 'solid', 4)] };
    expect((await bram.call('lesson.finish', { params: { ...section, lesson: 5 }, body })).status).toBe(400);
  });

  test('a save over a newer version is refused with both states shown', async () => {
    const from = (await bram.call('recap.read', { params: key })).body.recap.markdown;
    const save = (to: string) =>
      bram.call('recap.command', {
        params: key,
        body: { command: { kind: 'edit', what: 'Text', changes: [{ field: 'markdown', from, to }] } },
      });
    expect((await save('# Mine')).body.recap.version).toBe(2);
    const late = await save('# Theirs');
    expect([late.status, late.body.code]).toEqual([409, 'stale']);
    expect(late.body.current).toMatchObject({ recap: { version: 2, markdown: '# Mine' } });
    expect(late.body.clashes).toEqual([
      { field: 'markdown', seen: from, mine: '# Theirs', theirs: '# Mine' },
    ]);
  });

  test('a published recap opens for anyone with the link, without a name of a student; withdrawn or late it does not', async () => {
    const { body } = await bram.call('recap.publish', { params: key, body: { seen: 2 } });
    expect(Buffer.from(body.token, 'base64url')).toHaveLength(16);
    const open = () => visitor.call('share.read', { params: { token: body.token } });
    const shared = await open();
    expect(shared.body).toEqual({
      studio: 'Tarn Street Dance Rooms',
      course: 'Hustle 1',
      lesson: 5,
      date: '2026-03-09',
      markdown: '# Mine',
      corrected: null,
    });
    expect(shared.headers.get('referrer-policy')).toBe('no-referrer');
    expect(shared.headers.get('x-robots-tag')).toContain('noindex');

    server.setNow(new Date('2026-12-01T00:00:00Z'));
    expect([(await open()).status, (await open()).body.code]).toEqual([410, 'link-expired']);
    server.setNow(new Date('2026-03-09T21:00:00Z'));
    await bram.call('recap.revoke', { params: key });
    expect((await open()).status).toBe(410);
    expect((await visitor.call('share.read', { params: { token: 'never-was' } })).status).toBe(410);
  });

  test('the database keeps only a hash of the link', async () => {
    const { body } = await bram.call('recap.publish', { params: key, body: { seen: 3 } });
    const rows = await server.database.models.recapLinks.findAll();
    expect(rows.some(({ tokenHash }) => tokenHash === body.token)).toBe(false);
    expect(rows.every(({ tokenHash }) => /^[0-9a-f]{64}$/.test(tokenHash))).toBe(true);
  });
});

describe('what is told, and to whom', () => {
  const key = { ...section, lesson: 5, audience: 'students' };

  test.each([0, -5, 1.5, 9, 101, 2_000_000_000])(
    'lesson %s of a course of eight is refused',
    async lesson => {
      const finished = await ottilie.call('lesson.finish', {
        params: { ...section, lesson },
        body: { logs: [] },
      });
      expect([400, 404]).toContain(finished.status);
      const logged = await ottilie.call('class.append', {
        params: section,
        body: eventsOf('log', entry('wrap', 'solid', lesson)),
      });
      expect(logged.status).toBe(400);
      expect((await ottilie.call('studio.export')).status).toBe(200);
    },
  );

  test('a lesson that was taught cannot be taken away from the course', async () => {
    const { body } = await ottilie.call('course.read', { params: { course: 'hustle-1' } });
    const { lessons } = body.course;
    const changes = [{ field: 'lessons', from: lessons, to: lessons.slice(0, 3) }];
    const reply = await ottilie.call('course.command', {
      params: { course: 'hustle-1' },
      body: { seen: body.version, command: { kind: 'edit', what: 'Three lessons', changes } },
    });
    expect([reply.status, reply.body.message]).toEqual([409, expect.stringContaining('has been taught')]);
  });

  test('a link shows what was published, until it is published again', async () => {
    const read = async () => (await bram.call('recap.read', { params: key })).body.recap;
    const write = async (to: string) => {
      const from = (await read()).markdown;
      const command = { kind: 'edit', what: 'Text', changes: [{ field: 'markdown', from, to }] };
      await bram.call('recap.command', { params: key, body: { command } });
    };
    const publish = async () =>
      (
        await bram.call('recap.publish', {
          params: key,
          body: { seen: (await read()).version },
        })
      ).body;
    await write('# As told');
    const { token } = await publish();
    const shown = async () => (await visitor.call('share.read', { params: { token } })).body.markdown;
    await write('# Not yet told');
    expect([await shown(), (await read()).isChanged]).toEqual(['# As told', true]);
    await publish();
    expect([await shown(), (await read()).isChanged]).toEqual(['# Not yet told', false]);
  });

  test('a recap for the staff gets no link, and the database would not keep one', async () => {
    const params = { ...key, audience: 'staff' };
    const reply = await bram.call('recap.publish', { params, body: { seen: 1 } });
    expect([reply.status, reply.body.message]).toEqual([400, expect.stringContaining('has no link')]);
    await expect(
      server.sql(`UPDATE recap_links SET audience = 'staff' WHERE studio_id = '${server.studioId}'`),
    ).rejects.toThrow(/check constraint/);
  });

  test('names, attendance, notes and staff recaps are for the staff of the class on their days', async () => {
    await bram.call('class.append', {
      params: section,
      body: eventsOf('log', { ...entry('wrap'), note: 'Mira held back' }),
    });
    const see = async (who: TestPerson) => {
      const { body } = await who.call('section.read', { params: section });
      const course = await who.call('course.read', { params: { course: 'hustle-1' } });
      return { body, text: JSON.stringify([body, course.body]) };
    };
    const own = await see(bram);
    const other = await see(suki);
    expect(own.body.students.length).toBeGreaterThan(5);
    expect(own.text).toContain('Mira held back');
    expect(other.body).toMatchObject({ students: [], attendance: [], section: { students: [] } });
    expect(other.body.counts).toEqual(own.body.counts);
    for (const { id, name } of own.body.students) {
      expect(other.text).not.toContain(name);
      expect(other.text).not.toContain(`"${id}"`);
    }
    expect(other.text).not.toContain('Mira held back');
    expect(
      other.body.recaps.filter(({ audience }) => audience === 'staff').map(({ markdown }) => markdown),
    ).toEqual(other.body.recaps.filter(({ audience }) => audience === 'staff').map(() => ''));
  });

  test.each(['0001-01-01T00:00:00Z', '9999-01-01T00:00:00Z', '2024-12-01T00:00:00Z', '2027-06-01T00:00:00Z'])(
    'an entry of %s is not believed',
    async at => {
      const reply = await bram.call('class.append', {
        params: section,
        body: eventsOf('log', { ...entry('wrap'), at }),
      });
      expect(reply.status).toBe(400);
    },
  );
});

describe('a row that cannot be read', () => {
  const spoil = (table: string, id: string, body: string) =>
    server.sql(
      `UPDATE ${table} SET body = '${body}' WHERE id = '${id}' AND studio_id = '${server.studioId}'`,
    );
  const leftOut = (headers: Headers) => decodeURIComponent(headers.get('Map-Step-Left-Out') ?? '');

  test('is told and left out, of pages and of the export', async () => {
    await spoil('patterns', 'cradle-walk', '{"id": "cradle-walk", "dance": "hustle", "name": 7}');
    await spoil('rooms', 'net-room', '{"id": "net-room"}');
    const material = await bram.call('material.read', { query: new URLSearchParams({ course: 'hustle-1' }) });
    expect([material.status, leftOut(material.headers)]).toEqual([200, 'patterns/cradle-walk']);
    expect(JSON.stringify(material.body)).not.toContain('"name":7');
    const studio = await bram.call('studio.read');
    expect([studio.status, leftOut(studio.headers)]).toEqual([200, 'rooms/net-room']);
    const exported = await ottilie.call('studio.export');
    expect(exported.status).toBe(200);
    expect(leftOut(exported.headers)).toBe('patterns/cradle-walk rooms/net-room');
    expect((await bram.call('figure.read', { params: { figure: 'cradle-walk' } })).status).toBe(404);
  });

  test.each([
    ['body || \'{"result": "great"}\'', 'logs'],
    ["body - 'by'", 'logs'],
    ['body || \'{"lesson": 7}\'', 'logs'],
    ['body || \'{"here": "yes"}\'', 'attendance'],
  ])('%s is not taken by the table of %s', async (body, table) => {
    const spoiling = server.sql(`UPDATE ${table} SET body = ${body} WHERE studio_id = '${server.studioId}'`);
    await expect(spoiling).rejects.toThrow(/_sound/);
  });
});

describe('somebody unannounced', () => {
  const params = { ...section, lesson: 5 };
  const enter = (body: object, who = bram) => who.call('walkIn.enter', { params, body });
  const inClass = async () =>
    (await ottilie.call('section.document', { params: section })).body.body.students;

  test('a newcomer stays from that evening on, a guest is there for it alone, nobody is made twice', async () => {
    const ida = await enter({ name: 'Ida Wolke', role: 'lead', stays: true });
    const jo = await enter({ name: 'Jo Wolke', role: 'follow', stays: false });
    expect([ida.status, jo.status]).toEqual([200, 200]);
    expect((await inClass()).slice(-2)).toEqual([
      { student: ida.body.student, role: 'lead', from: '2026-03-09' },
      { student: jo.body.student, role: 'follow', from: '2026-03-09', to: '2026-03-09' },
    ]);
    const known = { name: 'Jo Wolke', role: 'lead', known: jo.body.student, stays: true };
    expect((await enter(known)).body).toMatchObject({
      code: 'conflict',
      message: /is in this class already/,
    });
  });

  test('students of a parallel class and those of the name that is typed are offered; nobody who is here already', async () => {
    const other = { id: 'beside', course: 'hustle-1', start: '20:30', dates: ['2026-03-09'], staff: [] };
    await ottilie.call('section.create', { body: { section: { ...other, students: [] } } });
    const beside = { params: { section: 'beside' } };
    await ottilie.call('section.enrol', {
      ...beside,
      body: { students: [{ name: 'Kit Wolke', role: 'lead' }] },
    });
    const offered = async (named = '') =>
      (await bram.call('walkIn.offered', { params, query: new URLSearchParams(named && { named }) })).body;
    const { parallel, named } = await offered();
    expect(parallel.map(({ name, role, from }) => [name, role, from])).toEqual([
      ['Kit Wolke', 'lead', 'Monday 20:30'],
    ]);
    expect(named).toEqual([]);
    expect((await offered('kit wolke')).named.map(({ name }) => name)).toEqual(['Kit Wolke']);
    expect((await offered('Ida Wolke')).named).toEqual([]);
    const kit = parallel[0]?.student ?? '';
    expect((await enter({ name: 'Kit Wolke', role: 'lead', known: kit, stays: false })).body).toEqual({
      student: kit,
    });
    expect((await offered()).parallel).toEqual([]);
    expect((await enter({ name: 'Eve Wolke', role: 'lead', stays: true }, visitor)).status).not.toBe(200);
  });
});
