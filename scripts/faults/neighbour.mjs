// A second studio beside the one of the people at work, with the same in it, and a teacher of it who is its director too.
import { createHmac, randomUUID } from 'node:crypto';
import pg from 'pg';

const COPIED = [
  'dances',
  'levels',
  'elements',
  'patterns',
  'rooms',
  'people',
  'students',
  'courses',
  'sections',
];

/** The session of that teacher, as JSON. */
export async function openNeighbour(cluster, secret) {
  const client = new pg.Client({ connectionString: cluster.url('postgres') });
  await client.connect();
  const studio = randomUUID();
  await client.query(
    `INSERT INTO studios (id, body, demo, slug) SELECT $1, body, true, 'neighbour' FROM studios LIMIT 1`,
    [studio],
  );
  await client.query('BEGIN');
  for (const table of COPIED)
    await client.query(
      `INSERT INTO ${table} (studio_id, id, position, version, body)
       SELECT $1, id, position, version, body FROM ${table} WHERE studio_id <> $1`,
      [studio],
    );
  await client.query('COMMIT');
  const session = await signIn(client, secret, { studio, id: 'ottilie-marsh' });
  await client.end();
  return JSON.stringify(session);
}

async function signIn(client, secret, owner) {
  const [sid, csrf] = [randomUUID(), randomUUID()];
  const sess = { cookie: { originalMaxAge: 3_600_000, httpOnly: true, path: '/' }, owner, csrf };
  await client.query("INSERT INTO sessions (sid, sess, expire) VALUES ($1, $2, now() + interval '1 hour')", [
    sid,
    sess,
  ]);
  const signature = createHmac('sha256', secret).update(sid).digest('base64').replace(/=+$/, '');
  return { cookie: `map-step=${encodeURIComponent(`s:${sid}.${signature}`)}`, csrf };
}
