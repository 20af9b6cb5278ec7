import { hash, verify } from '@node-rs/argon2';
import { HttpFault } from '../../faults/http-fault.ts';

const BUSY = new HttpFault(
  'too-many',
  'Many people are signing in at this moment. Try again in a few seconds.',
);

/** Compared against when there is no such account, so that both take the same time. */
const NOBODY = hash('nobody has this password');

const MOST_WAITING = 10;
const REST_MS = 100;
let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

export function hashPassword(password: string): Promise<string> {
  return inTurn(() => hash(password));
}

/** Without a hash it takes as long, and is false. */
export async function isPassword(passwordHash: string | undefined, password: string): Promise<boolean> {
  const against = passwordHash ?? (await NOBODY);
  return (await inTurn(() => verify(against, password))) && passwordHash !== undefined;
}

/** Hashing takes a processor for a while: one after the other, with a rest in between for those who work. */
async function inTurn<Answer>(work: () => Promise<Answer>): Promise<Answer> {
  if (waiting >= MOST_WAITING) throw BUSY;
  waiting += 1;
  const before = last;
  const turn = before.then(work);
  last = turn.then(rest, rest);
  try {
    return await turn;
  } finally {
    waiting -= 1;
  }
}

function rest(): Promise<void> {
  return new Promise(resolve => setTimeout(resolve, REST_MS));
}
