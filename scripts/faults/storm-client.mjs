// One person who taps and moves as fast as the server answers, and remembers what it acknowledged.
import { randomUUID } from 'node:crypto';

/** Moves a figure of its own, so that no two of them clash. */
export async function openClient(address, figure) {
  const request = (path, body, headers) =>
    fetch(address() + path, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { ...headers, 'content-type': 'application/json' },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
  const signIn = await request('/api/session/demo', { person: 'ottilie-marsh' }, { 'x-csrf-token': 'x' });
  const cookie = signIn.headers.get('set-cookie').split(';')[0];
  const { csrf } = await signIn.json();
  const headers = { cookie, 'x-csrf-token': csrf };
  const client = { taps: [], commands: [], refused: [], get, tap, storm };
  let sent = 0;

  /** Goes on until a time, through refusals; ends when nobody listens any more. */
  async function storm(until) {
    while (Date.now() < until()) {
      try {
        await (sent % 2 === 0 ? tap() : command());
        sent += 1;
      } catch {
        return;
      }
    }
  }

  /** Reads, and as a page does asks again while the server says to wait. */
  async function get(path) {
    for (;;) {
      const reply = await request(path, undefined, headers);
      if (reply.status !== 503) return reply.json();
      await new Promise(resolve => setTimeout(resolve, 500));
    }
  }

  async function tap() {
    const id = randomUUID();
    const entry = { id, lesson: 5, pattern: figure, result: 'solid', at: new Date().toISOString() };
    const reply = await request(
      '/api/sections/hustle-1-monday/events',
      { events: [{ kind: 'log', entry }] },
      headers,
    );
    await note(reply, () => client.taps.push(id));
  }

  async function command() {
    const state = await request('/api/courses/hustle-1', undefined, headers);
    if (state.status !== 200) {
      await note(state, () => undefined);
      return;
    }
    const { course, version } = await state.json();
    const from = course.placed.find(({ pattern }) => pattern === figure).lesson;
    const what = `${figure} ${randomUUID()}`;
    const at = lesson => ({ pattern: figure, lesson });
    const changes = [{ field: `placed/${figure}`, from: at(from), to: at((from % 7) + 1) }];
    const order = { seen: version, command: { kind: 'edit', what, changes } };
    const reply = await request('/api/courses/hustle-1/commands', order, headers);
    await note(reply, () => client.commands.push(what));
  }

  async function note(reply, onAcknowledged) {
    if (reply.status === 200) {
      await reply.arrayBuffer();
      onAcknowledged();
      return;
    }
    const { code, message } = await reply.json().catch(() => ({}));
    client.refused.push({ status: reply.status, retry: reply.headers.get('retry-after'), code, message });
    await new Promise(resolve => setTimeout(resolve, 200));
  }
  return client;
}
