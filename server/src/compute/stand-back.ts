import { constants, setPriority } from 'node:os';

const { PRIORITY_BELOW_NORMAL, PRIORITY_LOW } = constants.priority;

/**
 * This thread leaves the processors to those that answer at once; on systems that know no such thread it goes on as it was.
 * Where somebody waits for it, it still gets its tenth beside a busy one: at the lowest priority it would get next to nothing.
 */
export function standBack(isAwaited: boolean): void {
  // Of Linux' threads each has a priority of its own: elsewhere this would be the whole program's.
  if (process.platform === 'linux') setPriority(isAwaited ? PRIORITY_BELOW_NORMAL : PRIORITY_LOW);
}
