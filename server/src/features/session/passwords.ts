import { hash, verify } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';
import { openBuckets } from '../../bounds/buckets.ts';
import { HttpFault } from '../../faults/http-fault.ts';

const BUSY = new HttpFault(
  'too-many',
  'Many people are signing in at this moment. Try again in a few seconds.',
);

/** Compared against when there is no such account, so that both take the same time. */
const NOBODY = hash('nobody has this password');

const MOST_WAITING = 40;
/** A class that comes in at once is hashed without a rest; who guesses all the time leaves the processor to the others. */
const WITHOUT_REST = openBuckets({ perSecond: 3, burst: 25 });
const REST_MS = 120;
let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

export function hashPassword(password: string): Promise<string> {
  return inTurn(() => hash(password));
}

/** Refuses what is tried first by whoever guesses: common passwords, their usual endings, the own e-mail. */
export function refuseCommonPassword(password: string, email: string, at: string): void {
  const plain = password.toLowerCase();
  const stem = plain.replace(/[^\p{L}]+$/u, '');
  const [own = ''] = email.toLowerCase().split('@');
  const isCommon =
    COMMON.has(plain) ||
    (stem.length >= LEAST_STEM && COMMON.has(stem)) ||
    new Set(plain).size < LEAST_LETTERS ||
    (own.length >= LEAST_LETTERS && plain.includes(own));
  if (isCommon)
    throw new HttpFault('bad-request', 'This password is among those that are tried first. Choose another.', {
      problems: [{ at, message: 'is among those that are tried first; some words of your own are better' }],
    });
}

/** Some fifty thousand passwords that people have. */
const COMMON: ReadonlySet<string> = new Set(dictionary['passwords-common']);
const LEAST_STEM = 6;
const LEAST_LETTERS = 4;

/** Without a hash it takes as long, and is false. */
export async function isPassword(passwordHash: string | undefined, password: string): Promise<boolean> {
  const against = passwordHash ?? (await NOBODY);
  return (await inTurn(() => verify(against, password))) && passwordHash !== undefined;
}

/** Hashing takes a processor for a while: one after the other, and where it does not end with a rest in between. */
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

function rest(): Promise<void> | undefined {
  if (WITHOUT_REST.take('all')) return undefined;
  return new Promise(resolve => setTimeout(resolve, REST_MS));
}
