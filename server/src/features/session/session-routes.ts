import { announceSessionEnd } from '../../db/change-feed.ts';
import { publicRoute, routeWithoutScope } from '../../http/route.ts';
import { endSession, nameOfSession } from '../../http/session.ts';
import { readSession, setUpStudio, signIn, signInToDemo } from './session-service.ts';

export const sessionRoutes = [
  publicRoute('session.read', ({ deps, request }) => readSession(deps, request)),
  publicRoute('session.signIn', call => signIn(call, call.body)),
  publicRoute('session.demo', call => signInToDemo(call, call.body.person)),
  publicRoute('setup.create', call => setUpStudio(call, call.body)),
  routeWithoutScope('session.signOut', async ({ deps, who, request }) => {
    const name = nameOfSession(request);
    await endSession(request);
    await deps.database.inStudio(who.studio, scope => announceSessionEnd(scope, name));
    return {};
  }),
];
