// The bounded pool of threads in which the core works for requests: the thread that answers stays free for everybody.
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import pLimit from 'p-limit';
import { Piscina } from 'piscina';
import { openBuckets } from '../bounds/buckets.ts';
import { openTurns } from '../bounds/turns.ts';
import { builtThread } from '../built.ts';
import { HttpFault } from '../faults/http-fault.ts';
import { type OrderOf, type ResultOf, TASK_TERMS, type TaskName, type TaskTerms } from './tasks.ts';

export interface Computer {
  /**
   * Works something out for a studio. Refused with `takes-too-long` after the deadline of its task, with `too-many` where
   * the studio, or everybody, has too much waiting already.
   */
  run<Name extends TaskName>(studio: string, name: Name, order: OrderOf<Name>): Promise<ResultOf<Name>>;
  close(): Promise<void>;
}

/** Milliseconds of work, each kind apart, that a studio may have done in a second all the time, and after a quiet while. */
const SHARE = { perSecond: 100, burst: 20_000 };
const SHARE_SPENT = new HttpFault(
  'too-many',
  'Very much has been worked out for this studio in the last minutes. Try again in a minute.',
);

/** What a thread gets; it says by the port that it has begun. */
export interface Assignment {
  readonly name: TaskName;
  readonly order: unknown;
  readonly begun: MessagePort;
}

const THREADS = 2;
const MEGABYTES = 512;
/** How many of a kind are worked out at a time: what takes long leaves one thread to what does not. */
const AT_ONCE = { short: THREADS, long: 1, aside: 1 } as const;
const MOST_OF_STUDIO = 6;
const MOST_WAITING = 60;
const LONGEST_START_MS = 30_000;
const IDLE_MS = 60_000;

const BUSY = new HttpFault(
  'too-many',
  'Much is being worked out at this moment. Try again in a few seconds.',
);
const OWN_BUSY = new HttpFault(
  'too-many',
  `At most ${MOST_OF_STUDIO} things are worked out for a studio at a time. Try again in a few seconds.`,
);

export function openComputer(
  terms: Readonly<Record<TaskName, TaskTerms>> = TASK_TERMS,
  share = SHARE,
): Computer {
  const threads = openThreads();
  const kinds = {
    short: pLimit(AT_ONCE.short),
    long: pLimit(AT_ONCE.long),
    aside: pLimit(AT_ONCE.aside),
  };
  /** Each studio has one thing worked out after the other: a busy one takes at most one thread from the others. */
  const turns = openTurns({ atOnce: 1, most: MOST_OF_STUDIO, refusal: OWN_BUSY });
  const shares = openBuckets(share);
  return {
    async run(studio, name, order) {
      const kind = kinds[terms[name].kind];
      const key = `${terms[name].kind} ${studio}`;
      if (kind.pendingCount >= MOST_WAITING) throw BUSY;
      if (!shares.take(key)) throw SHARE_SPENT;
      return turns.take(key, () =>
        kind(() =>
          runInThread(threads, terms[name], { name, order }, milliseconds =>
            shares.charge(key, milliseconds),
          ),
        ),
      );
    },
    async close() {
      await threads.destroy();
    },
  };
}

function openThreads(): Piscina {
  const threads = new Piscina({
    filename: builtThread('compute-thread').href,
    name: 'runTask',
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MEGABYTES, maxYoungGenerationSizeMb: 16 },
  });
  // A thread that runs out of memory is told where its work is waited for.
  threads.on('error', () => undefined);
  return threads;
}

/** The deadline counts, and a studio is charged, from the moment the thread begins, not while it starts. */
async function runInThread<Name extends TaskName>(
  threads: Piscina,
  terms: TaskTerms,
  task: { readonly name: Name; readonly order: OrderOf<Name> },
  charge: (milliseconds: number) => void,
): Promise<ResultOf<Name>> {
  const giveUp = new AbortController();
  const { port1: hears, port2: begun } = new MessageChannel();
  let timer = setTimeout(() => giveUp.abort(), LONGEST_START_MS);
  let workingSince: number | undefined;
  hears.once('message', () => {
    workingSince = performance.now();
    clearTimeout(timer);
    timer = setTimeout(() => giveUp.abort(), terms.seconds * 1000);
  });
  try {
    return await threads.run({ ...task, begun }, { signal: giveUp.signal, transferList: [begun] });
  } catch (error) {
    throw asFault(error, terms, giveUp.signal.aborted);
  } finally {
    clearTimeout(timer);
    hears.close();
    if (workingSince !== undefined) charge(performance.now() - workingSince);
  }
}

function asFault(error: unknown, { what, seconds, mend }: TaskTerms, isGivenUp: boolean): unknown {
  if (isGivenUp)
    return new HttpFault(
      'takes-too-long',
      `${what} took longer than ${seconds} seconds and was given up. Nothing was changed. ${mend}`,
    );
  if (error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new HttpFault(
      'takes-too-long',
      `${what} took more than ${MEGABYTES} MB and was given up. Nothing was changed. ${mend}`,
    );
  return error;
}
