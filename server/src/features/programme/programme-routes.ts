import { route } from '../../http/route.ts';
import { readComingFaults } from './coming-faults.ts';
import { readNextTerm } from './next-term.ts';
import { readTodaysWork } from './todays-work.ts';

export const programmeRoutes = [
  route('programme.today', (scope, { deps, who }) => readTodaysWork(scope, deps, who.role)),
  route('programme.next', (scope, { deps }) => readNextTerm(scope, deps)),
  route('programme.faults', (scope, { deps }) => readComingFaults(scope, deps)),
];
