// A process of clients that send what they should not, for a bounded time, to a server of this machine: most of them
// anonymous, some signed in to a studio of their own beside that of the people at work.
// Elsewhere they would have processors of their own: here they leave them to whoever else wants them.
import { request } from 'node:http';
import { connect } from 'node:net';
import { setPriority } from 'node:os';
import { gzipSync } from 'node:zlib';

const [address, seconds, insider] = process.argv.slice(2);
const { hostname, port } = new URL(address);
const end = Date.now() + Number(seconds) * 1000;
setPriority(19);
const PAUSE_MS = 100;
const AGAIN_MS = 2000;
const HELD_A_KIND = 60;
const ADDRESSES = 250;

const told = { sent: 0, statuses: {}, hungUp: 0, held: 0 };
let turn = 0;
const someone = () => `198.51.100.${(turn++ % ADDRESSES) + 1}`;
const manyKeys = JSON.stringify(
  Object.fromEntries(Array.from({ length: 60_000 }, (_, key) => [`key-${key}`, 0])),
);
const bomb = gzipSync(Buffer.alloc(40_000_000, 32));

/** One request each, from an address of its own. */
const KINDS = [
  () => ({ path: '/api/session', body: manyKeys }),
  () => ({ path: '/api/setup', body: `{"studio":${'['.repeat(4000)}` }),
  () => ({ path: '/api/session', body: bomb, headers: { 'content-encoding': 'gzip' } }),
  () => ({ path: '/api/studio/import', body: manyKeys }),
  () => ({
    path: '/api/session',
    body: JSON.stringify({ email: 'ada@pier.example', password: `guess ${turn}` }),
  }),
  () => ({
    path: '/api/session',
    body: JSON.stringify({ email: `a${turn}@pier.example`, password: 'guess' }),
  }),
  () => ({ path: '/api/session/demo', body: '{"person":"a\\u0000b"}' }),
  () => ({ path: '/api/session/demo', body: '{"person":"a\\ud800b"}' }),
  () => ({ path: '/api/courses/%00' }),
  () => ({ path: `/api/jobs/${'-'.repeat(36)}` }),
  () => ({ path: '/api/sections/hustle-1-monday/lessons/1e30/recaps/students' }),
  () => ({ path: `/API/Share/${turn}` }),
  () => ({ path: '/api/live' }),
  () => ({ path: '/api/session', headers: { host: 'evil.example' } }),
  () => ({
    path: '/api/session/demo',
    body: '{"person":"bram-okoro"}',
    headers: { origin: 'https://evil.example' },
  }),
];

const STEPS = Array.from({ length: 400 }, (_, step) => `${step % 2 ? 'R' : 'L'} fwd`).join(', ');
const WAYS = Array.from({ length: 60 }, () => 'two-hand');
/** What took a minute to check once: 8 kB of the same holds. */
const twisted = () => ({
  ...{ id: `twisted-${turn++}`, dance: 'hustle', name: 'Twisted', kind: 'pattern', rhythm: 'free:400' },
  ...{ parts: { lead: STEPS, follow: 'opposite' }, entry: WAYS, exit: WAYS },
  holds: Array.from({ length: 300 }, (_, event) => ({ event, hold: 'two-hand' })),
});
const comparisons = Array.from({ length: 40 }, () => '{{comparison: wrap, gather}}').join('\n');
const emptyLists = `{"format":"mapstep/2","dances":[${'[],'.repeat(900_000)}[]]}`;

/** The same of somebody who is signed in: what makes the server compute, and what fills its queue. */
const INSIDE = [
  () => ({ path: '/api/figures', body: JSON.stringify({ figure: twisted() }) }),
  () => ({
    path: '/api/sections/hustle-1-monday/missed',
    body: JSON.stringify({ student: 'nobody', markdown: comparisons }),
  }),
  () => ({ path: '/api/figures', body: JSON.stringify({ figure: { name: 'x'.repeat(900_000) } }) }),
  () => ({ path: '/api/studio/import', body: emptyLists }),
  () => ({ path: '/api/studio/import', body: '{' }),
  () => ({ path: '/api/studio/export' }),
  () => ({ path: '/api/today/faults' }),
  () => ({ path: '/api/material?dance=hustle' }),
];

/** Half of a request each, held open: bodies and heads that never end. */
const HALVES = [
  [
    'POST /api/session HTTP/1.1',
    'Content-Type: application/json',
    'Content-Encoding: gzip',
    'Content-Length: 900000',
  ],
  ['POST /api/studio/import HTTP/1.1', 'Content-Type: application/json', 'Content-Length: 30000000'],
  ['POST /api/setup HTTP/1.1', 'Content-Type: application/json', 'Transfer-Encoding: chunked'],
];

function send({ path, body, headers }) {
  return new Promise(resolve => {
    const sent = request(
      {
        hostname,
        port,
        path,
        method: body === undefined ? 'GET' : 'POST',
        headers: {
          'x-csrf-token': 'none',
          'content-type': 'application/json',
          'x-forwarded-for': someone(),
          ...headers,
        },
        timeout: 10_000,
      },
      answer => {
        told.statuses[answer.statusCode] = (told.statuses[answer.statusCode] ?? 0) + 1;
        answer.resume();
        answer.on('close', resolve);
      },
    );
    sent.on('timeout', () => sent.destroy());
    sent.on('error', () => {
      told.hungUp += 1;
      resolve();
    });
    sent.end(body);
    told.sent += 1;
  });
}

async function loop(kind, headers = {}) {
  while (Date.now() < end) {
    const asked = kind();
    await send({ ...asked, headers: { ...asked.headers, ...headers } });
    await new Promise(resolve => setTimeout(resolve, PAUSE_MS));
  }
}

/** Keeps a socket with half a request open; opens another when it is hung up on. */
function hold(lines) {
  if (Date.now() >= end) return;
  const socket = connect(Number(port), hostname, () => {
    const head = [lines[0], `Host: ${hostname}`, 'X-CSRF-Token: none', `X-Forwarded-For: ${someone()}`];
    socket.write([...head, ...lines.slice(1), '', ''].join('\r\n'));
    socket.write(bomb.subarray(0, 20_000));
    told.sent += 1;
  });
  const timer = setTimeout(() => socket.destroy(), end - Date.now());
  socket.on('error', () => undefined);
  socket.on('close', () => {
    clearTimeout(timer);
    told.hungUp += 1;
    setTimeout(() => hold(lines), Math.random() * AGAIN_MS);
  });
  socket.resume();
}

for (const lines of HALVES)
  for (let held = 0; held < HELD_A_KIND; held += 1) setTimeout(() => hold(lines), Math.random() * AGAIN_MS);
told.held = HALVES.length * HELD_A_KIND;
const { cookie, csrf } = JSON.parse(insider);
await Promise.all([
  ...KINDS.map(kind => loop(kind)),
  ...INSIDE.map(kind => loop(kind, { cookie, 'x-csrf-token': csrf })),
]);
process.send(told, () => process.exit(0));
