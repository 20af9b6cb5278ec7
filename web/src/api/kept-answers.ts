// What a person has loaded, kept in the browser's database, so that it can be seen though no server answers. Never the
// queue of what waits to be sent (`outbox.ts`): that is in a database of its own and survives a sign-out.
import { hashKey, type QueryClient, type QueryKey } from '@tanstack/react-query';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

interface KeptAnswer {
  readonly hash: string;
  readonly queryKey: QueryKey;
  readonly data: unknown;
  /** Milliseconds since 1970, when the server said so. */
  readonly at: number;
  readonly owner: string;
  /** Another build may expect another shape. */
  readonly build: string;
}

interface Schema extends DBSchema {
  answers: { key: string; value: KeptAnswer };
}

export interface Keeping {
  readonly build: string;
  /** Under which the page knows who is signed in. */
  readonly sessionKey: QueryKey;
  /** Undefined while nobody is signed in: then nothing is kept. */
  ownerOf(session: unknown): string | undefined;
  /** Only what the server answers is worth keeping, not what is computed from it. */
  isKept(queryKey: QueryKey): boolean;
}

const WRITTEN_AFTER_MS = 1000;
/** Who has not seen the server for so long should not plan a lesson by what it said then. */
const LONGEST_DAYS = 14;
const DAY_MS = 86_400_000;

let opening: Promise<IDBPDatabase<Schema>> | undefined;

/** Keeps what comes in from now on, a moment after it came; until the returned function is called. */
export function keepAnswers(client: QueryClient, keeping: Keeping): () => void {
  const changed = new Set<string>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const write = () => {
    clearTimeout(timer);
    timer = undefined;
    const hashes = [...changed];
    changed.clear();
    // What cannot be kept, as on a full disk, is only not there when no server answers.
    void writeAnswers(client, keeping, hashes).catch(() => undefined);
  };
  const unfollow = client.getQueryCache().subscribe(event => {
    if (event.type !== 'updated' || event.action.type !== 'success') return;
    if (!keeping.isKept(event.query.queryKey)) return;
    changed.add(event.query.queryHash);
    timer ??= setTimeout(write, WRITTEN_AFTER_MS);
  });
  window.addEventListener('pagehide', write);
  return () => {
    clearTimeout(timer);
    window.removeEventListener('pagehide', write);
    unfollow();
  };
}

async function writeAnswers(client: QueryClient, keeping: Keeping, hashes: readonly string[]): Promise<void> {
  const { build, sessionKey, ownerOf } = keeping;
  const owner = ownerOf(client.getQueryData(sessionKey));
  if (owner === undefined) return;
  const writing = (await database()).transaction('answers', 'readwrite');
  for (const hash of hashes) {
    const query = client.getQueryCache().get(hash);
    if (query?.state.data === undefined) continue;
    const { data, dataUpdatedAt: at } = query.state;
    void writing.store.put({ hash, queryKey: query.queryKey, data, at, owner, build });
  }
  await writing.done;
}

/** Shows what the last person here had loaded, where the page itself knows nothing. */
export async function bringBackAnswers(
  client: QueryClient,
  { build, sessionKey }: Keeping,
  now: number,
): Promise<void> {
  const all = await (await database()).getAll('answers');
  const kept = all.filter(answer => answer.build === build && now - answer.at < LONGEST_DAYS * DAY_MS);
  const session = kept.find(({ hash }) => hash === hashKey(sessionKey));
  for (const { owner, queryKey, data, at } of kept)
    if (owner === session?.owner && client.getQueryData(queryKey) === undefined)
      client.setQueryData(queryKey, data, { updatedAt: at });
}

/** Nothing that anybody has loaded stays in this browser. */
export async function forgetAnswers(): Promise<void> {
  await (await database()).clear('answers');
}

function database(): Promise<IDBPDatabase<Schema>> {
  opening ??= openDB<Schema>('map-step-answers', 1, {
    upgrade: store => {
      store.createObjectStore('answers', { keyPath: 'hash' });
    },
  });
  return opening;
}
