// The streams that are open at this server: one heart beats for all of them, and one query says whose still hold.
import type { Deps } from '../../deps.ts';
import { listStillIn } from '../session/session-store.ts';

export interface OpenStream {
  /** The secret id of its session. */
  readonly sid: string;
  /** Says that somebody is here, so that no proxy cuts the line. */
  beat(): void;
  end(): void;
}

type Asked = Pick<Deps, 'database' | 'demo' | 'now'>;

/** Shorter than what proxies wait before they cut a silent connection. */
const HEARTBEAT_MS = 15_000;

const streams = new Map<OpenStream, Asked>();
let heart: NodeJS.Timeout | undefined;

/** Has a stream looked after until the answer is called. */
export function watchStream(deps: Asked, stream: OpenStream): () => void {
  streams.set(stream, deps);
  heart ??= setInterval(beat, HEARTBEAT_MS);
  return () => {
    streams.delete(stream);
    if (streams.size > 0) return;
    clearInterval(heart);
    heart = undefined;
  };
}

function beat(): void {
  for (const stream of streams.keys()) stream.beat();
  // Several servers can stand in one process, as in tests: each asks its own database.
  for (const deps of new Set(streams.values()))
    void endStrangers(
      deps,
      [...streams.keys()].filter(stream => streams.get(stream) === deps),
    );
}

/** Ends the streams whose session, or the person behind it, is gone; while nobody can say, they stay. */
export async function endStrangers(
  { database, demo, now }: Asked,
  asked: readonly OpenStream[],
): Promise<void> {
  const still = await listStillIn(
    database,
    asked.map(({ sid }) => sid),
    { demo, now: now() },
  ).catch(() => undefined);
  if (!still) return;
  for (const stream of asked) if (!still.has(stream.sid)) stream.end();
}
