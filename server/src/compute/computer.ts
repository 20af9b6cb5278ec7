// The bounded pool of threads in which the core works for requests: the thread that answers stays free for everybody.
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import pLimit, { type LimitFunction } from 'p-limit';
import { Piscina } from 'piscina';
import { HttpFault } from '../faults/http-fault.ts';
import { type OrderOf, type ResultOf, TASK_TERMS, type TaskName } from './tasks.ts';

export interface Computer {
  /**
   * Works something out for a studio. Refused with `takes-too-long` after the deadline of its task, with `too-many` where
   * the studio, or everybody, has too much waiting already.
   */
  run<Name extends TaskName>(studio: string, name: Name, order: OrderOf<Name>): Promise<ResultOf<Name>>;
  close(): Promise<void>;
}

/** What a thread gets; it says by the port that it has begun. */
export interface Assignment {
  readonly name: TaskName;
  readonly order: unknown;
  readonly begun: MessagePort;
}

const POOLS = {
  short: { threads: 2, megabytes: 512 },
  long: { threads: 1, megabytes: 1536 },
} as const;
const MOST_OF_STUDIO = 6;
const MOST_WAITING = 60;
const LONGEST_START_MS = 30_000;
const IDLE_MS = 60_000;
const THREAD = import.meta.url.endsWith('.js') ? './compute-thread.js' : '../compute-thread-from-source.mjs';

const BUSY = new HttpFault(
  'too-many',
  'Much is being worked out at this moment. Try again in a few seconds.',
);
const OWN_BUSY = new HttpFault(
  'too-many',
  `At most ${MOST_OF_STUDIO} things are worked out for a studio at a time. Try again in a few seconds.`,
);

export function openComputer(): Computer {
  const pools = { short: openPool('short'), long: openPool('long') };
  /** Each studio has one thing worked out after the other: a busy one takes at most one thread from the others. */
  const turns = new Map<string, LimitFunction>();
  return {
    async run(studio, name, order) {
      const pool = pools[TASK_TERMS[name].pool];
      const key = `${TASK_TERMS[name].pool} ${studio}`;
      const turn = turns.get(key) ?? pLimit(1);
      if (turn.activeCount + turn.pendingCount >= MOST_OF_STUDIO) throw OWN_BUSY;
      if (pool.turn.pendingCount >= MOST_WAITING) throw BUSY;
      turns.set(key, turn);
      try {
        return await turn(() => pool.turn(() => runInThread(pool.threads, name, order)));
      } finally {
        if (turn.activeCount + turn.pendingCount === 0) turns.delete(key);
      }
    },
    async close() {
      await Promise.all(Object.values(pools).map(({ threads }) => threads.destroy()));
    },
  };
}

function openPool(kind: keyof typeof POOLS) {
  const { threads: most, megabytes } = POOLS[kind];
  const threads = new Piscina({
    filename: new URL(THREAD, import.meta.url).href,
    name: 'runTask',
    minThreads: 0,
    maxThreads: most,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: megabytes },
  });
  // A thread that runs out of memory is told where its work is waited for.
  threads.on('error', () => undefined);
  return { threads, turn: pLimit(most) };
}

/** The deadline counts from the moment the thread begins, not while it starts. */
async function runInThread<Name extends TaskName>(
  threads: Piscina,
  name: Name,
  order: OrderOf<Name>,
): Promise<ResultOf<Name>> {
  const giveUp = new AbortController();
  const { port1: hears, port2: begun } = new MessageChannel();
  let timer = setTimeout(() => giveUp.abort(), LONGEST_START_MS);
  hears.once('message', () => {
    clearTimeout(timer);
    timer = setTimeout(() => giveUp.abort(), TASK_TERMS[name].seconds * 1000);
  });
  try {
    const assignment = { name, order, begun };
    return await threads.run(assignment, { signal: giveUp.signal, transferList: [begun] });
  } catch (error) {
    throw asFault(error, name, giveUp.signal.aborted);
  } finally {
    clearTimeout(timer);
    hears.close();
  }
}

function asFault(error: unknown, name: TaskName, isGivenUp: boolean): unknown {
  const { what, seconds, mend } = TASK_TERMS[name];
  if (isGivenUp)
    return new HttpFault(
      'takes-too-long',
      `${what} took longer than ${seconds} seconds and was given up. Nothing was changed. ${mend}`,
    );
  if (error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new HttpFault(
      'takes-too-long',
      `${what} took more than ${POOLS[TASK_TERMS[name].pool].megabytes} MB and was given up. Nothing was changed. ${mend}`,
    );
  return error;
}
