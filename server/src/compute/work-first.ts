// Nothing is worked out inside a transaction: it is rolled back, the answer is worked out, and it runs again with it.
import { createHash } from 'node:crypto';
import type { Database } from '../db/database.ts';
import type { StudioScope } from '../db/studio-scope.ts';
import { HttpFault } from '../faults/http-fault.ts';
import type { Computer } from './computer.ts';
import type { OrderOf, ResultOf, TaskName } from './tasks.ts';

/** Thrown out of a transaction that needs something worked out first. */
class WorkFirst extends Error {
  override readonly name = 'WorkFirst';
  readonly key: string;
  readonly task: TaskName;
  readonly order: unknown;

  constructor(key: string, task: TaskName, order: unknown) {
    super(`${task} is worked out before the transaction`);
    this.key = key;
    this.task = task;
    this.order = order;
  }
}

/** What was worked out for exactly this order; else the transaction ends here and runs again once it is. */
export function workedOut<Name extends TaskName>(
  scope: StudioScope,
  task: Name,
  order: OrderOf<Name>,
): ResultOf<Name> {
  const key = createHash('sha256')
    .update(`${task} ${JSON.stringify(order)}`)
    .digest('base64url');
  if (!scope.workedOut.has(key)) throw new WorkFirst(key, task, order);
  return scope.workedOut.get(key) as ResultOf<Name>;
}

/** One answer for each thing that is worked out, and a few more where others change what it is worked out of. */
const MOST_ROUNDS = 8;

/** Runs work on a studio in one transaction; what it needs worked out is worked out between two tries of it. */
export async function inStudioWorking<Answer>(
  { database, computer }: { readonly database: Database; readonly computer: Computer },
  studio: string,
  work: (scope: StudioScope) => Promise<Answer>,
): Promise<Answer> {
  const known = new Map<string, unknown>();
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    try {
      return await database.inStudio(studio, work, known);
    } catch (error) {
      if (!(error instanceof WorkFirst)) throw error;
      known.set(error.key, await computer.run(studio, error.task, error.order as OrderOf<TaskName>));
    }
  }
  throw new HttpFault(
    'conflict',
    'Others are changing this at the same moment. Nothing was changed; try again.',
  );
}
