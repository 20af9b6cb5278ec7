// A cluster, a server process on it and people who write; and whether all that was acknowledged is there.
import pg from 'pg';
import { say } from '../say.mjs';
import { startServerProcess } from '../server-process.mjs';
import { openClient } from './storm-client.mjs';

const FIGURES = [
  ...['wrap', 'gather', 'throw-out', 'cross-over', 'right-turn', 'left-turn', 'unwrap', 'leaders-turn'],
];

export async function openScene(root, cluster, more = { MAPSTEP_PERSON_RATE: '100000' }) {
  const settings = { SESSION_SECRET: 'the same for every start', LOG_LEVEL: 'silent', PORT: '0', ...more };
  const startServer = () => startServerProcess(root, cluster.url('postgres'), settings);
  const scene = {
    cluster,
    server: await startServer(),
    clients: [],
    failures: [],
    secret: settings.SESSION_SECRET,
  };
  scene.restart = async () => {
    scene.server = await startServer();
  };
  for (const figure of FIGURES) scene.clients.push(await openClient(() => scene.server.address, figure));
  scene.before = await scene.clients[0].get('/api/courses/hustle-1');
  scene.count = what => scene.clients.reduce((sum, client) => sum + client[what].length, 0);
  scene.storm = until => Promise.all(scene.clients.map(client => client.storm(until)));
  return scene;
}

/** Every acknowledged write is there once, the history is whole, and no command is half done. */
export async function verify(scene, when) {
  const { clients, before, failures, count } = scene;
  const { logs } = await clients[0].get('/api/sections/hustle-1-monday');
  const stored = new Map();
  for (const { id } of logs) stored.set(id, (stored.get(id) ?? 0) + 1);
  const lost = clients.flatMap(client => client.taps).filter(id => stored.get(id) !== 1);
  const history = await readHistory(scene.cluster);
  const told = new Set(history.map(({ what }) => what));
  const forgotten = clients.flatMap(client => client.commands).filter(what => !told.has(what));
  const { version, course } = await clients[0].get('/api/courses/hustle-1');
  say(`${when}: ${count('taps')} taps acknowledged, ${lost.length} lost or doubled`);
  say(
    `${when}: ${count('commands')} commands acknowledged, ${forgotten.length} not in the history of ${history.length}`,
  );
  if (lost.length) failures.push(`${when}: ${lost.length} taps lost or doubled`);
  if (forgotten.length) failures.push(`${when}: ${forgotten.length} commands forgotten`);
  if (version !== before.version + history.length)
    failures.push(`${when}: version ${version} after ${history.length} commands`);
  if (placesOf(replay(before.course, history)) !== placesOf(course.placed))
    failures.push(`${when}: the history does not lead to what stands`);
}

/** Every refusal since `from` is one of these codes, in words for people, with Retry-After where it passes. */
export function checkRefusals({ clients, failures }, when, codes) {
  const refused = clients.flatMap(client => client.refused.splice(0));
  const odd = refused.filter(
    ({ code, status, retry, message }) => !codes.includes(code) || !message || (status === 503 && !retry),
  );
  const counts = codes.map(code => `${refused.filter(one => one.code === code).length} ${code}`);
  say(`${when}: ${refused.length} requests refused: ${counts.join(', ')}`);
  for (const refusal of odd.slice(0, 5)) say(`not plain: ${JSON.stringify(refusal)}`);
  if (refused.length === 0) failures.push(`${when}: nothing was refused, so nothing was tried`);
  if (odd.length) failures.push(`${when}: ${odd.length} refusals were not plain`);
}

/** The whole history, which the API tells only in part. */
async function readHistory(cluster) {
  const client = new pg.Client({ connectionString: cluster.url('postgres') });
  await client.connect();
  const { rows } = await client.query(
    "SELECT what, after FROM history WHERE aggregate = 'course' ORDER BY id",
  );
  await client.end();
  return rows;
}

function replay(course, history) {
  const placed = new Map(course.placed.map(place => [`placed/${place.pattern}`, place]));
  for (const { after } of history)
    for (const [field, place] of Object.entries(after)) placed.set(field, place);
  return [...placed.values()];
}

function placesOf(placed) {
  return placed
    .map(({ pattern, lesson }) => `${pattern} ${lesson}`)
    .sort()
    .join();
}
