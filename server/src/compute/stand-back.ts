import { constants, setPriority } from 'node:os';

/**
 * This thread leaves the processors to those that answer at once; on systems that know no such thread it goes on as it was.
 * It still gets its tenth beside a busy one, for somebody waits for it: at the lowest priority it would get next to nothing.
 */
export function standBack(): void {
  // Of Linux' threads each has a priority of its own: elsewhere this would be the whole program's.
  if (process.platform === 'linux') setPriority(constants.priority.PRIORITY_BELOW_NORMAL);
}
