import type { Deps } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { readInThread, route, routeWithoutScope } from '../../http/route.ts';
import { readReturning } from './returning.ts';
import { readTodaysWork } from './todays-work.ts';

const clockOf = ({ now, today }: Deps) => ({ now: now(), ...(today && { today }) });

export const programmeRoutes = [
  route('programme.today', (scope, { deps, who }) => readTodaysWork(scope, deps, who.role)),
  route('section.returning', (scope, { deps, params }) => readReturning(scope, params.section, deps)),
  routeWithoutScope('programme.levels', call => readInThread(call, 'levels', {})),
  routeWithoutScope('programme.findings', call => readInThread(call, 'findings', {})),
  routeWithoutScope('programme.next', call => readInThread(call, 'next-term', clockOf(call.deps))),
  routeWithoutScope('course.rollOver', async call => {
    const { course } = call.params;
    const answer = await readInThread(call, 'roll-over', { course, ...clockOf(call.deps) });
    if (!answer) throw new HttpFault('not-found', `There is no course "${course}" in this studio.`);
    return answer;
  }),
  routeWithoutScope('programme.faults', call => readInThread(call, 'coming-faults', clockOf(call.deps))),
];
