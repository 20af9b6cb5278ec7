import { route } from '../../http/route.ts';
import { readComingFaults } from './coming-faults.ts';
import { readTodaysWork } from './todays-work.ts';

export const programmeRoutes = [
  route('programme.today', (scope, { deps, who }) => readTodaysWork(scope, deps, who.role)),
  route('programme.faults', (scope, { deps }) => readComingFaults(scope, deps)),
];
