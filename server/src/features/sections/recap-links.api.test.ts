import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { eventsOf } from '../../test/events.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';

let server: TestServer;
let bram: TestPerson;
let suki: TestPerson;
let ottilie: TestPerson;
let visitor: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  bram = await server.person('bram-okoro');
  suki = await server.person('suki-larch');
  ottilie = await server.person('ottilie-marsh');
  visitor = await server.person();
});
afterAll(() => server.close());

const section = { section: 'hustle-1-monday' };
const key = { ...section, lesson: 4, audience: 'students' };
const open = async (token: string) => (await visitor.call('share.read', { params: { token } })).body;
const stands = async () => (await bram.call('recap.read', { params: key })).body.recap;
const write = async (to: string) => {
  const { markdown: from } = await stands();
  const command = { kind: 'edit', what: 'Text', changes: [{ field: 'markdown', from, to }] };
  return bram.call('recap.command', { params: key, body: { command } });
};
const publish = async () =>
  (await bram.call('recap.publish', { params: key, body: { seen: (await stands()).version } })).body;

test('a note sent twice is stored once, and whoever is not on the staff that day is not told', async () => {
  const note = {
    id: randomUUID(),
    lesson: 5,
    kind: 'note',
    text: 'Alba was late.',
    at: '2026-03-09T19:20:00Z',
  };
  for (let sent = 0; sent < 2; sent += 1)
    expect((await bram.call('class.append', { params: section, body: eventsOf('note', note) })).status).toBe(
      200,
    );
  const told = async (who: TestPerson) =>
    (await who.call('section.read', { params: section })).body.notes.filter(({ id }) => id === note.id);
  expect(await told(bram)).toEqual([{ ...note, ...section, by: 'bram-okoro' }]);
  expect(await told(suki)).toEqual([]);
  expect((await ottilie.call('studio.export')).status).toBe(200);
});

test('a block is as its figure is while it is a draft, and as it was once it is published', async () => {
  await write(
    '# Right turn\n\n{{sheet: right-turn}}\n\n{{count: right-turn}}\n\n{{combination: round-the-loft}}',
  );
  const { token } = await publish();
  const first = await open(token);
  expect(first.markdown).toContain('![Step sheet of Right turn](data:image/svg+xml,');
  expect(first.markdown).toContain('**& 1 2 3**');
  expect(first.markdown).toContain('**Round the loft**, 24 beats:\n\n1. Side basic · Side basic · Left turn');
  const change = { field: 'name', from: 'Right turn', to: 'Turn to the right' };
  const command = { kind: 'edit', what: 'Name', changes: [change] };
  await ottilie.call('figure.command', { params: { figure: 'right-turn' }, body: { command } });
  expect((await open(token)).markdown).toBe(first.markdown);
});

test('what is published again shows as corrected, under the link that was sent', async () => {
  const { token } = await publish();
  server.setNow(new Date('2026-03-10T09:00:00Z'));
  await write('# Corrected');
  expect((await stands()).isChanged).toBe(true);
  expect((await open(token)).markdown).not.toBe('# Corrected');
  await publish();
  expect(await open(token)).toMatchObject({ markdown: '# Corrected', corrected: '2026-03-10T09:00:00.000Z' });
});

test('what a student missed is behind a link of their own; the one before works no more, nor after erasure', async () => {
  const student = 'jory-w';
  const send = async (markdown: string) =>
    (await ottilie.call('section.missed', { params: section, body: { student, markdown } })).body.token;
  const before = await send('# Missed');
  const token = await send('# What you missed\n\n{{count: left-turn}}');
  expect((await visitor.call('share.read', { params: { token: before } })).status).toBe(410);
  expect((await open(token)).markdown).toBe('# What you missed\n\n**& 1 2 3**');
  const stranger = { student: 'nobody', markdown: '# x' };
  expect((await ottilie.call('section.missed', { params: section, body: stranger })).status).toBe(400);
  await ottilie.call('student.erase', { params: { student } });
  expect((await visitor.call('share.read', { params: { token } })).status).toBe(410);
});
