import { constants, setPriority } from 'node:os';

/** This thread leaves the processors to those that answer somebody; on systems that know no such thread it goes on as it was. */
export function standBack(): void {
  // Of Linux' threads each has a priority of its own: elsewhere this would be the whole program's.
  if (process.platform === 'linux') setPriority(constants.priority.PRIORITY_LOW);
}
